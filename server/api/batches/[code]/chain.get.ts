import { findBreak } from '../../../db/chain'

/** Whether the journal's chain of hashes is whole, or the first entry at which it is broken. */
export default defineEventHandler(async event => {
  const db = useDatabase()
  const batch = await requireBatch(event, db, await requireLab(db))
  const broken = await findBreak(db, batch.id)
  return broken ? { whole: false, ...broken } : { whole: true }
})
