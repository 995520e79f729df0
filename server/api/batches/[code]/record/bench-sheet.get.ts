import { benchSheetOf } from '#core/record'
import { recordSource } from '../../../../db/record-source'
import { recordApart } from '../../../../jobs/records'

/** A page to print and carry: what to take and what to do, with boxes to write into, and a code that leads back to the run. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const source = await recordSource(db, access, batch)
  const data = await recordApart({
    do: 'paper',
    paper: {
      is: 'bench sheet',
      code: batch.code,
      title: batch.document.title,
      lab: source.lab,
      address: `${originOf(event)}/batches/${batch.code}/run`,
      at: new Date(),
      stages: benchSheetOf(source),
    },
  })
  return sendPdf(event, `${batch.code}-bench-sheet.pdf`, data)
})
