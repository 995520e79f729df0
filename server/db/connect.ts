import knex, { type Knex } from 'knex'
import type pg from 'pg'
import type { Access } from '../access/access'

/** ms after which an answer is no longer waited for: a database that is stopped but not down holds its connections open and says nothing. */
const LONGEST = 8000

/** What this needs of Knex's client; its types leave it out. */
interface LabClient {
  view?: string
  acquireConnection(): Promise<LabConnection>
  releaseConnection(connection: LabConnection): Promise<void>
}
type LabConnection = pg.Client & { view?: string }

/** A lab, and the student as whom it is seen, or nobody in particular. */
const viewOf = (lab: string, student = ''): string => `${lab} ${student}`
const NO_VIEW = viewOf('')

/**
 * Tells each connection that is given out for which lab it is, and for which student, where it was last given out for another: the database shows the rows of that lab and no
 * others, to a student none of what is another student's, and without a lab none.
 */
function tellLabs(db: Knex): Knex {
  const client = db.client as LabClient
  const acquire = client.acquireConnection
  client.acquireConnection = async function (this: LabClient) {
    const connection = await acquire.call(this)
    const view = this.view ?? NO_VIEW
    if ((connection.view ?? NO_VIEW) === view) return connection
    try {
      await connection.query(
        "select set_config('zip_ledger.lab', $1, false), set_config('zip_ledger.student', $2, false)",
        view.split(' '),
      )
      connection.view = view
      return connection
    } catch (error) {
      await this.releaseConnection(connection)
      throw error
    }
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
        ...(!long && { query_timeout: LONGEST, statement_timeout: LONGEST }),
      },
      pool: { min: 0, max: 10 },
      acquireConnectionTimeout: 4000,
    }),
  )

/** A pool as labs see it: made once for each, since Knex copies all of its settings for it. */
const scopedOf = new WeakMap<Knex, Map<string, Knex>>()
const MOST_SCOPED = 5000

const ID = /^[0-9a-f-]{36}$/

/** The same pool for the data of one lab; with a student, without what is other students'. Refuses what is no id. */
export function forLab(db: Knex, lab: string, student?: string): Knex {
  if (!ID.test(lab) || (student !== undefined && !ID.test(student))) throw new Error('This is no lab’s id.')
  const view = viewOf(lab, student)
  const known = scopedOf.get(db) ?? new Map<string, Knex>()
  scopedOf.set(db, known)
  const there = known.get(view)
  if (there) return there
  if (known.size > MOST_SCOPED) known.clear()
  const scoped = db.withUserParams({})
  ;(scoped.client as LabClient).view = view
  known.set(view, scoped)
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
