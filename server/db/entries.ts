import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import type { Entry } from '#core/journal'

export interface StoredEntry {
  readonly seq: number
  readonly entry: Entry
  readonly recordedAt: string
  readonly hash: string
}

interface Row {
  id: string
  batch_id: string
  seq: number
  body: Entry
  recorded_at: Date
  hash: string
  previous_hash: string
}

const stored = ({ seq, body, recorded_at, hash }: Row): StoredEntry => ({
  seq,
  entry: body,
  recordedAt: recorded_at.toISOString(),
  hash,
})

const GENESIS = '0'.repeat(64)

/** The journal of a batch in the order it was recorded. */
export async function listEntries(db: Knex, batchId: string): Promise<StoredEntry[]> {
  const rows: Row[] = await db('entries').where({ batch_id: batchId }).orderBy('seq')
  return rows.map(stored)
}

/** Journals of many batches at once, by batch. */
export async function entriesByBatch(db: Knex, batchIds: readonly string[]): Promise<Map<string, Entry[]>> {
  const rows: Row[] = await db('entries')
    .whereIn('batch_id', [...batchIds])
    .orderBy(['batch_id', 'seq'])
  const byBatch = new Map<string, Entry[]>()
  for (const { batch_id, body } of rows) byBatch.set(batch_id, [...(byBatch.get(batch_id) ?? []), body])
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

/**
 * Appends entries in order, each chained to the one before. An entry whose id is there already is left as it is, so that a
 * repeat after a lost answer changes nothing. `check` sees the journal so far and may refuse by throwing.
 */
export const appendEntries = (
  db: Knex,
  batch: { id: string; labId: string },
  entries: readonly Entry[],
  check: (before: readonly Entry[]) => void,
): Promise<StoredEntry[]> =>
  db.transaction(async trx => {
    await trx('batches').where({ id: batch.id }).forUpdate().select('id')
    const before: Row[] = await trx('entries').where({ batch_id: batch.id }).orderBy('seq')
    const known = new Set(before.map(({ id }) => id))
    const fresh = entries.filter(({ id }) => !known.has(id))
    check(before.map(({ body }) => body))
    if (fresh.length === 0) return before.filter(({ id }) => entries.some(entry => entry.id === id)).map(stored)

    let previous = before.at(-1)?.hash ?? GENESIS
    const rows = fresh.map((entry, i) => {
      const seq = before.length + i + 1
      const hash = hashOf(previous, seq, entry)
      const row = {
        ...columnsOf(entry),
        lab_id: batch.labId,
        batch_id: batch.id,
        seq,
        body: JSON.stringify(entry),
        previous_hash: previous,
        hash,
      }
      previous = hash
      return row
    })
    await trx('entries').insert(rows)
    await trx('batches').where({ id: batch.id }).update({ touched_at: trx.fn.now() })
    const all: Row[] = await trx('entries')
      .whereIn(
        'id',
        entries.map(({ id }) => id),
      )
      .orderBy('seq')
    return all.map(stored)
  })

function columnsOf(entry: Entry) {
  const common = { id: entry.id, person_id: entry.by, kind: entry.kind, at: entry.at }
  if (entry.kind === 'correction') return { ...common, corrects: entry.corrects }
  if (entry.kind !== 'reading') return common
  const [, digits, unit] = /^\s*([\d.]+)\S*\s*(\S*)/.exec(entry.value) ?? []
  return {
    ...common,
    value: digits ?? null,
    unit: unit ?? null,
    instrument: entry.instrument ?? null,
    typed: entry.typed,
  }
}

/** The sequence number of the first entry whose hash does not follow from the one before; undefined for a whole chain. */
export async function findBreak(db: Knex, batchId: string): Promise<number | undefined> {
  const rows: Row[] = await db('entries').where({ batch_id: batchId }).orderBy('seq')
  let previous = GENESIS
  for (const [i, { seq, body, hash, previous_hash }] of rows.entries()) {
    if (seq !== i + 1 || previous_hash !== previous || hash !== hashOf(previous, seq, body)) return seq
    previous = hash
  }
  return undefined
}
