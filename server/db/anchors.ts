import type { Knex } from 'knex'
import { canonical, sha256Of } from '../record/canonical'
import { signText } from '../record/keys'
import { GENESIS } from './chain'
import { forLab } from './connect'
import { signingKey } from './keyring'

/** Where chains ended on a day: each batch that moved since the day before, by its id alone. */
interface AnchorBody {
  readonly format: 'zip-ledger/anchor'
  readonly version: 1
  readonly day: string
  readonly previous: string
  readonly chains: readonly { readonly batch: string; readonly seq: number; readonly hash: string }[]
}
export interface Anchor {
  readonly day: string
  readonly body: AnchorBody
  readonly hash: string
  readonly key: string
  readonly signature: string
}

interface Row {
  readonly day: string
  readonly body: string
  readonly hash: string
  readonly key: string
  readonly signature: string
}
const columns = (db: Knex) => [db.raw('day::text as day'), 'body', 'hash', 'key', 'signature']
const anchorOf = (row: Row): Anchor => ({ ...row, body: JSON.parse(row.body) as AnchorBody })

/** What was published so far, the last first. */
export const listAnchors = async (db: Knex, most: number): Promise<Anchor[]> =>
  ((await db('anchors').orderBy('day', 'desc').limit(most).select(columns(db))) as Row[]).map(anchorOf)

/** Publishes today’s ends of all chains that moved, once a day however many processes try. Answers whether it was done now. */
export async function anchorToday(db: Knex, day: string): Promise<boolean> {
  if (await db('anchors').where({ day }).first('day')) return false
  const last = (await listAnchors(db, 1))[0]
  const known = await knownEnds(db)
  const labs: string[] = await db('labs').orderBy('id').pluck('id')
  const chains: AnchorBody['chains'][number][] = []
  for (const lab of labs) {
    const rows: { batch_id: string; seq: number; hash: string }[] = await forLab(
      db,
      lab,
    )('chain_ends')
      .where({ lab_id: lab })
      .orderBy('batch_id')
      .select('batch_id', 'seq', 'hash')
    for (const { batch_id: batch, seq, hash } of rows)
      if (known.get(batch) !== hash && seq > 0) chains.push({ batch, seq, hash })
  }
  const body: AnchorBody = { format: 'zip-ledger/anchor', version: 1, day, previous: last?.hash ?? GENESIS, chains }
  const text = canonical(body)
  const key = await signingKey(db)
  const hash = sha256Of(text)
  const made = await db('anchors')
    .insert({ day, body: text, hash, key: key.id, signature: signText(key.privateKey, hash) })
    .onConflict('day')
    .ignore()
    .returning('day')
  return made.length > 0
}

/** The end of each chain as it was last published. */
async function knownEnds(db: Knex): Promise<Map<string, string>> {
  const ends = new Map<string, string>()
  const rows: { body: string }[] = await db('anchors').orderBy('day').select('body')
  for (const { body } of rows)
    for (const { batch, hash } of (JSON.parse(body) as AnchorBody).chains) ends.set(batch, hash)
  return ends
}
