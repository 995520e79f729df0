import * as z from 'zod'
import { deleteTemplate } from '../../db/templates'

export default defineEventHandler(async event => {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  const db = useDatabase()
  const lab = await requireLab(db)
  if (!id.success || !(await deleteTemplate(db, lab.id, id.data))) throw refusal(404, 'There is no such template.')
  setResponseStatus(event, 204)
  return null
})
