import type { Knex } from 'knex'
import { appendMany, type Append, type Appended } from '../db/append'
import { isAway } from '../db/connect'

interface Waiting {
  readonly append: Append
  readonly resolve: (appended: Appended) => void
  readonly reject: (error: unknown) => void
}

/** Requests that wait while a transaction is under way go together into the next one: one wait for the disk serves them all. */
const AT_ONCE = 64
const LANES = 2
const waiting: Waiting[] = []
let lanes = 0

/** Appends durably: resolves when the database has it on disk. */
export const append = (db: Knex, wanted: Append): Promise<Appended> =>
  new Promise((resolve, reject) => {
    waiting.push({ append: wanted, resolve, reject })
    if (lanes < LANES) void drain(db)
  })

async function drain(db: Knex): Promise<void> {
  lanes += 1
  while (waiting.length > 0) {
    const taken = waiting.splice(0, AT_ONCE)
    try {
      const appended = await appendMany(
        db,
        undefined,
        taken.map(one => one.append),
      )
      taken.forEach(({ resolve }, i) => resolve(appended[i]!))
    } catch (error) {
      await apart(db, taken, error)
    }
  }
  lanes -= 1
}

/** What the database refuses of several requests together is tried one by one, so that the one at fault hears of it and the others do not. */
async function apart(db: Knex, taken: readonly Waiting[], error: unknown): Promise<void> {
  if (taken.length === 1 || isAway(error)) return taken.forEach(({ reject }) => reject(error))
  for (const { append: one, resolve, reject } of taken)
    await appendMany(db, undefined, [one]).then(([appended]) => resolve(appended!), reject)
}
