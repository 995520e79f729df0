import Papa from 'papaparse'
import { totalOf } from '#core/classroom'

/** The grades of a class as a table: a line for each student. Cells that a spreadsheet would run as a formula are made inert. */
export default answer('invite', async (event, { access, db }) => {
  const of = await requireClass(event, db, access)
  await freshen(access)
  const rows = await rowsOf(db, access, of, true)
  const head = [
    'name',
    'group',
    'section',
    'batch',
    ...of.plan.rubric.map(({ name, points }) => `${name} (of ${points})`),
    'total',
    'of',
    'not marked yet',
  ]
  const lines = rows.flatMap(({ group, members, marks }) => {
    const { points, of: most, open } = totalOf(marks)
    const rest = [group.number, group.section, group.batch, ...marks.map(mark => mark.points ?? ''), points, most, open]
    return (members.length > 0 ? members : [{ name: '' }]).map(({ name }) => [name, ...rest])
  })
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="grades.csv"')
  return Papa.unparse([head, ...lines], { escapeFormulae: true })
})
