import type { Knex } from 'knex'
import { connect } from '../db/connect'
import { findLab, type Lab } from '../db/people'

let pool: Knex | undefined

/** The one connection pool, opened on first use so that importing a route opens nothing. */
export const useDatabase = (): Knex => (pool ??= connect(process.env.DATABASE_URL ?? ''))

let knownLab: string | undefined

/** The id of the lab whose data this request may see, without its people; it never changes, so it is asked for once. */
export const requireLabId = async (db: Knex): Promise<string> => (knownLab ??= (await requireLab(db)).id)

/** The lab whose data this request may see. */
export async function requireLab(db: Knex): Promise<Lab> {
  const lab = await findLab(db)
  if (!lab)
    throw refusal(503, 'No lab is set up in this database.', [
      { why: 'The database is empty.', fix: 'Run bin/start, which prepares it.' },
    ])
  return lab
}
