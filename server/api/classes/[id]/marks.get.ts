import { totalOf } from '#core/classroom'

/** The rubric, run by run: what its rules give, what was given by hand, and the answers it is given for. */
export default answer('invite', async (event, { access, db }) => {
  const of = await requireClass(event, db, access)
  await freshen(access)
  const rows = await rowsOf(db, access, of, true)
  return {
    rubric: of.plan.rubric,
    questions: of.plan.questions,
    rows: rows.map(({ group, members, answers, marks }) => ({
      group,
      members: members.map(({ name }) => name),
      answers,
      marks,
      total: totalOf(marks),
    })),
  }
})
