import type { Knex } from 'knex'
import { appendMany, placeOf, type Append, type Appended, type Hints } from '../db/append'
import { Busy } from '../busy'
import { forLab, isAway } from '../db/connect'
import { countRecorded } from '../seen/metrics'

interface Waiting {
  readonly append: Append
  readonly resolve: (appended: Appended) => void
  readonly reject: (error: unknown) => void
}

/** Requests that wait while a write is under way go together into the next one: one wait for the disk serves them all. */
const AT_ONCE = 64
/** With more than this many entries waiting, as after an outage, another write begins beside it, to other batches. */
const MANY = 200
const LANES = 3

/** Entries that may wait: some seconds of the most that one database takes. More is sent again. */
const MOST_WAITING = 20_000

let waiting: Waiting[] = []
let entriesWaiting = 0
export const waitingEntries = (): number => entriesWaiting
const hints: Hints = new Map()
const busy = new Set<string>()
let lanes = 0

/** Appends durably: resolves when the database has it on disk. */
export const append = (db: Knex, wanted: Append): Promise<Appended> =>
  new Promise((resolve, reject) => {
    if (entriesWaiting >= MOST_WAITING) return reject(new Busy('Very much is recorded just now.'))
    waiting.push({ append: wanted, resolve, reject })
    entriesWaiting += wanted.entries.length
    // What came in the same moment goes together.
    setImmediate(open, db)
  })

function open(db: Knex): void {
  if (lanes === 0 || (lanes < LANES && entriesWaiting > MANY)) void drain(db)
}

async function drain(db: Knex): Promise<void> {
  lanes += 1
  for (let taken = take(); taken.length > 0; taken = take()) {
    const places = new Set(taken.map(({ append: one }) => placeOf(one)))
    for (const place of places) busy.add(place)
    await write(db, taken)
    for (const place of places) busy.delete(place)
  }
  lanes -= 1
}

/** The first that wait, of one lab and of batches that no other lane is writing to, about as many entries as one statement does well with. */
function take(): Waiting[] {
  const taken: Waiting[] = []
  let entries = 0
  let lab: string | undefined
  waiting = waiting.filter(one => {
    const { entries: mine } = one.append
    if (lab !== undefined && one.append.access.lab !== lab) return true
    if (busy.has(placeOf(one.append)) || taken.length >= AT_ONCE || (entries > 0 && entries + mine.length > 2 * MANY))
      return true
    taken.push(one)
    lab = one.append.access.lab
    entries += mine.length
    return false
  })
  entriesWaiting -= entries
  return taken
}

async function write(db: Knex, taken: readonly Waiting[]): Promise<void> {
  try {
    const appended = await appendMany(
      forLab(db, taken[0]!.append.access.lab),
      taken.map(one => one.append),
      hints,
    )
    countRecorded(appended.reduce((sum, one) => sum + (one.ok ? one.entries.length : 0), 0))
    taken.forEach(({ resolve }, i) => resolve(appended[i]!))
  } catch (error) {
    await apart(db, taken, error)
  }
}

/** What the database refuses of several requests together is tried one by one, so that the one at fault hears of it and the others do not. */
async function apart(db: Knex, taken: readonly Waiting[], error: unknown): Promise<void> {
  if (taken.length === 1 || isAway(error)) return taken.forEach(({ reject }) => reject(error))
  for (const { append: one, resolve, reject } of taken)
    await appendMany(forLab(db, one.access.lab), [one]).then(([appended]) => resolve(appended!), reject)
}
