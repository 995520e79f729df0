import { molarMass, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { ionsOf, partsOf } from '#core/species'
import { componentsOf, mostOf } from './components'
import { branchesAt, findCurve, saturationAt, type Curve, type CurveOf } from './curve'
import { eachAlone, rowsAlone } from './alone'
import type { PotState, Present, Solute } from './pot'
import type { SolubilityProblem } from './problems'
import { refusesSpirit, SPIRIT_LIMIT } from './salting-out'
import { findDouble, findProduct, WATER_MOLAR, type Solid, type StandingSolid } from './solids'
import { together, TRACE_SHARE, type Doubts, type Together } from './together'

export interface FormMass {
  readonly form: string
  readonly mass: number
}

/** The pot at rest: which solids stand in it, and what is dissolved. */
export interface Rest {
  readonly celsius: number
  /** Moles of each solid that stands. */
  readonly solids: readonly { readonly solid: StandingSolid; readonly amount: number; readonly mass: number }[]
  /** g of water in the liquor, the water told with dissolved forms included. */
  readonly freeWater: number
  /** True where the crystals would take more water than there is: no liquor is left, and some of the salt stays a lower hydrate. */
  readonly dry: boolean
  readonly dissolved: ReadonlyMap<string, number>
  /** The liquor told as the forms that would crystallise from it, and the water beside them; the two add up to the liquor. */
  readonly told: { readonly forms: readonly FormMass[]; readonly water: number }
  /** True where a model rather than a table answers. */
  readonly estimated: boolean
  /** The model found no rest: what it tells is its nearest, and is not to be relied on. */
  readonly isUnsettled?: true
  /** Where a model answers: why it is less sure than usual. */
  readonly doubts?: Doubts
  /** Salts of which no table tells the solubility here: they are told as dissolved. */
  readonly leftOut: readonly string[]
}

/** A pot from water (g) and solutes by form and mass; the water that forms bring is counted. */
export function potOfSolutes(
  water: number,
  solutes: readonly { readonly form: Formula; readonly mass: number }[],
  celsius: number,
  own: readonly Curve[] = [],
): Checked<PotState, SolubilityProblem> {
  let pot: PotState = { celsius, water, totals: new Map(), solutes: [] }
  for (const { form, mass } of solutes) {
    const next = addSolute(pot, form, mass, own)
    if (!next.ok) return next
    pot = next.value
  }
  return ok(pot)
}

/** The pot with so many grams of a form more. A salt that no table knows goes in as what it falls apart into; whether that is enough is for the pot at rest to say. */
export function addSolute(
  pot: PotState,
  form: Formula,
  mass: number,
  own: readonly Curve[] = [],
): Checked<PotState, SolubilityProblem> {
  const known = knownSalt(form, own) ?? unknownSalt(form)
  if (!known) return fail({ code: 'solubility.unknown', salt: form.text })
  const { salt, units, waters, curve } = known
  const formMoles = mass / molarMass(form)
  const amount = formMoles * units
  const totals = new Map(pot.totals)
  for (const { key, count } of componentsOf(salt)) totals.set(key, (totals.get(key) ?? 0) + count * amount)
  const isThere = pot.solutes.some(one => one.salt.text === salt.text)
  const solutes = isThere ? pot.solutes : [...pot.solutes, { salt, curve }]
  return ok({ ...pot, water: pot.water + formMoles * waters * WATER_MOLAR, totals, solutes })
}

interface Known {
  readonly salt: Formula
  readonly units: number
  readonly waters: number
  readonly curve: Curve | undefined
}

function knownSalt(form: Formula, own: readonly Curve[]): Known | undefined {
  const found: CurveOf | undefined = findCurve(form, own)
  if (found) return { salt: found.curve.salt, ...found.relation, curve: found.curve }
  const known = findProduct(form) ?? findDouble(form)
  const relation = known && relate(form, known.salt)
  return known && relation ? { salt: known.salt, ...relation, curve: undefined } : undefined
}

/** A salt of known ions, without its water; undefined for what does not fall apart into ions. */
function unknownSalt(form: Formula): Known | undefined {
  const { parts, waters } = partsOf(form.text)
  const salt = parseFormula(parts.map(part => part.text).join('·'))
  return salt.ok && (ionsOf(salt.value)?.length ?? 0) > 1
    ? { salt: salt.value, units: 1, waters, curve: undefined }
    : undefined
}

/**
 * Lets the pot come to rest at its temperature. Where nothing of what was put in is known there, that is a problem; else what is not known stays dissolved and is named.
 */
export function restOf(pot: PotState, own: readonly Curve[] = []): Checked<Rest, SolubilityProblem> {
  const present = presentSolutes(pot)
  const unknown = unknownAt(pot.celsius, present)
  const problem = unknown.map(({ problem: one }) => one)[0]
  if (problem && unknown.length === present.length) return fail(problem)
  const { spirit } = pot
  const refused = spirit && refusesSpirit(pot, spirit.is)
  if (refused) return fail(refused)
  const rows = unknown.length > 0 ? undefined : rowsAlone(pot, present)
  const model = rows ? undefined : together(pot, own)
  const told: Together = rows ? { ...eachAlone(pot, rows), isAtRest: true } : model!
  const solids = rows ? rows.map(({ solid }) => solid) : model!.solids
  const leftOut = model?.leftOut ?? []
  const notKnown = [
    ...new Set([
      ...unknown.filter(one => !one.isDrawnOn).map(({ salt }) => salt.text),
      ...leftOut.map(({ text }) => text),
    ]),
  ]
  const isPlain = rows !== undefined || (present.length === 1 && told.isClear === true)
  const estimated =
    !isPlain || spirit !== undefined || (rows ?? []).some(({ solid }) => solid.isDrawnOn) || notKnown.length > 0
  const rest: Rest = {
    ...tell(pot, told, solids, estimated, notKnown),
    ...(!told.isAtRest && { isUnsettled: true }),
    ...(told.doubts && { doubts: told.doubts }),
  }
  const strength = spirit ? spirit.grams / (spirit.grams + rest.freeWater) : 0
  if (spirit && strength > SPIRIT_LIMIT)
    return fail({ code: 'solubility.spirit-too-strong', solvent: spirit.is, strength })
  return ok(rest)
}

/** The salts put in of which no table tells the solubility at a temperature, and why; a curve that ends near it is drawn on beside others. */
function unknownAt(
  celsius: number,
  present: readonly Present[],
): { readonly salt: Formula; readonly problem: SolubilityProblem; readonly isDrawnOn: boolean }[] {
  return present.flatMap(({ salt, curve }) => {
    if (!curve)
      return findProduct(salt) || findDouble(salt)
        ? []
        : [{ salt, problem: { code: 'solubility.unknown' as const, salt: salt.text }, isDrawnOn: false }]
    const saturation = saturationAt(curve, celsius)
    return saturation.ok
      ? []
      : [{ salt, problem: saturation.problem, isDrawnOn: branchesAt(curve, celsius).length > 0 }]
  })
}

const TRACE = 1e-12

function presentKeys({ totals }: PotState): string[] {
  const most = Math.max(0, ...totals.values())
  return [...totals].filter(([, amount]) => amount > TRACE_SHARE * most && amount > 0).map(([key]) => key)
}

/** The solutes that are still there: what was washed away or filtered off is no longer. */
function presentSolutes(pot: PotState): Present[] {
  const keys = new Set(presentKeys(pot))
  return pot.solutes
    .filter(({ salt }) => componentsOf(salt).every(({ key }) => keys.has(key)))
    .map(solute => ({ ...solute, amount: mostOf(solute.salt, pot.totals) }))
    .filter(({ amount }) => amount > TRACE)
}

function tell(
  pot: PotState,
  { standing, dry, dissolved: traced }: Together,
  all: readonly Solid[],
  estimated: boolean,
  leftOut: readonly string[],
): Rest {
  const solids = standing
    .filter(({ amount }) => amount > TRACE)
    .map(({ solid, amount }) => ({ solid, amount, mass: amount * solid.molarMass }))
  const dissolved = new Map(pot.totals)
  let freeWater = pot.water
  for (const { solid, amount } of solids) {
    freeWater -= amount * solid.waters * WATER_MOLAR
    for (const { key, count } of solid.components)
      dissolved.set(key, Math.max(0, (dissolved.get(key) ?? 0) - count * amount))
  }
  for (const [key, amount] of traced ?? []) dissolved.set(key, amount)
  if (dry) freeWater = 0
  const forms = asForms(dissolved, pot.solutes, all)
  const bound = forms.reduce((sum, { water }) => sum + water, 0)
  return {
    celsius: pot.celsius,
    solids,
    freeWater,
    dry,
    dissolved,
    told: { forms: forms.map(({ form, mass }) => ({ form, mass })), water: freeWater - bound },
    estimated,
    leftOut,
  }
}

/** Dissolved ions told as salts: those that were put in first, then whatever other solid of the tables fits, then plain pairs. */
function asForms(
  dissolved: ReadonlyMap<string, number>,
  solutes: readonly Solute[],
  solids: readonly Solid[],
): { form: string; mass: number; water: number }[] {
  const left = new Map(dissolved)
  const forms: { form: string; mass: number; water: number }[] = []
  const stable = solids.filter(({ isMetastable }) => !isMetastable)
  const take = (form: Formula, waters: number, parts: readonly { key: string; count: number }[]): void => {
    const amount = Math.min(...parts.map(({ key, count }) => (left.get(key) ?? 0) / count))
    if (!(amount > TRACE)) return
    for (const { key, count } of parts) left.set(key, Math.max(0, (left.get(key) ?? 0) - count * amount))
    const mass = amount * molarMass(form)
    const known = forms.find(one => one.form === form.text)
    if (known) {
      known.mass += mass
      known.water += amount * waters * WATER_MOLAR
    } else forms.push({ form: form.text, mass, water: amount * waters * WATER_MOLAR })
  }
  for (const { salt } of solutes) {
    const solid = stable.find(one => one.salt.text === salt.text)
    if (solid) take(solid.form, solid.waters, solid.components)
    else take(salt, 0, componentsOf(salt))
  }
  for (const solid of [...stable].sort((a, b) => a.components.length - b.components.length))
    take(solid.form, solid.waters, solid.components)
  for (const [cation] of left) {
    if (!cation.includes('+')) continue
    for (const [anion] of left) if (anion.includes('-')) pair(cation, anion, take)
  }
  return forms
}

/** A salt of a cation and an anion that no table knows, written by their charges. */
function pair(
  cation: string,
  anion: string,
  take: (form: Formula, waters: number, parts: { key: string; count: number }[]) => void,
): void {
  const chargeOf = (key: string): number => Number(/\^(\d*)[+-]$/.exec(key)?.[1] || 1)
  const bodyOf = (key: string): string => key.replace(/\^.*$/, '')
  const [up, down] = [chargeOf(cation), chargeOf(anion)]
  const common = greatestCommon(up, down)
  const many = (body: string, count: number): string =>
    count === 1 ? body : /^[A-Z][a-z]?$/.test(body) ? `${body}${count}` : `(${body})${count}`
  const formula = pairFormula(many(bodyOf(cation), down / common) + many(bodyOf(anion), up / common))
  if (formula)
    take(formula, 0, [
      { key: cation, count: down / common },
      { key: anion, count: up / common },
    ])
}
const pairs = new Map<string, Formula | undefined>()
function pairFormula(text: string): Formula | undefined {
  if (!pairs.has(text)) {
    const read = parseFormula(text)
    pairs.set(text, read.ok ? read.value : undefined)
  }
  return pairs.get(text)
}
const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b))

/** Moles of each ion that a rest holds in solution and in solids; for a check that nothing is lost. */
export function ionsOfRest({ solids, dissolved }: Rest): Map<string, number> {
  const all = new Map(dissolved)
  for (const { solid, amount } of solids)
    for (const { key, count } of solid.components) all.set(key, (all.get(key) ?? 0) + count * amount)
  return all
}
