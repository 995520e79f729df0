import knex, { type Knex } from 'knex'
import type pg from 'pg'
import type { Access } from '../access/access'
import { tellIn, ViewedQuery, type View } from './viewed-query'

/** ms after which an answer is no longer waited for: a database that is stopped but not down holds its connections open and says nothing. */
const LONGEST = 8000

/** What this needs of Knex's client and transactions; its types leave it out. */
interface Asked {
  readonly sql: string
  readonly bindings?: readonly unknown[]
  response?: unknown
}
interface LabClient {
  view?: View
  _query(connection: pg.Client, asked: Asked): Promise<Asked>
  transaction(...how: unknown[]): {
    begin(connection: pg.Client): unknown
    query(connection: pg.Client, sql: string): unknown
  }
}

/**
 * Statements of a pool that was made for a lab are run as that lab's, and as the student's for whom it was made: the database shows the rows of that lab and no
 * others, to a student none of what is another student's, and without a lab none. It is told with each statement or transaction, for that one alone.
 */
function tellLabs(db: Knex): Knex {
  const client = db.client as LabClient
  const query = client._query
  const transaction = client.transaction
  client._query = function (this: LabClient, connection, asked) {
    const { view } = this
    if (!view) return query.call(this, connection, asked)
    return new Promise((resolve, reject) => {
      const sent = new ViewedQuery(asked.sql, asked.bindings ?? [], view, (error, response) => {
        if (error) return reject(error)
        asked.response = response
        resolve(asked)
      })
      connection.query(sent as unknown as pg.Submittable)
    })
  }
  client.transaction = function (this: LabClient, ...how) {
    const begun = transaction.apply(this, how)
    const { view } = this
    if (view) begun.begin = connection => begun.query(connection, `begin; ${tellIn(view)}`)
    return begun
  }
  return db
}

/** A pool on the database; it opens nothing until the first query, and gives up on a database that is away in 3 s, on one that hangs in 8. Migrations may take as `long` as they need. */
export const connect = (url: string, { long = false } = {}): Knex =>
  tellLabs(
    knex({
      client: 'pg',
      connection: {
        connectionString: url,
        connectionTimeoutMillis: 3000,
        ...(!long && { query_timeout: LONGEST }),
      },
      pool: { min: 0, max: 10 },
      acquireConnectionTimeout: 4000,
    }),
  )

/** A pool as labs see it: made once for each, since Knex copies all of its settings for it, 23 kB and half a millisecond; those that were used last are kept. */
const scopedOf = new WeakMap<Knex, Map<string, Knex>>()
const MOST_SCOPED = 1000

const ID = /^[0-9a-f-]{36}$/

/** The same pool for the data of one lab; with a student, without what is other students'. Refuses what is no id. */
export function forLab(db: Knex, lab: string, student?: string): Knex {
  if (!ID.test(lab) || (student !== undefined && !ID.test(student))) throw new Error('This is no lab’s id.')
  const name = `${lab} ${student ?? ''}`
  const known = scopedOf.get(db) ?? new Map<string, Knex>()
  scopedOf.set(db, known)
  const there = known.get(name)
  if (there) {
    known.delete(name)
    known.set(name, there)
    return there
  }
  if (known.size >= MOST_SCOPED) known.delete(known.keys().next().value ?? '')
  const scoped = db.withUserParams({})
  ;(scoped.client as LabClient).view = { lab, student: student ?? '' }
  known.set(name, scoped)
  return scoped
}

/** The data of a lab as somebody sees it: a student sees nothing that is another student's. */
export const forAccess = (db: Knex, { lab, person, role }: Pick<Access, 'lab' | 'person' | 'role'>): Knex =>
  forLab(db, lab, role === 'student' ? person : undefined)

/** True for errors that mean the database is away rather than that the request was wrong. */
export function isAway(error: unknown): boolean {
  const { code, name, message } = error as { code?: string; name?: string; message?: string }
  return (
    /^(ECONN|ETIMEDOUT|EPIPE|ENOTFOUND|57P0|08|53300)/.test(code ?? '') ||
    name === 'KnexTimeoutError' ||
    /connection terminated|timeout expired|connect timeout|query read timeout/i.test(message ?? '')
  )
}
