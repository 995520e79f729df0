import type { Knex } from 'knex'
import type { BatchDocument } from '#core/document'
import type { Access } from '../access/access'
import { addBatch } from './batches'

export interface PracticeRun {
  readonly code: string
  readonly from: string
  readonly seed: number
  /** Where the bench's fast clock begins. */
  readonly startsAt: string
  readonly madeAt: string
}
interface Row {
  readonly code: string
  readonly made_from: string
  readonly seed: number
  readonly starts_at: Date
  readonly made_at: Date
}
const runOf = ({ code, made_from, seed, starts_at, made_at }: Row): PracticeRun => ({
  code,
  from: made_from,
  seed,
  startsAt: starts_at.toISOString(),
  madeAt: made_at.toISOString(),
})
const MOST = 100

const mine = (db: Knex, { lab, person }: Access): Knex.QueryBuilder =>
  db('practice_runs')
    .join('batches', { 'batches.lab_id': 'practice_runs.lab_id', 'batches.id': 'practice_runs.batch_id' })
    .where({ 'practice_runs.lab_id': lab, person_id: person })

/** One's own practice runs, the last first. */
export async function listPractice(db: Knex, access: Access): Promise<PracticeRun[]> {
  const rows: Row[] = await mine(db, access)
    .orderBy('made_at', 'desc')
    .limit(MOST)
    .select('code', 'made_from', 'seed', 'starts_at', 'made_at')
  return rows.map(runOf)
}
/** A practice run begins some days back, so that its fast clock never comes up with the lab's. */
const BACK = 30 * 86_400_000

/** Begins a practice run: a batch of its own, apart from the lab's. */
export const addPractice = (
  db: Knex,
  access: Access,
  { from, seed, prefix, document }: { from: string; seed: number; prefix: string; document: BatchDocument },
): Promise<PracticeRun> =>
  db.transaction(async trx => {
    const batch = await addBatch(trx, access, prefix, document)
    await trx('batches').where({ lab_id: access.lab, id: batch.id }).update({ is_practice: true })
    const [row] = await trx('practice_runs')
      .insert({
        lab_id: access.lab,
        batch_id: batch.id,
        person_id: access.person,
        made_from: from,
        seed,
        starts_at: new Date(Date.now() - BACK),
      })
      .returning(['made_from', 'seed', 'starts_at', 'made_at'])
    return runOf({ ...row, code: batch.code } as Row)
  })
