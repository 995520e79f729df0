import type { Knex } from 'knex'
import { outcomes, slips, levels, type Answered, type Level, type Outcome, type SlipId } from '#core/drill'
import type { Access } from '../access/access'

/** Of somebody's answers so many of the last are read: years of practice. */
const MOST = 5000

interface Row {
  readonly family: string
  readonly level: number
  readonly seed: number
  readonly outcome: string
  readonly slips: readonly string[]
  readonly answered_at: Date
}

/** What is stored is parsed when it is read: what this version does not know is left out. */
function answeredOf({ level, outcome, slips: made, answered_at, ...row }: Row): Answered[] {
  if (!levels.some(one => one === level) || !outcomes.some(one => one === outcome)) return []
  const known = made.filter((one): one is SlipId => one in slips)
  return [{ ...row, level: level as Level, outcome: outcome as Outcome, slips: known, at: answered_at.getTime() }]
}

/** Somebody's own answers, in the order in which they were given. */
export async function listAnswers(db: Knex, { lab, person }: Pick<Access, 'lab' | 'person'>): Promise<Answered[]> {
  const rows: Row[] = await db('drill_answers')
    .where({ lab_id: lab, person_id: person })
    .orderBy([{ column: 'answered_at', order: 'desc' }, 'id'])
    .limit(MOST)
    .select('family', 'level', 'seed', 'outcome', 'slips', 'answered_at')
  return rows.toReversed().flatMap(answeredOf)
}

/** Keeps an answer; one that was sent twice is kept once. */
export async function addAnswer(
  db: Knex,
  { lab, person }: Access,
  { id, typed, at, slips: made, ...answer }: Answered & { readonly id: string; readonly typed: string },
): Promise<void> {
  await db('drill_answers')
    .insert({ ...answer, lab_id: lab, person_id: person, id, typed, slips: [...made], answered_at: new Date(at) })
    .onConflict(['lab_id', 'id'])
    .ignore()
}
