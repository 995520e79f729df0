import * as z from 'zod'
import { changedSince } from '../db/batches'

const Since = z.coerce.number().int().min(0).max(8e15)
/** ms before a page's first question: what it has shown by then it read a moment ago. */
const MOMENT = 10_000

/** The codes of batches that changed since a moment, by the database's clock, ms, and that clock now: for a page whose stream was cut, or that has none. `*` stands for more than are told. */
export default answer('look', async (event, { access, db }) => {
  const { since } = getQuery(event)
  const read = Since.optional().safeParse(since)
  if (!read.success) throw refusal(400, '“since” is the “at” of the answer before, or the id of an event.')
  setResponseHeader(event, 'cache-control', 'no-store')
  return changedSince(db, access, read.data, MOMENT)
})
