import { procedureOf } from '#core/procedure'
import { colourOf, parseFormula } from '#core/formula'
import {
  aboutWords,
  entryText,
  foldJournal,
  timersOf,
  type Entry,
  type JournalLine,
  type Step,
  type Timer,
} from '#core/journal'
import { laneOf, runOf, type LaneStep } from '#core/procedure'
import { judgeBatch } from '#core/outcome'
import { standardUncertainty } from '#core/quantity'
import { ownCurves, type OwnTables } from '#core/solution'
import { computeReadPlan, readPlan, type Plan, type PlanSheet, type ReadPlan, type StageSheet } from '#core/sheet'
import { needsOf, type Need } from './needs'
import { nextWant, type NextWant } from './standing'

/** A batch in a few lines: what the bench's lanes and lists show, worked out from its plan and its journal. */
export interface BatchBrief extends NextWant {
  readonly title: string
  readonly product: string
  readonly colour?: { readonly word: string; readonly swatch: string }
  /** Its steps, once anything was recorded. */
  readonly lane: readonly LaneStep[]
  readonly timers: readonly Timer[]
  /** The last thing that was read or seen. */
  readonly last?: { readonly text: string; readonly at: string }
  /** The yield of the last stage, once its product is weighed: a share of one and its standard uncertainty. */
  readonly result?: { readonly percent: number; readonly spread: number }
  /** What it has yet to take out of bottles. */
  readonly needs: readonly Need[]
  /** Nothing has begun yet. */
  readonly isFresh: boolean
  /** Every step is done or skipped, or the product is weighed. */
  readonly isDone: boolean
  /** It could not be worked out: shown apart, so that the others go on. */
  readonly isUnreadable?: true
}

/** What stands in for the brief of a batch that cannot be worked out. */
export const unreadableBrief = (title: string): BatchBrief => ({
  title,
  product: '',
  standing: 'plan',
  page: 'sheet',
  want: 'Open it to see what in it cannot be understood',
  lane: [],
  timers: [],
  needs: [],
  isFresh: false,
  isDone: false,
  isUnreadable: true,
})

export type Procedures = readonly { readonly stage: string; readonly steps: readonly Step[] }[]

interface Source {
  readonly title: string
  readonly plan: Plan
  readonly procedures?: Procedures
}

/** What a batch's plan and journal come to, by the lab's own tables and the shipped ones. */
export function briefOf(
  { title, plan, procedures = [] }: Source,
  entries: readonly Entry[],
  tables: OwnTables,
): BatchBrief {
  const { product } = plan.stages.at(-1)!
  const form = product.form ?? product.species
  const read = parseFormula(form)
  const colour = read.ok ? colourOf(read.value, tables.substances) : undefined
  const lines = foldJournal(entries)
  const timers = timersOf(lines)
  const computed = readAndComputed(plan, tables)
  const lane = entries.length === 0 || !computed ? [] : laneFor(computed, procedures, lines, timers, tables)
  const want = nextWant(plan, entries, tables.substances)
  const next = lane.find(({ status }) => status === 'begun') ?? lane.find(({ status }) => status === 'open')
  const begun = lane.some(({ status }) => status !== 'open')
  return {
    title,
    product: form,
    ...(colour && { colour }),
    lane,
    timers: timers.filter(({ stoppedAt }) => !stoppedAt),
    needs: computed ? needsOf(plan, computed.sheet, lines) : [],
    ...lastOf(lines),
    ...(want.standing === 'weighed' && resultOf(plan, lines, tables)),
    ...want,
    ...(begun && next && want.standing !== 'weighed' ? { want: next.words, page: 'run' as const } : {}),
    isFresh: entries.length === 0,
    isDone: begun ? !next : want.standing === 'weighed',
  }
}

function resultOf(plan: Plan, lines: readonly JournalLine[], { substances }: OwnTables): Pick<BatchBrief, 'result'> {
  const read = readPlan(plan, substances)
  const judged = read.ok ? judgeBatch(read.value, lines) : read
  const percent = judged.ok ? judged.value.result?.percent : undefined
  return percent ? { result: { percent: percent.value, spread: standardUncertainty(percent) } } : {}
}

interface Computed {
  readonly read: ReadPlan
  readonly sheet: PlanSheet
}
function readAndComputed(plan: Plan, { substances }: OwnTables): Computed | undefined {
  const read = readPlan(plan, substances)
  const sheet = read.ok ? computeReadPlan(read.value) : read
  return read.ok && sheet.ok ? { read: read.value, sheet: sheet.value } : undefined
}

function laneFor(
  { read, sheet }: Computed,
  procedures: Procedures,
  lines: readonly JournalLine[],
  timers: readonly Timer[],
  { curves }: OwnTables,
): LaneStep[] {
  const stepsOf = (id: string): readonly Step[] | undefined => procedures.find(({ stage }) => stage === id)?.steps
  // Only a stage that keeps no steps has to be proposed: where all do, nothing is folded.
  const proposed = sheet.stages.every(({ id }) => stepsOf(id))
    ? []
    : procedureOf(read, sheet, ownCurves(curves), id => {
        const steps = stepsOf(id)
        return steps && { steps }
      })
  return sheet.stages.flatMap(({ id }) => {
    const steps = stepsOf(id) ?? proposed.find(one => one.id === id)?.steps ?? []
    return laneOf(runOf(steps, lines, id), timers, id)
  })
}

/** Only the weighings of a stage: every charge and the product. */
export function bareSteps(sheet: StageSheet): readonly Step[] {
  const charges = sheet.reagents
    .filter(({ planned }) => planned)
    .map(({ species, weighAs, volume }, i): Step => ({
      id: `charge-${i + 1}`,
      do: volume ? 'measure' : 'weigh',
      words: `${volume ? 'Measure' : 'Weigh'} {${weighAs}}`,
      about: { what: 'charge', species },
    }))
  const form = sheet.products[0]?.form ?? ''
  return [...charges, { id: 'product-1', do: 'weigh', words: `Weigh {${form}}`, about: { what: 'product', crop: 1 } }]
}

function lastOf(lines: readonly JournalLine[]): { last?: { text: string; at: string } } {
  const line = lines.findLast(({ entry }) => entry.kind !== 'timer' && entry.kind !== 'shift')
  if (!line) return {}
  const { entry, current } = line
  const text =
    entry.kind === 'reading'
      ? `${entry.measure} of ${aboutWords(entry.about)}, ${current ?? 'struck out'}`
      : entry.kind === 'step'
        ? `${entry.words}: ${entry.what}`
        : entryText(entry)
  return { last: { text: text.slice(0, 160), at: entry.at } }
}
