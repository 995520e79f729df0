import type { RecordSource } from '#core/record'
import { recordSource } from '../../../../db/record-source'
import { recordApart } from '../../../../jobs/records'

/** The record as a PDF, in its own form or in the one that is asked for (`form=short` or `long`), its times in the reader's zone. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const { form } = getQuery(event)
  const source = await recordSource(db, access, batch)
  const asked: RecordSource =
    form === 'short' || form === 'long'
      ? { ...source, document: { ...source.document, record: { ...source.document.record, form } } }
      : source
  const [page, { acts }, photos] = await Promise.all([
    pageOf(asked),
    recordState(db, access, batch),
    picturesFor(db, access, batch.id, picturesOf(asked)),
  ])
  const stamps = await shownStamps(db, access, batch.id, acts)
  const data = await recordApart({
    do: 'paper',
    paper: { is: 'record', page, acts, stamps, photos, reader: readerOf(event), at: new Date() },
  })
  return sendPdf(event, `${batch.code}-record.pdf`, data)
})
