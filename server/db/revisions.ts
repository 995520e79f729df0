import type { Knex } from 'knex'
import type { Access } from '../access/access'
import { GENESIS, HASH_VERSION } from './chain'
import { revisionHash, type RevisionRow } from './revision-hash'

/** What is kept revision by revision. */
export type RevisionKind = 'batch' | 'assay' | 'own-row' | 'template' | 'settings' | 'bottle'

export interface Revision {
  readonly number: number
  /** Null where it was taken away. */
  readonly body: unknown
  readonly by: string | undefined
  readonly at: string
  /** The last entry of the journal that was there when it was saved. */
  readonly afterSeq: number
}

interface Place {
  readonly kind: RevisionKind
  readonly subject: string
}

/** The next revision of a batch's plan, in the transaction that saved it, with the end of its journal then. */
export async function reviseBatch(
  trx: Knex,
  access: Access,
  { id, number, body, seq, hash, at }: NewPlan,
): Promise<void> {
  await write(trx, access, { kind: 'batch', subject: id }, number, body, {
    after_seq: seq,
    after_hash: hash,
    ...(at && { at }),
  })
}

interface NewPlan {
  readonly id: string
  readonly number: number
  readonly body: unknown
  readonly seq: number
  readonly hash: string
  /** When it was saved, where that was not now. */
  readonly at?: Date | undefined
}

/** The next revision of anything else of the lab, in the transaction that saved it; null where it was taken away. */
export async function revise(trx: Knex, access: Access, place: Place, body: unknown): Promise<void> {
  // Whoever saves the same thing at the same time waits here.
  await trx.raw('select pg_advisory_xact_lock(hashtextextended(?, 0))', [
    `${access.lab} ${place.kind} ${place.subject}`,
  ])
  const last = await lastOf(trx, access, place)
  await write(trx, access, place, (last?.number ?? 0) + 1, body, { after_seq: 0, after_hash: GENESIS })
}

const lastOf = (db: Knex, { lab }: Access, place: Place): Promise<{ number: number; hash: string } | undefined> =>
  db('revisions')
    .where({ lab_id: lab, ...place })
    .orderBy('number', 'desc')
    .first('number', 'hash')

async function write(
  trx: Knex,
  access: Access,
  place: Place,
  number: number,
  body: unknown,
  after: Pick<RevisionRow, 'after_seq' | 'after_hash'> & { readonly at?: Date },
): Promise<void> {
  const previous = (await lastOf(trx, access, place))?.hash ?? GENESIS
  const row: RevisionRow = {
    lab_id: access.lab,
    ...place,
    number,
    body,
    person_id: access.person,
    at: new Date(),
    ...after,
  }
  await trx('revisions').insert({
    ...row,
    body: body === null ? null : JSON.stringify(body),
    previous_hash: previous,
    hash: revisionHash(previous, row),
  })
}

export interface RevisionInChain extends RevisionRow {
  readonly previous_hash: string
  readonly hash: string
}

const LAST = 2_147_483_647

/** Revisions of one thing without what they say, the last one first; `most` of them before `before`. */
export async function listRevisions(
  db: Knex,
  { lab }: Access,
  place: Place,
  most: number,
  before = LAST,
): Promise<Omit<Revision, 'body'>[]> {
  const rows: RevisionInChain[] = await db('revisions')
    .where({ lab_id: lab, ...place })
    .where('number', '<', before)
    .orderBy('number', 'desc')
    .limit(most)
    .select('number', 'person_id', 'at', 'after_seq')
  return rows.map(headOf)
}

/** One revision, whole. */
export async function findRevision(
  db: Knex,
  { lab }: Access,
  place: Place,
  number: number,
): Promise<Revision | undefined> {
  const row: RevisionInChain | undefined = await db('revisions')
    .where({ lab_id: lab, ...place, number })
    .first()
  return row && { ...headOf(row), body: row.body }
}

const headOf = ({ number, person_id, at, after_seq }: RevisionInChain): Omit<Revision, 'body'> => ({
  number,
  by: person_id ?? undefined,
  at: new Date(at).toISOString(),
  afterSeq: after_seq,
})

/** The first of these revisions, as they are given, that does not follow the one before, or was altered. */
export function walkRevisions(
  rows: readonly RevisionInChain[],
): { readonly number: number; readonly why: string } | undefined {
  let previous = GENESIS
  let last: number | undefined
  for (const row of rows) {
    const { number } = row
    if (last !== undefined && number !== last + 1)
      return rows.some(one => one.number === last! + 1)
        ? { number: last + 1, why: 'revisions were re-ordered' }
        : { number: last + 1, why: 'a revision is missing' }
    if (row.previous_hash !== previous) return { number, why: 'a revision does not follow the one before' }
    if (revisionHash(previous, row) !== row.hash) return { number, why: 'a revision was altered' }
    previous = row.hash
    last = number
  }
  return undefined
}

/** The first revision of one thing that does not follow the one before, or was altered; undefined where all do. */
export async function findRevisionBreak(
  db: Knex,
  lab: string,
  place: Place,
): Promise<{ readonly number: number; readonly why: string } | undefined> {
  const rows: RevisionInChain[] = await db('revisions')
    .where({ lab_id: lab, ...place })
    .orderBy('number')
  const broken = walkRevisions(rows)
  if (broken) return broken
  return place.kind === 'batch' ? findOtherJournal(db, lab, place.subject, rows) : undefined
}

/** The first revision that was saved beside another journal than the one that is there: its chain may be whole and not be the one of then. */
async function findOtherJournal(
  db: Knex,
  lab: string,
  batch: string,
  rows: readonly RevisionInChain[],
): Promise<{ readonly number: number; readonly why: string } | undefined> {
  // Where the first way of hashing ended, the chain goes on from a checkpoint and not from the entry's own hash.
  const entries: { seq: number; hash: string }[] = await db('entries')
    .where({ lab_id: lab, batch_id: batch, hash_version: HASH_VERSION })
    .select('seq', 'hash')
  const hashes = new Map(entries.map(({ seq, hash }) => [seq, hash]))
  const [{ count = 0 } = {}] = await db('entries').where({ lab_id: lab, batch_id: batch }).count()
  const other = rows.find(({ after_seq, after_hash }) => {
    if (after_seq > Number(count)) return true
    const hash = hashes.get(after_seq)
    return hash !== undefined && hash !== after_hash
  })
  return other && { number: other.number, why: 'the journal that it was saved beside was another' }
}
