import type { JournalLine } from '#core/journal'
import type { StepTaken } from '#core/journal'
import type { Step } from '#core/journal'

export interface StepState {
  readonly step: Step
  readonly status: 'open' | 'begun' | 'done' | 'skipped'
  /** How often it was ticked off, of `step.repeat.times`; a step may be done as a whole without that. */
  readonly times: number
  readonly begunAt?: string
  readonly doneAt?: string
  readonly why?: string
  /** Put in at the bench. */
  readonly inserted: boolean
  /** The time it was moved to. */
  readonly at?: string
}

export interface Run {
  readonly steps: readonly StepState[]
  /** What is under way, or the first that is open; undefined when nothing is left. */
  readonly next: StepState | undefined
}

/** A stage's procedure as the journal left it: steps put in at the bench, what was done and when, what was skipped and why. */
export function runOf(procedure: readonly Step[], lines: readonly JournalLine[], stage: string): Run {
  const steps: StepState[] = procedure.map(step => ({ step, status: 'open', times: 0, inserted: false }))
  const find = (id: string): number => steps.findIndex(({ step }) => step.id === id)
  for (const { entry, current } of lines) {
    if (current === undefined || !('stage' in entry) || entry.stage !== stage) continue
    if (entry.kind === 'deviation') {
      const fresh = entry.steps.filter(({ id }) => find(id) < 0)
      const at = entry.step === undefined ? steps.length : find(entry.step) + 1
      steps.splice(at, 0, ...fresh.map((step): StepState => ({ step, status: 'open', times: 0, inserted: true })))
    }
    if (entry.kind !== 'step' && entry.kind !== 'shift') continue
    const i = find(entry.step)
    if (i < 0) continue
    const old = steps[i]!
    steps[i] = entry.kind === 'shift' ? { ...old, at: entry.to } : taken(old, entry)
  }
  return {
    steps,
    next: steps.find(({ status }) => status === 'begun') ?? steps.find(({ status }) => status === 'open'),
  }
}

function taken(old: StepState, { what, at, why, whole }: StepTaken): StepState {
  const { doneAt: _, why: __, ...rest } = old
  switch (what) {
    case 'begun':
      return { ...rest, status: 'begun', begunAt: old.status === 'begun' ? (old.begunAt ?? at) : at }
    case 'opened':
      return { step: old.step, inserted: old.inserted, status: 'open', times: 0, ...(old.at && { at: old.at }) }
    case 'skipped':
      return { ...rest, status: 'skipped', doneAt: at, ...(why && { why }) }
    case 'done': {
      const times = whole ? old.times : old.times + 1
      const isWhole = whole || times >= (old.step.repeat?.times ?? 1)
      return {
        ...rest,
        times,
        begunAt: old.begunAt ?? at,
        ...(isWhole ? { status: 'done', doneAt: at } : { status: 'begun' }),
      }
    }
  }
}
