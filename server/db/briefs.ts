import type { Knex } from 'knex'
import { dueAt, ringsAt } from '#core/procedure'
import { unreadableBrief, type BatchBrief } from '#core/overview'
import { readDocument, type OwnRow } from '#core/document'
import type { SubstanceRow } from '#core/reference'
import type { OwnCurve, OwnTables } from '#core/solution'
import type { Access } from '../access/access'
import { briefHere, type BriefJob } from '../jobs/briefs'
import { entriesByBatch } from './entries'
import { listOwnRows } from './own-rows'

interface Stale {
  readonly id: string
  readonly version: number
  readonly last_seq: number
  readonly document: unknown
}

/** What makes briefs: the build, by when it was made, ms, and a stamp of the lab's own tables. With another of either, figures may differ. */
export interface Maker {
  readonly builtAt: number
  readonly tables: string
}

/** Batches whose brief was made of another version or entry, of other tables, or by an older build, last touched first: a newer build’s is left alone. */
const staleOf = (db: Knex, { lab }: Access, madeBy: Maker, most: number): Promise<Stale[]> =>
  db('batches')
    .leftJoin('briefs', { 'briefs.lab_id': 'batches.lab_id', 'briefs.batch_id': 'batches.id' })
    .where({ 'batches.lab_id': lab })
    .where(query =>
      query
        .whereNull('briefs.batch_id')
        .orWhereRaw('briefs.version <> batches.version')
        .orWhereRaw('briefs.seq <> batches.last_seq')
        .orWhere('briefs.built_at', '<', madeBy.builtAt)
        .orWhereRaw('(briefs.built_at = ? and briefs.made_by <> ?)', [madeBy.builtAt, madeBy.tables]),
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
  access: Access,
  madeBy: Maker,
  most: number,
  enough: () => boolean = () => false,
  make: (job: BriefJob) => BatchBrief | Promise<BatchBrief> = briefHere,
): Promise<number> {
  const stale = await staleOf(db, access, madeBy, most)
  if (stale.length === 0) return 0
  const tables = await ownTables(db, access)
  const journals = await entriesByBatch(
    db,
    access,
    stale.map(({ id }) => id),
  )
  const rows: object[] = []
  for (const { id, version, last_seq, document } of stale) {
    const entries = (journals.get(id) ?? []).slice(0, last_seq)
    const read = readDocument(document)
    const brief = read.ok ? await make({ document: read.value, entries, tables }) : unreadableBrief(titleOf(document))
    rows.push({
      lab_id: access.lab,
      batch_id: id,
      version,
      seq: last_seq,
      built_at: madeBy.builtAt,
      made_by: madeBy.tables,
      ...columnsOf(brief),
    })
    if (enough()) break
  }
  await db('briefs')
    .insert(rows)
    .onConflict(['lab_id', 'batch_id'])
    .merge()
    .whereRaw(
      'briefs.built_at < excluded.built_at or briefs.made_by <> excluded.made_by or (briefs.version, briefs.seq) < (excluded.version, excluded.seq)',
    )
  return rows.length
}

/** The title of a document that does not read otherwise. */
const titleOf = (document: unknown): string =>
  typeof document === 'object' && document !== null && 'title' in document && typeof document.title === 'string'
    ? document.title.slice(0, 120)
    : 'A batch that cannot be understood'

export async function ownTables(db: Knex, access: Access): Promise<OwnTables> {
  const rows: OwnRow[] = await listOwnRows(db, access)
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

/** Runs of a class are seen in its table, and practice where it is practised; on the bench a run of a class is only to the students whose hands it wants. */
const withBatches = (db: Knex): Knex.QueryBuilder =>
  db('briefs').join('batches', { 'batches.lab_id': 'briefs.lab_id', 'batches.id': 'briefs.batch_id' })
const onBench = (query: Knex.QueryBuilder, { role }: Access): Knex.QueryBuilder =>
  role === 'student' ? query.where({ is_practice: false }) : query.whereNull('class_id').where({ is_practice: false })

/** Batches under way: first what has a clock running or is due, then the last touched; a few of them, whole. */
export async function lanesUnderWay(db: Knex, access: Access, most: number, from: number): Promise<BriefRow[]> {
  return onBench(withBatches(db), access)
    .where({ 'briefs.lab_id': access.lab, is_done: false, is_fresh: false })
    .orderByRaw('(has_timers or due_at is not null) desc, due_at asc nulls last, touched_at desc, code')
    .limit(most)
    .offset(from)
    .select('code', 'touched_at', 'brief', 'lane')
}

/** Batches that are planned and not begun, last touched first; a few of them. */
export const plannedOnes = (db: Knex, access: Access, most: number): Promise<BriefRow[]> =>
  onBench(withBatches(db), access)
    .where({ 'briefs.lab_id': access.lab, is_done: false, is_fresh: true })
    .orderBy('touched_at', 'desc')
    .limit(most)
    .select('code', 'touched_at', 'brief', 'lane')

/** How many batches are under way, how many only planned, how many done. */
export async function countBriefs(
  db: Knex,
  access: Access,
): Promise<{ underWay: number; planned: number; done: number }> {
  const [row] = await onBench(withBatches(db), access)
    .where({ 'briefs.lab_id': access.lab })
    .select<{ under_way: number; planned: number; done: number }[]>(
      db.raw('count(*) filter (where not is_done and not is_fresh)::int as under_way'),
      db.raw('count(*) filter (where not is_done and is_fresh)::int as planned'),
      db.raw('count(*) filter (where is_done)::int as done'),
    )
  const { under_way, planned, done } = row!
  return { underWay: under_way, planned, done }
}

/** All batches, last touched first, without their lanes; runs of classes stand in their class. */
export const listBriefs = (db: Knex, access: Access): Promise<BriefRow[]> =>
  onBench(withBatches(db), access)
    .where({ 'briefs.lab_id': access.lab })
    .orderBy('touched_at', 'desc')
    .select('code', 'touched_at', 'brief')
