import type { Knex } from 'knex'
import { dueAt, ringsAt } from '#core/procedure'
import { unreadableBrief, type BatchBrief } from '#core/overview'
import { readDocument, type OwnRow } from '#core/document'
import type { SubstanceRow } from '#core/reference'
import type { OwnCurve, OwnTables } from '#core/solution'
import { briefHere, type BriefJob } from '../jobs/briefs'
import { entriesByBatch } from './entries'
import { listOwnRows } from './own-rows'

interface Stale {
  readonly id: string
  readonly version: number
  readonly last_seq: number
  readonly document: unknown
}

/** Batches whose brief was made of another version, entry or build, last touched first. */
const staleOf = (db: Knex, labId: string, madeBy: string, most: number): Promise<Stale[]> =>
  db('batches')
    .leftJoin('briefs', 'briefs.batch_id', 'batches.id')
    .where({ lab_id: labId })
    .where(query =>
      query
        .whereNull('briefs.batch_id')
        .orWhereRaw('briefs.version <> batches.version')
        .orWhereRaw('briefs.seq <> batches.last_seq')
        .orWhere('briefs.made_by', '<>', madeBy),
    )
    .orderBy('touched_at', 'desc')
    .limit(most)
    .select('batches.id', 'batches.version', 'batches.last_seq', 'batches.document')

/**
 * Makes briefs anew where they are stale, until `enough` says so. Answers how many were made. What another process made meanwhile of a later
 * entry is left alone.
 */
export async function freshenBriefs(
  db: Knex,
  labId: string,
  madeBy: string,
  most: number,
  enough: () => boolean = () => false,
  make: (job: BriefJob) => BatchBrief | Promise<BatchBrief> = briefHere,
): Promise<number> {
  const stale = await staleOf(db, labId, madeBy, most)
  if (stale.length === 0) return 0
  const tables = await ownTables(db, labId)
  const journals = await entriesByBatch(
    db,
    stale.map(({ id }) => id),
  )
  const rows: object[] = []
  for (const { id, version, last_seq, document } of stale) {
    const entries = (journals.get(id) ?? []).slice(0, last_seq)
    const read = readDocument(document)
    const brief = read.ok ? await make({ document: read.value, entries, tables }) : unreadableBrief(titleOf(document))
    rows.push({ batch_id: id, version, seq: last_seq, made_by: madeBy, ...columnsOf(brief) })
    if (enough()) break
  }
  await db('briefs')
    .insert(rows)
    .onConflict('batch_id')
    .merge()
    .whereRaw('briefs.made_by <> excluded.made_by or (briefs.version, briefs.seq) < (excluded.version, excluded.seq)')
  return rows.length
}

/** The title of a document that does not read otherwise. */
const titleOf = (document: unknown): string =>
  typeof document === 'object' && document !== null && 'title' in document && typeof document.title === 'string'
    ? document.title.slice(0, 120)
    : 'A batch that cannot be understood'

async function ownTables(db: Knex, labId: string): Promise<OwnTables> {
  const rows: OwnRow[] = await listOwnRows(db, labId)
  return {
    substances: rows.flatMap(row => (row.kind === 'substance' ? [row.body as SubstanceRow] : [])),
    curves: rows.flatMap(row => (row.kind === 'curve' ? [row.body as OwnCurve] : [])),
  }
}

function columnsOf({ lane, ...brief }: BatchBrief) {
  const dues = [
    ...lane.map(step => dueAt(step)),
    ...brief.timers.map(timer => Date.parse(ringsAt(timer) ?? '')),
  ].filter((due): due is number => due !== undefined && Number.isFinite(due))
  return {
    is_done: brief.isDone,
    is_fresh: brief.isFresh,
    has_timers: brief.timers.length > 0,
    due_at: dues.length > 0 ? new Date(Math.min(...dues)) : null,
    brief: JSON.stringify(brief),
    lane: JSON.stringify(lane),
  }
}

export interface BriefRow {
  readonly code: string
  readonly touched_at: Date
  readonly brief: string
  readonly lane: string
}

/** Batches under way: first what has a clock running or is due, then the last touched; a few of them, whole. */
export async function lanesUnderWay(db: Knex, labId: string, most: number, from: number): Promise<BriefRow[]> {
  return db('briefs')
    .join('batches', 'briefs.batch_id', 'batches.id')
    .where({ lab_id: labId, is_done: false, is_fresh: false })
    .orderByRaw('(has_timers or due_at is not null) desc, due_at asc nulls last, touched_at desc, code')
    .limit(most)
    .offset(from)
    .select('code', 'touched_at', 'brief', 'lane')
}

/** Batches that are planned and not begun, last touched first; a few of them. */
export const plannedOnes = (db: Knex, labId: string, most: number): Promise<BriefRow[]> =>
  db('briefs')
    .join('batches', 'briefs.batch_id', 'batches.id')
    .where({ lab_id: labId, is_done: false, is_fresh: true })
    .orderBy('touched_at', 'desc')
    .limit(most)
    .select('code', 'touched_at', 'brief', 'lane')

/** How many batches are under way, how many only planned, how many done. */
export async function countBriefs(
  db: Knex,
  labId: string,
): Promise<{ underWay: number; planned: number; done: number }> {
  const { rows } = await db.raw<{ rows: { under_way: number; planned: number; done: number }[] }>(
    `select count(*) filter (where not is_done and not is_fresh)::int as under_way,
            count(*) filter (where not is_done and is_fresh)::int as planned,
            count(*) filter (where is_done)::int as done
     from briefs join batches on briefs.batch_id = batches.id where lab_id = ?`,
    [labId],
  )
  const { under_way, planned, done } = rows[0]!
  return { underWay: under_way, planned, done }
}

/** All batches, last touched first, without their lanes. */
export const listBriefs = (db: Knex, labId: string): Promise<BriefRow[]> =>
  db('briefs')
    .join('batches', 'briefs.batch_id', 'batches.id')
    .where({ lab_id: labId })
    .orderBy('touched_at', 'desc')
    .select('code', 'touched_at', 'brief')
