import type { Knex } from 'knex'
import pg from 'pg'

/**
 * What changed, told to every process that shares the database and from there to every open page. Told after the commit and at most once in
 * a while, since each notice is a commit of its own; a page that missed one reads again when it reconnects.
 */
const CHANNEL = 'changed'
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

interface Listener {
  readonly lab: string
  readonly hear: (codes: readonly string[]) => void
}
const listeners = new Set<Listener>()
let client: pg.Client | undefined
const RETRY = 1000

/** Calls back with the codes of a lab's batches that changed, in whatever process; gives back how to stop. */
export function listen(lab: string, hear: Listener['hear']): () => void {
  const listener = { lab, hear }
  listeners.add(listener)
  if (!client) connect()
  return () => {
    listeners.delete(listener)
    if (listeners.size > 0) return
    void client?.end().catch(() => {})
    client = undefined
  }
}

function connect(): void {
  const mine = new pg.Client({ connectionString: process.env.DATABASE_URL ?? '', connectionTimeoutMillis: 3000 })
  client = mine
  const again = (): void => {
    if (client !== mine) return
    client = undefined
    void mine.end().catch(() => {})
    setTimeout(() => {
      if (!client && listeners.size > 0) connect()
    }, RETRY)
  }
  mine.on('error', again)
  mine.on('end', again)
  mine.on('notification', ({ payload }) => {
    const places = (payload ?? '').split(',')
    for (const { lab, hear } of listeners) {
      const codes = places.flatMap(place => (place.startsWith(`${lab} `) ? [place.slice(lab.length + 1)] : []))
      if (codes.length > 0) hear(codes)
    }
  })
  mine
    .connect()
    .then(() => mine.query(`listen ${CHANNEL}`))
    .then(() => {
      // Whatever changed while nobody listened.
      for (const { hear } of listeners) hear(['*'])
    })
    .catch(again)
}
