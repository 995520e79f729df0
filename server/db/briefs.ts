import type { Knex } from 'knex'
import { dueAt, ringsAt } from '#core/procedure'
import { plainWords, unreadableBrief, type BatchBrief } from '#core/overview'
import { readDocument, type OwnRow } from '#core/document'
import type { SubstanceRow } from '#core/reference'
import type { OwnCurve, OwnTables } from '#core/solution'
import type { Access } from '../access/access'
import { briefHere, type BriefJob } from '../jobs/briefs'
import { entriesByBatch } from './entries'
import { listOwnRows } from './own-rows'

interface Stale {
  readonly looked_at: Date
  readonly is_recent: boolean
  readonly id: string
  readonly code: string
  readonly class_id: string | null
  readonly is_practice: boolean
  readonly touched_at: Date
  readonly version: number
  readonly last_seq: number
  readonly document: unknown
}

/** What makes briefs: the build, by when it was made, ms, and a stamp of the lab's own tables. With another of either, figures may differ. */
export interface Maker {
  readonly builtAt: number
  readonly tables: string
}

/**
 * Up to its mark every batch of a lab has a brief of its version and last entry. A transaction that began before a look may end after it: so much before the mark is looked at
 * again, longer than the database lets one last; and the mark moves on once in so long, since each move is a commit of its own.
 */
const AGAIN = '60 seconds'
const MOVES = '30 seconds'

/**
 * Batches without a brief of their version and last entry among those touched since the mark, and then those whose brief was made by an older build or of other tables: a newer
 * build's is left alone. It reads the indexes of what changed, however many batches the lab has.
 */
async function staleOf(db: Knex, { lab }: Pick<Access, 'lab'>, madeBy: Maker, most: number, from: 'newest' | 'oldest') {
  const { rows } = await db.raw<{ rows: Stale[] }>(
    `with recent as (
       select b.id, b.touched_at from batches b left join briefs f on f.lab_id = b.lab_id and f.batch_id = b.id
       where b.lab_id = :lab and b.touched_at > coalesce((select until - interval '${AGAIN}' from brief_marks where lab_id = :lab), '-infinity')
         and (f.batch_id is null or f.version <> b.version or f.seq <> b.last_seq)
       order by b.touched_at ${from === 'newest' ? 'desc' : 'asc'} limit :most),
     older as (
       (select batch_id as id from briefs where lab_id = :lab and built_at < :builtAt limit :most)
       union all (select batch_id from briefs where lab_id = :lab and built_at = :builtAt and made_by < :tables limit :most)
       union all (select batch_id from briefs where lab_id = :lab and built_at = :builtAt and made_by > :tables limit :most)),
     chosen as (select id, true as is_recent from recent union all select id, false from older where id not in (select id from recent) limit :most)
     select b.id, b.code, b.class_id, b.is_practice, b.version, b.last_seq, b.document, b.touched_at, chosen.is_recent, now() as looked_at
     from chosen join batches b on b.lab_id = :lab and b.id = chosen.id`,
    { lab, most, builtAt: madeBy.builtAt, tables: madeBy.tables },
  )
  return rows
}

/** Moves a lab's mark on: what was touched until then has its brief. Nothing is locked where it need not move. */
const moveMark = (db: Knex, { lab }: Pick<Access, 'lab'>, until: Date | undefined): Promise<unknown> =>
  db.raw(
    `with mark as (select coalesce(cast(:until as timestamptz), now()) as until),
     moved as (update brief_marks set until = mark.until from mark
       where brief_marks.lab_id = :lab and brief_marks.until < mark.until - interval '${MOVES}' returning 1)
     insert into brief_marks (lab_id, until) select cast(:lab as uuid), until from mark
       where not exists (select 1 from brief_marks where lab_id = :lab) on conflict do nothing`,
    { lab, until: until ?? null },
  )

export interface Freshening {
  readonly most: number
  /** From the last touched on, for whoever looks; or from the first, behind them, so that the mark follows. */
  readonly from?: 'newest' | 'oldest'
  readonly enough?: () => boolean
  readonly make?: (job: BriefJob) => BatchBrief | Promise<BatchBrief>
}

/**
 * Makes briefs of a lab anew where they are stale, until `enough` says so. Answers how many were made. What another process made meanwhile of a later
 * entry is left alone. It sees the whole lab, whoever asks.
 */
export async function freshenBriefs(
  db: Knex,
  access: Pick<Access, 'lab'>,
  madeBy: Maker,
  { most, from = 'newest', enough = () => false, make = briefHere }: Freshening,
): Promise<number> {
  const stale = await staleOf(db, access, madeBy, most, from)
  const recent = stale.filter(({ is_recent }) => is_recent)
  if (stale.length > 0 && !(await writeBriefs(db, access, madeBy, stale, enough, make))) return stale.length
  if (recent.length < most) await moveMark(db, access, stale[0]?.looked_at)
  else if (from === 'oldest')
    await moveMark(db, access, new Date(Math.max(...recent.map(one => one.touched_at.getTime()))))
  return stale.length
}

/** So many entries at most are read at once, or one journal alone. */
const AT_ONCE = 5000
function inPieces(stale: readonly Stale[]): Stale[][] {
  const pieces: Stale[][] = []
  let entries = Infinity
  for (const one of stale) {
    if (entries + one.last_seq > AT_ONCE) {
      pieces.push([])
      entries = 0
    }
    pieces.at(-1)!.push(one)
    entries += one.last_seq
  }
  return pieces
}

/** True where all of them were written. */
async function writeBriefs(
  db: Knex,
  access: Pick<Access, 'lab'>,
  madeBy: Maker,
  stale: readonly Stale[],
  enough: () => boolean,
  make: NonNullable<Freshening['make']>,
): Promise<boolean> {
  const tables = await ownTables(db, access)
  for (const piece of inPieces(stale)) {
    const rows = await briefRows(db, access, { madeBy, tables }, piece, enough, make)
    await db('briefs')
      .insert(rows)
      .onConflict(['lab_id', 'batch_id'])
      .merge()
      .whereRaw(
        'briefs.built_at < excluded.built_at or briefs.made_by <> excluded.made_by or (briefs.version, briefs.seq) < (excluded.version, excluded.seq)',
      )
    if (rows.length < piece.length) return false
    if (piece.at(-1) !== stale.at(-1) && enough()) return false
  }
  return true
}

async function briefRows(
  db: Knex,
  access: Pick<Access, 'lab'>,
  { madeBy, tables }: { readonly madeBy: Maker; readonly tables: OwnTables },
  piece: readonly Stale[],
  enough: () => boolean,
  make: NonNullable<Freshening['make']>,
): Promise<object[]> {
  const journals = await entriesByBatch(
    db,
    access,
    piece.map(({ id }) => id),
  )
  const rows: object[] = []
  for (const { id, code, class_id, is_practice, version, last_seq, touched_at, document } of piece) {
    const entries = (journals.get(id) ?? []).slice(0, last_seq)
    const read = readDocument(document)
    const brief = read.ok ? await make({ document: read.value, entries, tables }) : unreadableBrief(titleOf(document))
    rows.push({
      ...{ lab_id: access.lab, batch_id: id, version },
      ...{ batch_code: code, batch_class_id: class_id, batch_is_practice: is_practice, batch_touched_at: touched_at },
      seq: last_seq,
      built_at: madeBy.builtAt,
      made_by: madeBy.tables,
      words: wordsOf([code, brief.title, brief.product]),
      ...columnsOf(brief),
    })
    if (enough()) break
  }
  return rows
}

/** What a batch is found by: dots, dashes and spaces aside, as they are typed in many ways. */
const wordsOf = (parts: readonly string[]): string => parts.map(plainWords).join('|')

/** The title of a document that does not read otherwise. */
const titleOf = (document: unknown): string =>
  typeof document === 'object' && document !== null && 'title' in document && typeof document.title === 'string'
    ? document.title.slice(0, 120)
    : 'A batch that cannot be understood'

export async function ownTables(db: Knex, access: Pick<Access, 'lab'>): Promise<OwnTables> {
  const rows: OwnRow[] = await listOwnRows(db, access)
  return {
    substances: rows.flatMap(row => (row.kind === 'substance' ? [row.body as SubstanceRow] : [])),
    curves: rows.flatMap(row => (row.kind === 'curve' ? [row.body as OwnCurve] : [])),
  }
}

export interface BriefRow {
  readonly code: string
  readonly touched_at: Date
  readonly brief: string
  readonly lane: string
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

/** Runs of a class are seen in its table, and practice where it is practised; on the bench a run of a class is only to the students whose hands it wants. */
const onBench = (db: Knex, { lab, role }: Access): Knex.QueryBuilder =>
  db('briefs')
    .where({ lab_id: lab })
    .whereRaw('not batch_is_practice')
    .whereNotNull('batch_code')
    .modify(query => (role === 'student' ? query : query.whereNull('batch_class_id')))

/** Batches under way: first what has a clock running or is due, then the last touched; a few of them, whole. */
export const lanesUnderWay = (db: Knex, access: Access, most: number, from: number): Promise<BriefRow[]> =>
  onBench(db, access)
    .whereRaw('not is_done and not is_fresh')
    .orderByRaw('(has_timers or due_at is not null) desc, due_at asc nulls last, batch_touched_at desc, batch_code')
    .limit(most)
    .offset(from)
    .select('batch_code as code', 'batch_touched_at as touched_at', 'brief', 'lane')

/** Batches that are planned and not begun, last touched first; a few of them. */
export const plannedOnes = (db: Knex, access: Access, most: number): Promise<BriefRow[]> =>
  onBench(db, access)
    .whereRaw('not is_done and is_fresh')
    .orderBy('batch_touched_at', 'desc')
    .limit(most)
    .select('batch_code as code', 'batch_touched_at as touched_at', 'brief', 'lane')

/** How many batches are under way, how many only planned, how many done. */
export async function countBriefs(
  db: Knex,
  access: Access,
): Promise<{ underWay: number; planned: number; done: number }> {
  const [row] = await onBench(db, access).select<{ under_way: number; planned: number; done: number }[]>(
    db.raw('count(*) filter (where not is_done and not is_fresh)::int as under_way'),
    db.raw('count(*) filter (where not is_done and is_fresh)::int as planned'),
    db.raw('count(*) filter (where is_done)::int as done'),
  )
  const { under_way, planned, done } = row!
  return { underWay: under_way, planned, done }
}

export interface BatchSearch {
  /** A part of a code, title or product, dots, dashes and spaces aside. */
  readonly words?: string
  readonly most: number
  readonly from?: number
}
/** Batches, last touched first, without their lanes; runs of classes stand in their class. */
export function listBriefs(db: Knex, access: Access, { words = '', most, from = 0 }: BatchSearch): Promise<BriefRow[]> {
  const wanted = plainWords(words)
  const found = onBench(db, access)
  // The search itself goes past the wall between students, so that it can use its index; what it finds is seen through the wall.
  if (wanted !== '')
    void found.whereRaw('batch_id in (select find_batches(?, ?))', [
      `%${wanted.replaceAll(/[\\%_]/g, String.raw`\$&`)}%`,
      MOST_FOUND,
    ])
  // Many that were brought in together were touched at one time: the code says which of them is next.
  return found
    .orderBy([{ column: 'batch_touched_at', order: 'desc' }, 'batch_code'])
    .limit(most)
    .offset(from)
    .select('batch_code as code', 'batch_touched_at as touched_at', 'brief')
}
/** More than this is not found but listed. */
const MOST_FOUND = 5000
