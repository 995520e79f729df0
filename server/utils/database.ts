import type { Knex } from 'knex'
import { connect } from '../db/connect'
import { newerText, standOf } from '../db/migrate'
import { watchStatements } from '../seen/statements'
import { traceStatements } from '../seen/traces'

let pool: Knex | undefined

/** The one connection pool, opened on first use so that importing a route opens nothing. */
export const useDatabase = (): Knex =>
  (pool ??= traceStatements(watchStatements(connect(process.env.DATABASE_URL ?? ''))))

let isCurrent = false

/** Refuses to work on tables that another version of the code made; asked until they fit, and not again. */
export async function requireTables(db: Knex): Promise<void> {
  if (isCurrent) return
  const stand = await standOf(db)
  if (stand.is === 'newer') throw refusal(503, newerText(stand.by))
  if (stand.is !== 'current')
    throw refusal(503, 'The tables of this database are not prepared. Run bin/start, which prepares them.')
  isCurrent = true
}
