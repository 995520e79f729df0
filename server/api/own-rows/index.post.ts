import * as z from 'zod'
import { checkOwnRow, explainOwnRow, ownRowSchema } from '#core/document'
import { putOwnRow } from '../../db/own-rows'

const Body = z.strictObject({ row: ownRowSchema, by: z.uuid() })

/** Adds a row of the lab's own to a table, or replaces the one it has under the same formula or abbreviation. */
export default defineEventHandler(async event => {
  const { row, by } = await readJson(event, Body)
  const checked = checkOwnRow(row)
  if (!checked.ok) {
    const advice = explainOwnRow(checked.problem)
    throw refusal(422, advice.why, [{ at: 'row', code: checked.problem.code, ...advice }])
  }
  const db = useDatabase()
  const lab = await requireLab(db)
  requirePerson(lab, by)
  setResponseStatus(event, 201)
  return putOwnRow(db, lab.id, by, checked.value.key, checked.value.row)
})
