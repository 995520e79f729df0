import { listEntries } from '../../../db/entries'

export default defineEventHandler(async event => {
  const db = useDatabase()
  const batch = await requireBatch(event, db, await requireLab(db))
  return listEntries(db, batch.id)
})
