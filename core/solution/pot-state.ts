import { findSubstance, molarMass, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { ionsOf, partsOf } from '#core/species'
import { componentsOf, mostOf, type Component } from './components'
import { branchesAt, findCurve, saturationAt, type Curve, type CurveOf } from './curve'
import { interactionsOf, type Interactions } from './activity/interactions'
import { equilibrium } from './equilibrium'
import type { SolubilityProblem } from './problems'
import { ETHANOL_LIMIT, refusesEthanol, saltingOut } from './salting-out'
import {
  findDouble,
  findProduct,
  solidOf,
  solidsFor,
  solidWith,
  WATER_MOLAR,
  type Solid,
  type StandingSolid,
} from './solids'

/** One salt that was put in, anhydrous, as its curve or its solubility product knows it. */
export interface Solute {
  /** The anhydrous salt. */
  readonly salt: Formula
  /** Undefined for a sparingly soluble one. */
  readonly curve: Curve | undefined
}

/** Everything in the pot, whatever state it is in: the salts' ions, the water they came with, the temperature. */
export interface PotState {
  readonly celsius: number
  /** All water, crystals' included, g. */
  readonly water: number
  /** Moles of each ion or molecule. */
  readonly totals: ReadonlyMap<string, number>
  /** The salts put in, in their order; how the solution is told. */
  readonly solutes: readonly Solute[]
  /** g of ethanol added to throw the salts down. */
  readonly ethanol?: number
}

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
  const ethanol = pot.ethanol ?? 0
  const refused = ethanol > 0 ? refusesEthanol(pot) : undefined
  if (refused) return fail(refused)
  const keys = presentKeys(pot)
  const ions = interactionsOf(
    keys,
    pot.celsius,
    keys.map(key => pot.totals.get(key) ?? 0),
  )
  const { solids, leftOut } = solidsFor(new Set(keys), pot.celsius, own, ions)
  const rows = unknown.length > 0 ? undefined : rowsAlone(pot.celsius, present, solids, isOneSalt(pot, present))
  const told: Together = rows ? { ...eachAlone(pot, rows), isAtRest: true } : together(pot, keys, ions, solids, own)
  const notKnown = [
    ...new Set([
      ...unknown.filter(one => !one.isDrawnOn).map(({ salt }) => salt.text),
      ...leftOut.map(({ text }) => text),
    ]),
  ]
  const estimated = !rows || ethanol > 0 || rows.some(({ solid }) => solid.isDrawnOn) || notKnown.length > 0
  const rest: Rest = {
    ...tell(pot, told, solids, estimated, notKnown),
    ...(!told.isAtRest && { isUnsettled: true }),
  }
  const strength = ethanol / (ethanol + rest.freeWater)
  if (strength > ETHANOL_LIMIT) return fail({ code: 'solubility.ethanol-too-strong', strength })
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

/** Traces below this share of the most plentiful ion make no solid of their own. */
const TRACE_SHARE = 1e-9

function presentKeys({ totals }: PotState): string[] {
  const most = Math.max(0, ...totals.values())
  return [...totals].filter(([, amount]) => amount > TRACE_SHARE * most && amount > 0).map(([key]) => key)
}

interface Present extends Solute {
  /** Moles of the anhydrous salt that the pot's ions could make. */
  readonly amount: number
}

/** The solutes that are still there: what was washed away or filtered off is no longer. */
function presentSolutes(pot: PotState): Present[] {
  const keys = new Set(presentKeys(pot))
  return pot.solutes
    .filter(({ salt }) => componentsOf(salt).every(({ key }) => keys.has(key)))
    .map(solute => ({ ...solute, amount: mostOf(solute.salt, pot.totals) }))
    .filter(({ amount }) => amount > TRACE)
}

/** The pot holds the ions of one salt in its own proportions, and none beside: a double salt alone answers by its own curve. */
function isOneSalt({ totals }: PotState, present: readonly Present[]): boolean {
  const [only] = present
  if (!only?.curve || present.length !== 1) return false
  const parts = new Map(componentsOf(only.salt).map(({ key, count }) => [key, count * only.amount]))
  return [...totals].every(([key, amount]) => Math.abs(amount - (parts.get(key) ?? 0)) <= SAME_SHARE * only.amount)
}

/** Ions beside a salt's own proportions, as a share of it, that are no more than rounding. */
const SAME_SHARE = 1e-6

/**
 * Each salt with the solid of its own curve, where it stands alone, or where nothing but the salts put in can come down and no two of them share an ion;
 * undefined where one would change what the other does.
 */
function rowsAlone(
  celsius: number,
  present: readonly Present[],
  solids: readonly Solid[],
  isOne: boolean,
): Row[] | undefined {
  if (
    !isOne &&
    solids.some(({ salt, source }) => source === 'curve' && !present.some(one => one.salt.text === salt.text))
  )
    return undefined
  if (present.length > 1 && solids.some(({ source }) => source === 'product')) return undefined
  const shared = new Set<string>()
  const rows: Row[] = []
  for (const { salt, curve, amount } of present) {
    const solid = curve && solidOf(curve, celsius)
    if (!curve || solid?.alone === undefined) return undefined
    for (const { key } of componentsOf(salt)) {
      if (shared.has(key)) return undefined
      shared.add(key)
    }
    rows.push({ solid, curve, amount, limit: solid.alone / 100 / molarMass(salt) })
  }
  return rows
}

interface Row {
  readonly solid: Solid
  readonly curve: Curve
  readonly amount: number
  /** Moles that a gram of water holds. */
  readonly limit: number
}

type Standing = readonly { readonly solid: StandingSolid; readonly amount: number }[]

/** Each salt by its own curve in the water that all share; crystals with water leave less of it. Bisection on the free water. */
function eachAlone(pot: PotState, rows: readonly Row[]): { standing: Standing; dry: boolean } {
  const wanted = rows.reduce((sum, { solid, amount }) => sum + amount * solid.waters * WATER_MOLAR, 0)
  if (rows.length > 0 && pot.water <= wanted * (1 + 1e-9))
    return { standing: dryOf(rows, pot.water / wanted), dry: true }
  const ethanol = pot.ethanol ?? 0
  const holds = (solid: Solid, limit: number, water: number): number =>
    ethanol > 0 ? limit * (water + ethanol) * saltingOut(solid.components, ethanol / (ethanol + water)) : limit * water
  const crystalsAt = (water: number): { solid: Solid; amount: number }[] =>
    rows.map(({ solid, amount, limit }) => ({ solid, amount: Math.max(0, amount - holds(solid, limit, water)) }))
  const leftAt = (water: number): number =>
    pot.water - crystalsAt(water).reduce((sum, { solid, amount }) => sum + amount * solid.waters * WATER_MOLAR, 0)
  let low = 0
  let high = pot.water
  if (leftAt(high) < high - 1e-12) {
    for (let i = 0; i < 200; i++) {
      const middle = (low + high) / 2
      if (leftAt(middle) > middle) low = middle
      else high = middle
    }
  }
  return { standing: crystalsAt(high), dry: false }
}

/**
 * A pot whose crystals want more water than there is: each salt gets the same share of what it wants, and stands as the two of its
 * forms between which that falls, by the lever rule.
 */
function dryOf(rows: readonly Row[], share: number): Standing {
  return rows.flatMap(({ solid, curve, amount }): { solid: StandingSolid; amount: number }[] => {
    if (solid.waters === 0) return [{ solid, amount }]
    const waters = solid.waters * Math.min(1, share)
    const forms = formsBelow(curve, solid.waters)
    const upper = forms.findLast(one => one >= waters - 1e-12) ?? solid.waters
    const lower = forms.find(one => one < upper - 1e-12 && one <= waters) ?? 0
    const ofUpper = upper > lower ? (amount * (waters - lower)) / (upper - lower) : amount
    return [
      { solid: solidWith(curve.salt, upper), amount: ofUpper },
      { solid: solidWith(curve.salt, lower), amount: amount - ofUpper },
    ]
  })
}

/** Waters of the forms of a salt from the one that stands downwards: those of its curve, those of the tables, none. */
function formsBelow({ salt, phases }: Curve, most: number): number[] {
  const ofTables = (findSubstance(salt)?.row.forms ?? []).map(([waters]) => waters)
  return [...new Set([most, ...phases.map(({ waters }) => waters), ...ofTables, 0])]
    .filter(waters => waters >= 0 && waters <= most)
    .sort((a, b) => b - a)
}

interface Together {
  readonly standing: Standing
  /** Moles of each ion in the liquor, the last traces too. */
  readonly dissolved?: ReadonlyMap<string, number>
  readonly dry: boolean
  readonly isAtRest: boolean
}
/**
 * All solids that the pot's ions can make beside each other, by their activities. Where ethanol is there, each keeps the share of its solubility that it would keep alone, in the water and the ethanol together.
 */
function together(
  pot: PotState,
  keys: readonly string[],
  ions: Interactions,
  solids: readonly Solid[],
  own: readonly Curve[],
): Together {
  const ethanol = pot.ethanol ?? 0
  const thinned = (components: readonly Component[]): number => saltingOut(components, ethanol / (ethanol + pot.water))
  const all = ethanol > 0 ? solidsFor(new Set(keys), pot.celsius, own, ions, thinned).solids : solids
  const found = equilibrium({
    ions,
    totals: keys.map(key => pot.totals.get(key) ?? 0),
    water: (pot.water + ethanol) / 1000,
    solids: all.map(({ components, waters, logK }) => ({
      counts: keys.map(key => components.find(one => one.key === key)?.count ?? 0),
      hydration: (waters * WATER_MOLAR) / 1000,
      logK,
    })),
  })
  return {
    standing: all.map((solid, i) => ({ solid, amount: found.amounts[i] ?? 0 })),
    dissolved: new Map(keys.map((key, i) => [key, found.dissolved[i] ?? 0])),
    dry: found.isDry,
    isAtRest: found.isAtRest,
  }
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
    const solid = solids.find(one => one.salt.text === salt.text)
    if (solid) take(solid.form, solid.waters, solid.components)
    else take(salt, 0, componentsOf(salt))
  }
  for (const solid of [...solids].sort((a, b) => a.components.length - b.components.length))
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
  const formula = parseFormula(many(bodyOf(cation), down / common) + many(bodyOf(anion), up / common))
  if (formula.ok)
    take(formula.value, 0, [
      { key: cation, count: down / common },
      { key: anion, count: up / common },
    ])
}
const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b))

/** Moles of each ion that a rest holds in solution and in solids; for a check that nothing is lost. */
export function ionsOfRest({ solids, dissolved }: Rest): Map<string, number> {
  const all = new Map(dissolved)
  for (const { solid, amount } of solids)
    for (const { key, count } of solid.components) all.set(key, (all.get(key) ?? 0) + count * amount)
  return all
}
