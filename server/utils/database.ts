import type { Knex } from 'knex'
import { connect } from '../db/connect'
import { newerText, standOf } from '../db/migrate'
import { findLab, type Lab } from '../db/people'

let pool: Knex | undefined

/** The one connection pool, opened on first use so that importing a route opens nothing. */
export const useDatabase = (): Knex => (pool ??= connect(process.env.DATABASE_URL ?? ''))

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

let knownLab: string | undefined

/** The id of the lab whose data this request may see, without its people; it never changes, so it is asked for once. */
export const requireLabId = async (db: Knex): Promise<string> => (knownLab ??= (await requireLab(db)).id)

/** The lab whose data this request may see. */
export async function requireLab(db: Knex): Promise<Lab> {
  await requireTables(db)
  const lab = await findLab(db)
  if (!lab)
    throw refusal(503, 'No lab is set up in this database.', [
      { why: 'The database is empty.', fix: 'Run bin/start, which prepares it.' },
    ])
  return lab
}
