import type { Knex } from 'knex'
import stringify from 'safe-stable-stringify'
import { checkEntry, explainEntry, foldJournal, type Entry, type EntryProblem } from '#core/journal'
import { partsOfMeasured } from '#core/quantity'
import type { Access } from '../access/access'
import { HASH_VERSION, hashOf, plainDecimal, type ChainRow } from './chain'
import { entryOf, stored, type EntryRow, type StoredEntry } from './entries'

/** What one person adds to the journal of one batch of their lab. */
export interface Append {
  readonly access: Access
  readonly code: string
  readonly entries: readonly Entry[]
}

export type AppendProblem =
  | { readonly code: 'append.no-batch' }
  | { readonly code: 'append.sealed'; readonly at: number }
  | { readonly code: 'append.stranger'; readonly at: number }
  | { readonly code: 'append.taken'; readonly at: number }
  | { readonly code: 'append.differs'; readonly at: number }
  | { readonly code: 'append.stage'; readonly at: number; readonly stage: string }
  | { readonly code: 'append.entry'; readonly at: number; readonly problem: EntryProblem }
export type Appended =
  | { readonly ok: true; readonly entries: readonly StoredEntry[] }
  | { readonly ok: false; readonly problem: AppendProblem }

export interface Head {
  readonly id: string
  readonly code: string
  readonly lab_id: string
  /** The stages that its plan has, or had in an earlier revision. */
  readonly stages: readonly string[]
  readonly sealed: boolean
  seq: number
  hash: string
}

/** Where chains ended when this process last wrote to them, by lab and code: only a hint, which the database checks at each write. */
export type Hints = Map<string, Head>
/** A batch's place among those of all labs; codes repeat from lab to lab. */
export const placeOf = ({ access, code }: Pick<Append, 'access' | 'code'>): string => `${access.lab} ${code}`
const MOST_HINTS = 2000

/**
 * Appends the entries of several requests, each chained to the one before in its batch, all or none of a request. An entry whose id is there
 * already is left as it is, so that a repeat after a lost answer changes nothing. A request that is refused leaves the others alone. Where the hints
 * still hold it takes one statement; otherwise a transaction that locks the batches first.
 */
export async function appendMany(db: Knex, appends: readonly Append[], hints: Hints = new Map()): Promise<Appended[]> {
  const quick = await appendByHints(db, appends, hints)
  const rest = appends.filter((_, i) => !quick[i])
  if (rest.length === 0) return quick as Appended[]
  const slow = await appendLocked(db, rest, hints)
  return quick.map(appended => appended ?? slow.shift()!)
}

/** Undefined for each request that needs a look at the journal, whose hint is missing, whose batch somebody else has written to, or that is of another lab than the first. */
async function appendByHints(db: Knex, appends: readonly Append[], hints: Hints): Promise<(Appended | undefined)[]> {
  const heads = new Map<string, Head>()
  const rows = new Map<string, Written>()
  const moved: { id: string; old_seq: number; old_hash: string; head: Head }[] = []
  const now = new Date()
  const lab = appends[0]?.access.lab ?? ''
  const tried = appends.map(wanted => {
    const { access, entries } = wanted
    if (access.lab !== lab) return undefined
    const place = placeOf(wanted)
    const hint = heads.get(place) ?? hints.get(place)
    const ids = new Set(entries.map(({ id }) => id))
    if (!hint || ids.size < entries.length || entries.some(({ id, kind }) => kind === 'correction' || rows.has(id)))
      return undefined
    if (problemOf(hint, wanted, new Map())) return undefined
    if (!heads.has(place)) {
      const head = { ...hint }
      heads.set(place, head)
      moved.push({ id: hint.id, old_seq: hint.seq, old_hash: hint.hash, head })
    }
    const head = heads.get(place) ?? hint
    for (const entry of entries) rows.set(entry.id, write(head, entry, now))
    return head
  })
  if (rows.size === 0) return tried.map(() => undefined)
  const recorded = await insertByHints(
    db,
    lab,
    moved.map(({ id, old_seq, old_hash, head: { seq, hash, code } }) => ({ id, code, old_seq, old_hash, seq, hash })),
    [...rows.values()],
  )
  for (const [place, head] of heads) {
    if (recorded?.some(({ batch_id }) => batch_id === head.id)) hints.set(place, head)
    else hints.delete(place)
  }
  if (!recorded) return tried.map(() => undefined)
  const written = new Set(recorded.map(({ id }) => id))
  return tried.map((head, i): Appended | undefined => {
    const { entries } = appends[i]!
    if (!head || !entries.every(({ id }) => written.has(id))) return undefined
    return { ok: true, entries: entries.flatMap(({ id }) => rows.get(id) ?? []).map(stored) }
  })
}

async function appendLocked(db: Knex, appends: readonly Append[], hints: Hints): Promise<Appended[]> {
  const looksBack = appends.some(({ entries }) => entries.some(({ kind }) => kind === 'correction'))
  try {
    return await db.transaction(trx => appendIn(trx, appends, looksBack, hints))
  } catch (error) {
    if (!(error instanceof SomeAreThere)) throw error
    return db.transaction(trx => appendIn(trx, appends, true, hints))
  }
}

class SomeAreThere extends Error {}

async function appendIn(
  trx: Knex.Transaction,
  appends: readonly Append[],
  looksBack: boolean,
  hints: Hints,
): Promise<Appended[]> {
  const heads = await lockHeads(trx, appends)
  const now = new Date()
  await addGoneStages(trx, appends, heads)
  const known = looksBack ? await knownEntries(trx, appends) : new Map<string, EntryRow>()
  const fresh: object[] = []
  const results = appends.map((wanted): { problem?: AppendProblem; ids: string[] } => {
    const { entries } = wanted
    const head = heads.get(placeOf(wanted))
    if (!head) return { problem: { code: 'append.no-batch' }, ids: [] }
    const problem = problemOf(head, wanted, known)
    if (problem) return { problem, ids: [] }
    for (const entry of entries) {
      if (known.has(entry.id)) continue
      const row = write(head, entry, now)
      fresh.push(row)
      known.set(entry.id, row)
    }
    return { ids: entries.map(({ id }) => id) }
  })
  if (fresh.length > 0) {
    const recorded = await insertRows(trx, fresh, [...heads.values()])
    if (recorded.length < fresh.length) throw new SomeAreThere()
  }
  if (hints.size > MOST_HINTS) hints.clear()
  for (const [place, head] of heads) hints.set(place, head)
  return results.map(({ problem, ids }): Appended =>
    problem ? { ok: false, problem } : { ok: true, entries: ids.flatMap(id => known.get(id) ?? []).map(stored) },
  )
}

/** Of the plan as it stands: what a stage that is gone was recorded of is looked for when an entry names it. */
const STAGES = `array(select jsonb_path_query(document, '$.plan.stages[*].id') #>> '{}')`

/** In one order, so that two processes never wait for each other in a ring. */
async function lockHeads(trx: Knex.Transaction, appends: readonly Append[]): Promise<Map<string, Head>> {
  const wanted = [...new Map(appends.map(one => [placeOf(one), one])).values()]
  const { rows } = await trx.raw<{ rows: Head[] }>(
    `select id, code, lab_id, last_seq as seq, last_hash as hash, sealed_at is not null as sealed, ${STAGES} as stages
     from batches where (lab_id, code) in (select * from unnest(?::uuid[], ?::text[])) order by id for update`,
    [wanted.map(({ access }) => access.lab), wanted.map(({ code }) => code)],
  )
  return new Map(rows.map(row => [`${row.lab_id} ${row.code}`, row]))
}

/** What was recorded offline of a stage that was taken out of the plan meanwhile is kept: the plan had it in an earlier revision. */
async function addGoneStages(trx: Knex, appends: readonly Append[], heads: Map<string, Head>): Promise<void> {
  for (const wanted of appends) {
    const head = heads.get(placeOf(wanted))
    if (!head) continue
    const unknown = wanted.entries.map(stageOf).filter(stage => stage !== undefined && !head.stages.includes(stage))
    if (unknown.length === 0) continue
    const { rows } = await trx.raw<{ rows: { id: string }[] }>(
      `select distinct jsonb_path_query(body, '$.plan.stages[*].id') #>> '{}' as id from revisions
       where lab_id = ? and kind = 'batch' and subject = ?`,
      [head.lab_id, head.id],
    )
    heads.set(placeOf(wanted), { ...head, stages: [...head.stages, ...rows.map(({ id }) => id)] })
  }
}

async function knownEntries(trx: Knex.Transaction, appends: readonly Append[]): Promise<Map<string, EntryRow>> {
  const ids = appends.flatMap(({ entries }) =>
    entries.flatMap(entry => (entry.kind === 'correction' ? [entry.id, entry.corrects] : [entry.id])),
  )
  const { rows } = await trx.raw<{ rows: EntryRow[] }>(
    'select * from entries where lab_id = any(?::uuid[]) and id = any(?::uuid[])',
    [[...new Set(appends.map(({ access }) => access.lab))], ids],
  )
  return new Map(rows.map(row => [row.id, row]))
}

function problemOf(
  head: Head,
  { access, entries }: Append,
  known: ReadonlyMap<string, EntryRow>,
): AppendProblem | undefined {
  const before: Entry[] = []
  for (const [at, entry] of entries.entries()) {
    const there = known.get(entry.id)
    if (there) {
      if (there.batch_id !== head.id) return { code: 'append.taken', at }
      if (stringify(there.body) !== stringify(entry)) return { code: 'append.differs', at }
      continue
    }
    if (head.sealed) return { code: 'append.sealed', at }
    const stage = stageOf(entry)
    if (stage !== undefined && !head.stages.includes(stage)) return { code: 'append.stage', at, stage }
    if (entry.by !== access.person) return { code: 'append.stranger', at }
    const checked = checkEntry(
      entry,
      entry.kind === 'correction' ? foldJournal([...correctedBy(head, entry.corrects, known), ...before]) : [],
    )
    if (!checked.ok) return { code: 'append.entry', at, problem: checked.problem }
    before.push(entry)
  }
  return undefined
}

/** What it was recorded of; a correction is of what it corrects. */
const stageOf = (entry: Entry): string | undefined =>
  entry.kind === 'correction' ? undefined : entry.kind === 'reading' ? entry.about.stage : entry.stage

const correctedBy = (head: Head, id: string, known: ReadonlyMap<string, EntryRow>): Entry[] => {
  const row = known.get(id)
  return row && row.batch_id === head.id ? [entryOf(row)] : []
}

export type Written = ChainRow & EntryRow

/** The entry as a row that follows the head, which moves on to it. */
export function write(head: Pick<Head, 'id' | 'lab_id' | 'seq' | 'hash'>, entry: Entry, now: Date): Written {
  const row = {
    ...columnsOf(entry),
    lab_id: head.lab_id,
    batch_id: head.id,
    seq: head.seq + 1,
    recorded_at: now,
    body: entry,
    hash_version: HASH_VERSION,
  }
  const written = { ...row, previous_hash: head.hash, hash: hashOf(head.hash, row) }
  head.seq = written.seq
  head.hash = written.hash
  return written
}

function columnsOf(entry: Entry) {
  const none = { value: null, unit: null, instrument: null, typed: null, corrects: null }
  const common = { id: entry.id, person_id: entry.by, kind: entry.kind, at: entry.at, ...none }
  if (entry.kind === 'correction') return { ...common, corrects: entry.corrects }
  if (entry.kind !== 'reading') return common
  const parts = partsOfMeasured(entry.value)
  return {
    ...common,
    value: parts ? plainDecimal(parts.number) : null,
    unit: parts?.unit ?? null,
    instrument: entry.instrument ?? null,
    typed: entry.typed,
  }
}

const columns =
  'id uuid, lab_id uuid, batch_id uuid, seq integer, person_id uuid, kind text, at timestamptz, value numeric, unit text, instrument text, typed boolean, corrects uuid, body jsonb, previous_hash text, hash text, recorded_at timestamptz, hash_version smallint'
const names = columns.replaceAll(/ (uuid|integer|smallint|text|timestamptz|numeric|boolean|jsonb)/g, '')

/** The list of chains' ends goes along with every move. */
const KEEP_END = `insert into chain_ends (batch_id, lab_id, code, seq, hash) select id, lab_id, code, seq, hash from moved
       on conflict (lab_id, batch_id) do update set seq = excluded.seq, hash = excluded.hash`

/**
 * Writes the rows and moves the heads of their batches, in one statement with two parameters however many rows: the statement stays the same, and the
 * number of parameters is never too large. Answers the rows that were not there yet.
 */
async function insertRows(
  trx: Knex.Transaction,
  rows: readonly object[],
  heads: readonly Head[],
): Promise<{ id: string }[]> {
  const { rows: recorded } = await trx.raw<{ rows: { id: string }[] }>(
    `with moved as (
       update batches set last_seq = head.seq, last_hash = head.hash, touched_at = now()
       from jsonb_to_recordset(?::jsonb) as head(lab_id uuid, id uuid, seq integer, hash text)
       where batches.lab_id = head.lab_id and batches.id = head.id and batches.last_seq <> head.seq
       returning batches.id, batches.lab_id, batches.code, head.seq, head.hash),
     ended as (${KEEP_END})
     insert into entries (${names}) select ${names} from jsonb_to_recordset(?::jsonb) as fresh(${columns})
     on conflict (lab_id, id) do nothing returning id`,
    [JSON.stringify(heads.map(({ lab_id, id, seq, hash }) => ({ lab_id, id, seq, hash }))), JSON.stringify(rows)],
  )
  return recorded
}

interface Move {
  readonly id: string
  readonly code: string
  readonly old_seq: number
  readonly old_hash: string
  readonly seq: number
  readonly hash: string
}

/** Writes the rows of the batches whose chains still end where they were thought to; undefined where an entry is there already. */
async function insertByHints(
  db: Knex,
  lab: string,
  moves: readonly Move[],
  rows: readonly object[],
): Promise<{ id: string; batch_id: string }[] | undefined> {
  try {
    const { rows: recorded } = await db.raw<{ rows: { id: string; batch_id: string }[] }>(
      'select entry as id, batch as batch_id from append_entries(?::uuid, ?::jsonb, ?::jsonb)',
      [lab, JSON.stringify(moves), JSON.stringify(rows)],
    )
    return recorded
  } catch (error) {
    // An entry or a number that is there already, two processes in a ring, or a batch that was sealed: the way with locks sorts it out.
    if (/^(23505|40P01|40001|ZL001)$/.test((error as { code?: string }).code ?? '')) return undefined
    throw error
  }
}

/** A refusal in words, with the place in the request. */
export function explainAppend(problem: AppendProblem): {
  readonly why: string
  readonly fix: string
  readonly at: string
} {
  switch (problem.code) {
    case 'append.no-batch':
      return { why: 'There is no such batch.', fix: 'Look at the code.', at: 'code' }
    case 'append.sealed':
      return {
        why: 'This batch is sealed: nothing is recorded in it any more.',
        fix: 'Add what is missing as an addendum, on its record.',
        at: `entries.${problem.at}`,
      }
    case 'append.stranger':
      return {
        why: 'This is signed by somebody else than you. Nobody records in another’s name.',
        fix: 'It is sent when that person signs in on the device where it was recorded.',
        at: `entries.${problem.at}.by`,
      }
    case 'append.taken':
      return {
        why: 'An entry with this id belongs to another batch.',
        fix: 'Record it anew.',
        at: `entries.${problem.at}.id`,
      }
    case 'append.differs':
      return {
        why: 'An entry with this id is there already, and says something else.',
        fix: 'Record it anew, or correct the one that is there.',
        at: `entries.${problem.at}.id`,
      }
    case 'append.stage':
      return {
        why: `This batch has no stage “${problem.stage}”, and never had.`,
        fix: 'Look at which batch it was meant for.',
        at: `entries.${problem.at}.stage`,
      }
    case 'append.entry':
      return { ...explainEntry(problem.problem), at: `entries.${problem.at}` }
  }
}
