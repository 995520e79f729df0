import type { Knex } from 'knex'
import { CHANNEL, openEar, type Change, type Ear } from './ear'

/**
 * What changed, told to every process that shares the database and from there to every open page: the lab's id, the batch's code and how far it has come, nothing of what was written. Told after the commit and at most
 * once in a while, since each notice is a commit of its own; one that is lost is looked up.
 */
const EVERY = 60
/** A notice holds 8000 bytes at most; a lab, a code and how far its batch has come take 82. */
const MOST = 96
const changed = new Map<string, Change>()
let telling = false

/** Tells that a batch of a lab has changed. What is told was touched: a notice that is lost is looked up by that. */
export function announce(db: Knex, lab: string, code: string): void {
  changed.set(`${lab} ${code}`, { lab, code })
  if (telling) return
  telling = true
  setTimeout(async () => {
    const places = [...changed].slice(0, MOST)
    for (const [place] of places) changed.delete(place)
    telling = false
    await db
      .raw('select tell_changed(?, ?, ?)', [
        CHANNEL,
        places.map(([, one]) => one.lab),
        places.map(([, one]) => one.code),
      ])
      .catch(() => {})
    const [left] = changed.values()
    if (left) announce(db, left.lab, left.code)
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
