import { generateRegistrationOptions } from '@simplewebauthn/server'
import { newMark } from '../../../access/secrets'
import { findAccount, keepChallenge, passkeysOf } from '../../../db/accounts'

/** What a new passkey is to sign. */
export default answerSelf(async (event, { account, db }) => {
  const own = await findAccount(db, account)
  const options = await generateRegistrationOptions({
    rpName: 'Zip Ledger',
    rpID: passkeyPlace(event),
    userName: own?.name ?? '',
    userID: new TextEncoder().encode(account),
    excludeCredentials: (await passkeysOf(db, account)).map(({ id }) => ({ id })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  })
  const id = newMark()
  await keepChallenge(db, { id, account, challenge: options.challenge })
  return { id, options }
})
