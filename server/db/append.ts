import type { Knex } from 'knex'
import { checkEntry, explainEntry, foldJournal, type Entry, type EntryProblem } from '#core/journal'
import { hashOf, stored, type EntryRow, type StoredEntry } from './entries'

export interface Append {
  readonly code: string
  readonly entries: readonly Entry[]
}

export type AppendProblem =
  | { readonly code: 'append.no-batch' }
  | { readonly code: 'append.stranger'; readonly at: number }
  | { readonly code: 'append.taken'; readonly at: number }
  | { readonly code: 'append.entry'; readonly at: number; readonly problem: EntryProblem }
export type Appended =
  | { readonly ok: true; readonly entries: readonly StoredEntry[] }
  | { readonly ok: false; readonly problem: AppendProblem }

interface Head {
  readonly id: string
  readonly code: string
  readonly lab_id: string
  seq: number
  hash: string
}

/**
 * Appends the entries of several requests in one transaction, each chained to the one before in its batch. An entry whose id is there already is
 * left as it is, so that a repeat after a lost answer changes nothing. A request that is refused leaves the others alone.
 */
export const appendMany = (db: Knex, labId: string | undefined, appends: readonly Append[]): Promise<Appended[]> =>
  db.transaction(async trx => {
    const heads = await lockHeads(trx, labId, appends)
    const known = await knownEntries(trx, appends)
    const people = await peopleOf(trx, heads)
    const fresh: object[] = []
    const results = appends.map(({ code, entries }): { problem?: AppendProblem; ids: string[] } => {
      const head = heads.get(code)
      if (!head) return { problem: { code: 'append.no-batch' }, ids: [] }
      const problem = problemOf(head, entries, known, people)
      if (problem) return { problem, ids: [] }
      for (const entry of entries) {
        if (known.has(entry.id)) continue
        const row = rowOf(head, entry)
        fresh.push(row)
        known.set(entry.id, { ...row, body: entry, recorded_at: new Date() })
        head.seq = row.seq
        head.hash = row.hash
      }
      return { ids: entries.map(({ id }) => id) }
    })
    if (fresh.length > 0) {
      const recorded = await insertRows(trx, fresh)
      for (const [id, recorded_at] of recorded) known.set(id, { ...known.get(id)!, recorded_at })
      await moveHeads(trx, [...heads.values()])
    }
    return results.map(({ problem, ids }): Appended =>
      problem ? { ok: false, problem } : { ok: true, entries: ids.map(id => stored(known.get(id)!)) },
    )
  })

/** In one order, so that two processes never wait for each other in a ring. */
async function lockHeads(
  trx: Knex.Transaction,
  labId: string | undefined,
  appends: readonly Append[],
): Promise<Map<string, Head>> {
  const codes = [...new Set(appends.map(({ code }) => code))]
  const { rows } = await trx.raw<{ rows: Head[] }>(
    `select id, code, lab_id, last_seq as seq, last_hash as hash from batches
     where lab_id = coalesce(?::uuid, (select id from labs limit 1)) and code = any(?) order by id for update`,
    [labId ?? null, codes],
  )
  return new Map(rows.map(row => [row.code, row]))
}

async function knownEntries(trx: Knex.Transaction, appends: readonly Append[]): Promise<Map<string, EntryRow>> {
  const ids = appends.flatMap(({ entries }) =>
    entries.flatMap(entry => (entry.kind === 'correction' ? [entry.id, entry.corrects] : [entry.id])),
  )
  const { rows } = await trx.raw<{ rows: EntryRow[] }>('select * from entries where id = any(?::uuid[])', [ids])
  return new Map(rows.map(row => [row.id, row]))
}

async function peopleOf(trx: Knex.Transaction, heads: ReadonlyMap<string, Head>): Promise<Set<string>> {
  const [head] = heads.values()
  if (!head) return new Set()
  const { rows } = await trx.raw<{ rows: { id: string }[] }>('select id from people where lab_id = ?', [head.lab_id])
  return new Set(rows.map(({ id }) => id))
}

function problemOf(
  head: Head,
  entries: readonly Entry[],
  known: ReadonlyMap<string, EntryRow>,
  people: ReadonlySet<string>,
): AppendProblem | undefined {
  const before: Entry[] = []
  for (const [at, entry] of entries.entries()) {
    const there = known.get(entry.id)
    if (there) {
      if (there.batch_id !== head.id) return { code: 'append.taken', at }
      continue
    }
    if (!people.has(entry.by)) return { code: 'append.stranger', at }
    const checked = checkEntry(
      entry,
      entry.kind === 'correction' ? foldJournal([...correctedBy(head, entry.corrects, known), ...before]) : [],
    )
    if (!checked.ok) return { code: 'append.entry', at, problem: checked.problem }
    before.push(entry)
  }
  return undefined
}

const correctedBy = (head: Head, id: string, known: ReadonlyMap<string, EntryRow>): Entry[] => {
  const row = known.get(id)
  return row && row.batch_id === head.id ? [row.body] : []
}

function rowOf(head: Head, entry: Entry) {
  const seq = head.seq + 1
  return {
    ...columnsOf(entry),
    lab_id: head.lab_id,
    batch_id: head.id,
    seq,
    body: entry,
    previous_hash: head.hash,
    hash: hashOf(head.hash, seq, entry),
  }
}

function columnsOf(entry: Entry) {
  const common = { id: entry.id, person_id: entry.by, kind: entry.kind, at: entry.at }
  if (entry.kind === 'correction') return { ...common, corrects: entry.corrects }
  if (entry.kind !== 'reading') return common
  const [, digits, unit] = /^\s*(-?[\d.]+)\S*\s*(\S*)/.exec(entry.value) ?? []
  return {
    ...common,
    value: digits ?? null,
    unit: unit ?? null,
    instrument: entry.instrument ?? null,
    typed: entry.typed,
  }
}

/** One parameter however many rows: the statement stays the same, and the number of parameters is never too large. */
async function insertRows(trx: Knex.Transaction, rows: readonly object[]): Promise<Map<string, Date>> {
  const columns =
    'id uuid, lab_id uuid, batch_id uuid, seq integer, person_id uuid, kind text, at timestamptz, value numeric, unit text, instrument text, typed boolean, corrects uuid, body jsonb, previous_hash text, hash text'
  const names = columns.replaceAll(/ (uuid|integer|text|timestamptz|numeric|boolean|jsonb)/g, '')
  const { rows: recorded } = await trx.raw<{ rows: { id: string; recorded_at: Date }[] }>(
    `insert into entries (${names}) select ${names} from jsonb_to_recordset(?::jsonb) as fresh(${columns}) returning id, recorded_at`,
    [JSON.stringify(rows)],
  )
  return new Map(recorded.map(({ id, recorded_at }) => [id, recorded_at]))
}

const moveHeads = (trx: Knex.Transaction, heads: readonly Head[]): Promise<unknown> =>
  trx.raw(
    `update batches set last_seq = head.seq, last_hash = head.hash, touched_at = now()
     from jsonb_to_recordset(?::jsonb) as head(id uuid, seq integer, hash text)
     where batches.id = head.id and batches.last_seq <> head.seq`,
    [JSON.stringify(heads.map(({ id, seq, hash }) => ({ id, seq, hash })))],
  )

/** A refusal in words, with the place in the request. */
export function explainAppend(problem: AppendProblem): {
  readonly why: string
  readonly fix: string
  readonly at: string
} {
  switch (problem.code) {
    case 'append.no-batch':
      return { why: 'There is no such batch.', fix: 'Look at the code.', at: 'code' }
    case 'append.stranger':
      return {
        why: 'This is signed by somebody who is not of this lab.',
        fix: 'Choose who you are at the top.',
        at: `entries.${problem.at}.by`,
      }
    case 'append.taken':
      return {
        why: 'An entry with this id belongs to another batch.',
        fix: 'Record it anew.',
        at: `entries.${problem.at}.id`,
      }
    case 'append.entry':
      return { ...explainEntry(problem.problem), at: `entries.${problem.at}` }
  }
}
