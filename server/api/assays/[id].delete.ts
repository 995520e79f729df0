import { deleteAssay } from '../../db/assays'

export default answer('assay', async (event, { access, db }) => {
  const id = getRouterParam(event, 'id') ?? ''
  if (id.includes('\0') || !(await deleteAssay(db, access, id))) throw refusal(404, 'There is no such worksheet.')
  setResponseStatus(event, 204)
  return null
})
