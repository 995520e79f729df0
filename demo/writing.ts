import type { Worksheet } from '#core/assay'
import type { BatchDocument } from '#core/document'
import { operationOf, type About, type Entry, type Measure, type SpotTest, type Step } from '#core/journal'
import { procedureOf } from '#core/procedure'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'

export interface DemoBatch {
  readonly code: string
  readonly document: BatchDocument
  readonly entries: readonly Entry[]
}

const BALANCE = 'Simulated balance, 0.01 g'

export const documentOf = (title: string, ...stages: StagePlan[]): BatchDocument => ({
  format: 'zip-ledger/batch',
  version: 2,
  title,
  plan: { stages },
})

/** With the procedures that its plan proposes, as a run keeps them when it begins. */
export function withProcedures(document: BatchDocument): BatchDocument {
  const read = readPlan(document.plan)
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error(`The demo plan “${document.title}” does not read.`)
  const procedures = procedureOf(read.value, computed.value).map(({ id, steps }) => ({ stage: id, steps: [...steps] }))
  return { ...document, procedures }
}

export const stepsOf = (document: BatchDocument, stage = 's1'): readonly Step[] =>
  document.procedures!.find(one => one.stage === stage)!.steps

export const assayed = (document: BatchDocument, ...assays: Worksheet[]): BatchDocument => ({ ...document, assays })

/** Writes a journal that ends some minutes before `now`. */
export function journal(now: Date, by: string) {
  const entries: Entry[] = []
  const written = (minutesAgo: number) => ({
    id: crypto.randomUUID(),
    at: new Date(now.getTime() - minutesAgo * 60_000).toISOString(),
    by,
  })
  return {
    entries,
    inOrder: () => entries.toSorted((a, b) => a.at.localeCompare(b.at)),
    read(minutesAgo: number, about: About, measure: Measure, value: string) {
      const byBalance = measure !== 'volume'
      entries.push({
        kind: 'reading',
        ...written(minutesAgo),
        about,
        measure,
        value,
        typed: !byBalance,
        ...(byBalance && { instrument: BALANCE }),
      })
      return entries.at(-1)!.id
    },
    step(minutesAgo: number, { id, words }: Step, what: 'begun' | 'done', stage = 's1') {
      entries.push({ kind: 'step', ...written(minutesAgo), stage, step: id, what, words })
    },
    /** Steps done one after another, from so many minutes ago to so many. */
    steps(from: number, to: number, steps: readonly Step[], stage = 's1') {
      steps.forEach((step, i) => {
        const share = (from - to) / steps.length
        const begun = from - share * i
        const times = step.repeat?.times ?? 1
        if (times === 1 && operationOf(step.do).wait > 0) this.step(begun, step, 'begun', stage)
        for (let n = 1; n <= times; n++) this.step(begun - (share * n) / times, step, 'done', stage)
      })
    },
    test(minutesAgo: number, added: string, result: SpotTest['result'], step: Step, stage = 's1') {
      entries.push({ kind: 'test', ...written(minutesAgo), stage, step: step.id, added, result })
    },
    saw(minutesAgo: number, text: string, stage = 's1') {
      entries.push({ kind: 'observation', ...written(minutesAgo), stage, text })
    },
    correct(minutesAgo: number, corrects: string, why: string, instead: string) {
      entries.push({ kind: 'correction', ...written(minutesAgo), corrects, why, instead })
    },
  }
}

export const charge = (species: string, stage = 's1'): About => ({ what: 'charge', stage, species })
export const crop = (number: number, stage = 's1'): About => ({ what: 'product', stage, crop: number })
