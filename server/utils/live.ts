import type { Knex } from 'knex'
import { CHANNEL, openEar, type Ear } from './ear'

/**
 * What changed, told to every process that shares the database and from there to every open page: the lab's id and the batch's code, nothing of what was written. Told after the commit and at most
 * once in a while, since each notice is a commit of its own; one that is lost is looked up.
 */
const EVERY = 60
/** A notice holds 8000 bytes at most; a lab and a code take 58. */
const MOST = 120
const changed = new Set<string>()
let telling = false

/** Tells that a batch of a lab has changed. */
export const announce = (db: Knex, lab: string, code: string): void => tell(db, `${lab} ${code}`)

function tell(db: Knex, place: string): void {
  changed.add(place)
  if (telling) return
  telling = true
  setTimeout(async () => {
    const places = [...changed].slice(0, MOST)
    for (const one of places) changed.delete(one)
    telling = false
    await db.raw('select pg_notify(?, ?)', [CHANNEL, places.join(',')]).catch(() => {})
    const [left] = changed
    if (left) tell(db, left)
  }, EVERY)
}

type Hear = (codes: readonly string[]) => void
const listeners = new Map<string, Set<Hear>>()
let ear: Ear | undefined

/** Where a process listens: the database itself, where statements go through a pooler. */
const listenUrl = (): string => process.env.DATABASE_LISTEN_URL ?? process.env.DATABASE_URL ?? ''

/** Calls back with the codes of a lab's batches that changed, in whatever process; gives back how to stop. */
export function listen(lab: string, hear: Hear): () => void {
  const ofLab = listeners.get(lab) ?? new Set()
  listeners.set(lab, ofLab.add(hear))
  ear ??= openEar(
    listenUrl(),
    () => [...listeners.keys()],
    changes => {
      for (const of of new Set(changes.map(one => one.lab))) {
        const codes = changes.flatMap(one => (one.lab === of ? [one.code] : []))
        for (const one of listeners.get(of) ?? []) one(codes)
      }
    },
  )
  return () => {
    ofLab.delete(hear)
    if (ofLab.size === 0) listeners.delete(lab)
    if (listeners.size > 0) return
    ear?.close()
    ear = undefined
  }
}

/** By the database's clock, ms: what changed until then was told to whoever listens here. */
export const heardUntil = (): number | undefined => ear?.heardUntil()
