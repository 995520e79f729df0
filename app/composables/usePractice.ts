import { computed, ref, shallowRef } from 'vue'
import { readDocument, type BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import {
  choosing,
  doing,
  expertRun,
  judgePractice,
  practiceOf,
  stateOf,
  vesselAt,
  weighing,
  type Act,
  type Choice,
  type Practice,
} from '#core/practice'
import { useJournalStore } from '~/stores/journal'
import { useOutboxStore } from '~/stores/outbox'
import { useWhoStore } from '~/stores/who'
import { send } from './useAsked'

export interface PracticeRun {
  readonly code: string
  readonly from: string
  readonly seed: number
  readonly startsAt: string
  readonly madeAt: string
}

/** A run at the practice bench: what is done goes into an ordinary journal, at the times of its own fast clock. */
export function usePractice() {
  const journal = useJournalStore()
  const outbox = useOutboxStore()
  const who = useWhoStore()
  const run = shallowRef<PracticeRun>()
  const document = shallowRef<BatchDocument>()
  const practice = shallowRef<Practice>()
  const failure = ref('')

  async function open(code: string): Promise<void> {
    failure.value = ''
    practice.value = undefined
    try {
      const [runs, batch] = await Promise.all([
        send<PracticeRun[]>('/api/practice'),
        send<{ document: unknown }>(`/api/batches/${encodeURIComponent(code)}`),
      ])
      const found = runs.find(one => one.code === code)
      const read = readDocument(batch.document)
      const made = found && read.ok ? practiceOf(read.value, found.seed) : undefined
      if (!found || !read.ok) failure.value = `${code} is no practice run of yours.`
      else if (!made?.ok) failure.value = made?.why ?? 'It cannot be read.'
      else {
        run.value = found
        document.value = read.value
        practice.value = made.value
        await journal.open(code)
      }
    } catch {
      failure.value = 'The run could not be read. Try again in a moment.'
    }
  }

  const entries = computed((): readonly Entry[] => journal.entries)
  /** None before the journal is read: what was done already would be done once more. */
  const state = computed(() =>
    practice.value && journal.isLoaded ? stateOf(practice.value, entries.value) : undefined,
  )
  /** What stands in the vessel now, by the account over what was really read. */
  const holds = computed(() => practice.value && vesselAt(practice.value, entries.value))
  const start = computed(() => Date.parse(run.value?.startsAt ?? ''))
  /** The bench's clock: where the last entry left it. */
  const clock = computed(() => Math.max(start.value, ...entries.value.map(({ at }) => Date.parse(at))))
  const put = (acts: readonly Act[]): void => {
    for (const { at, ...entry } of acts) outbox.record(journal.code, entry, at)
  }

  /** The step at hand, with what is read at it. */
  function doIt(read?: string): void {
    const step = state.value?.next
    if (practice.value && step) put(doing(practice.value, step, clock.value, read))
  }
  function weigh(): void {
    const step = state.value?.next
    if (practice.value && step) put(weighing(practice.value, entries.value, step, clock.value))
  }
  function choose(choice: Choice): void {
    const step = state.value?.next
    if (practice.value && step) put(choosing(practice.value, step, choice, clock.value))
  }
  function see(text: string): void {
    const step = state.value?.next
    if (practice.value)
      put([
        {
          kind: 'observation',
          at: new Date(clock.value + 60_000).toISOString(),
          stage: practice.value.stage,
          ...(step && { step: step.id }),
          text,
        },
      ])
  }
  function leaveOut(): void {
    const step = state.value?.next
    if (practice.value && step)
      put([
        {
          kind: 'step',
          at: new Date(clock.value + 60_000).toISOString(),
          stage: practice.value.stage,
          step: step.id,
          what: 'skipped',
          words: step.words,
          why: 'Left out at the practice bench',
        },
      ])
  }

  const marks = computed(() =>
    practice.value && document.value && state.value?.isOver
      ? judgePractice(practice.value, document.value, entries.value)
      : undefined,
  )
  const expert = computed((): readonly Entry[] => {
    let count = 0
    return practice.value && state.value?.isOver
      ? expertRun(practice.value, start.value, who.me?.person ?? '', () => `expert-${(count += 1)}`)
      : []
  })
  const isAway = computed(() => journal.away)
  return {
    run,
    practice,
    failure,
    isAway,
    open,
    entries,
    state,
    holds,
    start,
    clock,
    doIt,
    weigh,
    choose,
    see,
    leaveOut,
    marks,
    expert,
  }
}
