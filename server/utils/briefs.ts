import type { Knex } from 'knex'
import { freshenBriefs } from '../db/briefs'
import { briefApart } from '../jobs/briefs'
import { stampOfOwnRows } from '../db/own-rows'

/** What a brief was made by: with another build, or other substances of the lab's own, figures may differ. */
const madeBy = async (db: Knex, labId: string): Promise<string> =>
  `${useRuntimeConfig().app.buildId} ${await stampOfOwnRows(db, labId)}`

const PATIENCE = 60
const AT_ONCE = 40

/** Makes every stale brief anew, for at most so many ms; answers whether some are still stale. For what must be whole, such as a calendar. */
export async function freshenAll(db: Knex, labId: string, longest: number): Promise<boolean> {
  const until = performance.now() + longest
  const by = await madeBy(db, labId)
  while (performance.now() < until)
    if ((await freshenBriefs(db, labId, by, AT_ONCE, () => performance.now() > until, briefApart)) === 0) return false
  return true
}

/** Makes stale briefs anew before an answer, for a moment; the rest goes on behind it. Answers whether some may still be stale. */
export async function freshen(db: Knex, labId: string): Promise<boolean> {
  const until = performance.now() + PATIENCE
  const by = await madeBy(db, labId)
  const made = await freshenBriefs(db, labId, by, AT_ONCE, () => performance.now() > until, briefApart)
  if (made === 0) return false
  void freshenRest(db, labId, by)
  return true
}

let going = false
async function freshenRest(db: Knex, labId: string, by: string): Promise<void> {
  if (going) return
  going = true
  try {
    while ((await freshenBriefs(db, labId, by, AT_ONCE, () => false, briefApart)) > 0)
      await new Promise(resolve => setTimeout(resolve, 5))
  } catch {
    // A database that is away: the next look tries again.
  } finally {
    going = false
  }
}
