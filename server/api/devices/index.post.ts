import * as z from 'zod'
import { addDevice } from '../../db/devices'
import { note } from '../../db/happenings'

export const Body = z.strictObject({ name: lineOf(60) })

/** Makes the device at hand the lab’s tablet, on which people come in by a PIN or a badge. */
export default answer('people', async (event, { access, db }) => {
  requireReal(access)
  const { name } = await readJson(event, Body)
  markDevice(event, await addDevice(useDatabase(), access, name))
  await note(db, access, 'device.added', name)
  setResponseStatus(event, 201)
  return { name }
})
