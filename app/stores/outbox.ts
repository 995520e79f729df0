import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { Entry } from '#core/journal'
import { dropFromDevice, keepOnDevice, keysOnDevice, readFromDevice } from '~/utils/device'
import { ofLab } from '~/utils/whose'
import { useWhoStore } from './who'

export interface Stored {
  readonly seq: number
  readonly entry: Entry
}
export interface Refused {
  readonly code: string
  readonly entry: Entry
  readonly why: string
}
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never
export type NewEntry = DistributiveOmit<Entry, 'id' | 'at' | 'by'>

interface Waiting {
  readonly code: string
  readonly entry: Entry
  readonly place: string
}

const RETRY = 2500
const MOST = 200
const placeOfWaiting = (): string => ofLab('entry.')
const placeOfRefused = (): string => ofLab('refused.')

/**
 * What was recorded on this device and is not yet on the server, of any batch. Each entry lies in a place of its own, so that two tabs, or one that is
 * killed, lose nothing; a tab that starts sends what an earlier one left. Places sort by time, so the order is kept.
 */
export const useOutboxStore = defineStore('outbox', () => {
  const who = useWhoStore()
  const waiting = ref<readonly Waiting[]>(readAll())
  const refused = ref<readonly Refused[]>(readRefused())
  const away = ref(false)
  const listeners = new Set<(code: string, stored: readonly Stored[]) => void>()
  let isSending = false
  let count = 0
  let most = MOST

  /** What somebody else recorded on this device waits until they are in on it again: nobody signs for another. */
  const own = computed(() => waiting.value.filter(({ entry }) => entry.by === who.me?.person))
  const others = computed(() => waiting.value.filter(({ entry }) => entry.by !== who.me?.person))
  const codes = computed(() => [...new Set(own.value.map(({ code }) => code))])

  /** Records an entry now; it is on the device at once and on the server as soon as it can be. */
  function record(code: string, entry: NewEntry, at?: string): Entry {
    const now = new Date()
    const whole = { ...entry, id: crypto.randomUUID(), at: at ?? now.toISOString(), by: who.me?.person ?? '' } as Entry
    const order = `${String(now.getTime()).padStart(14, '0')}.${String(count++).padStart(6, '0')}`
    const one: Waiting = { code, entry: whole, place: `${placeOfWaiting()}${order}.${whole.id}` }
    // Where the device has no room it is held in this tab alone, and every page says so.
    keepOnDevice(one.place, { code, entry: whole })
    waiting.value = [...waiting.value, one]
    void send()
    return whole
  }

  async function send(): Promise<void> {
    const code = codes.value[0]
    if (isSending || code === undefined) return
    isSending = true
    const batch = own.value.filter(one => one.code === code).slice(0, most)
    try {
      const stored = await $fetch<Stored[]>(`/api/batches/${encodeURIComponent(code)}/entries`, {
        method: 'POST',
        body: { entries: batch.map(({ entry }) => entry) },
        retry: 0,
      })
      // Only what comes back by its id is settled: another answer, of a guest network's page or a proxy, is none.
      const named = new Set(Array.isArray(stored) ? stored.map(one => one?.entry?.id?.toLowerCase()) : [])
      const settled = batch.filter(({ entry }) => named.has(entry.id.toLowerCase()))
      if (settled.length === 0) throw new Error('This is no answer of ours.')
      for (const listener of listeners) listener(code, stored)
      drop(settled)
      away.value = false
      most = MOST
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { detail?: string } }
      if (statusCode && statusCode < 500 && ![401, 408, 429].includes(statusCode))
        refuse(batch, data?.detail ?? 'The server refused it.')
      else {
        away.value = true
        setTimeout(send, RETRY)
      }
    } finally {
      isSending = false
      if (own.value.length > 0 && !away.value) void send()
    }
  }

  function drop(batch: readonly Waiting[]): void {
    const gone = new Set(batch.map(({ place }) => place))
    waiting.value = waiting.value.filter(({ place }) => !gone.has(place))
    for (const place of gone) dropFromDevice(place)
  }

  /** An entry that the server refuses must not block the ones after it: they go one by one, and it is set aside with the reason. */
  function refuse(batch: readonly Waiting[], why: string): void {
    if (batch.length > 1) {
      most = 1
      return
    }
    const [one] = batch
    if (!one) return
    const aside: Refused = { code: one.code, entry: one.entry, why }
    keepOnDevice(`${placeOfRefused()}${one.entry.id}`, aside)
    refused.value = [...refused.value, aside]
    drop(batch)
  }
  function dismiss(id: string): void {
    dropFromDevice(`${placeOfRefused()}${id}`)
    refused.value = refused.value.filter(({ entry }) => entry.id !== id)
  }

  /** Calls back with what the server took; gives back how to stop. */
  function onStored(listener: (code: string, stored: readonly Stored[]) => void): () => void {
    listeners.add(listener)
    return () => listeners.delete(listener)
  }
  const of = (code: string): Entry[] => waiting.value.filter(one => one.code === code).map(({ entry }) => entry)

  return { waiting, others, refused, away, record, send, dismiss, onStored, of }
})

const readAll = (): Waiting[] =>
  keysOnDevice(placeOfWaiting()).flatMap(place => {
    const kept = readFromDevice<{ code: string; entry: Entry }>(place)
    return kept ? [{ ...kept, place }] : []
  })
const readRefused = (): Refused[] =>
  keysOnDevice(placeOfRefused()).flatMap(place => readFromDevice<Refused>(place) ?? [])
