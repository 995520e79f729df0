import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { foldJournal, type Entry } from '#core/journal'
import { useLabStore } from './lab'

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
export type NewEntry = DistributiveOmit<Entry, 'id' | 'at' | 'by'>

const RETRY = 3000
const outboxKey = (code: string): string => `zip-ledger.outbox.${code}`

/** The journal of the open batch: what the server has, and what still waits on this device to be sent, in order. */
export const useJournalStore = defineStore('journal', () => {
  const lab = useLabStore()
  const code = ref('')
  const recorded = ref<Entry[]>([])
  const waiting = ref<Entry[]>([])
  const away = ref(false)
  const refused = ref<{ entry: Entry; why: string }>()
  const isLoaded = ref(false)
  let isSending = false
  let most = 100

  const entries = computed(() => [
    ...recorded.value,
    ...waiting.value.filter(({ id }) => !recorded.value.some(entry => entry.id === id)),
  ])
  const lines = computed(() => foldJournal(entries.value))

  async function open(wanted: string): Promise<void> {
    code.value = wanted
    recorded.value = []
    waiting.value = readOutbox(wanted)
    isLoaded.value = false
    await refresh()
    void send()
  }

  async function refresh(): Promise<void> {
    const wanted = code.value
    try {
      const stored = await $fetch<{ entry: Entry }[]>(`/api/batches/${encodeURIComponent(wanted)}/entries`)
      if (code.value !== wanted) return
      recorded.value = stored.map(({ entry }) => entry)
      isLoaded.value = true
      away.value = false
    } catch (error) {
      if (code.value !== wanted || (error as { statusCode?: number }).statusCode === 404) return
      away.value = true
      setTimeout(() => {
        if (code.value === wanted && !isLoaded.value) void refresh()
      }, RETRY)
    }
  }

  /** Records an entry now; it is on the device at once and on the server as soon as it can be. */
  function record(entry: NewEntry): string {
    const whole = { ...entry, id: crypto.randomUUID(), at: new Date().toISOString(), by: lab.personId } as Entry
    waiting.value = [...waiting.value, whole]
    keepOutbox(code.value, waiting.value)
    void send()
    return whole.id
  }

  async function send(): Promise<void> {
    if (isSending || waiting.value.length === 0) return
    isSending = true
    const wanted = code.value
    const batch = waiting.value.slice(0, most)
    try {
      const stored = await $fetch<{ entry: Entry }[]>(`/api/batches/${encodeURIComponent(wanted)}/entries`, {
        method: 'POST',
        body: { entries: batch },
      })
      if (code.value === wanted) {
        const known = new Set(recorded.value.map(({ id }) => id))
        recorded.value = [...recorded.value, ...stored.map(({ entry }) => entry).filter(({ id }) => !known.has(id))]
        waiting.value = waiting.value.filter(({ id }) => !batch.some(sent => sent.id === id))
        keepOutbox(wanted, waiting.value)
        away.value = false
        most = 100
      }
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { detail?: string } }
      if (statusCode && statusCode < 500 && statusCode !== 408) refuse(batch, data?.detail ?? 'The server refused it.')
      else {
        away.value = true
        setTimeout(send, RETRY)
      }
    } finally {
      isSending = false
      if (waiting.value.length > 0 && !away.value) void send()
    }
  }

  /** An entry that the server refuses must not block the ones after it: they go one by one, and it is set aside with the reason. */
  function refuse(batch: readonly Entry[], why: string): void {
    if (batch.length > 1) {
      most = 1
      return
    }
    refused.value = { entry: batch[0]!, why }
    waiting.value = waiting.value.filter(({ id }) => id !== batch[0]!.id)
    keepOutbox(code.value, waiting.value)
  }

  return { code, entries, lines, waiting, away, refused, isLoaded, open, record }
})

function keepOutbox(code: string, entries: readonly Entry[]): void {
  if (entries.length === 0) localStorage.removeItem(outboxKey(code))
  else localStorage.setItem(outboxKey(code), JSON.stringify(entries))
}

function readOutbox(code: string): Entry[] {
  try {
    return JSON.parse(localStorage.getItem(outboxKey(code)) ?? '[]')
  } catch {
    return []
  }
}
