import { totalOf } from '#core/classroom'
import { answersOf, classOfBatch, keyOf } from '../../../db/classes'

/** What a batch has to do with a class: which group it is, what its students see, the questions with what was answered; and, once the key is released, the marks. */
export default answer('look', async (event, { access, db }) => {
  const batch = await requireBatch(event, db, access)
  const found = await classOfBatch(db, access, batch.id)
  if (!found) return { class: null }
  const { of, group } = found
  const answers = (await answersOf(db, access, [batch.id])).get(batch.id) ?? []
  const isReleased = of.releasedAt !== undefined
  const row = isReleased
    ? (await rowsOf(db, access, of, true)).find(one => one.group.number === group.number)
    : undefined
  const key = isReleased ? (await keyOf(db, access, of.id))?.[String(group.number)] : undefined
  const { name, shows, questions, unknown, opensAt, closesAt, rubric } = of.plan
  return {
    class: {
      id: of.id,
      name,
      group: group.number,
      section: group.section,
      shows,
      questions,
      answers,
      rubric: rubric.map(({ id, name: criterion, points }) => ({ id, name: criterion, points })),
      ...(group.helpAt && { helpAt: group.helpAt }),
      ...(unknown && { asks: unknown.asks, unit: unknown.unit }),
      ...(opensAt && { opensAt }),
      ...(closesAt && { closesAt }),
      ...(key !== undefined && { key }),
      ...(row && { marks: row.marks, total: totalOf(row.marks) }),
    },
  }
})
