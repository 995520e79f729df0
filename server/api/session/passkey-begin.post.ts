import { generateAuthenticationOptions } from '@simplewebauthn/server'
import { newMark } from '../../access/secrets'
import { keepChallenge } from '../../db/accounts'

/** What a passkey is to sign. The browser offers those that it has for this place. */
export default answerAnyone(async (event, db) => {
  const options = await generateAuthenticationOptions({ rpID: passkeyPlace(event), userVerification: 'required' })
  const id = newMark()
  await keepChallenge(db, { id, challenge: options.challenge })
  return { id, options }
})
