import { needsSecondFactor } from '#core/people'
import { dropPasskey, findAccount, membershipsOf, passkeysOf } from '../../../db/accounts'

/** Removes a passkey, where a way to come in is left. */
export default answerSelf(async (event, { account, db }) => {
  const id = getRouterParam(event, 'id') ?? ''
  const [own, all, labs] = await Promise.all([
    findAccount(db, account),
    passkeysOf(db, account),
    membershipsOf(db, account),
  ])
  if (!all.some(key => key.id === id)) throw refusal(404, 'There is no such passkey.')
  const needed = labs.find(({ role }) => needsSecondFactor(role))
  if (all.length === 1 && needed && !own?.totp_since)
    throw refusal(
      409,
      `Your role in ${needed.labName} needs a second factor. Set up codes first, or add another passkey.`,
    )
  await dropPasskey(db, account, id)
  await noteEverywhere(db, labs, 'passkey.removed')
  setResponseStatus(event, 204)
  return null
})
