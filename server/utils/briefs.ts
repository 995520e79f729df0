import type { Knex } from 'knex'
import type { Access } from '../access/access'
import { forLab } from '../db/connect'
import { freshenBriefs, type Maker } from '../db/briefs'
import { briefApart } from '../jobs/briefs'
import { stampOfOwnRows } from '../db/own-rows'

/** What briefs are made by here. */
const madeBy = async (db: Knex, lab: Pick<Access, 'lab'>): Promise<Maker> => ({
  builtAt: useRuntimeConfig().builtAt,
  tables: await stampOfOwnRows(db, lab),
})

const PATIENCE = 60
const AT_ONCE = 40

/** Makes every stale brief anew, for at most so many ms; answers whether some are still stale. For what must be whole, such as a calendar. */
export async function freshenAll({ lab }: Pick<Access, 'lab'>, longest: number): Promise<boolean> {
  const until = performance.now() + longest
  const enough = (): boolean => performance.now() > until
  const db = forLab(useDatabase(), lab)
  const by = await madeBy(db, { lab })
  const how = { most: AT_ONCE, enough, from: 'oldest', make: briefApart } as const
  while (!enough()) if ((await freshenBriefs(db, { lab }, by, how)) === 0) return false
  return true
}

/** Makes stale briefs anew before an answer, for a moment; the rest is a job of the queue. Answers whether some may still be stale. */
export async function freshen({ lab }: Pick<Access, 'lab'>): Promise<boolean> {
  const until = performance.now() + PATIENCE
  const db = forLab(useDatabase(), lab)
  const by = await madeBy(db, { lab })
  const made = await freshenBriefs(db, { lab }, by, {
    most: AT_ONCE,
    enough: () => performance.now() > until,
    make: briefApart,
  })
  if (made === 0) return false
  await wantBriefs(lab)
  return true
}
