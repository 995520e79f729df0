/** What can stand behind a yield, as scripts know it (docs/causes.md). */
export const causeCodes = [
  'wet',
  'heavier hydrate',
  'lighter hydrate',
  'liquor dried in',
  'by-product',
  'excess reagent',
  'other salt',
  'acid or basic salt',
  'double salt',
  'unreacted solid',
  'not finished',
  'weak reagent',
  'wrong hydrate charged',
  'wrong limiting reagent',
  'waters left out',
  'coefficient left out',
  'factor of two',
  'side reaction',
  'left in the liquor',
  'crop not taken',
  'wash loss',
  'transfer loss',
  'decomposed',
  'lost water',
  'took up water',
  'hot vessel',
  'tare',
  'digits swapped',
] as const
export type CauseCode = (typeof causeCodes)[number]

/** What a cause of one size does to the account. Everything left out stays as it is. */
export interface Effect {
  /** Share of what the limiting reagent could make that is made at all. */
  readonly made?: number
  /** Share of what was made that is still there, or of what was reckoned: leftovers do not change by it. */
  readonly kept?: number
  /** Where the cause itself says how much is won: the share of what is made, and its standard uncertainty. */
  readonly won?: { readonly mean: number; readonly spread: number }
  /** g of the crop to a g of the named form: another form weighs otherwise. */
  readonly factor?: number
  /** g that are in the crop beside the product, or are missing of it. */
  readonly add?: number
  /** g of what was added, by its formula, for assays; `H2O` is water. */
  readonly added?: Readonly<Record<string, number>>
  /** Where the crop is another salt altogether. */
  readonly instead?: string
  /** mol of a reagent that come back more than the sheet and `made` say. */
  readonly back?: Readonly<Record<string, number>>
  /** What the balance, or whoever read it, made of the mass: times this, and so many g more. */
  readonly misread?: number
  readonly offset?: number
}

/** One size that a cause can have in this batch, how likely it is among its sizes (they sum to one), and what it amounts to in words. */
export interface Sized {
  readonly effect: Effect
  readonly weight: number
  readonly amount: string
}

/** Something recorded, with how often it is recorded where the cause is there and where it is not: their ratio is its strength. */
export interface Heard {
  readonly says: string
  readonly with: number
  readonly without: number
}

/** A row of the table, for one batch. Words hold formulas in braces. */
export interface Cause {
  readonly code: CauseCode
  readonly title: string
  /** The form that the solid would be, where the cause is that. */
  readonly form?: string
  /** In what share of batches it is there and matters, and why that figure. */
  readonly usual: number
  readonly usualWhy: string
  readonly sizes: readonly Sized[]
  readonly heard: readonly Heard[]
  /** The most that there can be of it in this batch, g; left out where nothing bounds it. */
  readonly most?: number
  readonly test: TestName
  /** What the test is done to: a formula. */
  readonly on?: string
}

export type TestName =
  | 'dry on'
  | 'heat a sample'
  | 'wash again'
  | 'dissolve a gram'
  | 'look closely'
  | 'spot test'
  | 'assay the crop'
  | 'assay the bottle'
  | 'weigh the leftover'
  | 'look into the bottle'
  | 'boil the liquor down'
  | 'dry the washings'
  | 'weigh again'
  | 'weigh the vessel'
  | 'write it out'
  | 'test the liquor'
  | 'remember'

export const grams = (value: number): string => `${Number(value.toPrecision(3))}\u202fg`
export const percentText = (fraction: number): string =>
  `${(fraction * 100).toFixed(Math.abs(fraction) < 0.1 ? 1 : 0)}\u202f%`

/** Keeps what was really recorded. */
export const heardOf = (...all: readonly (Heard | false | undefined)[]): Heard[] =>
  all.filter((one): one is Heard => typeof one === 'object')
/** Something that was seen with so much of the batches that have the cause, and of those that have not. */
export const heard = (says: string | false | undefined, withIt: number, without: number): Heard | false =>
  typeof says === 'string' && { says, with: withIt, without }
