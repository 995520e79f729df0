import { molarMass, parseFormula, type Formula } from '#core/formula'

/** What a solid in a vessel is: left of a reagent, thrown down, grown as crystals, or what is left when all else has gone. */
export type SolidKind = 'unreacted' | 'thrown down' | 'crystals' | 'residue'
export interface Lump {
  readonly form: Formula
  readonly moles: number
  readonly is: SolidKind
}

/** Everything in one vessel: plain data. Solvents in g, what is dissolved in moles by ion or molecule. */
export interface Vessel {
  readonly celsius: number
  readonly solvents: ReadonlyMap<string, number>
  readonly ions: ReadonlyMap<string, number>
  readonly lumps: readonly Lump[]
  /** True where a model rather than a table told what stands. */
  readonly estimated: boolean
}

/** Matter as a chemist tells it, moles and g. */
export interface Portion {
  readonly form: string
  readonly amount: number
  readonly mass: number
}
/** Where matter goes that leaves a vessel. */
export const places = [
  'gas',
  'trap',
  'filtrate',
  'kept liquor',
  'cake',
  'crop',
  'washings',
  'paper',
  'sample',
  'distillate',
  'residue',
] as const
export type Place = (typeof places)[number]
export interface Out {
  readonly to: Place
  readonly matter: readonly Portion[]
}

export const WATER = 'water'
/** Below this, in moles, there is nothing. */
export const TRACE = 1e-12

export const emptyVessel = (celsius: number): Vessel => ({
  celsius,
  solvents: new Map(),
  ions: new Map(),
  lumps: [],
  estimated: false,
})

const known = new Map<string, Formula>()
/** A formula that the core wrote itself. */
export function formulaOf(text: string): Formula {
  const before = known.get(text)
  if (before) return before
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read.`)
  known.set(text, read.value)
  return read.value
}

export const portionOf = (form: Formula, moles: number): Portion => ({
  form: form.text,
  amount: moles,
  mass: moles * molarMass(form),
})

/** A map with so much more of a key; what comes to nothing is left out. */
export function plus(map: ReadonlyMap<string, number>, key: string, more: number): Map<string, number> {
  const next = new Map(map)
  const sum = (next.get(key) ?? 0) + more
  if (Math.abs(sum) > TRACE) next.set(key, sum)
  else next.delete(key)
  return next
}

/** A list of lumps with so much more of one; of one form and kind they are one. */
export function withLump(lumps: readonly Lump[], form: Formula, moles: number, is: SolidKind): Lump[] {
  const at = lumps.findIndex(one => one.form.text === form.text && one.is === is)
  const next =
    at < 0
      ? [...lumps, { form, moles, is }]
      : lumps.map((one, i) => (i === at ? { ...one, moles: one.moles + moles } : one))
  return next.filter(one => one.moles > TRACE)
}

/** Gas and solids of one list with those of another, by form. */
export function gathered(portions: readonly Portion[]): Portion[] {
  const all = new Map<string, Portion>()
  for (const { form, amount, mass } of portions) {
    const before = all.get(form)
    all.set(form, { form, amount: amount + (before?.amount ?? 0), mass: mass + (before?.mass ?? 0) })
  }
  return [...all.values()].filter(({ amount }) => Math.abs(amount) > TRACE)
}

/** The same part of every entry. */
export const shareOf = (map: ReadonlyMap<string, number>, share: number): Map<string, number> =>
  new Map([...map].map(([key, value]) => [key, value * share] as const))
