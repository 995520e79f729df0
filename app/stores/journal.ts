import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { foldJournal, timersOf } from '#core/journal'
import { useOutboxStore, type NewEntry, type Stored } from './outbox'

const RETRY = 3000
/** The server gives so many entries at once. */
const AT_ONCE = 5000

/** The journal of the open batch: what the server has, and what still waits on this device to be sent, in order. */
export const useJournalStore = defineStore('journal', () => {
  const outbox = useOutboxStore()
  const code = ref('')
  const recorded = ref<readonly Stored[]>([])
  const isLoaded = ref(false)
  const isUnread = ref(false)

  const waiting = computed(() => outbox.of(code.value))
  const entries = computed(() => {
    const there = new Set(recorded.value.map(({ entry }) => entry.id))
    return [...recorded.value.map(({ entry }) => entry), ...waiting.value.filter(({ id }) => !there.has(id))]
  })
  const lines = computed(() => foldJournal(entries.value))
  const timers = computed(() => timersOf(lines.value))
  const away = computed(() => outbox.away || isUnread.value)

  outbox.onStored((of, stored) => {
    if (of === code.value) merge(stored)
  })

  async function open(wanted: string): Promise<void> {
    code.value = wanted
    recorded.value = []
    isLoaded.value = false
    await refresh()
    void outbox.send()
  }

  /** Reads what was recorded since, by anybody. */
  async function refresh(): Promise<void> {
    const wanted = code.value
    if (wanted === '') return
    try {
      const stored = await $fetch<Stored[]>(`/api/batches/${encodeURIComponent(wanted)}/entries`, {
        query: { after: wholeUntil() },
        retry: 0,
      })
      if (code.value !== wanted) return
      merge(stored)
      // A very long journal comes in pieces.
      if (stored.length >= AT_ONCE) return refresh()
      isLoaded.value = true
      isUnread.value = false
    } catch (error) {
      if (code.value !== wanted || (error as { statusCode?: number }).statusCode === 404) return
      isUnread.value = true
      setTimeout(() => {
        if (code.value === wanted && isUnread.value) void refresh()
      }, RETRY)
    }
  }

  /** The last entry before which none is missing. */
  function wholeUntil(): number {
    let seq = 0
    for (const stored of recorded.value) {
      if (stored.seq !== seq + 1) break
      seq = stored.seq
    }
    return seq
  }
  function merge(stored: readonly Stored[]): void {
    if (stored.length === 0) return
    const bySeq = new Map([...recorded.value, ...stored].map(one => [one.seq, one]))
    recorded.value = [...bySeq.values()].sort((a, b) => a.seq - b.seq)
    if (wholeUntil() < recorded.value.length) void refresh()
  }

  const record = (entry: NewEntry): string => outbox.record(code.value, entry).id
  return { code, entries, lines, timers, waiting, away, isLoaded, open, refresh, record }
})
