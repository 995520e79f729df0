import { scaleText } from '#core/quantity'
import type { StagePlan } from '#core/sheet'
import { TRIAL } from './plan-of'
import type { Route } from './route'

/** The stages of a route for so much of its product, as typed (`15 g`), with `grams` what that is: the target of the last, and water in proportion. */
export const planFor = ({ plan }: Route, mass: string, grams: number): StagePlan[] =>
  plan.map((stage, i) => ({
    ...stage,
    ...(stage.solvent !== undefined && { solvent: scaleText(stage.solvent, grams / TRIAL) }),
    ...(i === plan.length - 1 && { target: { mass } }),
  }))
