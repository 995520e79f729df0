import * as z from 'zod'
import { deleteTemplate } from '../../db/templates'

export default answer('keep', async (event, { access, db }) => {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  if (!id.success || !(await deleteTemplate(db, access, id.data))) throw refusal(404, 'There is no such template.')
  setResponseStatus(event, 204)
  return null
})
