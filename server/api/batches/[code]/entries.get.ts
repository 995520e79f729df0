import * as z from 'zod'
import { listEntries } from '../../../db/entries'

/** So many at once: what asks goes on after the last of them. */
const MOST = 5000
const After = z.coerce.number().int().min(0).max(2_000_000_000)

/** The journal, or with `after` what was recorded after that number; 5000 entries at once. */
export default answer('look', async (event, { access, db }) => {
  const read = After.safeParse(getQuery(event).after ?? 0)
  if (!read.success) throw refusal(400, '“after” is the number of an entry.')
  const batch = await requireBatch(event, db, access)
  return listEntries(db, access, batch.id, read.data, MOST)
})
