import { scaleSteps } from '#core/journal'
import { scalePlan } from '#core/sheet'
import type { BatchDocument } from './schema'

/** A batch so many times as large: its plan, and the procedures that were made its own. */
export function scaleDocument(document: BatchDocument, factor: number): BatchDocument {
  const { procedures } = document
  return {
    ...document,
    plan: scalePlan(document.plan, factor),
    ...(procedures && {
      procedures: procedures.map(one => ({ ...one, steps: scaleSteps(one.steps, factor) })),
    }),
  }
}
