import { dayText, labelOf } from '#core/record'
import { recordSource } from '../../../../db/record-source'

/** The label of the product’s vial; refused while nothing of it is weighed. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const source = await recordSource(db, access, batch)
  const label = labelOf(source)
  if (!label) throw refusal(404, 'Nothing of the product is weighed yet, so that there is nothing to label.')
  const last = source.journal.at(-1)?.entry
  return sendLabel(
    event,
    {
      ...label,
      code: batch.code,
      lab: source.lab,
      made: last ? dayText(last.at, readerOf(event)) : '',
      by: last ? (source.people[last.by] ?? '') : '',
      address: `${originOf(event)}/batches/${batch.code}/record`,
    },
    source.lab,
  )
})
