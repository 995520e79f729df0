import { timesOf } from './lane'
import { ways, type ReadPlan, type ReadStage, type StageSheet, type Way } from '#core/sheet'
import type { Curve } from '#core/solution'
import { dryOf, standsAs } from '#core/vessel'
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

/** Ways that make sense of these charges: nothing that comes in a liquid is heated dry, and only what is sparing is thrown down. */
function canBe(way: Way, { reagents, bench, otherSolvents, product }: ReadStage): boolean {
  switch (way) {
    case 'leave in the pot':
      return false
    case 'heat dry':
      return (
        !bench.solvent &&
        otherSolvents.length === 0 &&
        reagents.every(({ supply, planned }) => !planned || (supply.kind !== 'solution' && supply.kind !== 'liquid'))
      )
    case 'throw down':
      return standsAs(dryOf(product.form).dry) === 'solid'
    default:
      return true
  }
}

/** The ways to a stage's product side by side, each folded from the same charges. */
export function compareWays(
  plan: ReadPlan,
  sheet: { readonly stages: readonly StageSheet[] },
  stageId: string,
  own: readonly Curve[] = [],
): WayCompared[] {
  const mine = plan.stages.find(({ id }) => id === stageId)
  return ways
    .filter(way => mine !== undefined && canBe(way, mine))
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
