import type { Step } from '#core/journal'
import { stepsOf, withLiquors } from '#core/procedure'
import type { OperationPlan } from '#core/vessel'

/** What version 1 had that version 2 has not: moves of a crystallisation, beside a procedure that knew nothing of them. */
interface StageOne {
  readonly id: string
  readonly product?: { readonly species?: string; readonly form?: string }
  readonly crystals?: { readonly moves?: readonly OperationPlan[] }
}
interface DocumentOne {
  readonly plan?: { readonly stages?: readonly StageOne[] }
  readonly procedures?: readonly { readonly stage: string; readonly steps: readonly Step[] }[]
}

/**
 * Version 1 as version 2: the moves of a stage become its operations, the liquor between two crops gets a name, and the steps that a kept procedure had of them get the operation they
 * stand for, told by their `do` and their target. Where they do not match, both stay. Everything else is kept as it is; what does not parse is for the schema to say.
 */
export function fromVersion1<T extends object>(document: T): T {
  const { plan, procedures } = document as DocumentOne
  if (!Array.isArray(plan?.stages)) return { ...document, version: 2 }
  const stages = plan.stages.map(stage => {
    if (!Array.isArray(stage?.crystals?.moves)) return stage
    const { crystals, ...rest } = stage
    return { ...rest, operations: withLiquors(crystals.moves) }
  })
  return {
    ...document,
    version: 2,
    plan: { ...plan, stages },
    ...(Array.isArray(procedures) && {
      procedures: procedures.map(one => {
        const stage = plan.stages?.find(({ id }) => id === one?.stage)
        const moves = stage?.crystals?.moves
        if (!Array.isArray(one?.steps)) return one
        const steps = withTares(one.steps)
        return { ...one, steps: Array.isArray(moves) ? matched(steps, withLiquors(moves), formOf(stage)) : steps }
      }),
    }),
  }
}

/** The first of several weighings of a crop was that of its empty vessel. */
const withTares = (steps: readonly Step[]): Step[] =>
  steps.map((step, i) => {
    const { about } = step
    if (step.do !== 'weigh' || about?.what !== 'product') return step
    const isOfCrop = (one: Step): boolean =>
      one.do === 'weigh' && one.about?.what === 'product' && one.about.crop === about.crop
    const isFirst = !steps.slice(0, i).some(isOfCrop)
    return isFirst && (steps.slice(i + 1).some(isOfCrop) || about.crop > 1)
      ? { ...step, about: { ...about, empty: true } }
      : step
  })

const formOf = (stage: StageOne | undefined): string => stage?.product?.form ?? stage?.product?.species ?? ''

/** Steps with the operations that they stand for: in order, by `do` and target; all of them, or none. */
function matched(steps: readonly Step[], operations: readonly OperationPlan[], form: string): readonly Step[] {
  const drafts = stepsOf(operations, form).filter(({ about }) => about?.what !== 'product')
  const given = new Map<string, OperationPlan>()
  let at = 0
  for (const draft of drafts) {
    const found = steps.findIndex((step, i) => i >= at && step.do === draft.do && step.target === draft.target)
    const step = steps[found]
    if (!step || !draft.does) return steps
    given.set(step.id, draft.does)
    at = found + 1
  }
  return steps.map(step => {
    const does = given.get(step.id)
    return does ? { ...step, does } : step
  })
}
