import type { Step } from '#core/journal'
import type { OperationPlan } from '#core/vessel'
import { effectOf } from './effects'
import { stepsOf } from './operation-step'

/** Operations with the liquor between two crops named: what follows a filter, but for its washes, is done to the liquor that it kept. A name that stands already is kept. */
export function withLiquors(operations: readonly OperationPlan[]): OperationPlan[] {
  let liquors = 0
  let liquor: string | undefined
  return operations.map((operation, i): OperationPlan => {
    const { of: _, ...bare } = operation
    if ('filter' in operation) {
      const goesOn = operations.slice(i + 1).some(next => !('wash' in next))
      liquors += 1
      liquor = goesOn ? (operation.filter.liquor ?? `liquor ${liquors}`) : undefined
      return goesOn && liquor !== undefined ? { filter: { ...operation.filter, liquor } } : (bare as OperationPlan)
    }
    if (liquor === undefined || 'wash' in operation) return bare as OperationPlan
    const taken = { ...bare, of: liquor } as OperationPlan
    liquor = undefined
    return taken
  })
}

/** Operations by which a product is won, by their keys: what goes in before them is the sheet's. */
const WINNING = [
  'heatTo',
  'coolTo',
  'evaporate',
  'evaporateTo',
  'addWater',
  'filter',
  'wash',
  'addSolute',
  'seed',
  'addEthanol',
  'hold',
  'toDryness',
] as const
const isWinning = (plan: OperationPlan | undefined): plan is OperationPlan =>
  plan !== undefined && WINNING.some(key => key in plan)

/** Where a procedure begins to win its product: after the last charge, and after the solids were filtered off. */
function winningFrom(steps: readonly Step[]): number {
  const last = steps.findLastIndex(step => {
    const plan = effectOf(step)
    return plan !== undefined && ('charge' in plan || 'filterOff' in plan || 'stir' in plan)
  })
  const from = steps.findIndex((step, i) => i > last && isWinning(effectOf(step)))
  return from < 0 ? steps.length : from
}

/** The operations of a procedure by which its product is won, each as often as its step is repeated; `step` is the one that it comes from. */
export function operationsIn(steps: readonly Step[]): { readonly step: string; readonly operation: OperationPlan }[] {
  return steps.slice(winningFrom(steps)).flatMap(step => {
    const operation = effectOf(step)
    if (!isWinning(operation)) return []
    const times = 'wash' in operation ? (step.repeat?.times ?? 1) : 1
    return Array.from({ length: times }, () => ({ step: step.id, operation }))
  })
}

/**
 * A kept procedure with other operations for winning its product: steps whose operation stays keep their id, words and times, the others are made anew; what stood between them goes on standing
 * behind the step that it followed.
 */
export function withWinning(steps: readonly Step[], operations: readonly OperationPlan[], form: string): Step[] {
  const from = winningFrom(steps)
  const end = steps.findLastIndex(step => isWinning(effectOf(step)))
  const old = end < from ? [] : steps.slice(from, end + 1)
  const drafts = stepsOf(operations, form)
  const used = new Set<string>()
  const taken = new Set(steps.map(({ id }) => id))
  const free = (name: string): string => {
    let i = 1
    while (taken.has(`${name}-${i}`)) i += 1
    taken.add(`${name}-${i}`)
    return `${name}-${i}`
  }
  const matched = drafts.map(draft => {
    const same = (step: Step): boolean => JSON.stringify(effectOf(step)) === JSON.stringify(draft.does)
    const like =
      old.find(step => !used.has(step.id) && step.do === draft.do && same(step)) ??
      old.find(step => !used.has(step.id) && step.do === draft.do && step.about?.what === draft.about?.what)
    if (!like) return { step: { ...draft, id: free(draft.do.replaceAll(' ', '-')) } }
    used.add(like.id)
    return {
      step: same(like) ? { ...like, ...(draft.repeat && { repeat: draft.repeat }) } : { ...draft, id: like.id },
      like,
    }
  })
  const isBetween = (step: Step): boolean => !isWinning(effectOf(step)) && step.about?.what !== 'product'
  return [
    ...steps.slice(0, from),
    ...matched.flatMap(({ step, like }) => {
      const at = like ? old.indexOf(like) : -1
      const next = at < 0 ? [] : old.slice(at + 1)
      const stop = next.findIndex(one => !isBetween(one))
      return [step, ...(stop < 0 ? next : next.slice(0, stop))]
    }),
    ...(end < from ? steps.slice(from) : steps.slice(end + 1)),
  ]
}
