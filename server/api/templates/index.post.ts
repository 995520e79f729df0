import * as z from 'zod'
import { templateSchema } from '#core/document'
import { putTemplate } from '../../db/templates'

const Body = z.strictObject({ template: templateSchema, by: z.uuid() })

/** Keeps a procedure as the lab's template, in place of one of the same name. */
export default defineEventHandler(async event => {
  const { template, by } = await readJson(event, Body)
  const db = useDatabase()
  const lab = await requireLab(db)
  requirePerson(lab, by)
  setResponseStatus(event, 201)
  return putTemplate(db, lab.id, by, template)
})
