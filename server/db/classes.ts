import { randomInt, randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { classSchema, drawUnknowns, groupDocument, sectionOf, type ClassPlan, type RosterLine } from '#core/classroom'
import { codePrefix } from '#core/document'
import { parseFormula } from '#core/formula'
import type { Access } from '../access/access'
import { addBatch } from './batches'

export interface StoredClass {
  readonly id: string
  readonly code: string
  readonly version: number
  readonly plan: ClassPlan
  readonly madeBy: string
  readonly madeAt: string
  readonly releasedAt?: string
}
export interface ClassGroup {
  readonly number: number
  readonly section: string
  readonly batchId: string
  readonly batch: string
  readonly helpAt?: string
}
export interface ClassMember {
  readonly id: string
  readonly group: number
  readonly name: string
  readonly person?: string
}

interface Row {
  readonly id: string
  readonly code: string
  readonly version: number
  readonly body: unknown
  readonly made_by: string
  readonly made_at: Date
  readonly released_at: Date | null
}

/** What is stored is parsed when it is read; a class that does not read here is left out. */
function classOf({ body, made_by, made_at, released_at, ...row }: Row): StoredClass[] {
  const read = classSchema.safeParse(body)
  if (!read.success) return []
  return [
    {
      ...row,
      plan: read.data,
      madeBy: made_by,
      madeAt: made_at.toISOString(),
      ...(released_at && { releasedAt: released_at.toISOString() }),
    },
  ]
}
const COLUMNS = ['id', 'code', 'version', 'body', 'made_by', 'made_at', 'released_at'] as const
const MOST = 200

/** The classes of a lab, the last made first; to a student those they are in. */
export async function listClasses(db: Knex, { lab }: Access): Promise<StoredClass[]> {
  const rows: Row[] = await db('classes')
    .where({ lab_id: lab })
    .orderBy('made_at', 'desc')
    .limit(MOST)
    .select(...COLUMNS)
  return rows.flatMap(classOf)
}
export const hasClasses = async (db: Knex, { lab }: Pick<Access, 'lab'>): Promise<boolean> =>
  (await db('classes').where({ lab_id: lab }).first('id')) !== undefined

export async function findClass(db: Knex, { lab }: Access, id: string): Promise<StoredClass | undefined> {
  const row: Row | undefined = await db('classes')
    .where({ lab_id: lab, id })
    .first(...COLUMNS)
  return row && classOf(row)[0]
}

/** Letters and digits that are told apart when they are read out. */
const SIGNS = 'abcdefghjkmnpqrstuvwxyz23456789'
const LENGTH = 6
const newCode = (): string => Array.from({ length: LENGTH }, () => SIGNS[randomInt(SIGNS.length)]).join('')

/** Makes a class: its groups with a batch each, and the key of their unknowns, which is sealed apart. */
export const addClass = (db: Knex, access: Access, plan: ClassPlan): Promise<StoredClass> =>
  db.transaction(async trx => {
    const id = randomUUID()
    const [row] = await trx('classes')
      .insert({ lab_id: access.lab, id, code: newCode(), body: JSON.stringify(plan), made_by: access.person })
      .returning([...COLUMNS])
    const drawn = drawUnknowns(plan, () => randomInt(2 ** 31) / 2 ** 31)
    if (Object.keys(drawn).length > 0)
      await trx('class_keys').insert({ lab_id: access.lab, class_id: id, body: JSON.stringify(drawn) })
    const product = plan.document.plan.stages.at(-1)?.product
    const read = parseFormula(product?.form ?? product?.species ?? '')
    for (let number = 1; number <= plan.groups; number++) {
      const document = groupDocument(plan, number)
      const title = `${plan.name}, group ${number}`.slice(0, 120)
      const batch = await addBatch(trx, access, read.ok ? codePrefix(read.value) : 'ZL', { ...document, title })
      await trx('batches').where({ lab_id: access.lab, id: batch.id }).update({ class_id: id })
      await trx('class_groups').insert({
        lab_id: access.lab,
        class_id: id,
        number,
        section: sectionOf(plan, number),
        batch_id: batch.id,
      })
    }
    return classOf(row as Row)[0]!
  })

export async function groupsOf(db: Knex, { lab }: Access, id: string): Promise<ClassGroup[]> {
  const rows: { number: number; section: string; batch_id: string; batch: string; help_at: Date | null }[] = await db(
    'class_groups',
  )
    .join('batches', { 'batches.lab_id': 'class_groups.lab_id', 'batches.id': 'class_groups.batch_id' })
    .where({ 'class_groups.lab_id': lab, 'class_groups.class_id': id })
    .orderBy('number')
    .select('number', 'section', 'batch_id', 'batches.code as batch', 'help_at')
  return rows.map(({ batch_id, help_at, ...row }) => ({
    ...row,
    batchId: batch_id,
    ...(help_at && { helpAt: help_at.toISOString() }),
  }))
}

export async function membersOf(db: Knex, { lab }: Access, id: string): Promise<ClassMember[]> {
  const rows: { id: string; number: number; name: string; person_id: string | null }[] = await db('class_members')
    .where({ lab_id: lab, class_id: id })
    .orderBy(['number', 'name'])
    .select('id', 'number', 'name', 'person_id')
  return rows.map(({ number, person_id, ...row }) => ({
    ...row,
    group: number,
    ...(person_id && { person: person_id }),
  }))
}

/** The key: what is in each group's jar, by its number. Nothing for a student before it is released. */
export async function keyOf(
  db: Knex,
  { lab }: Access,
  id: string,
): Promise<Readonly<Record<string, string>> | undefined> {
  const row: { body: Record<string, string> } | undefined = await db('class_keys')
    .where({ lab_id: lab, class_id: id })
    .first('body')
  return row?.body
}

/** Opens the seal of the key, once. */
export const releaseKey = (db: Knex, { lab }: Access, id: string): Promise<number> =>
  db('classes').where({ lab_id: lab, id }).whereNull('released_at').update({ released_at: new Date() })

/** Puts a list in place of those who have not come yet; who has joined stays, in the group that the list says. */
export const putRoster = (db: Knex, { lab }: Access, id: string, lines: readonly RosterLine[]): Promise<void> =>
  db.transaction(async trx => {
    const joined: { id: string; name: string }[] = await trx('class_members')
      .where({ lab_id: lab, class_id: id })
      .whereNotNull('person_id')
      .select('id', 'name')
    await trx('class_members').where({ lab_id: lab, class_id: id }).whereNull('person_id').delete()
    const there = new Map(joined.map(one => [one.name.toLowerCase(), one.id]))
    for (const { name, group } of lines) {
      const known = there.get(name.toLowerCase())
      if (known) await trx('class_members').where({ lab_id: lab, id: known }).update({ number: group })
      else await trx('class_members').insert({ lab_id: lab, class_id: id, id: randomUUID(), number: group, name })
    }
  })

export type Joined =
  | { readonly is: 'joined'; readonly batch: string; readonly group: number }
  | { readonly is: 'no class' | 'not listed' | 'full' }

/** A class in which a code is good: in this lab only. By the lab's own view, since who joins does not see it yet. */
const findByCode = async (db: Knex, lab: string, code: string): Promise<StoredClass | undefined> => {
  const row: Row | undefined = await db('classes')
    .where({ lab_id: lab, code })
    .first(...COLUMNS)
  return row && classOf(row)[0]
}

/** How many make a group where there is no list. */
const PAIR = 2

/** Somebody joins a class by its code: in the place that the list keeps for their name, or, where there is no list, in the first group with room. */
export const joinClass = (db: Knex, { lab, person }: Access, code: string, name: string): Promise<Joined> =>
  db.transaction(async trx => {
    const found = await findByCode(trx, lab, code)
    if (!found) return { is: 'no class' }
    const key = { lab_id: lab, class_id: found.id }
    await trx('classes').where({ lab_id: lab, id: found.id }).forUpdate().select('id')
    const members: { id: string; number: number; name: string; person_id: string | null }[] = await trx('class_members')
      .where(key)
      .select('id', 'number', 'name', 'person_id')
    const mine = members.find(one => one.person_id === person)
    const seat = mine ?? members.find(one => one.person_id === null && one.name.toLowerCase() === name.toLowerCase())
    let group = seat?.number
    if (seat && !mine)
      await trx('class_members')
        .where({ ...key, id: seat.id })
        .update({ person_id: person })
    if (!seat) {
      if (members.some(one => one.person_id === null)) return { is: 'not listed' }
      const room = Array.from({ length: found.plan.groups }, (_, i) => i + 1)
      group = room.find(number => members.filter(one => one.number === number).length < PAIR)
      if (group === undefined) return { is: 'full' }
      await trx('class_members').insert({ ...key, id: randomUUID(), number: group, name, person_id: person })
    }
    const batch = (await groupsOf(trx, { lab } as Access, found.id)).find(({ number }) => number === group)
    return { is: 'joined', batch: batch!.batch, group: group! }
  })

/** The class of a batch, and its group; undefined where the batch is of none. */
export async function classOfBatch(
  db: Knex,
  access: Access,
  batchId: string,
): Promise<{ readonly of: StoredClass; readonly group: ClassGroup } | undefined> {
  const row: { class_id: string; number: number } | undefined = await db('class_groups')
    .where({ lab_id: access.lab, batch_id: batchId })
    .first('class_id', 'number')
  if (!row) return undefined
  const [of, groups] = await Promise.all([findClass(db, access, row.class_id), groupsOf(db, access, row.class_id)])
  const group = groups.find(({ number }) => number === row.number)
  return of && group && { of, group }
}

export const askForHelp = (db: Knex, { lab }: Access, batchId: string, isOn: boolean): Promise<number> =>
  db('class_groups')
    .where({ lab_id: lab, batch_id: batchId })
    .update({ help_at: isOn ? new Date() : null })

export interface ClassAnswer {
  readonly question: string
  readonly body: string
  readonly person: string
  readonly at: string
}
/** The last answer to each question of a run. */
export async function answersOf(
  db: Knex,
  { lab }: Access,
  batchIds: readonly string[],
): Promise<Map<string, ClassAnswer[]>> {
  const rows: { batch_id: string; question: string; body: string; person_id: string; at: Date }[] = await db(
    'class_answers',
  )
    .distinctOn('batch_id', 'question')
    .where({ lab_id: lab })
    .whereIn('batch_id', batchIds)
    .orderBy([{ column: 'batch_id' }, { column: 'question' }, { column: 'at', order: 'desc' }])
    .select('batch_id', 'question', 'body', 'person_id', 'at')
  const all = new Map<string, ClassAnswer[]>()
  for (const { batch_id, person_id, at, ...row } of rows)
    all.set(batch_id, [...(all.get(batch_id) ?? []), { ...row, person: person_id, at: at.toISOString() }])
  return all
}
export const addAnswerOf = (
  db: Knex,
  { lab, person }: Access,
  { id, batchId, question, body }: { id: string; batchId: string; question: string; body: string },
): Promise<unknown> =>
  db('class_answers')
    .insert({ lab_id: lab, id, batch_id: batchId, question, body, person_id: person })
    .onConflict(['lab_id', 'id'])
    .ignore()

export interface StoredMark {
  readonly criterion: string
  readonly points?: number
  readonly comment: string
  readonly person: string
  readonly at: string
}
/** What was marked by hand, run by run, in the order in which it was given. */
export async function marksOf(
  db: Knex,
  { lab }: Access,
  batchIds: readonly string[],
): Promise<Map<string, StoredMark[]>> {
  const rows: {
    batch_id: string
    criterion: string
    points: string | null
    comment: string
    person_id: string
    at: Date
  }[] = await db('class_marks')
    .where({ lab_id: lab })
    .whereIn('batch_id', batchIds)
    .orderBy(['at', 'id'])
    .select('batch_id', 'criterion', 'points', 'comment', 'person_id', 'at')
  const all = new Map<string, StoredMark[]>()
  for (const { batch_id, person_id, points, at, ...row } of rows)
    all.set(batch_id, [
      ...(all.get(batch_id) ?? []),
      { ...row, ...(points !== null && { points: Number(points) }), person: person_id, at: at.toISOString() },
    ])
  return all
}
export const addMark = (
  db: Knex,
  { lab, person }: Access,
  { batchId, ...mark }: { batchId: string; criterion: string; points: number | null; comment: string },
): Promise<unknown> =>
  db('class_marks').insert({ ...mark, lab_id: lab, id: randomUUID(), batch_id: batchId, person_id: person })
