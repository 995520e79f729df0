import * as z from 'zod'
import { worksheetSchema } from '#core/document'
import { findAssay, saveAssay } from '../../db/assays'

const Body = z.strictObject({ version: z.int().min(0), worksheet: worksheetSchema, by: z.uuid() })

/** Saves a worksheet that stands alone; refuses one made from a version that is no longer the last. */
export default defineEventHandler(async event => {
  const { version, worksheet, by } = await readJson(event, Body)
  const db = useDatabase()
  const lab = await requireLab(db)
  requirePerson(lab, by)
  const saved = await saveAssay(db, lab.id, by, version, worksheet)
  if (saved !== undefined) return { version: saved }
  const current = await findAssay(db, lab.id, worksheet.id)
  throw refusal(409, 'This worksheet was changed from somewhere else since you opened it.', [], { current })
})
