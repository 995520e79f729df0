import * as z from 'zod'
import { findRevision, listRevisions } from '../db/revisions'

const MOST = 100
const Query = z.object({
  kind: z.enum(['assay', 'own-row', 'template', 'settings', 'bottle']),
  subject: z
    .string()
    .min(1)
    .max(400)
    .refine(text => !text.includes('\0') && text.isWellFormed()),
})

/** Revisions of a worksheet, an own row, a template, a bottle’s label or the settings, each with what it said, the last first. */
export default answer('look', async (event, { access, db }) => {
  const read = Query.safeParse(getQuery(event))
  if (!read.success)
    throw refusal(400, '“kind” is assay, own-row, template, settings or bottle, and “subject” what it is of.')
  const heads = await listRevisions(db, access, read.data, MOST)
  return Promise.all(heads.map(({ number }) => findRevision(db, access, read.data, number)))
})
