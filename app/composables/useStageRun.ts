import { computed } from 'vue'
import { type Step, type Trouble } from '#core/journal'
import { laneOf, layOut, runOf, usualHours, type LaneSpan } from '#core/procedure'
import { followSheet } from '#core/procedure'
import { bareSteps } from '#core/overview'
import { useAccounts } from './useAccounts'
import { useAttempt } from './useAttempt'
import { TAKEN, useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import type { NewEntry } from '~/stores/outbox'
import { useLabStore } from '~/stores/lab'
import { localCalendar } from '~/utils/calendar'

/** The run of the stage at hand: its procedure, how far it is, when the rest is planned, and how a step is recorded. */
export function useStageRun() {
  const batch = useBatchStore()
  const journal = useJournalStore()
  const lab = useLabStore()

  const stageId = computed(() => batch.stage?.id ?? '')
  const kept = computed(() => batch.document?.procedures?.find(({ stage }) => stage === stageId.value))
  const saved = computed(() => kept.value?.steps)
  const isTaken = computed(() => kept.value?.taken === true)
  const { planned: proposal, account, realAccount } = useAccounts()
  /** Where nothing can be proposed, what is charged and made can still be weighed. */
  const proposed = computed(
    (): readonly Step[] => account.value?.steps ?? (batch.stageSheet ? bareSteps(batch.stageSheet) : []),
  )
  /** What the sheet says now reaches charges that are still open; those done keep theirs, and the difference is told. */
  const following = useAttempt('What the sheet says of the charges', () => {
    const steps = saved.value
    if (!steps || !batch.stageSheet) return undefined
    return followSheet(steps, batch.stageSheet, runOf(steps, journal.lines, stageId.value))
  })
  const procedure = computed(() => following.value.value?.steps ?? saved.value ?? proposed.value)
  const moved = computed(() => following.value.value?.moved ?? [])
  const run = computed(() => runOf(procedure.value, journal.lines, stageId.value))
  const spans = (now: number): LaneSpan[] =>
    layOut(laneOf(run.value, journal.timers, stageId.value), now, lab.lab?.settings?.hours ?? usualHours, localCalendar)

  /** What the run follows must not change with the plan once it is followed: the first step taken keeps the procedure. */
  function keep(): void {
    if (!saved.value && procedure.value.length > 0) batch.changeProcedure(stageId.value, procedure.value, TAKEN)
  }
  function take(
    step: Step,
    what: 'begun' | 'done' | 'skipped' | 'opened',
    more: { readonly why?: string; readonly whole?: true } = {},
  ): void {
    keep()
    journal.record({
      kind: 'step',
      stage: stageId.value,
      step: step.id,
      what,
      words: step.words,
      ...more,
    } as NewEntry)
  }
  /** Puts steps in after one, with what happened. */
  function deviate(after: string | undefined, text: string, steps: readonly Omit<Step, 'id'>[], code?: Trouble): void {
    keep()
    journal.record({
      kind: 'deviation',
      stage: stageId.value,
      ...(after && { step: after }),
      text,
      ...(code && { code }),
      steps: steps.map(step => ({ ...step, id: crypto.randomUUID().slice(0, 8) })),
    } as NewEntry)
  }
  return {
    stageId,
    saved,
    isTaken,
    moved,
    procedure,
    proposal,
    proposed,
    run,
    spans,
    take,
    deviate,
    account,
    realAccount,
  }
}
