import * as z from 'zod'
import { addMark, groupsOf } from '../../../db/classes'

export const Body = z.strictObject({
  group: z.int().min(1).max(60),
  criterion: z.string().min(1).max(40),
  /** Nothing gives back what the rule finds. */
  points: z.number().min(0).max(1000).nullable(),
  comment: z
    .string()
    .trim()
    .max(1000)
    .refine(text => !text.includes('\0') && text.isWellFormed()),
})

/** Marks one criterion of one run by hand, or comments on it; what was marked before stays among what was given. */
export default answer('invite', async (event, { access, db }) => {
  const { group, criterion, points, comment } = await readJson(event, Body)
  const of = await requireClass(event, db, access)
  const rule = of.plan.rubric.find(({ id }) => id === criterion)
  if (!rule)
    throw refusal(422, 'The rubric has no such criterion.', [
      { at: 'criterion', code: 'class.criterion', why: 'The rubric has none of that name.' },
    ])
  if (points !== null && points > rule.points)
    throw refusal(422, `There are ${rule.points} points for it at most.`, [
      { at: 'points', code: 'class.points', why: `Give 0 to ${rule.points} points.` },
    ])
  const run = (await groupsOf(db, access, of.id)).find(({ number }) => number === group)
  if (!run) throw refusal(404, 'There is no such group.')
  await addMark(db, access, { batchId: run.batchId, criterion, points, comment })
  setResponseStatus(event, 201)
  return { marked: criterion }
})
