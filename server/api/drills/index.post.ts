import * as z from 'zod'
import { families, judge, levels, makeQuestion, outcomes, type Level, type Outcome } from '#core/drill'
import { addAnswer } from '../../db/drills'

const MOST_TYPED = 400
export const Body = z.strictObject({
  id: z.uuid(),
  family: z.enum(families.map(({ id }) => id) as [string, ...string[]]),
  level: z.union(levels.map(level => z.literal(level))),
  seed: z.int().min(0).max(1_000_000),
  typed: z.string().min(1).max(MOST_TYPED),
  at: z.iso.datetime(),
})

/** Keeps somebody's answer to a question, judged here once more by the seed: what is kept cannot be claimed. */
export default answer('look', async (event, { access, db }) => {
  const { id, family, level, seed, typed, at } = await readJson(event, Body)
  if (access.via === 'key') throw refusal(403, 'Answers are given by a person, not by a key.')
  const verdict = judge(makeQuestion(family, seed, level as Level)!, typed)
  const outcome = outcomes.find(one => one === verdict.is) as Outcome | undefined
  if (!outcome)
    throw refusal(422, 'That does not read as an answer.', [{ code: 'drill.unread', why: 'It does not read.' }])
  const slips = verdict.is === 'slip' ? verdict.slips.map(slip => slip.id) : []
  const given = Math.min(Date.parse(at), Date.now())
  await addAnswer(db, access, { id, family, level: level as Level, seed, typed, outcome, slips, at: given })
  setResponseStatus(event, 201)
  return { outcome, slips }
})
