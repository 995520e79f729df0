import { verifyAuthenticationResponse, type AuthenticationResponseJSON } from '@simplewebauthn/server'
import * as z from 'zod'
import { findPasskey, membershipsOf, takeChallenge, usedPasskey } from '../../db/accounts'

export const Body = z.strictObject({ id: z.string().max(100), response: z.looseObject({ id: z.string().max(1000) }) })
const WRONG = 'This passkey is not known here, or what it signed is too old. Try again, or sign in by your password.'

/** Signs in by a passkey, which is two factors in one: the device, and who unlocks it. */
export default answerAnyone(async (event, db) => {
  const { id, response } = await readJson(event, Body)
  const one = { name: 'passkey', isKnown: true }
  await requireTries(event, one)
  const [asked, key] = await Promise.all([takeChallenge(db, id), findPasskey(db, response.id)])
  const proof =
    asked &&
    key &&
    (await verifyAuthenticationResponse({
      response: response as unknown as AuthenticationResponseJSON,
      expectedChallenge: asked.challenge,
      expectedOrigin: originOf(event),
      expectedRPID: passkeyPlace(event),
      credential: { id: key.id, publicKey: new Uint8Array(key.public_key), counter: Number(key.counter) },
    }).catch(() => undefined))
  const all = key ? await membershipsOf(db, key.account_id) : []
  const place = chooseLab(all, getCookie(event, 'zip-ledger-lab'))
  if (!proof?.verified || !key || !place) {
    await countWrong(event, one)
    throw wrong(event, WRONG, 'passkey')
  }
  await usedPasskey(db, key.id, proof.authenticationInfo.newCounter)
  await letIn(event, { via: 'sign-in', lab: place.lab, person: place.person, account: key.account_id, isStrong: true })
  await noteEverywhere(db, [place], 'sign-in', 'by a passkey')
  return { isIn: true }
})
