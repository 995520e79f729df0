import { findSubstance, molarMass, type Formula } from '#core/formula'
import { solvents } from '#core/reference'
import { findCurve, saturationAt, type Curve } from '#core/solution'
import { contact, react, type Net } from './contact'
import { atRest } from './rest'
import { asHydrates, withoutTheirWater } from './sparing-hydrates'
import { dissolvedParts, dryOf, isGasAlone, standsAs, yieldsToWater } from './stands-as'
import {
  formulaOf,
  gathered,
  plus,
  portionOf,
  shareOf,
  WATER,
  withLump,
  type Out,
  type Portion,
  type Vessel,
} from './state'
import { toldAs } from './told'
import type { Setting } from './setting'
import { withTheSteam } from './vapour'
import { waterOver } from './volume'

/** What is done to a vessel: one row of the table below each. Masses in g, temperatures in °C, amounts in moles. */
export type Operation =
  | { readonly do: 'weigh' | 'measure' | 'stir' | 'stand' | 'observe' | 'weigh crop' }
  /** A species goes in, with the solvent that it brings. */
  | {
      readonly do: 'charge'
      readonly formula: Formula
      readonly moles: number
      readonly solvents: ReadonlyMap<string, number>
    }
  | { readonly do: 'add solvent'; readonly solvents: ReadonlyMap<string, number> }
  | { readonly do: 'heat to' | 'cool'; readonly celsius: number }
  /** So much water, or all of it and of every solvent. */
  | { readonly do: 'boil off'; readonly water: number }
  /** To so many mL of liquid; an estimate, since its density is one. */
  | { readonly do: 'boil down'; readonly volume: number }
  /** A kept liquor comes back into the vessel; what was in it is set aside as a crop. */
  | { readonly do: 'take up'; readonly liquor: string }
  | { readonly do: 'take to dryness' | 'distil off' }
  /** `retained` is the liquor that a cake keeps, as a share of its solids' mass; `liquor` the name under which the rest is kept. */
  | {
      readonly do: 'filter off'
      readonly keep: 'solid' | 'liquor'
      readonly retained: number
      readonly liquor?: string
    }
  | {
      readonly do: 'wash'
      readonly solvents: ReadonlyMap<string, number>
      readonly celsius: number
      readonly retained: number
      /** Runs through the cake instead of being stirred up with it. */
      readonly through?: boolean
    }
  /** To the temperature that the crop ends at. */
  | { readonly do: 'dry'; readonly celsius: number }
  | { readonly do: 'ignite'; readonly celsius: number }
export const operationWords: Readonly<Record<Operation['do'], string>> = {
  weigh: 'weigh a reagent out; nothing enters the vessel',
  measure: 'measure a reagent or solvent out; nothing enters the vessel',
  charge: 'a reagent, or a portion of it, enters the vessel',
  'add solvent': 'a solvent enters the vessel',
  stir: 'stir until what happens at contact has happened',
  stand: 'let it stand',
  observe: 'look',
  'heat to': 'bring to a temperature, and let the salts come to rest there',
  cool: 'cool, and let the salts come to rest there',
  'boil off': 'boil off so much water',
  'boil down': 'boil down to a volume',
  'take up': 'take a kept liquor up again; what was in the vessel is set aside as a crop',
  'take to dryness': 'evaporate all that evaporates',
  'distil off': 'distil the solvent off',
  'filter off': 'filter: keep the solid, or the liquor',
  wash: 'wash the cake on the filter',
  dry: 'dry: what clings evaporates, what it held stays',
  ignite: 'heat dry: the reaction of the dry solids runs',
  'weigh crop': 'weigh the crop',
}

export interface Done {
  readonly vessel: Vessel
  readonly out: readonly Out[]
  readonly unknown?: string
  /** The liquor that a filter keeps. */
  readonly kept?: Vessel
}

const WATER_MOLAR = molarMass(formulaOf('H2O'))
const leaving = (to: Out['to'], matter: readonly Portion[]): Out[] =>
  matter.length > 0 ? [{ to, matter: gathered(matter) }] : []

/** Does one operation: the vessel after it, and all that left it. Matter is neither made nor lost but as reactions change it. */
export function operate(vessel: Vessel, operation: Operation, setting: Setting): Done {
  switch (operation.do) {
    case 'weigh':
    case 'measure':
    case 'observe':
    case 'weigh crop':
    case 'take up':
      return { vessel, out: [] }
    case 'stir':
    case 'stand':
      return settled(vessel, setting)
    case 'charge':
      return settled(charged(vessel, operation), setting)
    case 'add solvent':
      return settled(withSolvents(vessel, operation.solvents), setting)
    case 'heat to':
    case 'cool':
      return settled({ ...vessel, celsius: operation.celsius }, setting)
    case 'boil off':
      return boiledOff(vessel, operation.water, setting)
    case 'boil down':
      return boiledOff(vessel, waterOver(vessel, operation.volume, setting), setting)
    case 'take to dryness':
      return dried(vessel, setting, 'gas')
    case 'dry':
      return dried({ ...vessel, celsius: operation.celsius }, setting, 'gas')
    case 'distil off':
      return dried(vessel, setting, 'distillate')
    case 'filter off':
      return filtered(vessel, operation, setting)
    case 'wash':
      return washed(vessel, operation, setting)
    case 'ignite':
      return ignited(vessel, operation.celsius, setting)
  }
}

/** Contact, then rest. Without water only the dry stand beside each other. */
function settled(vessel: Vessel, { net, named, own, product }: Setting): Done {
  const isWet = [...vessel.solvents.values()].some(grams => grams > 0)
  if (!isWet) return { vessel, out: [] }
  const met = contact(gatheredFor(net, withoutTheirWater(dissolved(vessel), product)), net)
  const rest = atRest(asHydrates(met.vessel, product), named, own, product)
  return { vessel: rest.vessel, out: leaving('gas', met.gases), ...(rest.unknown && { unknown: rest.unknown }) }
}

/** What dissolves goes into the liquor before anything reacts; what is too much for it comes to rest again. */
function dissolved(vessel: Vessel): Vessel {
  let { ions, solvents } = vessel
  const lumps = vessel.lumps.filter(({ form, moles, is }) => {
    const { dry, waters } = dryOf(form)
    if (standsAs(dry) !== 'dissolved' || is === 'thrown down') return true
    for (const { key, count } of dissolvedParts(dry)) ions = plus(ions, key, count * moles)
    if (waters > 0) solvents = plus(solvents, WATER, waters * moles * WATER_MOLAR)
    return false
  })
  return { ...vessel, ions, solvents, lumps }
}

/** What water took of a solid that the equation takes as one is there for it as well. */
function gatheredFor(net: Net | undefined, vessel: Vessel): Vessel {
  let { ions, lumps } = vessel
  for (const [text, by] of net?.solids ?? []) {
    const form = formulaOf(text)
    if (by >= 0 || !yieldsToWater(form)) continue
    const parts = dissolvedParts(form)
    const moles = Math.min(...parts.map(({ key, count }) => (ions.get(key) ?? 0) / count))
    for (const { key, count } of parts) ions = plus(ions, key, -count * moles)
    lumps = withLump(lumps, form, moles, 'thrown down')
  }
  return { ...vessel, ions, lumps }
}

const withSolvents = (vessel: Vessel, solvents: ReadonlyMap<string, number>): Vessel => ({
  ...vessel,
  solvents: [...solvents].reduce<ReadonlyMap<string, number>>(
    (all, [name, grams]) => plus(all, name, grams),
    vessel.solvents,
  ),
})

function charged(vessel: Vessel, { formula, moles, solvents }: Extract<Operation, { do: 'charge' }>): Vessel {
  const wet = withSolvents(vessel, solvents)
  if (isGasAlone(formula) && standsAs(formula) === 'gas') return { ...wet, ions: plus(wet.ions, formula.text, moles) }
  return { ...wet, lumps: withLump(wet.lumps, formula, moles, 'unreacted') }
}

function boiledOff(vessel: Vessel, water: number, setting: Setting): Done {
  const other = [...vessel.solvents].find(([name, grams]) => name !== WATER && grams > 0)
  if (other && water > 0)
    return { vessel, out: [], unknown: `What boils off of ${other[0]} and water is not modelled.` }
  const there = vessel.solvents.get(WATER) ?? 0
  // What is boiled until no water is left is taken to dryness.
  if (water > 0 && water >= there) return dried(vessel, setting, 'gas')
  const steam = withTheSteam(vessel, water)
  const done = settled({ ...steam.vessel, solvents: plus(vessel.solvents, WATER, -water) }, setting)
  return { ...done, out: [...leaving('gas', [waterOf(water), ...steam.gone]), ...done.out] }
}
const waterOf = (grams: number): Portion => ({ form: 'H2O', amount: grams / WATER_MOLAR, mass: grams })

const solventRow = (name: string) => solvents.find(row => row.name === name)
/** The formula of a solvent by its name; water's for one that no table has. */
export const solventFormula = (name: string): Formula => formulaOf(solventRow(name)?.formula ?? 'H2O')
const solventPortion = (name: string, grams: number): Portion => {
  const form = solventFormula(name)
  return { form: form.text, amount: grams / molarMass(form), mass: grams }
}

const isVolatile = (form: string): boolean => {
  const row = findSubstance(formulaOf(form))?.row
  return row?.volatile === true || row?.state === 'gas'
}

/** Solvents and volatile solutes leave; what was dissolved stays as solid: the product in its form, as far as there is water for it, the rest in the forms of the tables. */
function dried(vessel: Vessel, { named, product, own = [] }: Setting, to: 'gas' | 'distillate'): Done {
  let { lumps } = vessel
  let water = vessel.solvents.get(WATER) ?? 0
  const gone: Portion[] = []
  for (const portion of toldAs(vessel.ions, named)) {
    if (isVolatile(portion.form)) {
      gone.push(portion)
      continue
    }
    const dry = formulaOf(portion.form)
    const { form, waters } = formTaken(dry, formStanding(vessel, product), own)
    const wanted = waters * portion.amount * WATER_MOLAR
    const share = wanted > 0 ? Math.min(1, water / wanted) : 1
    const isProduct = dryOf(product).dry.text === dry.text
    lumps = withLump(lumps, form, portion.amount * share, isProduct ? 'crystals' : 'residue')
    if (share < 1) lumps = withLump(lumps, dry, portion.amount * (1 - share), isProduct ? 'crystals' : 'residue')
    water -= wanted * share
  }
  for (const [name, grams] of vessel.solvents)
    gone.push(solventPortion(name, name === WATER ? Math.max(0, water) : grams))
  return { vessel: { ...vessel, solvents: new Map(), ions: new Map(), lumps }, out: leaving(to, gone) }
}

/** The form that the product has here: that of its crystals, where some stand, else the one that is wanted. */
const formStanding = ({ lumps }: Vessel, product: Formula): Formula =>
  lumps.find(({ form, is }) => is === 'crystals' && dryOf(form).dry.text === dryOf(product).dry.text)?.form ?? product

function formTaken(dry: Formula, product: Formula, own: readonly Curve[]): { form: Formula; waters: number } {
  const wanted = dryOf(product)
  if (wanted.dry.text === dry.text) return { form: product, waters: wanted.waters }
  const curve = findCurve(dry, own)?.curve
  const stands = curve && curve.salt.text === dry.text ? saturationAt(curve, 25) : undefined
  return stands?.ok ? { form: stands.value.phase.form, waters: stands.value.phase.waters } : { form: dry, waters: 0 }
}

const massOf = (portions: readonly Portion[]): number => portions.reduce((sum, { mass }) => sum + mass, 0)
const solidsOf = ({ lumps }: Vessel): Portion[] => lumps.map(({ form, moles }) => portionOf(form, moles))
function liquorOf({ solvents: held, ions }: Vessel, named: readonly Formula[], share: number): Portion[] {
  const part = new Map([...ions].map(([key, moles]) => [key, moles * share] as const))
  return [...[...held].map(([name, grams]) => solventPortion(name, grams * share)), ...toldAs(part, named)].filter(
    ({ mass }) => mass > 0,
  )
}

function filtered(
  vessel: Vessel,
  {
    keep,
    retained,
    liquor,
  }: { readonly keep: 'solid' | 'liquor'; readonly retained: number; readonly liquor?: string },
  { named }: Setting,
  to: Out['to'] = 'filtrate',
): Done {
  if (keep === 'liquor') return { vessel: { ...vessel, lumps: [] }, out: leaving('cake', solidsOf(vessel)) }
  const whole = massOf(liquorOf(vessel, named, 1))
  const kept = whole > 0 ? Math.min(1, (retained * massOf(solidsOf(vessel))) / whole) : 0
  return {
    vessel: { ...vessel, solvents: shareOf(vessel.solvents, kept), ions: shareOf(vessel.ions, kept) },
    out: leaving(liquor === undefined ? to : 'kept liquor', liquorOf(vessel, named, 1 - kept)),
    ...(liquor !== undefined && {
      kept: {
        ...vessel,
        solvents: shareOf(vessel.solvents, 1 - kept),
        ions: shareOf(vessel.ions, 1 - kept),
        lumps: [],
      },
    }),
  }
}

/** A wash running through a cake is told as so many small ones, each drained: near enough to a bed that is always wet. */
const THROUGH = 5

type Wash = Extract<Operation, { do: 'wash' }>
function washed(vessel: Vessel, operation: Wash, setting: Setting): Done {
  if (!operation.through) return stirredUp(vessel, operation, setting)
  let now: Done = { vessel, out: [] }
  for (let i = 0; i < THROUGH; i++) {
    const next = stirredUp(now.vessel, { ...operation, solvents: shareOf(operation.solvents, 1 / THROUGH) }, setting)
    now = {
      ...next,
      out: leaving(
        'washings',
        [...now.out, ...next.out].flatMap(({ matter }) => matter),
      ),
    }
  }
  return { ...now, vessel: { ...now.vessel, estimated: true } }
}

/** Cake and wash come to rest together, and are parted again; where the tables do not know how much dissolves, the crystals stay. */
function stirredUp(vessel: Vessel, { solvents, celsius, retained }: Wash, setting: Setting): Done {
  const wet = { ...withSolvents(vessel, solvents), celsius }
  const rest = atRest(wet, setting.named, setting.own, setting.product)
  const done = filtered(rest.unknown ? wet : rest.vessel, { keep: 'solid', retained }, setting, 'washings')
  return { ...done, ...(rest.unknown && { unknown: rest.unknown }) }
}

/** Dry solids are heated until their reaction has run; what evaporates at that temperature is gone, and the gas that was passed in is there for it. */
function ignited(vessel: Vessel, celsius: number, setting: Setting): Done {
  const isGas = (key: string): boolean => isGasAlone(formulaOf(key))
  const gases = new Map([...vessel.ions].filter(([key]) => isGas(key)))
  const liquor = new Map([...vessel.ions].filter(([key]) => !isGas(key)))
  const dry = dried({ ...vessel, celsius, ions: liquor }, setting, 'gas')
  const back: Vessel = { ...dry.vessel, ions: gases }
  const met = setting.net ? react(back, setting.net, 'residue') : { vessel: back, gases: [] }
  const left = [...met.vessel.ions].map(([key, moles]) => portionOf(formulaOf(key), moles))
  return {
    vessel: { ...met.vessel, ions: new Map() },
    out: [...dry.out, ...leaving('gas', [...met.gases, ...left])],
  }
}
