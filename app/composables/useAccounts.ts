import { computed } from 'vue'
import { plannedAccounts, realAccounts } from '#core/outcome'
import { useAttempt } from './useAttempt'
import { useBatchStore } from '~/stores/batch'
import { useJournalStore } from '~/stores/journal'
import { useLibraryStore } from '~/stores/library'

/** The vessels’ account of the open batch: as planned, with the steps that it keeps, and over what was really read. */
export function useAccounts() {
  const batch = useBatchStore()
  const journal = useJournalStore()
  const library = useLibraryStore()
  const kept = (id: string) => batch.document?.procedures?.find(({ stage }) => stage === id)?.steps
  const planned = useAttempt('The vessel’s account', () => {
    const { reading, sheets } = batch
    if (!reading || sheets.length !== reading.plan.stages.length) return undefined
    return plannedAccounts(reading.plan, { stages: sheets }, kept, library.curves)
  })
  const real = useAttempt('The vessel’s account of the run', () => {
    const { reading } = batch
    if (!reading?.whole) return undefined
    return realAccounts({ plan: reading.plan, lines: journal.lines, stepsOf: kept, curves: library.curves })
  })
  const ofStage = <T extends { id: string }>(all: readonly T[] | undefined): T | undefined =>
    all?.find(({ id }) => id === batch.stage?.id)
  return {
    planned,
    real,
    account: computed(() => ofStage(planned.value.value)),
    realAccount: computed(() => ofStage(real.value.value)),
  }
}
