import type { Knex } from 'knex'
import { countStatement } from './metrics'

/** A statement as it was sent, with places for its values and none of them; how often, and how long it took, ms. */
export interface Slow {
  readonly sql: string
  readonly count: number
  readonly total: number
  readonly longest: number
}
interface Sent {
  readonly __knexQueryUid?: string
  readonly sql?: string
}

const LONGEST_TEXT = 400
/** Statements are made by the code: there are some hundreds, and a few of other lengths. */
const MOST = 600
const known = new Map<string, { count: number; total: number; longest: number }>()
/** What was sent and not answered; a connection that is gone answers nothing. */
const begun = new Map<string, number>()
const MOST_BEGUN = 2000

/** Watches how long the statements of a pool take, before copies of it are made for labs. */
export function watchStatements(db: Knex): Knex {
  db.on('query', ({ __knexQueryUid: id }: Sent) => {
    if (id === undefined) return
    if (begun.size > MOST_BEGUN) begun.clear()
    begun.set(id, performance.now())
  })
  db.on('query-response', (_: unknown, sent: Sent) => note(sent))
  db.on('query-error', (_: unknown, sent: Sent) => note(sent))
  return db
}
function note({ __knexQueryUid: id = '', sql = '' }: Sent): void {
  const from = begun.get(id)
  if (from === undefined) return
  begun.delete(id)
  const ms = performance.now() - from
  countStatement(ms / 1000)
  const text = sql.replaceAll(/\s+/g, ' ').slice(0, LONGEST_TEXT)
  const one = known.get(text)
  if (!one && known.size >= MOST) known.clear()
  known.set(text, {
    count: (one?.count ?? 0) + 1,
    total: (one?.total ?? 0) + ms,
    longest: Math.max(one?.longest ?? 0, ms),
  })
}

/** The statements that took most of the time since the process began, the first of them first. */
export const slowest = (most: number): Slow[] =>
  [...known]
    .map(([sql, { count, total, longest }]) => ({ sql, count, total: Math.round(total), longest: Math.round(longest) }))
    .toSorted((a, b) => b.total - a.total)
    .slice(0, most)
