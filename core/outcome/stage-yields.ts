import { productMass, type JournalLine } from '#core/journal'
import { product, type Figure } from '#core/quantity'
import { elementUse, type ElementUse, type ReadPlan } from '#core/sheet'
import { judgeBatch, reallyCharged } from './actual'

export interface StageYield {
  readonly id: string
  readonly form: string
  /** Undefined where the stage is not weighed, or stays in the pot. */
  readonly percent?: Figure
}
export interface RouteYields {
  readonly stages: readonly StageYield[]
  /** The yields of all weighed stages, one times the other; undefined while the last is not weighed. */
  readonly overall?: Figure
  /** On the elements of the last product: what share of what came in bottles ends in it. */
  readonly uses: readonly ElementUse[]
  /** False while the expected mass stands in for a weighed one. */
  readonly isWeighed: boolean
}

/**
 * The yield of each stage, of the route, and on each element, from what was really charged. A stage in the pot counts as complete: what it lost shows in the stage that is weighed.
 */
export function routeYields(plan: ReadPlan, lines: readonly JournalLine[]): RouteYields | undefined {
  const charged = reallyCharged(plan, lines)
  if (!charged.ok) return undefined
  const { sheets } = charged.value
  const stages = plan.stages.map(({ id, product: wanted }): StageYield => {
    const judged = judgeBatch(plan, lines, id)
    const percent = judged.ok ? judged.value.result?.percent : undefined
    return { id, form: wanted.form.text, ...(percent && { percent }) }
  })
  const last = productMass(lines, plan.stages.at(-1)!.id)
  const percents = stages.flatMap(({ percent }) => percent ?? [])
  return {
    stages,
    ...(last && percents.length > 0 && { overall: product('yield of the route', 'mass fraction', percents) }),
    uses: elementUse(plan, sheets, last ?? sheets.overall.expected),
    isWeighed: last !== undefined,
  }
}
