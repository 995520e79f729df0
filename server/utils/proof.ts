import { verifyAuthenticationResponse, type AuthenticationResponseJSON } from '@simplewebauthn/server'
import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import * as z from 'zod'
import type { ProofKind } from '#core/record'
import type { Access } from '../access/access'
import { fits } from '../access/secrets'
import { findAccount, findPasskey, takeChallenge, usedPasskey } from '../db/accounts'
import { note } from '../db/happenings'
import { accountOf, personByPin } from '../db/tablet'

/** How somebody proves once more that it is they, at the moment at which they put their name to something. */
export const Proof = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('password'), password: z.string().max(400) }),
  z.strictObject({
    by: z.literal('passkey'),
    id: z.string().max(100),
    response: z.looseObject({ id: z.string().max(1000) }),
  }),
  z.strictObject({ by: z.literal('pin'), pin: z.string().min(1).max(40) }),
  z.strictObject({ by: z.literal('demo') }),
])
type Given = z.output<typeof Proof>

/** Proves that it is they who are in; refuses what does not fit how they came in. Wrong tries are counted as at the door. */
export async function requireProof(event: H3Event, db: Knex, access: Access, given: Given): Promise<ProofKind> {
  const { via } = access
  if (via === 'key') throw refusal(403, 'A key puts nobody’s name to anything.')
  if (via === 'demo') {
    if (given.by === 'demo') return 'demo'
    throw refusal(422, 'In the demo nobody has a password: names are put without proof, and the record says so.')
  }
  const wanted = via === 'tablet' ? ['pin'] : ['password', 'passkey']
  if (!wanted.includes(given.by))
    throw refusal(
      422,
      via === 'tablet' ? 'At the tablet your PIN is asked for.' : 'Give your password, or use your passkey.',
    )
  const account = await accountOf(db, access, access.person)
  const one = { name: account ?? access.person, isKnown: account !== undefined && isKnownBrowser(event, account) }
  await requireTries(event, one)
  if (await isProven(event, db, access, account, given)) {
    await forgetWrong(event, one)
    return given.by
  }
  await countWrong(event, one)
  await note(db, access, 'sign-in.refused', 'before a signature')
  throw wrong(
    event,
    given.by === 'pin'
      ? 'The PIN is wrong.'
      : given.by === 'password'
        ? 'The password is wrong.'
        : 'This passkey is not yours, or what it signed is too old.',
    'proof',
  )
}

async function isProven(
  event: H3Event,
  db: Knex,
  access: Access,
  account: string | undefined,
  given: Given,
): Promise<boolean> {
  if (given.by === 'pin') return fits(given.pin, (await personByPin(db, access.lab, access.person))?.pin)
  if (account === undefined) return false
  const pool = useDatabase()
  if (given.by === 'password') return fits(given.password, (await findAccount(pool, account))?.password)
  if (given.by !== 'passkey') return false
  const [asked, key] = await Promise.all([takeChallenge(pool, given.id), findPasskey(pool, given.response.id)])
  if (!asked || !key || key.account_id !== account) return false
  const proof = await verifyAuthenticationResponse({
    response: given.response as unknown as AuthenticationResponseJSON,
    expectedChallenge: asked.challenge,
    expectedOrigin: originOf(event),
    expectedRPID: passkeyPlace(event),
    credential: { id: key.id, publicKey: new Uint8Array(key.public_key), counter: Number(key.counter) },
  }).catch(() => undefined)
  if (!proof?.verified) return false
  await usedPasskey(pool, key.id, proof.authenticationInfo.newCounter)
  return true
}
