import { deleteOwnRow } from '../../db/own-rows'

export default answer('keep', async (event, { access, db }) => {
  const id = getRouterParam(event, 'id') ?? ''
  const isUuid = /^[0-9a-f-]{36}$/i.test(id)
  if (!isUuid || !(await deleteOwnRow(db, access, id))) throw refusal(404, 'There is no such row of your own.')
  return { deleted: id }
})
