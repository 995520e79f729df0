import * as z from 'zod'
import { listRevisions } from '../../../../db/revisions'

const MOST = 200
const Before = z.coerce.number().int().min(1).max(2_000_000_000)

/** Revisions of a batch’s plan, the last first; `before` goes further back. */
export default answer('look', async (event, { access, db }) => {
  const before = Before.safeParse(getQuery(event).before ?? 2_000_000_000)
  if (!before.success) throw refusal(400, '“before” is the number of a revision.')
  const batch = await requireBatch(event, db, access)
  return listRevisions(db, access, { kind: 'batch', subject: batch.id }, MOST, before.data)
})
