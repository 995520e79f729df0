import knex, { type Knex } from 'knex'

/** A pool on the database; it opens nothing until the first query, and gives up on a database that is away in 3 s. */
export const connect = (url: string): Knex =>
  knex({
    client: 'pg',
    connection: { connectionString: url, connectionTimeoutMillis: 3000 },
    pool: { min: 0, max: 10 },
    acquireConnectionTimeout: 4000,
  })

/** True for errors that mean the database is away rather than that the request was wrong. */
export function isAway(error: unknown): boolean {
  const { code, name, message } = error as { code?: string; name?: string; message?: string }
  return (
    /^(ECONN|ETIMEDOUT|EPIPE|ENOTFOUND|57P0|08|53300)/.test(code ?? '') ||
    name === 'KnexTimeoutError' ||
    /connection terminated|timeout expired|connect timeout/i.test(message ?? '')
  )
}
