import { createHash } from 'node:crypto'
import type { Knex } from 'knex'
import stringify from 'safe-stable-stringify'
import type { Entry } from '#core/journal'

/** A journal entry as the database keeps it, every column. */
export interface ChainRow {
  readonly id: string
  readonly lab_id: string
  readonly batch_id: string
  readonly seq: number
  readonly person_id: string
  readonly kind: string
  readonly at: Date | string
  readonly recorded_at: Date | string
  readonly value: string | null
  readonly unit: string | null
  readonly instrument: string | null
  readonly typed: boolean | null
  readonly corrects: string | null
  readonly body: Entry
  readonly hash_version: number
}

export const GENESIS = '0'.repeat(64)
export const HASH_VERSION = 2
const sha256 = (text: string | Buffer): string => createHash('sha256').update(text).digest('hex')

/**
 * What an entry's hash covers: lab, batch, number, person, the server's time and every column, and, in its body, the name of a photo, which is
 * the SHA-256 of its bytes. Times to the second where the database rounds them; numbers as plain decimals, as the database writes them.
 */
function covered(row: ChainRow): string {
  return (
    stringify([
      row.lab_id,
      row.batch_id,
      row.seq,
      row.id,
      row.person_id,
      row.kind,
      new Date(row.at).toISOString().slice(0, 19),
      new Date(row.recorded_at).toISOString(),
      row.value === null ? null : plainDecimal(row.value),
      row.unit,
      row.instrument,
      row.typed,
      row.corrects,
      row.body,
    ]) ?? ''
  )
}

/** SHA-256 over the hash before and all of an entry. */
export const hashOf = (previous: string, row: ChainRow): string =>
  sha256(`${previous}\n${HASH_VERSION}\n${covered(row)}`)

/** How the first version hashed: its number and its body only. */
const firstHashOf = (previous: string, seq: number, entry: Entry): string =>
  sha256(`${previous}\n${seq}\n${JSON.stringify(entry, Object.keys(flattened(entry)).sort())}`)

const flattened = (value: object): Record<string, unknown> =>
  Object.assign(
    {},
    ...Object.entries(value).map(([key, inner]) => ({
      [key]: inner,
      ...(typeof inner === 'object' && inner !== null ? flattened(inner) : {}),
    })),
  )

/** Closes a chain of the first version: from here on all of its columns are covered too, and the next entry follows on this. */
export const checkpointOf = (last: string, rows: readonly ChainRow[]): string =>
  sha256(`${last}\ncheckpoint\n${rows.map(covered).join('\n')}`)

/** `5.2e3` as `5200`: how PostgreSQL writes a numeric. */
export function plainDecimal(text: string): string {
  const [, sign = '', whole = '', fraction = '', exponent = '0'] =
    /^([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d+))?$/.exec(text) ?? []
  const places = fraction.length - Number(exponent)
  const digits = `${whole}${fraction}`.padStart(Math.max(0, places) + 1, '0') + '0'.repeat(Math.max(0, -places))
  const cut = digits.length - Math.max(0, places)
  const left = digits.slice(0, cut).replace(/^0+(?=\d)/, '')
  return `${sign === '-' ? '-' : ''}${left}${places > 0 ? `.${digits.slice(cut)}` : ''}`
}

/** What is wrong with a journal, and at which entry it begins. */
export interface Break {
  readonly seq: number
  readonly id?: string
  readonly why: string
}

/** A row of a journal with its place in the chain. */
export type ChainedRow = ChainRow & { readonly hash: string; readonly previous_hash: string }

/** Walks a journal's rows in the order in which they are given: the hash at its end, or the first thing that does not follow. */
export function walkChain(rows: readonly ChainedRow[]): { readonly end: string } | { readonly broken: Break } {
  let previous = GENESIS
  for (const [i, row] of rows.entries()) {
    const { id, seq, hash_version, hash, previous_hash } = row
    const at = { seq: i + 1, id }
    if (seq !== i + 1) {
      const isElsewhere = rows.some(one => one.seq === i + 1)
      return { broken: { ...at, why: isElsewhere ? 'entries were re-ordered' : `entry ${i + 1} is missing` } }
    }
    if (hash_version === HASH_VERSION && rows[i - 1]?.hash_version === 1)
      previous = checkpointOf(previous, rows.slice(0, i))
    const expected = hash_version === 1 ? firstHashOf(previous, seq, row.body) : hashOf(previous, row)
    if (previous_hash !== previous) return { broken: { ...at, why: 'it does not follow the one before' } }
    if (hash !== expected) return { broken: { ...at, why: 'it was altered' } }
    previous = hash
  }
  return { end: rows.at(-1)?.hash_version === 1 ? checkpointOf(previous, rows) : previous }
}

/** The first thing that does not follow in the journal of a batch; undefined for a whole chain. */
export async function findBreak(db: Knex, lab: string, batchId: string): Promise<Break | undefined> {
  const rows: ChainedRow[] = await db('entries').where({ lab_id: lab, batch_id: batchId }).orderBy('seq')
  const walked = walkChain(rows)
  if ('broken' in walked) return walked.broken
  const previous = walked.end
  const { last_seq, last_hash } = await db('batches').where({ lab_id: lab, id: batchId }).first('last_seq', 'last_hash')
  const end = await db('chain_ends').where({ lab_id: lab, batch_id: batchId }).first('seq', 'hash')
  const last = Math.max(last_seq, end?.seq ?? 0)
  if (last > rows.length) return { seq: rows.length + 1, why: 'one or more are missing at the end' }
  if (last_hash !== previous || last_seq !== rows.length)
    return { seq: rows.length, why: 'the batch names another end' }
  if (!end || end.hash !== previous || end.seq !== rows.length)
    return { seq: rows.length, why: 'the list of chains names another end' }
  return brokenPhoto(db, lab, batchId, rows)
}

/** A photo whose bytes are not those that its entry names. One that has not arrived yet breaks nothing. */
async function brokenPhoto(
  db: Knex,
  lab: string,
  batchId: string,
  rows: readonly ChainRow[],
): Promise<Break | undefined> {
  const photos: { sha256: string; data: Buffer }[] = await db('photos').where({ lab_id: lab, batch_id: batchId })
  const altered = new Set(photos.filter(photo => sha256(photo.data) !== photo.sha256).map(photo => photo.sha256))
  const at = rows.find(({ body }) => body.kind === 'photo' && altered.has(body.photo))
  return at && { seq: at.seq, id: at.id, why: 'its photo was altered' }
}

/** Batches whose chain is known and which are gone, or are called something else. */
export async function missingBatches(db: Knex): Promise<{ readonly code: string; readonly why: string }[]> {
  const rows: { code: string; seq: number; found: string | null }[] = await db('chain_ends')
    .leftJoin('batches', query =>
      query.on('batches.id', 'chain_ends.batch_id').andOn('batches.lab_id', 'chain_ends.lab_id'),
    )
    .whereRaw('batches.code is distinct from chain_ends.code')
    .orderBy('chain_ends.code')
    .select('chain_ends.code', 'chain_ends.seq', 'batches.code as found')
  return rows.map(({ code, seq, found }) => ({
    code,
    why: found ? `the batch is called ${found} now` : `the batch is gone, and its ${seq} entries with it`,
  }))
}
