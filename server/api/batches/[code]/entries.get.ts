import * as z from 'zod'
import { listEntries } from '../../../db/entries'

const After = z.coerce.number().int().min(0).max(2_000_000_000)

/** The journal, or with `after` what was recorded after that number. */
export default answer('look', async (event, { access, db }) => {
  const read = After.safeParse(getQuery(event).after ?? 0)
  if (!read.success) throw refusal(400, '“after” is the number of an entry.')
  const batch = await requireBatch(event, db, access)
  return listEntries(db, access, batch.id, read.data)
})
