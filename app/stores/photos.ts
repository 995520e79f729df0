import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { useOutboxStore, type NewEntry } from './outbox'
import { useWhoStore } from './who'

interface Kept {
  readonly id: string
  readonly lab?: string
  readonly by?: string
  readonly code: string
  readonly at: string
  readonly stage: string
  readonly step?: string
  readonly text: string
  readonly picture: Blob
}
interface Places extends DBSchema {
  photos: { key: string; value: Kept }
}
interface Taken {
  readonly photo: string
  readonly type: 'image/jpeg' | 'image/png' | 'image/webp'
}
const RETRY = 5000

/** Pictures taken on this device, kept here until the server has them; each then becomes an entry with the time at which it was taken. */
export const usePhotosStore = defineStore('photos', () => {
  const outbox = useOutboxStore()
  const who = useWhoStore()
  const waiting = ref(0)
  const problem = ref('')
  let places: Promise<IDBPDatabase<Places>> | undefined
  let isSending = false

  const open = (): Promise<IDBPDatabase<Places>> =>
    (places ??= openDB<Places>('zip-ledger', 1, {
      upgrade: db => void db.createObjectStore('photos', { keyPath: 'id' }),
    }))

  async function take(code: string, about: Pick<Kept, 'stage' | 'step' | 'text'>, picture: Blob): Promise<void> {
    problem.value = ''
    const at = new Date().toISOString()
    try {
      await (
        await open()
      ).put('photos', {
        id: `${at} ${crypto.randomUUID()}`,
        ...(who.me && { lab: who.me.lab.id, by: who.me.person }),
        code,
        at,
        ...about,
        picture,
      })
    } catch {
      problem.value =
        'This device has no room for the picture: it is not kept. Make room, or send what waits, and take it again.'
      return
    }
    await send()
  }

  /** Sends what is kept, oldest first; a server that is away is asked again later. */
  async function send(): Promise<void> {
    if (isSending) return
    isSending = true
    try {
      const db = await open()
      for (const kept of await db.getAll('photos')) {
        // Another lab’s, or another person’s, waits until they are in here again.
        if (kept.lab !== undefined && (kept.lab !== who.me?.lab.id || kept.by !== who.me.person)) continue
        waiting.value = await db.count('photos')
        if (!(await sendOne(kept))) {
          setTimeout(send, RETRY)
          break
        }
        await db.delete('photos', kept.id)
      }
      waiting.value = await db.count('photos')
    } finally {
      isSending = false
    }
  }

  /** True when it is done with: taken by the server, or refused by it. */
  async function sendOne({ code, at, stage, step, text, picture }: Kept): Promise<boolean> {
    try {
      const { photo, type } = await $fetch<Taken>(`/api/batches/${encodeURIComponent(code)}/photos`, {
        method: 'POST',
        body: picture,
        headers: { 'content-type': picture.type.startsWith('image/') ? picture.type : 'image/jpeg' },
        retry: 0,
      })
      if (typeof photo !== 'string') return false
      outbox.record(code, { kind: 'photo', stage, ...(step && { step }), photo, type, text } as NewEntry, at)
      return true
    } catch (error) {
      const { statusCode, data } = error as { statusCode?: number; data?: { detail?: string } }
      if (statusCode === undefined || statusCode >= 500 || [401, 408, 429].includes(statusCode)) return false
      problem.value = data?.detail ?? 'The server refused the picture.'
      return true
    }
  }
  return { waiting, problem, take, send }
})
