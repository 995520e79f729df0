import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import type { Access } from '../access/access'
import {
  findAccount,
  keepRecoveryCodes,
  useRecoveryCode,
  useTotpStep,
  type Account,
  type Membership,
} from '../db/accounts'
import { fits, newCode } from '../access/secrets'
import { totpStepOf } from '../access/totp'
import { peopleWithPin } from '../db/tablet'
import { note } from '../db/happenings'
import { forLab } from '../db/connect'

/** How a second factor was given. */
export type Factor = 'none' | 'wrong' | 'code' | 'recovery'

/** Whether a code is the second factor’s of this moment, or a recovery code; each is taken once. */
export async function factorOf(db: Knex, account: Account, code: string): Promise<Factor> {
  const plain = code.trim().toLowerCase()
  if (/^\d{6}$/.test(plain) && account.totp_secret) {
    const step = await totpStepOf(account.totp_secret, plain)
    return step !== undefined && (await useTotpStep(db, account.id, step)) ? 'code' : 'wrong'
  }
  return (await useRecoveryCode(db, account.id, plain)) ? 'recovery' : 'wrong'
}

/** Where somebody with several labs comes in: the one they were in last, by the browser, or the first. */
export const chooseLab = (all: readonly Membership[], wanted: string | undefined): Membership | undefined =>
  all.find(({ lab }) => lab === wanted) ?? all[0]

/** Notes something in every lab that an account belongs to. */
export async function noteEverywhere(
  db: Knex,
  memberships: readonly Membership[],
  what: Parameters<typeof note>[2],
  about = '',
): Promise<void> {
  for (const { lab, person } of memberships) await note(forLab(db, lab), { lab, person }, what, about)
}

/** The refusal of a wrong secret: the same whichever part was wrong, so that nobody learns which names there are. */
export const wrong = (event: H3Event, why: string, at: string) => {
  setResponseHeader(event, 'cache-control', 'no-store')
  return refusal(422, why, [{ at, code: 'access.wrong', why }])
}

/** Asks once more for the password of who is in, before something that whoever found the device open must not do. */
export async function requirePassword(event: H3Event, db: Knex, account: string, password: string): Promise<void> {
  const one = { name: account, isKnown: isKnownBrowser(event, account) }
  await requireTries(event, one)
  const own = await findAccount(db, account)
  if (await fits(password, own?.password)) return
  await countWrong(event, one)
  throw wrong(event, 'The password is wrong.', 'old')
}

/** In the demo nobody is let in: it is open to whoever sits at the machine, and to nobody on a network. */
export function requireReal({ via }: Pick<Access, 'via'>): void {
  if (via === 'demo')
    throw refusal(
      403,
      'In the demo nobody is let in and no tablet is enrolled. Set up a lab of your own by the link that bin/start prints.',
    )
}

const CODES = 10
/** Recovery codes in place of those before; they are told once, and kept as hashes. */
export async function freshCodes(db: Knex, account: string): Promise<string[]> {
  const codes = Array.from({ length: CODES }, () => newCode(3))
  await keepRecoveryCodes(db, account, codes)
  return codes
}

/** The name for which passkeys are: that of the host, which must be `localhost` or have TLS. */
export function passkeyPlace(event: H3Event): string {
  const name = (hostOf(event) ?? '').replace(/:\d+$/, '')
  if (name === 'localhost' || isSecure(event)) return name
  throw refusal(409, 'Browsers give passkeys to pages at localhost or over TLS only.')
}

/** Who comes in by a PIN on a lab’s tablet. */
export const tabletPeople = (lab: string): Promise<{ id: string; name: string }[]> =>
  peopleWithPin(forLab(useDatabase(), lab), lab)
