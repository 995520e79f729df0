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

/** Publishes today’s ends of all chains that moved since they were last published, once a day however many processes try. Answers whether it was done now. */
export async function anchorToday(db: Knex, day: string): Promise<boolean> {
  if (await db('anchors').where({ day }).first('day')) return false
  const last = (await listAnchors(db, 1))[0]
  const labs: string[] = await db('labs').orderBy('id').pluck('id')
  const moved = new Map<string, readonly End[]>()
  for (const lab of labs) moved.set(lab, await endsToAnchor(forLab(db, lab), lab))
  const chains = [...moved.values()].flat().map(({ batch_id: batch, seq, hash }) => ({ batch, seq, hash }))
  const body: AnchorBody = { format: 'zip-ledger/anchor', version: 1, day, previous: last?.hash ?? GENESIS, chains }
  const text = canonical(body)
  const key = await signingKey(db)
  const hash = sha256Of(text)
  const made = await db('anchors')
    .insert({ day, body: text, hash, key: key.id, signature: signText(key.privateKey, hash) })
    .onConflict('day')
    .ignore()
    .returning('day')
  if (made.length === 0) return false
  for (const [lab, ends] of moved) if (ends.length > 0) await noteAnchored(forLab(db, lab), lab, ends)
  return true
}

interface End {
  readonly batch_id: string
  readonly seq: number
  readonly hash: string
}

/** What a lab's chains end in and was not published yet. */
const endsToAnchor = (db: Knex, lab: string): Promise<End[]> =>
  db('chain_ends')
    .where({ lab_id: lab })
    .whereRaw('seq > 0 and anchored is distinct from hash')
    .orderBy('batch_id')
    .select('batch_id', 'seq', 'hash')

/** Notes what was published; what could not be noted is published once more another day, which proves the same. */
const noteAnchored = (db: Knex, lab: string, ends: readonly End[]): Promise<unknown> =>
  db.raw(
    `update chain_ends set anchored = done.hash from jsonb_to_recordset(?::jsonb) as done(batch_id uuid, hash text)
     where chain_ends.lab_id = ? and chain_ends.batch_id = done.batch_id`,
    [JSON.stringify(ends), lab],
  )
