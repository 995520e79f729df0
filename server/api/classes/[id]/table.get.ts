import { spreadOf, type ClassResult } from '#core/classroom'
import { keyOf } from '../../../db/classes'

/** The live table: who is at which step, whose clock has rung, who asks for help, and what came out, with its spread; against the key once that is released. */
export default answer('invite', async (event, { access, db }) => {
  const of = await requireClass(event, db, access)
  const isPending = await freshen(access)
  const rows = await rowsOf(db, access, of, false)
  const key = of.releasedAt ? await keyOf(db, access, of.id) : undefined
  const results = (value: (row: (typeof rows)[number]) => number | undefined): ClassResult[] =>
    rows.flatMap(row => {
      const found = value(row)
      return found === undefined ? [] : [{ group: row.group.number, section: row.group.section, value: found }]
    })
  return {
    id: of.id,
    name: of.plan.name,
    code: of.code,
    isPending,
    ...(of.releasedAt && { releasedAt: of.releasedAt }),
    ...(of.plan.unknown && { unknown: of.plan.unknown }),
    rows: rows.map(({ group, members, state, answers }) => ({
      group,
      members: members.map(({ name, person }) => ({ name, isIn: person !== undefined })),
      ...(state && { state }),
      answered: answers.length,
      ...(key?.[String(group.number)] !== undefined && { key: Number(key[String(group.number)]) }),
    })),
    yields: spreadOf(results(({ state }) => state?.percent)),
    assays: spreadOf(results(({ state }) => state?.assay?.mean)),
    // Where each jar holds another share, results are told by how much of the key they found.
    ...(key && {
      recovered: spreadOf(
        results(({ state, group }) =>
          state?.assay && key[String(group.number)]
            ? (state.assay.mean / Number(key[String(group.number)])) * 100
            : undefined,
        ),
      ),
    }),
  }
})
