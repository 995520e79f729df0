import * as z from 'zod'
import { scopes, type Scope } from '../../access/access'
import { note } from '../../db/happenings'
import { makeKey } from '../../db/keys'

export const Body = z.strictObject({
  name: lineOf(60),
  scopes: z
    .array(z.enum(Object.keys(scopes) as [Scope, ...Scope[]]))
    .min(1)
    .max(3),
  days: z.int().min(1).max(730),
})

/** Makes a key for a script or an instrument, in one’s own name; it is shown once. */
export default answer('key', async (event, { access, db }) => {
  const wanted = await readJson(event, Body)
  const key = await makeKey(db, access, wanted)
  await note(db, access, 'key.made', `${wanted.name}: ${wanted.scopes.join(', ')}`)
  setResponseStatus(event, 201)
  setResponseHeader(event, 'cache-control', 'no-store')
  return { key }
})
