import * as z from 'zod'
import { entrySchema } from '#core/document'
import { explainAppend } from '../../../db/append'

const Body = z.strictObject({ entries: z.array(entrySchema).min(1).max(500) })

/** Appends to the journal. Sending an entry twice changes nothing; a correction must name an entry of this batch. */
export default defineEventHandler(async event => {
  const { entries } = await readJson(event, Body)
  const code = requireCode(event)
  const db = useDatabase()
  const lab = await requireLabId(db)
  const appended = await append(db, { lab, code, entries })
  if (!appended.ok) {
    const { problem } = appended
    if (problem.code === 'append.no-batch') throw refusal(404, `There is no batch ${code}.`)
    const { why, fix, at } = explainAppend(problem)
    const found = problem.code === 'append.entry' ? problem.problem.code : problem.code
    throw refusal(['append.taken', 'append.differs'].includes(problem.code) ? 409 : 422, why, [
      { at, code: found, why, fix },
    ])
  }
  announce(db, lab, code)
  setResponseStatus(event, 201)
  return appended.entries
})
