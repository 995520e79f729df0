import type { BatchDocument } from '#core/document'
import { foldJournal, type Entry, type JournalLine, type Step } from '#core/journal'
import { judgeBatch, type ActualStage } from '#core/outcome'
import { realAccounts } from '#core/outcome'
import { residuesLeft, verdictOf, type BatchVerdict } from '#core/cause'
import { procedureOf, runOf, type Run, type ToldStage } from '#core/procedure'
import type { Residues } from '#core/outcome'
import { computeReadPlan, explainPlan, readPlan, type StagePlan, type StageSheet } from '#core/sheet'
import { ownCurves, type OwnTables } from '#core/solution'

/** An entry as it is kept: its number, and when it came in. */
export interface Kept {
  readonly seq: number
  readonly recordedAt: string
  readonly entry: Entry
}
/** A plan as it was saved; those under which nothing was recorded may come without what they say. */
export interface SavedPlan {
  readonly number: number
  readonly at: string
  readonly by?: string | undefined
  readonly afterSeq: number
  readonly document?: BatchDocument
}

/** All that a record is made of. */
export interface RecordSource {
  readonly lab: string
  readonly code: string
  readonly document: BatchDocument
  readonly journal: readonly Kept[]
  readonly revisions: readonly SavedPlan[]
  /** Names of the people by their id. */
  readonly people: Readonly<Record<string, string>>
  readonly tables: OwnTables
}

/** A stage with what was planned, done and judged of it; what could not be worked out is left out. */
export interface StageFacts {
  readonly plan: StagePlan
  readonly number: number
  readonly name: string
  readonly isLast: boolean
  readonly planned?: StageSheet
  readonly actual?: ActualStage
  readonly told?: ToldStage
  readonly steps: readonly Step[]
  readonly run: Run
  readonly lines: readonly JournalLine[]
  readonly verdict?: BatchVerdict
  readonly residues?: Residues
}
export interface Facts {
  readonly source: RecordSource
  readonly lines: readonly JournalLine[]
  /** By the entry's id. */
  readonly kept: ReadonlyMap<string, Kept>
  readonly stages: readonly StageFacts[]
  /** Why the plan cannot be understood. */
  readonly problem?: string
  nameOf(person: string): string
}

export interface Judging {
  /** Without the explanations, which take longer than all the rest. */
  readonly isQuick?: boolean
}

/** Works the batch out, stage by stage, as far as its plan reads. */
export function factsOf(source: RecordSource, { isQuick = false }: Judging = {}): Facts {
  const { document, tables } = source
  const lines = foldJournal(source.journal.map(({ entry }) => entry))
  const own = ownCurves(tables.curves)
  const read = readPlan(document.plan, tables.substances)
  const planned = read.ok ? computeReadPlan(read.value) : read
  const keptSteps = (id: string): readonly Step[] | undefined =>
    document.procedures?.find(({ stage }) => stage === id)?.steps
  const proposed =
    read.ok && planned.ok
      ? procedureOf(read.value, planned.value, own, id => {
          const steps = keptSteps(id)
          return steps && { steps }
        })
      : []
  const stepsOf = (id: string): readonly Step[] => keptSteps(id) ?? proposed.find(one => one.id === id)?.steps ?? []
  const told = read.ok ? realAccounts({ plan: read.value, lines, stepsOf, curves: own }) : undefined
  const { stages } = document.plan
  return {
    source,
    lines,
    kept: new Map(source.journal.map(one => [one.entry.id, one])),
    ...(!planned.ok && { problem: explainPlan(planned.problem).why }),
    nameOf: person => source.people[person] ?? 'somebody unknown',
    stages: stages.map((plan, i): StageFacts => {
      const { id } = plan
      const steps = stepsOf(id)
      const judged = read.ok ? judgeBatch(read.value, lines, id) : undefined
      const actual = judged?.ok ? judged.value : undefined
      const setting = read.ok && { plan: read.value, lines, stageId: id, steps, curves: own }
      const isLast = i === stages.length - 1
      return tidy({
        plan,
        number: i + 1,
        name: plan.name ?? `{${plan.product.form ?? plan.product.species}}`,
        isLast,
        steps,
        run: runOf(steps, lines, id),
        lines: lines.filter(({ entry }) => stageOf(entry) === id),
        planned: planned.ok ? planned.value.stages[i] : undefined,
        actual,
        told: told?.find(one => one.id === id),
        verdict:
          setting && actual?.result && !isQuick
            ? verdictOf({ ...setting, assays: isLast ? (document.assays ?? []) : [] })
            : undefined,
        residues: setting && actual?.result ? residuesLeft(setting) : undefined,
      })
    }),
  }
}

export const stageOf = (entry: JournalLine['entry']): string =>
  entry.kind === 'reading' ? entry.about.stage : entry.stage

type Loose<T> = { [K in keyof T]: T[K] | undefined }
const tidy = (all: Loose<StageFacts>): StageFacts =>
  Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)) as unknown as StageFacts
