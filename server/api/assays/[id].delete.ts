import { deleteAssay } from '../../db/assays'

export default defineEventHandler(async event => {
  const db = useDatabase()
  const lab = await requireLab(db)
  const id = getRouterParam(event, 'id') ?? ''
  if (id.includes('\0') || !(await deleteAssay(db, lab.id, id))) throw refusal(404, 'There is no such worksheet.')
  setResponseStatus(event, 204)
  return null
})
