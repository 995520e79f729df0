import { computeWorksheet, shapeOf } from '#core/assay'
import type { BatchDocument } from '#core/document'
import { ringsAt } from '#core/procedure'
import type { BatchBrief } from '#core/overview'

/** What the table of a class shows of one run, read off its plan and its brief. */
export interface RunState {
  readonly step: string
  readonly done: number
  readonly steps: number
  readonly lastAt?: string
  /** A clock of it has rung, and runs on. */
  readonly rang: boolean
  readonly isDone: boolean
  /** Percent yield of the last stage. */
  readonly percent?: number
  /** The worksheet that found most: its replicates, as they are shown. */
  readonly assay?: RunAssay
}
export interface RunAssay {
  readonly name: string
  readonly values: readonly number[]
  readonly mean: number
  readonly unit: string
}

export function runStateOf(brief: BatchBrief, document: BatchDocument, now: number): RunState {
  const isOver = ({ status }: BatchBrief['lane'][number]): boolean => status === 'done' || status === 'skipped'
  const assay = assayOf(document)
  return {
    step: brief.want,
    done: brief.lane.filter(isOver).length,
    steps: brief.lane.length,
    ...(brief.last && { lastAt: brief.last.at }),
    rang: brief.timers.some(timer => Date.parse(ringsAt(timer) ?? '') <= now),
    isDone: brief.isDone,
    ...(brief.result && { percent: brief.result.percent * 100 }),
    ...(assay && { assay }),
  }
}

function assayOf({ assays = [] }: BatchDocument): RunAssay | undefined {
  const worked = assays.map(sheet => ({ sheet, values: computeWorksheet(sheet).values }))
  const best = worked.toSorted((a, b) => b.values.length - a.values.length)[0]
  if (!best || best.values.length === 0) return undefined
  const mean = best.values.reduce((sum, value) => sum + value, 0) / best.values.length
  return { name: best.sheet.name, values: best.values, mean, unit: shapeOf(best.sheet).unit.text }
}
