import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readDocument, type BatchDocument } from '#core/document'
import { GENESIS } from './chain'

export interface Batch {
  readonly id: string
  readonly code: string
  readonly document: BatchDocument
  readonly version: number
  readonly touchedAt: string
}

/** A batch whose stored document does not read here: it is kept as it is, and why is told. */
export interface UnreadBatch {
  readonly code: string
  readonly why: string
  readonly at: string
}

interface Row {
  id: string
  code: string
  document: unknown
  version: number
  touched_at: Date
}

const columns = ['id', 'code', 'document', 'version', 'touched_at'] as const

/** What is stored is parsed when it is read, and brought to the newest version. */
function batchOf({ touched_at, document, ...row }: Row): Batch | UnreadBatch {
  const read = readDocument(document)
  return read.ok
    ? { ...row, document: read.value, touchedAt: touched_at.toISOString() }
    : { code: row.code, why: read.problem.why, at: read.problem.path.join('.') }
}
export const isUnread = (batch: Batch | UnreadBatch): batch is UnreadBatch => 'why' in batch

export async function findBatch(db: Knex, labId: string, code: string): Promise<Batch | UnreadBatch | undefined> {
  const row: Row | undefined = await db('batches')
    .where({ lab_id: labId, code })
    .first(...columns)
  return row && batchOf(row)
}

/** Adds a batch under the next free code with this prefix: CO-003 after CO-002. */
export const addBatch = (db: Knex, labId: string, prefix: string, document: BatchDocument): Promise<Batch> =>
  db.transaction(async trx => {
    await trx('labs').where({ id: labId }).forUpdate().select('id')
    const taken: { code: string }[] = await trx('batches')
      .where({ lab_id: labId })
      .whereLike('code', `${prefix}-%`)
      .select('code')
    const last = Math.max(0, ...taken.map(({ code }) => Number(/-(\d+)$/.exec(code)?.[1] ?? 0)))
    return insertBatch(trx, labId, `${prefix}-${String(last + 1).padStart(3, '0')}`, document)
  })

export async function insertBatch(db: Knex, labId: string, code: string, document: BatchDocument): Promise<Batch> {
  const [row] = await db('batches')
    .insert({ id: randomUUID(), lab_id: labId, code, document: JSON.stringify(document) })
    .returning([...columns])
  const { id, version, touched_at } = row as Row
  const batch: Batch = { id, code, document, version, touchedAt: touched_at.toISOString() }
  await db('chain_ends').insert({ batch_id: batch.id, lab_id: labId, code, seq: 0, hash: GENESIS })
  return batch
}

/** Saves the document if nobody saved since `version`; otherwise changes nothing and answers what stands there. */
export async function saveDocument(
  db: Knex,
  labId: string,
  code: string,
  version: number,
  document: BatchDocument,
): Promise<{ saved: true; version: number } | { saved: false; current: Batch | UnreadBatch | undefined }> {
  const [row] = await db('batches')
    .where({ lab_id: labId, code, version })
    .update({ document: JSON.stringify(document), version: version + 1, touched_at: db.fn.now() })
    .returning('version')
  return row ? { saved: true, version: row.version } : { saved: false, current: await findBatch(db, labId, code) }
}
