import type { H3Event } from 'h3'
import type { Knex } from 'knex'
import * as z from 'zod'
import {
  marksFor,
  recordKept,
  runStateOf,
  type ClassPlan,
  type Mark,
  type MarkFacts,
  type RunState,
} from '#core/classroom'
import type { BatchBrief } from '#core/overview'
import type { Access } from '../access/access'
import { findBatch, isUnread, type Batch } from '../db/batches'
import {
  answersOf,
  classOfBatch,
  findClass,
  groupsOf,
  keyOf,
  marksOf,
  membersOf,
  type ClassAnswer,
  type ClassGroup,
  type ClassMember,
  type StoredClass,
  type StoredMark,
} from '../db/classes'
import { entriesByBatch } from '../db/entries'

export async function requireClass(event: H3Event, db: Knex, access: Access): Promise<StoredClass> {
  const id = z.uuid().safeParse(getRouterParam(event, 'id'))
  const found = id.success ? await findClass(db, access, id.data) : undefined
  if (!found) throw refusal(404, 'There is no such class.')
  return found
}

/** One run of a class, as its instructor sees it. */
export interface RunRow {
  readonly group: ClassGroup
  readonly members: readonly ClassMember[]
  readonly state: RunState | undefined
  readonly answers: readonly ClassAnswer[]
  readonly marks: readonly Mark[]
  readonly given: readonly StoredMark[]
}

/** Every run of a class with its marks; accuracy only once the key is released. */
export async function rowsOf(db: Knex, access: Access, of: StoredClass, withMarks: boolean): Promise<RunRow[]> {
  const [groups, members, key] = await Promise.all([
    groupsOf(db, access, of.id),
    membersOf(db, access, of.id),
    of.releasedAt ? keyOf(db, access, of.id) : undefined,
  ])
  const ids = groups.map(({ batchId }) => batchId)
  const [batches, briefs, answers, given, journals] = await Promise.all([
    Promise.all(groups.map(({ batch }) => findBatch(db, access, batch))),
    briefsOf(db, access, ids),
    answersOf(db, access, ids),
    marksOf(db, access, ids),
    withMarks ? entriesByBatch(db, access, ids) : new Map<string, never[]>(),
  ])
  const now = Date.now()
  return groups.map((group, i): RunRow => {
    const found = batches[i]
    const batch = found && !isUnread(found) ? found : undefined
    const brief = briefs.get(group.batchId)
    const state = batch && brief && runStateOf(brief, batch.document, now)
    const mine = answers.get(group.batchId) ?? []
    const hand = given.get(group.batchId) ?? []
    const facts = factsOf(of.plan, batch, state, journals.get(group.batchId) ?? [], mine, key?.[String(group.number)])
    return {
      group,
      members: members.filter(one => one.group === group.number),
      state,
      answers: mine,
      marks: withMarks ? marksFor(of.plan.rubric, facts, hand) : [],
      given: hand,
    }
  })
}

function factsOf(
  plan: ClassPlan,
  batch: Batch | undefined,
  state: RunState | undefined,
  entries: Parameters<typeof recordKept>[1],
  answers: readonly ClassAnswer[],
  key: string | undefined,
): MarkFacts {
  return {
    ...(state?.assay && { assay: state.assay }),
    ...(key !== undefined && { key: Number(key) }),
    kept: batch ? recordKept(batch.document, entries) : [],
    answered: plan.questions.filter(({ id }) => answers.some(one => one.question === id && one.body.trim() !== ''))
      .length,
    asked: plan.questions.length,
  }
}

async function briefsOf(db: Knex, { lab }: Access, ids: readonly string[]): Promise<Map<string, BatchBrief>> {
  const rows: { batch_id: string; brief: Omit<BatchBrief, 'lane'>; lane: BatchBrief['lane'] }[] = await db('briefs')
    .where({ lab_id: lab })
    .whereIn('batch_id', ids)
    .select('batch_id', db.raw('brief::jsonb as brief'), db.raw('lane::jsonb as lane'))
  return new Map(rows.map(({ batch_id, brief, lane }) => [batch_id, { ...brief, lane }]))
}

/** Why a student may not write to a run of a class now: it has not begun, or is over. */
export async function requireOpenClass(db: Knex, access: Access, code: string): Promise<void> {
  if (access.role !== 'student') return
  const batch = await findBatch(db, access, code)
  if (!batch) throw refusal(404, `There is no batch ${code}.`)
  if (isUnread(batch)) return
  const found = await classOfBatch(db, access, batch.id)
  if (!found) return
  const { opensAt, closesAt } = found.of.plan
  const now = Date.now()
  if (opensAt && now < Date.parse(opensAt))
    throw refusal(409, 'This class has not begun: what you type is kept on this device.', [
      { code: 'class.early', why: `It opens at ${opensAt}.` },
    ])
  if (closesAt && now > Date.parse(closesAt))
    throw refusal(409, 'This class is over: nothing more is recorded in it. Ask who teaches it.', [
      { code: 'class.over', why: `It closed at ${closesAt}.` },
    ])
}
