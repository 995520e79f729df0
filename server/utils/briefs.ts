import type { Knex } from 'knex'
import type { Access } from '../access/access'
import { freshenBriefs, type Maker } from '../db/briefs'
import { briefApart } from '../jobs/briefs'
import { stampOfOwnRows } from '../db/own-rows'

/** What briefs are made by here. */
const madeBy = async (db: Knex, access: Access): Promise<Maker> => ({
  builtAt: useRuntimeConfig().builtAt,
  tables: await stampOfOwnRows(db, access),
})

const PATIENCE = 60
const AT_ONCE = 40

/** Makes every stale brief anew, for at most so many ms; answers whether some are still stale. For what must be whole, such as a calendar. */
export async function freshenAll(db: Knex, access: Access, longest: number): Promise<boolean> {
  const until = performance.now() + longest
  const by = await madeBy(db, access)
  while (performance.now() < until)
    if ((await freshenBriefs(db, access, by, AT_ONCE, () => performance.now() > until, briefApart)) === 0) return false
  return true
}

/** Makes stale briefs anew before an answer, for a moment; the rest goes on behind it. Answers whether some may still be stale. */
export async function freshen(db: Knex, access: Access): Promise<boolean> {
  const until = performance.now() + PATIENCE
  const by = await madeBy(db, access)
  const made = await freshenBriefs(db, access, by, AT_ONCE, () => performance.now() > until, briefApart)
  if (made === 0) return false
  void freshenRest(db, access, by)
  return true
}

const going = new Set<string>()
async function freshenRest(db: Knex, access: Access, by: Maker): Promise<void> {
  if (going.has(access.lab)) return
  going.add(access.lab)
  try {
    while ((await freshenBriefs(db, access, by, AT_ONCE, () => false, briefApart)) > 0)
      await new Promise(resolve => setTimeout(resolve, 5))
  } catch {
    // A database that is away: the next look tries again.
  } finally {
    going.delete(access.lab)
  }
}
