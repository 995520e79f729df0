import * as z from 'zod'
import { needsSecondFactor } from '#core/people'
import { dropTotp, membershipsOf, passkeysOf } from '../../db/accounts'

export const Body = z.strictObject({ password: z.string().max(400) })

/** Takes the second factor away, where no role of theirs asks for one, or a passkey takes its place. */
export default answerSelf(async (event, { account, db }) => {
  const { password } = await readJson(event, Body)
  await requirePassword(event, db, account, password)
  const labs = await membershipsOf(db, account)
  const needed = labs.find(({ role }) => needsSecondFactor(role))
  if (needed && (await passkeysOf(db, account)).length === 0)
    throw refusal(
      409,
      `Your role in ${needed.labName} needs a second factor. Add a passkey first, or set this one up anew.`,
    )
  await dropTotp(db, account)
  await noteEverywhere(db, labs, 'factor.removed')
  setResponseStatus(event, 204)
  return null
})
