import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import type { Act } from '#core/record'
import type { Access } from '../access/access'
import { makeStandIn, type StandInAuthority } from '../stand-ins/time-stamp'

/** A time stamp on an act of a record, by the act's number; the token is DER. */
export interface KeptStamp {
  readonly number: number
  readonly token: Uint8Array
}

/** What is stamped of an act: its signature, which covers all of it and all that went before. SHA-256. */
export const stampedOf = ({ signature }: Act): Uint8Array =>
  createHash('sha256').update(Buffer.from(signature, 'base64')).digest()

export const listStamps = (db: Knex, { lab }: Pick<Access, 'lab'>, batch: string): Promise<KeptStamp[]> =>
  db('stamps').where({ lab_id: lab, batch_id: batch }).orderBy('number').select('number', 'token')

/** Keeps a stamp; the first one of an act stays. */
export async function keepStamp(
  db: Knex,
  { lab }: Pick<Access, 'lab'>,
  batch: string,
  { number, token }: KeptStamp,
): Promise<void> {
  await db('stamps')
    .insert({ lab_id: lab, batch_id: batch, number, token: Buffer.from(token) })
    .onConflict(['lab_id', 'batch_id', 'number'])
    .ignore()
}

const NAME = 'time-stamp'
/** The stand-in for an authority, with the key that it was given when it was first asked for. */
export async function standInAuthority(db: Knex): Promise<StandInAuthority> {
  const there = (): Promise<{ body: StandInAuthority } | undefined> =>
    db('stand_ins').where({ name: NAME }).first('body')
  const found = await there()
  if (found) return found.body
  await db('stand_ins')
    .insert({ name: NAME, body: JSON.stringify(await makeStandIn(new Date())) })
    .onConflict('name')
    .ignore()
  return (await there())!.body
}
