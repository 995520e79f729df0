import type { Formula } from '#core/formula'
import type { Cosolvent } from '#core/reference'
import type { Curve } from './curve'

/** An alcohol or acetone beside the water, g. */
export interface Spirit {
  readonly is: Cosolvent
  readonly grams: number
}

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
  /** What was added to throw the salts down. */
  readonly spirit?: Spirit
}

/** A salt of the pot that is still there. */
export interface Present extends Solute {
  /** Moles of the anhydrous salt that the pot's ions could make. */
  readonly amount: number
}
