import type { Reaction, Term } from '#core/equation'
import type { Formula, Relation } from '#core/formula'
import type { Figure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import type { OperationPlan } from '#core/vessel'
import type { Bench, SideField } from './read-bench'
import type { Supply } from '#core/supply'
import type { Way } from './plan'
import type { WayOut } from './ways-out'

/** How much of a reagent goes in: a fixed amount, a share of what the reaction needs, or all that an earlier stage made. */
export type Charge =
  | { readonly by: 'amount'; readonly amount: Figure; readonly mass?: Figure; readonly volume?: Figure }
  | { readonly by: 'equivalents'; readonly equivalents: Figure }
  | { readonly by: 'all' }

export interface Reagent {
  readonly term: Term
  readonly supply: Supply
  readonly charge: Charge
  /** The stage it comes from. */
  readonly from?: string
  /** False for a reactant the plan does not mention, water mostly. */
  readonly planned: boolean
  /** Where the chemist says that its excess goes. */
  readonly wayOut?: WayOut
}

export interface ReadStage {
  readonly id: string
  readonly reaction: Reaction
  /** One for each reactant, in the equation's order. */
  readonly reagents: readonly Reagent[]
  readonly product: { readonly term: Term; readonly form: Formula; readonly relation: Relation }
  /** Extent that the target asks for, mol. */
  readonly target?: Figure
  readonly targetMass?: Figure
  readonly yield: Figure
  readonly molarVolume: Figure
  /** True where the product is not isolated: the pot, its water with it, goes on to the next stage. */
  readonly inPot: boolean
  /** How the product is won, where the chemist says. */
  readonly way?: Way
  /** And by which operations. */
  readonly operations?: readonly OperationPlan[]
  readonly bench: Bench
  /** Solvents beside water, g. */
  readonly otherSolvents: readonly { readonly name: string; readonly mass: Figure }[]
  /** Fields that say something that does not read: figures that hang on them are not to be shown. */
  readonly unread: readonly SideField[]
  /** The lab's own substances, which come before the shipped ones. */
  readonly own: readonly SubstanceRow[]
}

export interface ReadPlan {
  readonly stages: readonly ReadStage[]
  readonly room: Room
}
export interface Room {
  readonly celsius: number
  readonly kilopascal: number
  /** mL of air in the room, where the plan says. */
  readonly volume?: Figure
  /** What the plan says and does not read: the usual value stands in its place. */
  readonly unread: readonly ('temperature' | 'pressure' | 'volume')[]
}
