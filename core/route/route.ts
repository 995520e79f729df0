import type { StagePlan, Way as Winning } from '#core/sheet'
import type { First } from './first'

export interface RouteStage {
  readonly equation: string
  readonly product: { readonly species: string; readonly form: string }
  readonly way: Winning
  readonly why: string
  readonly family: string
  readonly minutes: number
  /** What comes first of its liquor, where that was asked. */
  readonly first?: First
  readonly mind?: string
  readonly catalyst?: string
}

export interface Route {
  readonly stages: readonly RouteStage[]
  /** The same as stages of a plan. */
  readonly plan: readonly StagePlan[]
  /** 100 is a route of no trouble; a stage is ten. */
  readonly score: number
  readonly why: string
  readonly cautions: readonly string[]
  /** What goes in, as it stands on the shelf; water and air left out. */
  readonly needs: readonly string[]
  readonly minutes: number
  /** g of co-products to be got rid of, to each g of product of the last stage. */
  readonly waste: number
  readonly gases: readonly string[]
  /** The gravest hazards of what goes in and comes out, in words. */
  readonly hazards: readonly string[]
}

export interface Proposals {
  readonly routes: readonly Route[]
  /** Why there is none. */
  readonly why?: string
}
