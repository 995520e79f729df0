import type { Formula } from '#core/formula'
import type { Curve } from '#core/solution'
import type { Net } from './contact'

/** What a vessel’s operations hang on beside what is in it. */
export interface Setting {
  /** The stage's equation in its net form; none once it has no part any more. */
  readonly net?: Net | undefined
  /** Salts that the plan speaks of, dry, the product first. */
  readonly named: readonly Formula[]
  /** The form that is isolated. */
  readonly product: Formula
  readonly own?: readonly Curve[]
}
