import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Timer } from '#core/journal'
import type { LaneStep } from '#core/procedure'
import type { BatchBrief } from '#core/overview'
import { hearLive } from '~/utils/live'
import { useBatchStore } from './batch'
import { useJournalStore } from './journal'
import { useOutboxStore } from './outbox'

export interface BenchBatch {
  readonly code: string
  readonly touchedAt: string
  readonly brief: Omit<BatchBrief, 'lane'>
  readonly lane: readonly LaneStep[]
}
interface Bench {
  readonly counts: { readonly underWay: number; readonly planned: number; readonly done: number }
  readonly isPending: boolean
  readonly batches: readonly BenchBatch[]
  readonly planned: readonly BenchBatch[]
}
export interface Clock {
  readonly code: string
  readonly timer: Timer
}

const SETTLE = 120
const AGAIN = 700
const RETRY = 3000

/** The lab's present, kept current by what the server tells of changes; whichever process took them. */
export const useBenchStore = defineStore('bench', () => {
  const batch = useBatchStore()
  const journal = useJournalStore()
  const outbox = useOutboxStore()
  const bench = ref<Bench>()
  const failed = ref(false)
  /** Taken to be there until it fails. */
  const isLive = ref(true)
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  /** Every clock that runs, of any batch; those of the open batch with what this device has not sent yet. */
  const clocks = computed((): Clock[] => {
    const others = (bench.value?.batches ?? [])
      .filter(({ code }) => code !== journal.code)
      .flatMap(({ code, brief }) => brief.timers.map(one => ({ code, timer: one })))
    const mine = journal.timers.filter(({ stoppedAt }) => !stoppedAt).map(one => ({ code: journal.code, timer: one }))
    return [...mine, ...others]
  })

  async function load(): Promise<void> {
    const mine = ++asked
    try {
      const read = await $fetch<Bench>('/api/bench', { retry: 0 })
      if (mine !== asked) return
      bench.value = read
      failed.value = false
      if (read.isPending) soon(AGAIN)
    } catch {
      if (mine !== asked) return
      failed.value = true
      soon(RETRY)
    }
  }
  function soon(wait: number): void {
    clearTimeout(timer)
    timer = setTimeout(load, wait)
  }

  /** Hears of changes, also of those that came while no connection stood. */
  function listen(): void {
    hearLive({
      opened() {
        isLive.value = true
        void outbox.send()
      },
      cut() {
        isLive.value = false
      },
      changed,
    })
  }
  function changed(codes: readonly string[]): void {
    if (codes.includes('*') || codes.includes(journal.code)) {
      void journal.refresh()
      void batch.refresh()
    }
    soon(SETTLE)
  }
  return { bench, failed, isLive, clocks, load, listen }
})
