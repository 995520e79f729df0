import type { RecordChoice } from '#core/document'
import { recordApart } from '../../../../jobs/records'

/** The record as a PDF, in its own form or in the one that is asked for (`form=short` or `long`), its times in the reader's zone. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const { form } = getQuery(event)
  const own = batch.document.record ?? {}
  const choice: RecordChoice = form === 'short' || form === 'long' ? { ...own, form } : own
  const [page, { acts }, photos] = await Promise.all([
    pageNow(db, access, batch, false, choice),
    recordState(db, access, batch),
    picturesFor(db, access, batch.id, choice),
  ])
  const stamps = await shownStamps(db, access, batch.id, acts)
  const data = await recordApart({
    do: 'paper',
    paper: { is: 'record', page, acts, stamps, photos, reader: readerOf(event), at: new Date() },
  })
  return sendPdf(event, `${batch.code}-record.pdf`, data)
})
