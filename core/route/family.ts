import type { Shelf } from './shelf'
import type { Stuff } from './stuff'

/** Where a reaction is carried out. */
export type Medium = 'water' | 'heat' | 'melt' | 'gas'

/** One way a family sees to a product: what goes in and comes out beside it, before it is balanced; or why it cannot be. */
export interface Draft {
  readonly left: readonly string[]
  /** What must come beside the product. */
  readonly right: readonly string[]
  /** What may come beside it, as the elements ask. */
  readonly may?: readonly string[]
  readonly why: string
  /** It balances and does not happen: the reason, for the chemist. */
  readonly refused?: string
  /** What to mind, on the card. */
  readonly mind?: string
  /** Beyond its family's, in the same units: a variant that is less usual. */
  readonly cost?: number
  /** So much of one reactant goes in over its share, because its salt would come first otherwise. */
  readonly excess?: { readonly species: string; readonly equivalents: number }
  /** A catalyst, which stands on neither side. */
  readonly catalyst?: string
}

/** A family of reactions, a row of the table. */
export interface Family {
  readonly id: string
  readonly name: string
  readonly medium: Medium
  /** Electrons go from one element to another: elsewhere a change of state of oxidation means that the draft is wrong. */
  readonly isRedox: boolean
  /** How far from what is usually done, in the units of the ranking (a whole stage is 10): a judgement, set by the trouble that a bench has with it. */
  readonly cost: number
  /** Hands and waits until its product stands, minutes: what is usual at a bench of 10 to 50 g, no source. */
  readonly minutes: number
  drafts(target: Stuff, shelf: Shelf): readonly Draft[]
}
