import * as z from 'zod'
import { templateSchema } from '#core/document'
import { putTemplate } from '../../db/templates'

export const Body = z.strictObject({ template: templateSchema })

/** Keeps a procedure as the lab's template, in place of one of the same name. */
export default answer('keep', async (event, { access, db }) => {
  const { template } = await readJson(event, Body)
  setResponseStatus(event, 201)
  return putTemplate(db, access, template)
})
