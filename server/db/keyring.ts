import type { Knex } from 'knex'
import { makeKeyPair, type KeyPair } from '../record/keys'

interface Row {
  readonly id: string
  readonly public_key: string
  readonly private_key: string
}
const pairOf = ({ id, public_key: publicKey, private_key: privateKey }: Row): KeyPair => ({ id, publicKey, privateKey })

/** Any number that nothing else in this database locks on. */
const MAKING = 7_416_022

/** The key that this installation signs with now: the newest; made when it is first asked for, once however many processes ask. */
export async function signingKey(db: Knex): Promise<KeyPair> {
  const newest = (trx: Knex): Promise<Row | undefined> =>
    trx('installation_keys').orderBy('made_at', 'desc').first('id', 'public_key', 'private_key')
  const there = await newest(db)
  if (there) return pairOf(there)
  return db.transaction(async trx => {
    await trx.raw('select pg_advisory_xact_lock(?)', [MAKING])
    const meanwhile = await newest(trx)
    if (meanwhile) return pairOf(meanwhile)
    return addKey(trx)
  })
}

/** A new key, which this installation signs with from now on; the keys of before stay published. */
export const renewKey = (db: Knex): Promise<KeyPair> =>
  db.transaction(async trx => {
    await trx.raw('select pg_advisory_xact_lock(?)', [MAKING])
    return addKey(trx)
  })

async function addKey(trx: Knex): Promise<KeyPair> {
  const pair = makeKeyPair()
  await trx('installation_keys').insert({ id: pair.id, public_key: pair.publicKey, private_key: pair.privateKey })
  return pair
}

/** The public halves of all keys that this installation ever signed with, by name, the newest first. */
export async function publicKeys(
  db: Knex,
): Promise<{ readonly id: string; readonly publicKey: string; readonly madeAt: string }[]> {
  const rows: { id: string; public_key: string; made_at: Date }[] = await db('installation_keys')
    .orderBy('made_at', 'desc')
    .select('id', 'public_key', 'made_at')
  return rows.map(({ id, public_key: publicKey, made_at }) => ({ id, publicKey, madeAt: made_at.toISOString() }))
}
