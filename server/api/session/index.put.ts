import * as z from 'zod'
import { membershipsOf } from '../../db/accounts'

export const Body = z.strictObject({ lab: z.uuid() })

/** Goes over to another lab of the same account. */
export default answerSelf(async (event, { session, account, db }) => {
  const { lab } = await readJson(event, Body)
  const place = (await membershipsOf(db, account)).find(one => one.lab === lab)
  if (!place) throw refusal(404, 'You are not of that lab.')
  const { isStrong } = session.access
  await letIn(event, { via: 'sign-in', lab, person: place.person, account, isStrong })
  setCookie(event, 'zip-ledger-lab', lab, { httpOnly: true, sameSite: 'strict', secure: isSecure(event), path: '/' })
  return { isIn: true }
})
