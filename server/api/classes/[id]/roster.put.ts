import Papa from 'papaparse'
import * as z from 'zod'
import { rosterFrom } from '#core/classroom'
import { membersOf, putRoster } from '../../../db/classes'

export const Body = z.strictObject({ table: z.string().min(1).max(20_000) })

/** Who is in which group, from a table; all of it or nothing. */
export default answer('invite', async (event, { access, db }) => {
  const { table } = await readJson(event, Body)
  const of = await requireClass(event, db, access)
  const { data } = Papa.parse<string[]>(table.trim(), { ...(table.includes('\t') && { delimiter: '\t' }) })
  const read = rosterFrom(data, of.plan.groups)
  if (!read.ok)
    throw refusal(
      422,
      'The list cannot be used as it is: nothing was changed.',
      read.problems.map(({ line, why, fix }) => ({
        at: `table.${line}`,
        code: 'class.roster',
        why: `Line ${line}: ${why}`,
        fix,
      })),
    )
  await putRoster(db, access, of.id, read.lines)
  return { members: await membersOf(db, access, of.id) }
})
