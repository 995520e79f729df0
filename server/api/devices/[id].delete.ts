import * as z from 'zod'
import { closeDevice } from '../../db/devices'
import { note } from '../../db/happenings'

/** Takes a tablet’s mark away: nobody comes in on it any more. */
export default answer('people', async (event, { access, db }) => {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  const name = id.success ? await closeDevice(useDatabase(), access, id.data) : undefined
  if (name === undefined) throw refusal(404, 'There is no such tablet.')
  forgetSessions()
  await note(db, access, 'device.closed', name)
  setResponseStatus(event, 204)
  return null
})
