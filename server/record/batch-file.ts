import type { Knex } from 'knex'
import type { BatchFile } from '#core/document'
import type { Entry } from '#core/journal'
import type { Act, Manifest } from '#core/record'
import type { Access } from '../access/access'
import { listActs, partsOf } from '../db/acts'
import type { Batch } from '../db/batches'
import type { ChainedRow } from '../db/chain'
import { publicKeys } from '../db/keyring'
import { listStamps } from '../db/stamps'
import type { RevisionInChain } from '../db/revisions'

/** A batch with all that proves it: its chains as they are kept, what was done to its record, and the texts that were signed. */
export interface Proof {
  readonly format: 'zip-ledger/proof'
  readonly version: 1
  readonly lab: { readonly id: string; readonly name: string }
  readonly batch: string
  readonly code: string
  readonly journal: readonly ChainedRow[]
  readonly revisions: readonly RevisionInChain[]
  readonly acts: readonly Act[]
  /** Time stamps on acts, by the act’s number; the token (RFC 3161) in base64. */
  readonly stamps?: readonly { readonly number: number; readonly token: string }[]
  /** Signed texts, by their SHA-256: manifests, the record as it was read, the rows of the tables. */
  readonly texts: Readonly<Record<string, string>>
  /** Public keys that signed any of it, by name, as PEM. */
  readonly keys: Readonly<Record<string, string>>
  /** Where the batch was brought in from: what proved it there. */
  readonly origin?: unknown
}

export interface TakenOut {
  readonly file: BatchFile
  readonly proof: Proof
}

/** Everything of a batch, read from the database. */
export async function takeOut(
  db: Knex,
  pool: Knex,
  access: Access,
  lab: { id: string; name: string },
  batch: Batch,
): Promise<TakenOut> {
  const where = { lab_id: access.lab, batch_id: batch.id }
  const [journal, revisions, photos, acts, stamps, origin, keys] = await Promise.all([
    db('entries').where(where).orderBy('seq') as Promise<ChainedRow[]>,
    db('revisions').where({ lab_id: access.lab, kind: 'batch', subject: batch.id }).orderBy('number') as Promise<
      RevisionInChain[]
    >,
    db('photos').where(where).orderBy('sha256').select('sha256', 'type') as Promise<BatchFile['photos']>,
    listActs(db, access, batch.id),
    listStamps(db, access, batch.id),
    db('origins').where(where).first('body') as Promise<{ body: string } | undefined>,
    publicKeys(pool),
  ])
  const ids = new Set([...journal.map(row => row.person_id), ...revisions.flatMap(row => row.person_id ?? [])])
  const people: { id: string; name: string }[] = await db('people')
    .where({ lab_id: access.lab })
    .whereIn('id', [...ids])
    .orderBy('id')
    .select('id', 'name')
  const file: BatchFile = {
    format: 'zip-ledger/batch-file',
    version: 1,
    id: batch.id,
    code: batch.code,
    document: batch.document as BatchFile['document'],
    revisions: revisions.map(({ number, at, person_id, after_seq, body }) => ({
      number,
      at: new Date(at).toISOString(),
      ...(person_id && { by: person_id }),
      afterSeq: after_seq,
      body: body as BatchFile['revisions'][number]['body'],
    })),
    journal: journal.map(({ seq, recorded_at, body }) => ({
      seq,
      recordedAt: new Date(recorded_at).toISOString(),
      entry: body as Entry as BatchFile['journal'][number]['entry'],
    })),
    people,
    photos: photos.map(({ sha256, type }) => ({ sha256, type })),
  }
  const texts = await textsOf(db, access, acts)
  return {
    file,
    proof: {
      format: 'zip-ledger/proof',
      version: 1,
      lab,
      batch: batch.id,
      code: batch.code,
      journal: journal.map(plainRow),
      revisions: revisions.map(plainRow),
      acts,
      ...(stamps.length > 0 && {
        stamps: stamps.map(({ number, token }) => ({ number, token: Buffer.from(token).toString('base64') })),
      }),
      texts,
      keys: Object.fromEntries(keys.map(({ id, publicKey }) => [id, publicKey])),
      ...(origin && { origin: JSON.parse(origin.body) as unknown }),
    },
  }
}

/** Times as text, as a file keeps them. */
const plainRow = <Row extends object>(row: Row): Row =>
  Object.fromEntries(
    Object.entries(row).map(([key, value]) => [key, value instanceof Date ? value.toISOString() : value]),
  ) as Row

async function textsOf(db: Knex, access: Access, acts: readonly Act[]): Promise<Record<string, string>> {
  const manifests = await partsOf(db, access, [...new Set(acts.flatMap(({ manifest }) => manifest ?? []))])
  const inside = [...manifests.values()].flatMap(text => {
    const { page, tables } = JSON.parse(text) as Manifest
    return [page, tables]
  })
  const parts = await partsOf(db, access, [...new Set(inside)])
  return Object.fromEntries([...manifests, ...parts].sort(([a], [b]) => (a < b ? -1 : 1)))
}
