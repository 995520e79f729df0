import * as z from 'zod'
import { changesBetween, readDocument } from '#core/document'
import { findRevision } from '../../../../db/revisions'

const Number_ = z.coerce.number().int().min(1).max(2_000_000_000)

/** A batch’s plan as it was saved once; with `from`, what changed since another revision. */
export default answer('look', async (event, { access, db }) => {
  const number = Number_.safeParse(getRouterParam(event, 'number'))
  const from = Number_.optional().safeParse(getQuery(event).from)
  if (!number.success || !from.success) throw refusal(400, 'A revision is named by its number.')
  const batch = await requireBatch(event, db, access)
  const one = async (wanted: number) => {
    const found = await findRevision(db, access, { kind: 'batch', subject: batch.id }, wanted)
    if (!found) throw refusal(404, `${batch.code} has no revision ${wanted}.`)
    const read = readDocument(found.body)
    if (!read.ok)
      throw refusal(422, `Revision ${wanted} of ${batch.code} cannot be understood here. It is kept as it is.`)
    return { ...found, body: read.value }
  }
  const shown = await one(number.data)
  const { body: document, ...head } = shown
  if (from.data === undefined) return { ...head, document }
  return { ...head, document, from: from.data, changes: changesBetween((await one(from.data)).body, document) }
})
