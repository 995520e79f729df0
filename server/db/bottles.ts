import type { Knex } from 'knex'
import { parseFormula } from '#core/formula'
import { foldJournal } from '#core/journal'
import type { Need } from '#core/overview'
import {
  balanceOf,
  factSchema,
  holdingOf,
  labelSchema,
  takenBy,
  type BottleFact,
  type Holding,
  type Label,
  keptTaken,
  takenOf,
  type BottleRow,
  type BatchNeed,
  type KeptTaken,
} from '#core/shelf'
import { clashesOf, findByWords, nameOf } from '#core/species'
import type { Access } from '../access/access'
import { listEntries } from './entries'
import { revise } from './revisions'

type Standing = Pick<Holding, 'comes' | 'known' | 'opened' | 'strengthAt' | 'seen' | 'missing'>
interface Row {
  readonly code: string
  readonly version: number
  readonly label: unknown
  readonly place: string
  readonly unit: 'g' | 'mL'
  readonly amount: number | null
  readonly spread: number | null
  readonly is_empty: boolean
  readonly standing: Standing
}
const columns = ['code', 'version', 'label', 'place', 'unit', 'amount', 'spread', 'is_empty', 'standing'] as const

/** A shelf holds thousands of bottles of some hundred substances: each is named once. */
const names = new Map<string, string>()
const MOST_NAMES = 2000
function nameIn(formula: string): string {
  const known = names.get(formula)
  if (known !== undefined) return known
  const read = parseFormula(formula)
  const name = (read.ok && nameOf(read.value)) || ''
  if (names.size >= MOST_NAMES) names.clear()
  names.set(formula, name)
  return name
}
function rowOf({ label, is_empty, amount, spread, standing, ...row }: Row): BottleRow {
  const read = labelSchema.parse(label)
  return {
    ...row,
    label: read,
    name: nameIn(read.formula),
    isEmpty: is_empty,
    ...(amount !== null && { amount }),
    ...(spread !== null && { spread }),
    ...standing,
  }
}

const HAS = String.raw`words like ? escape '\'`
const like = (part: string): string => `%${part.replaceAll(/[\\%_]/g, String.raw`\$&`)}%`

export interface Search {
  /** Formula in any notation, name, place, lot, code, or a part of them. */
  readonly words?: string
  readonly withEmpty?: boolean
  /** The number behind which to go on, and how many at once. */
  readonly after?: number
  readonly most: number
}
/** Bottles of a lab in the order of their numbers, as far as asked for, with how many there are in all. */
export async function listBottles(
  db: Knex,
  { lab }: Access,
  { words = '', withEmpty = false, after = 0, most }: Search,
): Promise<{ readonly bottles: readonly BottleRow[]; readonly total: number; readonly next?: number }> {
  const wanted = words.trim().toLowerCase()
  const found = db('bottles').where({ lab_id: lab })
  if (!withEmpty) void found.where({ is_empty: false })
  if (wanted !== '') {
    const typed = parseFormula(words.trim())
    const meant = typed.ok ? typed.value.text : findByWords(words)?.formula
    const parts = wanted.split(/\s+/)
    void found.where(either => {
      void either.whereRaw(HAS, [like(wanted)])
      // A name in its parts, wherever a state or a hydrate stands between them.
      if (parts.length > 1 && parts.every(part => /^\p{L}{3,}$/u.test(part)))
        void either.orWhere(all => {
          for (const part of parts) void all.whereRaw(HAS, [like(part)])
        })
      if (meant !== undefined)
        void either.orWhere({ formula: meant }).orWhereRaw(`starts_with(formula, ?)`, [`${meant}·`])
    })
  }
  const [total, rows] = await Promise.all([
    found.clone().count<{ count: string }[]>('*'),
    found
      .clone()
      .where('number', '>', after)
      .orderBy('number')
      .limit(most)
      .select([...columns, 'number']) as Promise<(Row & { number: number })[]>,
  ])
  const last = rows.at(-1)
  return {
    bottles: rows.map(({ number: _, ...row }) => rowOf(row)),
    total: Number(total[0]?.count ?? 0),
    ...(rows.length === most && last && { next: last.number }),
  }
}

/** More kinds of substance than any lab keeps. */
const MOST_FORMULAS = 3000

/** The formulas of bottles that are not empty, each with how many there are. */
export async function formulasOn(
  db: Knex,
  { lab }: Access,
): Promise<readonly { readonly formula: string; readonly bottles: number }[]> {
  const rows: { formula: string; bottles: string }[] = await db('bottles')
    .where({ lab_id: lab, is_empty: false })
    .groupBy('formula')
    .orderBy('formula')
    .limit(MOST_FORMULAS)
    .select('formula')
    .count('* as bottles')
  return rows.map(({ formula, bottles }) => ({ formula, bottles: Number(bottles) }))
}

/** Open batches, last touched first, are counted up to this many: more are not planned at once by one lab. A judgement. */
const MOST_OPEN = 1000

/** What open batches have yet to take out of bottles, as their briefs tell; those of one bottle alone where it is named. */
export async function openNeeds(db: Knex, { lab }: Access, bottle?: string): Promise<readonly BatchNeed[]> {
  const rows: { code: string; brief: string }[] = await db('briefs')
    .where({ lab_id: lab })
    .whereRaw('not is_done')
    .whereNotNull('batch_code')
    .where(open => {
      if (bottle !== undefined) void open.where('brief', 'like', `%"bottle":${JSON.stringify(bottle)}%`)
    })
    .orderBy('batch_touched_at', 'desc')
    .limit(MOST_OPEN)
    .select('batch_code as code', 'brief')
  return rows.flatMap(({ code, brief }) => {
    const { needs = [] } = JSON.parse(brief) as { needs?: readonly Need[] }
    return needs.filter(need => bottle === undefined || need.bottle === bottle).map(need => ({ ...need, batch: code }))
  })
}

/** The bottles of which something is needed, and those that have a mark below which they are low. */
export async function bottlesFor(
  db: Knex,
  { lab }: Access,
  needs: readonly BatchNeed[],
): Promise<readonly BottleRow[]> {
  const formulas = needs.flatMap(({ form }) => {
    const read = parseFormula(form)
    return read.ok ? [read.value.text] : []
  })
  const rows: Row[] = await db('bottles')
    .where({ lab_id: lab, is_empty: false })
    .where(either => either.whereIn('formula', [...new Set(formulas)]).orWhereRaw("label->>'low' is not null"))
    .orderBy('number')
    .select([...columns])
  return rows.map(rowOf)
}

/** Every bottle of a lab; of `fullBottles` those that are not empty. */
export const allBottles = (db: Knex, { lab }: Access): Promise<readonly BottleRow[]> => inOrder(db, { lab_id: lab })
export const fullBottles = (db: Knex, { lab }: Access): Promise<readonly BottleRow[]> =>
  inOrder(db, { lab_id: lab, is_empty: false })
async function inOrder(db: Knex, where: object): Promise<readonly BottleRow[]> {
  const rows: Row[] = await db('bottles')
    .where(where)
    .orderBy('number')
    .select([...columns])
  return rows.map(rowOf)
}

/** The places of a shelf with how many bottles stand in each, those that are not empty; and the bottles of one place. */
export const placesOf = async (db: Knex, { lab }: Access): Promise<{ place: string; bottles: number }[]> => {
  const rows: { place: string; count: string }[] = await db('bottles')
    .where({ lab_id: lab, is_empty: false })
    .groupBy('place')
    .orderBy('place')
    .select('place')
    .count({ count: '*' })
  return rows.map(({ place, count }) => ({ place, bottles: Number(count) }))
}
/** More are not counted in one go. */
const MOST_IN_A_PLACE = 500
export async function bottlesIn(db: Knex, { lab }: Access, place: string): Promise<readonly BottleRow[]> {
  const rows: Row[] = await db('bottles')
    .where({ lab_id: lab, is_empty: false, place })
    .orderBy('number')
    .limit(MOST_IN_A_PLACE)
    .select([...columns])
  return rows.map(rowOf)
}

/** The bottles that hold what a batch gave. */
export async function bottlesMadeBy(db: Knex, { lab }: Access, batch: string): Promise<readonly BottleRow[]> {
  const rows: Row[] = await db('bottles')
    .where({ lab_id: lab })
    .whereRaw("label->'made'->>'batch' = ?", [batch])
    .orderBy('number')
    .select([...columns])
  return rows.map(rowOf)
}

/** A bottle with its ledger. */
export interface BottlePage extends BottleRow {
  readonly facts: readonly BottleFact[]
  readonly taken: readonly KeptTaken[]
}
export async function findBottle(db: Knex, { lab }: Access, code: string): Promise<BottlePage | undefined> {
  const row: Row | undefined = await db('bottles')
    .where({ lab_id: lab, code })
    .first([...columns])
  return row && { ...rowOf(row), ...(await eventsOf(db, lab, code)) }
}

async function eventsOf(
  db: Knex,
  lab: string,
  code: string,
): Promise<{ readonly facts: BottleFact[]; readonly taken: KeptTaken[] }> {
  const [facts, draws] = await Promise.all([
    db('bottle_facts').where({ lab_id: lab, bottle: code }).orderBy('seq').pluck('body') as Promise<unknown[]>,
    db('draws').where({ lab_id: lab, bottle: code }).pluck('body') as Promise<KeptTaken[][]>,
  ])
  return { facts: facts.map(body => factSchema.parse(body)), taken: draws.flat() }
}

export interface Neighbour {
  readonly code: string
  readonly formula: string
  readonly makes: string
}
/** Bottles in the same place whose content must not meet that of this one, and what they would make; none for a bottle whose place is not known. */
export async function neighboursOf(db: Knex, { lab }: Access, bottle: BottleRow): Promise<Neighbour[]> {
  const mine = parseFormula(bottle.label.formula)
  if (bottle.place === '' || bottle.isEmpty || !mine.ok) return []
  const rows: { code: string; formula: string }[] = await db('bottles')
    .where({ lab_id: lab, place: bottle.place, is_empty: false })
    .whereNot({ code: bottle.code })
    .orderBy('number')
    .limit(500)
    .select('code', 'formula')
  return rows.flatMap(({ code, formula }) => {
    const read = parseFormula(formula)
    const [clash] = read.ok ? clashesOf([mine.value, read.value]) : []
    return clash ? [{ code, formula, makes: clash.makes }] : []
  })
}

/** Adds bottles with the first thing that happened to each, all or none; their codes are the lab's next numbers. */
export const addBottles = (
  db: Knex,
  access: Access,
  added: readonly { readonly label: Label; readonly facts: readonly BottleFact[] }[],
): Promise<string[]> =>
  db.transaction(async trx => {
    await trx('labs').where({ id: access.lab }).forUpdate().select('id')
    const last = await trx('bottles').where({ lab_id: access.lab }).max<{ max: number | null }[]>('number')
    const first = (last[0]?.max ?? 0) + 1
    const codes: string[] = []
    for (const [i, { label, facts }] of added.entries()) {
      const number = first + i
      const code = `B-${String(number).padStart(3, '0')}`
      const holding = holdingOf(label, facts)
      await trx('bottles').insert({
        lab_id: access.lab,
        code,
        number,
        label: JSON.stringify(label),
        last_fact: facts.length,
        ...keptOf(code, label, holding),
      })
      await insertFacts(trx, access, code, facts, 0)
      await revise(trx, access, { kind: 'bottle', subject: code }, label)
      codes.push(code)
    }
    return codes
  })

async function insertFacts(
  trx: Knex,
  { lab, person }: Access,
  bottle: string,
  facts: readonly BottleFact[],
  last: number,
): Promise<void> {
  if (facts.length === 0) return
  await trx('bottle_facts').insert(
    facts.map((fact, i) => ({
      lab_id: lab,
      bottle,
      seq: last + i + 1,
      id: fact.id,
      body: JSON.stringify(fact),
      person_id: person,
    })),
  )
}

/** What is kept beside the facts, to be found and shown by. */
function keptOf(code: string, label: Label, holding: Holding) {
  const { comes, known, opened, strengthAt, seen, missing, place, unit, isEmpty } = holding
  const balance = balanceOf(holding)
  const read = parseFormula(label.formula)
  const words = [code, label.formula, nameIn(label.formula), label.words, label.lot, place, label.made?.batch]
  const standing: Standing = {
    comes,
    known,
    ...(opened && { opened }),
    ...(strengthAt && { strengthAt }),
    ...(seen && { seen }),
    ...(missing && { missing }),
  }
  return {
    formula: read.ok ? read.value.text : label.formula,
    place,
    words: words.filter(Boolean).join(' ').toLowerCase(),
    amount: balance?.value ?? null,
    spread: balance?.uncertainty ?? null,
    unit,
    standing: JSON.stringify(standing),
    is_empty: isEmpty,
  }
}

/** Works out anew what a bottle holds, in the transaction that changed something of it; it is held meanwhile. */
async function settle(trx: Knex, lab: string, code: string, label?: Label): Promise<void> {
  const row = await trx('bottles').where({ lab_id: lab, code }).first('label')
  if (!row) return
  const { facts, taken } = await eventsOf(trx, lab, code)
  const written = label ?? labelSchema.parse(row.label)
  const holding = holdingOf(written, facts, taken.map(takenOf))
  await trx('bottles')
    .where({ lab_id: lab, code })
    .update(keptOf(code, written, holding))
}

/** Adds what happened to a bottle; one whose id is there already is left as it is. Undefined where there is no such bottle. */
export const addFact = (db: Knex, access: Access, code: string, fact: BottleFact): Promise<BottlePage | undefined> =>
  db.transaction(async trx => {
    const head = await trx('bottles').where({ lab_id: access.lab, code }).forUpdate().first('last_fact')
    if (!head) return undefined
    const isThere = await trx('bottle_facts').where({ lab_id: access.lab, id: fact.id }).first('id')
    if (!isThere) {
      await insertFacts(trx, access, code, [fact], head.last_fact)
      await trx('bottles')
        .where({ lab_id: access.lab, code })
        .update({ last_fact: head.last_fact + 1 })
      await settle(trx, access.lab, code)
    }
    return findBottle(trx, access, code)
  })

/** Puts up a bottle that was made from another, and takes it off that one’s ledger, both or neither; its code. */
export const putUpMade = (
  db: Knex,
  access: Access,
  made: { readonly label: Label; readonly facts: readonly BottleFact[] },
  draw: { readonly from: string; readonly id: string; readonly at: string; readonly taken: string },
): Promise<string> =>
  db.transaction(async trx => {
    const [code = ''] = await addBottles(trx, access, [made])
    const { from, id, at, taken } = draw
    await addFact(trx, access, from, { id, at, by: access.person, kind: 'drawn', amount: taken, for: code })
    return code
  })

/** Writes another label on a bottle, from the version that was read; undefined where that is no longer the last, or where there is none. */
export const relabel = (
  db: Knex,
  access: Access,
  code: string,
  version: number,
  label: Label,
): Promise<BottlePage | undefined> =>
  db.transaction(async trx => {
    const changed = await trx('bottles')
      .where({ lab_id: access.lab, code, version })
      .update({ label: JSON.stringify(label), version: version + 1 })
    if (changed === 0) return undefined
    await settle(trx, access.lab, code, label)
    await revise(trx, access, { kind: 'bottle', subject: code }, label)
    return findBottle(trx, access, code)
  })

/** Brings the bottles that a batch names in line with its journal as it stands: what it took, and no longer what was corrected. */
export const drawFor = (db: Knex, access: Access, code: string): Promise<void> =>
  db.transaction(async trx => {
    const where = { lab_id: access.lab, code }
    const batch = await trx('batches').where(where).forUpdate().first('id', 'brought_seq')
    if (!batch) return
    const mine = { lab_id: access.lab, batch_id: batch.id }
    // What was brought in with the batch was taken out of bottles elsewhere, or was counted once already.
    const entries = await listEntries(trx, access, batch.id, batch.brought_seq)
    const taken = takenBy(code, foldJournal(entries.map(({ entry }) => entry)))
    const before: string[] = await trx('draws').where(mine).pluck('bottle')
    const named = [...new Set([...before, ...taken.keys()])].sort()
    // In one order, so that two batches never wait for each other in a ring.
    for (const bottle of named)
      await trx('bottles').where({ lab_id: access.lab, code: bottle }).forUpdate().first('code')
    await trx('draws').where(mine).delete()
    for (const [bottle, all] of taken)
      await trx('draws').insert({ ...mine, bottle, body: JSON.stringify(all.map(keptTaken)) })
    for (const bottle of named) await settle(trx, access.lab, bottle)
  })
