import { verifyRegistrationResponse, type RegistrationResponseJSON } from '@simplewebauthn/server'
import * as z from 'zod'
import { addPasskey, findPasskey, membershipsOf, takeChallenge } from '../../../db/accounts'

export const Body = z.strictObject({
  id: z.string().max(100),
  name: lineOf(60),
  response: z.looseObject({ id: z.string().max(1000) }),
})

/** Adds a passkey that has signed what it was asked to. */
export default answerSelf(async (event, { session, account, db }) => {
  const { id, name, response } = await readJson(event, Body)
  const asked = await takeChallenge(db, id)
  const proof =
    asked?.account_id === account
      ? await verifyRegistrationResponse({
          response: response as unknown as RegistrationResponseJSON,
          expectedChallenge: asked.challenge,
          expectedOrigin: originOf(event),
          expectedRPID: passkeyPlace(event),
        }).catch(() => undefined)
      : undefined
  if (!proof?.verified) throw refusal(422, 'The passkey did not sign what it was asked to. Try again.')
  const { credential } = proof.registrationInfo
  if (await findPasskey(db, credential.id)) throw refusal(409, 'This passkey is here already.')
  await addPasskey(db, {
    id: credential.id,
    account_id: account,
    name,
    public_key: Buffer.from(credential.publicKey),
    counter: credential.counter,
    transports: credential.transports ?? [],
  })
  // Whoever can add one has it at hand: the session counts as proven by it.
  const { lab, person } = session.access
  await letIn(event, { via: 'sign-in', lab, person, account, isStrong: true })
  await noteEverywhere(db, await membershipsOf(db, account), 'passkey.added', name)
  setResponseStatus(event, 201)
  return { id: credential.id }
})
