import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import type { Role } from '#core/people'
import { markHash } from '../access/secrets'

/** Somebody of the installation, in however many labs. */
export interface Account {
  readonly id: string
  readonly name: string
  readonly address: string | null
  readonly password: string | null
  readonly totp_secret: string | null
  readonly totp_since: Date | null
}
export interface Membership {
  readonly lab: string
  readonly labName: string
  readonly person: string
  readonly role: Role
}

export const findAccount = (db: Knex, id: string): Promise<Account | undefined> => db('accounts').where({ id }).first()

/** The account of a sign-in name or an address, however its letters are written. */
export const accountNamed = (db: Knex, name: string): Promise<Account | undefined> =>
  db('accounts').whereRaw('lower(name) = lower(?) or lower(address) = lower(?)', [name, name]).first()

/** Adds an account. Refuses (23505) a name or an address that another has. */
export async function addAccount(
  db: Knex,
  { name, address, password }: { name: string; address?: string | undefined; password: string },
): Promise<string> {
  const id = randomUUID()
  await db('accounts').insert({ id, name, address: address ?? null, password })
  return id
}

/** Where an account may come in, by the names of the labs. */
export const membershipsOf = async (db: Knex, account: string): Promise<Membership[]> => {
  const rows: { lab: string; lab_name: string; person: string; role: Role }[] = await db('people')
    .join('labs', 'labs.id', 'people.lab_id')
    .where({ account_id: account })
    .whereNull('closed_at')
    .orderBy('labs.name')
    .select('labs.id as lab', 'labs.name as lab_name', 'people.id as person', 'people.role')
  return rows.map(({ lab_name: labName, ...rest }) => ({ ...rest, labName }))
}

export const setPassword = (db: Knex, id: string, password: string): Promise<number> =>
  db('accounts').where({ id }).update({ password })

/** Keeps the secret of a second factor; it counts from the first code that fits on. */
export const offerTotp = (db: Knex, id: string, secret: string): Promise<number> =>
  db('accounts').where({ id }).update({ totp_secret: secret, totp_since: null, totp_last: 0 })
export const confirmTotp = (db: Knex, id: string): Promise<number> =>
  db('accounts').where({ id }).update({ totp_since: new Date() })
export const dropTotp = (db: Knex, id: string): Promise<number> =>
  db('accounts').where({ id }).update({ totp_secret: null, totp_since: null, totp_last: 0 })
/** Takes every way in away but the password: whoever has found a device or a list of codes does not come in by it. */
export async function dropOtherWays(db: Knex, id: string): Promise<void> {
  await dropTotp(db, id)
  await db('passkeys').where({ account_id: id }).delete()
  await db('recovery_codes').where({ account_id: id }).delete()
}
/** Takes a code's time step once: false where it, or a later one, was used before. */
export const useTotpStep = async (db: Knex, id: string, step: number): Promise<boolean> =>
  (await db('accounts').where({ id }).where('totp_last', '<', step).update({ totp_last: step })) > 0

/** Puts recovery codes in place of those before. */
export const keepRecoveryCodes = (db: Knex, account: string, codes: readonly string[]): Promise<void> =>
  db.transaction(async trx => {
    await trx('recovery_codes').where({ account_id: account }).delete()
    await trx('recovery_codes').insert(codes.map(code => ({ account_id: account, hash: markHash(code) })))
  })
/** Uses up a recovery code: false where it is none of the account's, or was used. */
export const useRecoveryCode = async (db: Knex, account: string, code: string): Promise<boolean> =>
  (await db('recovery_codes')
    .where({ account_id: account, hash: markHash(code) })
    .whereNull('used_at')
    .update({ used_at: new Date() })) > 0
export const countRecoveryCodes = async (db: Knex, account: string): Promise<number> =>
  Number((await db('recovery_codes').where({ account_id: account }).whereNull('used_at').count())[0]?.count ?? 0)

export interface Passkey {
  readonly id: string
  readonly account_id: string
  readonly name: string
  readonly public_key: Buffer
  readonly counter: string
  readonly transports: string[]
  readonly added_at: Date
  readonly used_at: Date | null
}
export const passkeysOf = (db: Knex, account: string): Promise<Passkey[]> =>
  db('passkeys').where({ account_id: account }).orderBy('added_at')
export const findPasskey = (db: Knex, id: string): Promise<Passkey | undefined> => db('passkeys').where({ id }).first()
export const addPasskey = async (
  db: Knex,
  key: Omit<Passkey, 'added_at' | 'used_at' | 'counter'> & { counter: number },
): Promise<void> => {
  await db('passkeys').insert({ ...key, transports: JSON.stringify(key.transports) })
}
export const usedPasskey = (db: Knex, id: string, counter: number): Promise<number> =>
  db('passkeys').where({ id }).update({ counter, used_at: new Date() })
export const dropPasskey = async (db: Knex, account: string, id: string): Promise<boolean> =>
  (await db('passkeys').where({ account_id: account, id }).delete()) > 0

/** A challenge that a passkey is to sign, kept for five minutes. */
const LASTS = 300_000
export const keepChallenge = async (
  db: Knex,
  { id, account, challenge }: { id: string; account?: string | undefined; challenge: string },
): Promise<void> => {
  await db('challenges').where('ends_at', '<', new Date()).delete()
  await db('challenges').insert({ id, account_id: account ?? null, challenge, ends_at: new Date(Date.now() + LASTS) })
}
/** Takes a challenge; each is taken once. */
export const takeChallenge = async (
  db: Knex,
  id: string,
): Promise<{ account_id: string | null; challenge: string } | undefined> => {
  const [row] = await db('challenges').where({ id }).delete().returning(['account_id', 'challenge', 'ends_at'])
  return row && new Date(row.ends_at) > new Date() ? row : undefined
}
