import knex, { type Knex } from 'knex'
import type pg from 'pg'

/** ms after which an answer is no longer waited for: a database that is stopped but not down holds its connections open and says nothing. */
const LONGEST = 8000

/** What this needs of Knex's client; its types leave it out. */
interface LabClient {
  lab?: string
  acquireConnection(): Promise<LabConnection>
  releaseConnection(connection: LabConnection): Promise<void>
}
type LabConnection = pg.Client & { lab?: string }

/**
 * Tells each connection that is given out for which lab it is, where it was last given out for another: the database shows the rows of that lab and no others, and
 * without a lab none.
 */
function tellLabs(db: Knex): Knex {
  const client = db.client as LabClient
  const acquire = client.acquireConnection
  client.acquireConnection = async function (this: LabClient) {
    const connection = await acquire.call(this)
    const lab = this.lab ?? ''
    if ((connection.lab ?? '') === lab) return connection
    try {
      await connection.query("select set_config('zip_ledger.lab', $1, false)", [lab])
      connection.lab = lab
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

/** The same pool for the data of one lab. Refuses what is no lab’s id. */
export function forLab(db: Knex, lab: string): Knex {
  if (!/^[0-9a-f-]{36}$/.test(lab)) throw new Error('This is no lab’s id.')
  const known = scopedOf.get(db) ?? new Map<string, Knex>()
  scopedOf.set(db, known)
  const there = known.get(lab)
  if (there) return there
  if (known.size > MOST_SCOPED) known.clear()
  const scoped = db.withUserParams({})
  ;(scoped.client as LabClient).lab = lab
  known.set(lab, scoped)
  return scoped
}

/** True for errors that mean the database is away rather than that the request was wrong. */
export function isAway(error: unknown): boolean {
  const { code, name, message } = error as { code?: string; name?: string; message?: string }
  return (
    /^(ECONN|ETIMEDOUT|EPIPE|ENOTFOUND|57P0|08|53300)/.test(code ?? '') ||
    name === 'KnexTimeoutError' ||
    /connection terminated|timeout expired|connect timeout|query read timeout/i.test(message ?? '')
  )
}
