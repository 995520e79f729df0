import type { Knex } from 'knex'
import { sweepSessions } from './sessions'

/** Takes away what has ended and nobody asks for: sessions, links and challenges past their end, tries at the door, and processes that are gone. */
export async function tidy(db: Knex): Promise<void> {
  await sweepSessions(db)
  const now = Date.now()
  const ago = (hours: number): Date => new Date(now - hours * 3_600_000)
  await db('challenges').where('ends_at', '<', ago(0)).delete()
  await db('links')
    .where('ends_at', '<', ago(30 * 24))
    .delete()
  await db('attempts').where('expire', '<', now).delete()
  await db('processes').where('seen_at', '<', ago(1)).delete()
}
