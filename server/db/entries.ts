import type { Knex } from 'knex'
import { readEntry } from '#core/document'
import type { Entry } from '#core/journal'
import type { Access } from '../access/access'

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
  readonly body: unknown
  readonly person_id: string
  readonly at: Date | string
  readonly recorded_at: Date
  readonly hash: string
  readonly previous_hash: string
}

/** The entry as it was recorded; one that does not read here is told so in its place, and stays in the journal as it is. */
export function entryOf({ id, body, person_id, at }: Pick<EntryRow, 'id' | 'body' | 'person_id' | 'at'>): Entry {
  const read = readEntry(body)
  if (read.ok) return read.value
  const stage =
    typeof body === 'object' && body !== null && 'stage' in body && typeof body.stage === 'string' ? body.stage : 's1'
  return {
    kind: 'note',
    id,
    at: new Date(at).toISOString(),
    by: person_id,
    stage,
    text: `An entry stands here that cannot be understood (${read.problem.path.join('.')}: ${read.problem.why}). It is kept as it was recorded.`,
  }
}

export const stored = ({ seq, recorded_at, hash, ...row }: EntryRow): StoredEntry => ({
  seq,
  entry: entryOf(row),
  recordedAt: recorded_at.toISOString(),
  hash,
})

/** The journal of a batch in the order it was recorded, from after `seq` on, and no more than `most` of it. */
export async function listEntries(
  db: Knex,
  { lab }: Access,
  batchId: string,
  seq = 0,
  most?: number,
): Promise<StoredEntry[]> {
  const rows: EntryRow[] = await db('entries')
    .where({ lab_id: lab, batch_id: batchId })
    .where('seq', '>', seq)
    .orderBy('seq')
    .modify(query => (most === undefined ? query : query.limit(most)))
  return rows.map(stored)
}

/** The names of the pictures that a journal shows, in the order it was recorded. */
export async function photosIn(db: Knex, { lab }: Access, batchId: string): Promise<string[]> {
  const rows: EntryRow[] = await db('entries')
    .where({ lab_id: lab, batch_id: batchId })
    .whereRaw("body->>'kind' = 'photo'")
    .orderBy('seq')
  return rows.map(entryOf).flatMap(entry => (entry.kind === 'photo' ? [entry.photo] : []))
}

/** Journals of many batches at once, by batch. */
export async function entriesByBatch(
  db: Knex,
  { lab }: Pick<Access, 'lab'>,
  batchIds: readonly string[],
): Promise<Map<string, Entry[]>> {
  const rows: EntryRow[] = await db('entries')
    .where({ lab_id: lab })
    .whereRaw('batch_id = any(?)', [[...batchIds]])
    .orderBy(['batch_id', 'seq'])
  const byBatch = new Map<string, Entry[]>()
  for (const { batch_id, ...row } of rows) {
    const list = byBatch.get(batch_id)
    if (list) list.push(entryOf(row))
    else byBatch.set(batch_id, [entryOf(row)])
  }
  return byBatch
}
