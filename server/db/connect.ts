import knex, { type Knex } from 'knex'

/** ms after which an answer is no longer waited for: a database that is stopped but not down holds its connections open and says nothing. */
const LONGEST = 8000

/** A pool on the database; it opens nothing until the first query, and gives up on a database that is away in 3 s, on one that hangs in 8. Migrations may take as `long` as they need. */
export const connect = (url: string, { long = false } = {}): Knex =>
  knex({
    client: 'pg',
    connection: {
      connectionString: url,
      connectionTimeoutMillis: 3000,
      ...(!long && { query_timeout: LONGEST, statement_timeout: LONGEST }),
    },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 4000,
  })

/** True for errors that mean the database is away rather than that the request was wrong. */
export function isAway(error: unknown): boolean {
  const { code, name, message } = error as { code?: string; name?: string; message?: string }
  return (
    /^(ECONN|ETIMEDOUT|EPIPE|ENOTFOUND|57P0|08|53300)/.test(code ?? '') ||
    name === 'KnexTimeoutError' ||
    /connection terminated|timeout expired|connect timeout|query read timeout/i.test(message ?? '')
  )
}
