import * as z from 'zod'
import { checkOwnRow, explainOwnRow, ownRowSchema } from '#core/document'
import { putOwnRow } from '../../db/own-rows'

export const Body = z.strictObject({ row: ownRowSchema })

/** Adds a row of the lab's own to a table, or replaces the one it has under the same formula or abbreviation. */
export default answer('keep', async (event, { access, db }) => {
  const { row } = await readJson(event, Body)
  const checked = checkOwnRow(row)
  if (!checked.ok) {
    const advice = explainOwnRow(checked.problem)
    throw refusal(422, advice.why, [{ at: 'row', code: checked.problem.code, ...advice }])
  }
  setResponseStatus(event, 201)
  return putOwnRow(db, access, checked.value.key, checked.value.row)
})
