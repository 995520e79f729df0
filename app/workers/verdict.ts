import type { Worksheet } from '#core/assay'
import type { JournalLine, Step } from '#core/journal'
import type { SubstanceRow } from '#core/reference'
import { verdictOf, type BatchVerdict } from '#core/cause'
import { readPlan, type Plan } from '#core/sheet'
import { ownCurves, type OwnCurve } from '#core/solution'

/** What a verdict is asked of: plain data, since curves are functions and do not travel. */
export interface VerdictQuestion {
  readonly plan: Plan
  readonly lines: readonly JournalLine[]
  readonly stage: string
  readonly steps: readonly Step[]
  readonly assays: readonly Worksheet[]
  readonly substances: readonly SubstanceRow[]
  readonly curves: readonly OwnCurve[]
}

self.onmessage = ({ data }: MessageEvent<VerdictQuestion>): void => {
  self.postMessage({ verdict: answer(data) })
}

function answer({ plan, lines, stage, steps, assays, substances, curves }: VerdictQuestion): BatchVerdict | undefined {
  const own = ownCurves(curves)
  const read = readPlan(plan, substances)
  return read.ok ? verdictOf({ plan: read.value, lines, stageId: stage, steps, assays, curves: own }) : undefined
}
