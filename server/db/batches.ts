import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { readDocument, type BatchDocument } from '#core/document'
import type { Access } from '../access/access'
import { GENESIS } from './chain'
import { reviseBatch } from './revisions'

export interface Batch {
  readonly id: string
  readonly code: string
  readonly document: BatchDocument
  readonly version: number
  readonly touchedAt: string
  /** Since when nothing of it changes any more. */
  readonly sealedAt?: string
  /** The class whose run it is. */
  readonly classId?: string
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
  sealed_at: Date | null
  class_id: string | null
}

const columns = ['id', 'code', 'document', 'version', 'touched_at', 'sealed_at', 'class_id'] as const

/** What is stored is parsed when it is read, and brought to the newest version. */
function batchOf({ touched_at, sealed_at, class_id, document, ...row }: Row): Batch | UnreadBatch {
  const read = readDocument(document)
  return read.ok
    ? {
        ...row,
        document: read.value,
        touchedAt: touched_at.toISOString(),
        ...(sealed_at && { sealedAt: sealed_at.toISOString() }),
        ...(class_id && { classId: class_id }),
      }
    : { code: row.code, why: read.problem.why, at: read.problem.path.join('.') }
}
export const isUnread = (batch: Batch | UnreadBatch): batch is UnreadBatch => 'why' in batch

export async function findBatch(db: Knex, { lab }: Access, code: string): Promise<Batch | UnreadBatch | undefined> {
  const row: Row | undefined = await db('batches')
    .where({ lab_id: lab, code })
    .first(...columns)
  return row && batchOf(row)
}

/** Adds a batch under the next free code with this prefix: CO-003 after CO-002. */
export const addBatch = (db: Knex, access: Access, prefix: string, document: BatchDocument): Promise<Batch> =>
  db.transaction(async trx => {
    await trx('labs').where({ id: access.lab }).forUpdate().select('id')
    // Also those that who asks may not see: a student's next code is free in the whole lab.
    const { rows: taken } = await trx.raw<{ rows: { code: string }[] }>(
      'select codes_taken(?::uuid, ?::text) as code',
      [access.lab, prefix],
    )
    const last = Math.max(0, ...taken.map(({ code }) => Number(/-(\d+)$/.exec(code)?.[1] ?? 0)))
    return insertBatch(trx, access, `${prefix}-${String(last + 1).padStart(3, '0')}`, document)
  })

/** Adds a batch under a code, with the first revision of its plan. */
export async function insertBatch(
  db: Knex,
  access: Access,
  code: string,
  document: BatchDocument,
  at?: Date,
): Promise<Batch> {
  const [row] = await db('batches')
    .insert({
      id: randomUUID(),
      lab_id: access.lab,
      code,
      document: JSON.stringify(document),
      ...(access.role === 'student' && { student_id: access.person }),
    })
    .returning([...columns])
  const { id, version, touched_at } = row as Row
  const batch: Batch = { id, code, document, version, touchedAt: touched_at.toISOString() }
  await db('chain_ends').insert({ batch_id: batch.id, lab_id: access.lab, code, seq: 0, hash: GENESIS })
  await reviseBatch(db, access, { id, number: 1, body: document, seq: 0, hash: GENESIS, at })
  return batch
}

/** Those of some codes under which there is a batch. */
export const codesThere = (db: Knex, { lab }: Access, codes: readonly string[]): Promise<string[]> =>
  db('batches')
    .where({ lab_id: lab })
    .whereIn('code', [...new Set(codes)])
    .pluck('code')

/** In an update of batches: now, and after the touch before. */
export const TOUCHED = "greatest(now(), touched_at + interval '1 ms')"
/** Says of batches that something of them changed now, though neither their plan nor their journal did; of two who do so at one time the second says it later. What a long transaction wrote bears the time of its beginning, and whoever looks for changes may have passed that by. */
export const touchBatches = (db: Knex, { lab }: Access, codes: readonly string[]): Promise<number> =>
  db('batches')
    .where({ lab_id: lab })
    .whereRaw('code = any(?)', [[...codes]])
    .update({ touched_at: db.raw(TOUCHED) })
/** Transactions that began before a look may have ended after it, s: no statement of the application lasts longer. */
const OVERLAP = 15
const MOST_CHANGED = 200

/** The codes of batches that were touched since `since`, ms, or in the last `moment` ms; and the database's clock. More than 200 are `*`. */
export async function changedSince(
  db: Knex,
  { lab }: Access,
  since: number | undefined,
  moment: number,
): Promise<{ readonly at: number; readonly codes: readonly string[] }> {
  const { rows: clock } = await db.raw<{ rows: { at: Date }[] }>('select now() as at')
  const at = clock[0]!.at.getTime()
  const from = new Date(since === undefined ? at - moment : Math.min(since, at) - OVERLAP * 1000)
  const codes: string[] = await db('batches')
    .where({ lab_id: lab })
    .where('touched_at', '>', from)
    .orderBy('touched_at', 'desc')
    .limit(MOST_CHANGED + 1)
    .pluck('code')
  return { at, codes: codes.length > MOST_CHANGED ? ['*'] : codes }
}

/** Saves the document if nobody saved since `version`, and what it was as a revision; otherwise changes nothing and answers what stands there. */
export async function saveDocument(
  db: Knex,
  access: Access,
  code: string,
  version: number,
  document: BatchDocument,
): Promise<{ saved: true; version: number } | { saved: false; current: Batch | UnreadBatch | undefined }> {
  const saved = await db.transaction(async trx => {
    const [row] = await trx('batches')
      .where({ lab_id: access.lab, code, version })
      .update({ document: JSON.stringify(document), version: version + 1, touched_at: trx.fn.now() })
      .returning(['id', 'version', 'last_seq', 'last_hash'])
    if (!row) return undefined
    const { id, version: number, last_seq: seq, last_hash: hash } = row
    await reviseBatch(trx, access, { id, number, body: document, seq, hash })
    return number as number
  })
  return saved === undefined
    ? { saved: false, current: await findBatch(db, access, code) }
    : { saved: true, version: saved }
}
