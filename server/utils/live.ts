import type { Knex } from 'knex'
import pg from 'pg'

/**
 * What changed, told to every process that shares the database and from there to every open page. Told after the commit and at most once in
 * a while, since each notice is a commit of its own; a page that missed one reads again when it reconnects.
 */
const CHANNEL = 'changed'
const EVERY = 60
const changed = new Set<string>()
let telling = false

/** Tells that a batch has changed. */
export function announce(db: Knex, code: string): void {
  changed.add(code)
  if (telling) return
  telling = true
  setTimeout(async () => {
    const codes = [...changed].slice(0, 300)
    for (const one of codes) changed.delete(one)
    telling = false
    await db.raw('select pg_notify(?, ?)', [CHANNEL, codes.join(',')]).catch(() => {})
    const [left] = changed
    if (left) announce(db, left)
  }, EVERY)
}

type Listener = (codes: readonly string[]) => void
const listeners = new Set<Listener>()
let client: pg.Client | undefined
const RETRY = 1000

/** Calls back with the codes of batches that changed, in whatever process; gives back how to stop. */
export function listen(listener: Listener): () => void {
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
    const codes = (payload ?? '').split(',').filter(code => code !== '')
    for (const listener of listeners) listener(codes)
  })
  mine
    .connect()
    .then(() => mine.query(`listen ${CHANNEL}`))
    .then(() => {
      // Whatever changed while nobody listened.
      for (const listener of listeners) listener(['*'])
    })
    .catch(again)
}
