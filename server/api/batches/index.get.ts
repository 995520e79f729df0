import { listBatches } from '../../db/batches'
import { entriesByBatch } from '../../db/entries'
import { summaryOf } from '../../summary'

/** The lab's batches with where each stands, last touched first. */
export default defineEventHandler(async () => {
  const db = useDatabase()
  const lab = await requireLab(db)
  const batches = await listBatches(db, lab.id)
  const journals = await entriesByBatch(
    db,
    batches.map(({ id }) => id),
  )
  return batches.map(batch => summaryOf(batch, journals.get(batch.id) ?? []))
})
