import { timesOf } from './lane'
import { ways, type ReadPlan, type StageSheet, type Way } from '#core/sheet'
import type { Curve } from '#core/solution'
import { procedureOf } from './procedure'

/** What one way to the product would come to. */
export interface WayCompared {
  readonly way: Way
  readonly isKnown: boolean
  readonly form: string
  /** g of the product, and the share of it in what is weighed. */
  readonly mass?: number
  readonly purity?: number
  /** The chemist's time, and time that passes by itself, min. */
  readonly hands: number
  readonly wait: number
  readonly warnings: readonly string[]
}

/** The ways to a stage's product side by side, each folded from the same charges. */
export function compareWays(
  plan: ReadPlan,
  sheet: { readonly stages: readonly StageSheet[] },
  stageId: string,
  own: readonly Curve[] = [],
): WayCompared[] {
  return ways
    .filter(way => way !== 'leave in the pot')
    .flatMap((way): WayCompared[] => {
      const stages = plan.stages.map(stage => {
        const { operations: _, ...rest } = stage
        return stage.id === stageId ? { ...rest, way } : stage
      })
      const told = procedureOf({ ...plan, stages }, sheet, own).find(({ id }) => id === stageId)
      if (!told) return []
      const times = told.steps.map(timesOf)
      const { mass, form, with: beside } = told.product
      const others = beside.reduce((sum, one) => sum + one.mass, 0)
      return [
        {
          way,
          isKnown: told.isKnown,
          form,
          ...(mass !== undefined && { mass }),
          ...(mass !== undefined && mass > 0 && { purity: mass / (mass + others) }),
          hands: times.reduce((sum, { hands }) => sum + hands, 0),
          wait: times.reduce((sum, { wait }) => sum + wait, 0),
          warnings: told.warnings.map(({ message }) => message),
        },
      ]
    })
}
