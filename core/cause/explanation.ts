export type CauseCode =
  | 'water'
  | 'heavier form'
  | 'by-product'
  | 'soluble excess'
  | 'undissolved solid'
  | 'digits'
  | 'factor of two'
  | 'waters left out'
  | 'left in the liquor'
  | 'lost in the wash'
  | 'spilled'
  | 'weak reagent'
  | 'not finished'
  | 'lighter form'
  | 'reagent was a hydrate'
  | 'second crop'
  | 'other salt'
  | 'side reaction'
  | 'wrong limiting reagent'

/** One cause that this batch's own data leave possible. */
export interface Explanation {
  readonly cause: CauseCode
  readonly title: string
  /** The form that the solid would be, where the cause is that. */
  readonly form?: string
  /** What it would have to amount to, in words with figures. */
  readonly needs: string
  /** The most that there can be of it by this batch's own data, g; undefined where nothing bounds it. */
  readonly most?: number
  readonly suffices: 'alone' | 'not alone' | 'not known'
  readonly speaksFor: readonly string[]
  readonly speaksAgainst: readonly string[]
  readonly settle: string
  /** For the order only: how usual it is, how far it goes, and what speaks for and against. */
  readonly weight: number
}
