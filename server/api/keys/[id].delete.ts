import * as z from 'zod'
import { may } from '#core/people'
import { note } from '../../db/happenings'
import { closeKey } from '../../db/keys'

/** Closes a key: one’s own, or, for an administrator, anybody’s of the lab. */
export default answer('key', async (event, { access, db }) => {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  const whose = may(access.role, 'people') ? undefined : access.person
  const name = id.success ? await closeKey(db, access, id.data, whose) : undefined
  if (name === undefined) throw refusal(404, 'There is no such key.')
  await note(db, access, 'key.closed', name)
  setResponseStatus(event, 204)
  return null
})
