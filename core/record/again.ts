import type { BatchDocument } from '#core/document'
import { foldJournal, type Entry } from '#core/journal'
import { runOf } from '#core/procedure'
import type { StagePlan, SupplyPlan } from '#core/sheet'

/** What a batch is begun from: the procedure as it was planned, or as it was done, with what was left out and put in. */
export type As = 'planned' | 'done'

/**
 * The document of a batch that is made once more after another: its plan, and its procedure as planned or as done. What belongs to the other alone stays there: lots, worksheets, what was said of it.
 * A procedure that was only proposed is proposed anew, since the plan may change before it begins.
 */
export function againOf(
  document: BatchDocument,
  entries: readonly Entry[],
  as: As,
  title = document.title,
): BatchDocument {
  const lines = foldJournal(entries)
  const procedures = (document.procedures ?? []).flatMap(({ stage, steps, taken }) => {
    const run = runOf(steps, lines, stage)
    if (as === 'planned') return taken ? [] : [{ stage, steps }]
    const done = run.steps.filter(({ status }) => status !== 'skipped').map(({ step }) => step)
    const isSame = taken && run.steps.every(({ status, inserted }) => status !== 'skipped' && !inserted)
    return isSame || done.length === 0 ? [] : [{ stage, steps: done }]
  })
  const { purpose } = document.record ?? {}
  return {
    format: document.format,
    version: document.version,
    title,
    plan: { ...document.plan, stages: document.plan.stages.map(withoutLots) },
    ...(procedures.length > 0 && { procedures }),
    ...(purpose !== undefined && { record: { purpose } }),
  }
}

const withoutLots = (stage: StagePlan): StagePlan => ({
  ...stage,
  reagents: stage.reagents.map(reagent => ({ ...reagent, supply: withoutLot(reagent.supply) })),
})
function withoutLot(supply: SupplyPlan): SupplyPlan {
  if (supply.kind === 'stage') return supply
  const { lot: _, bottle: __, ...rest } = supply
  return rest
}
