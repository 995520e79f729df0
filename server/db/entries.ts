import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import type { Entry } from '#core/journal'

export interface StoredEntry {
  readonly seq: number
  readonly entry: Entry
  readonly recordedAt: string
  readonly hash: string
}

export interface EntryRow {
  readonly id: string
  readonly batch_id: string
  readonly seq: number
  readonly body: Entry
  readonly recorded_at: Date
  readonly hash: string
  readonly previous_hash: string
}

export const stored = ({ seq, body, recorded_at, hash }: EntryRow): StoredEntry => ({
  seq,
  entry: body,
  recordedAt: recorded_at.toISOString(),
  hash,
})

const GENESIS = '0'.repeat(64)

/** The journal of a batch in the order it was recorded, from after `seq` on. */
export async function listEntries(db: Knex, batchId: string, seq = 0): Promise<StoredEntry[]> {
  const rows: EntryRow[] = await db('entries').where({ batch_id: batchId }).where('seq', '>', seq).orderBy('seq')
  return rows.map(stored)
}

/** Journals of many batches at once, by batch. */
export async function entriesByBatch(db: Knex, batchIds: readonly string[]): Promise<Map<string, Entry[]>> {
  const rows: EntryRow[] = await db('entries')
    .whereIn('batch_id', [...batchIds])
    .orderBy(['batch_id', 'seq'])
  const byBatch = new Map<string, Entry[]>()
  for (const { batch_id, body } of rows) {
    const list = byBatch.get(batch_id)
    if (list) list.push(body)
    else byBatch.set(batch_id, [body])
  }
  return byBatch
}

/** SHA-256 over the entry before and this one, keys in order, so that any altered entry breaks the chain. */
export const hashOf = (previous: string, seq: number, entry: Entry): string =>
  createHash('sha256')
    .update(`${previous}\n${seq}\n${JSON.stringify(entry, Object.keys(flattened(entry)).sort())}`)
    .digest('hex')

const flattened = (value: object): Record<string, unknown> =>
  Object.assign(
    {},
    ...Object.entries(value).map(([key, inner]) => ({
      [key]: inner,
      ...(typeof inner === 'object' && inner !== null ? flattened(inner) : {}),
    })),
  )

/** The first entry whose hash does not follow from the one before, or a chain that ends before its head; undefined for a whole chain. */
export async function findBreak(
  db: Knex,
  batchId: string,
): Promise<{ readonly seq: number; readonly id?: string } | undefined> {
  const rows: EntryRow[] = await db('entries').where({ batch_id: batchId }).orderBy('seq')
  let previous = GENESIS
  for (const [i, { id, seq, body, hash, previous_hash }] of rows.entries()) {
    if (seq !== i + 1 || previous_hash !== previous || hash !== hashOf(previous, seq, body)) return { seq: i + 1, id }
    previous = hash
  }
  const { last_seq, last_hash } = await db('batches').where({ id: batchId }).first('last_seq', 'last_hash')
  return last_seq === rows.length && last_hash === previous ? undefined : { seq: rows.length + 1 }
}
