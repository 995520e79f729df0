import * as z from 'zod'
import { worksheetSchema } from '#core/document'
import { findAssay, saveAssay } from '../../db/assays'

export const Body = z.strictObject({ version: z.int().min(0), worksheet: worksheetSchema })

/** Saves a worksheet that stands alone; refuses one made from a version that is no longer the last. */
export default answer('assay', async (event, { access, db }) => {
  const { version, worksheet } = await readJson(event, Body)
  const saved = await saveAssay(db, access, version, worksheet)
  if (saved !== undefined) return { version: saved }
  const current = await findAssay(db, access, worksheet.id)
  throw refusal(409, 'This worksheet was changed from somewhere else since you opened it.', [], { current })
})
