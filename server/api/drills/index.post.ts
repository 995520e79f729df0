import * as z from 'zod'
import { levels, type Level } from '#core/drill'
import { addAnswer } from '../../db/drills'
import { judgeApart } from '../../jobs/drills'

const MOST_TYPED = 400
export const Body = z.strictObject({
  id: z.uuid(),
  family: z.string().regex(/^[a-z-]{1,40}$/),
  level: z.union(levels.map(level => z.literal(level))),
  seed: z.int().min(0).max(1_000_000),
  typed: z.string().min(1).max(MOST_TYPED),
  at: z.iso.datetime(),
})

/** Keeps somebody's answer to a question, judged here once more by the seed: what is kept cannot be claimed. */
export default answer('look', async (event, { access, db }) => {
  const { id, family, level, seed, typed, at } = await readJson(event, Body)
  if (access.via === 'key') throw refusal(403, 'Answers are given by a person, not by a key.')
  const judged = await judgeApart({ family, level: level as Level, seed, typed })
  if ('refused' in judged) {
    const why =
      judged.refused === 'family' ? 'There is no such kind of question.' : 'That does not read as an answer to it.'
    throw refusal(422, why, [{ at: judged.refused === 'family' ? 'family' : 'typed', code: 'drill.unread', why }])
  }
  const given = Math.min(Date.parse(at), Date.now())
  await addAnswer(db, access, { id, family, level: level as Level, seed, typed, ...judged, at: given })
  setResponseStatus(event, 201)
  return judged
})
