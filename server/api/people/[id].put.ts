import * as z from 'zod'
import { note } from '../../db/happenings'
import { changePerson } from '../../db/people'
import { endAllOf } from '../../db/sessions'

export const Body = z.strictObject({ role: roleOf.optional(), isClosed: z.boolean().optional() })

/** Changes what somebody is in the lab, or closes them: nobody is deleted who wrote something. */
export default answer('people', async (event, { access, db }) => {
  const change = await readJson(event, Body)
  const id = getRouterParam(event, 'id') ?? ''
  const isUuid = z.uuid().safeParse(id).success
  const done = isUuid ? await changePerson(db, access, id, change) : 'nobody'
  if (done === 'nobody') throw refusal(404, 'There is nobody like that in this lab.')
  if (done === 'last') throw refusal(409, 'The lab would be left without an administrator. Make another one first.')
  // What they are now counts from their next request on.
  await endAllOf(useDatabase(), access, id)
  forgetSessions()
  const said = [change.role, change.isClosed === undefined ? undefined : change.isClosed ? 'closed' : 'opened']
  await note(db, access, 'person.changed', `${id} ${said.filter(Boolean).join(', ')}`)
  return { changed: id }
})
