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
