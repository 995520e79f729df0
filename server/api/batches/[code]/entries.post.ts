import * as z from 'zod'
import { entrySchema } from '#core/document'
import type { Entry } from '#core/journal'
import type { Knex } from 'knex'
import type { Access } from '../../../access/access'
import { explainAppend } from '../../../db/append'
import { drawFor } from '../../../db/bottles'
import { missingPhotos } from '../../../db/photos'

export const Body = z.strictObject({ entries: z.array(entrySchema).min(1).max(500) })

/** Appends to the journal, in the name of who asks. Sending an entry twice changes nothing; a correction must name an entry of this batch. A script’s key appends readings. */
export default answer('record', async (event, { access, db }) => {
  const { entries } = await readJson(event, Body)
  const code = requireCode(event)
  if (access.via === 'key' && entries.some(({ kind }) => kind !== 'reading'))
    throw refusal(403, 'A key appends readings, and nothing else.')
  await requirePictures(db, access, code, entries)
  // What is another student's is not there for this one: the writing itself goes by lab.
  await requireOpenClass(db, access, code)
  const appended = await append(useDatabase(), { access, code, entries })
  if (!appended.ok) {
    const { problem } = appended
    if (problem.code === 'append.no-batch') throw refusal(404, `There is no batch ${code}.`)
    const { why, fix, at } = explainAppend(problem)
    const found = problem.code === 'append.entry' ? problem.problem.code : problem.code
    throw refusal(['append.taken', 'append.differs'].includes(problem.code) ? 409 : 422, why, [
      { at, code: found, why, fix },
    ])
  }
  if (entries.some(entry => entry.kind === 'correction' || (entry.kind === 'reading' && entry.bottle !== undefined)))
    await drawFor(db, access, code)
  writeSoon(access, code, appended.entries.at(-1)?.seq ?? 0)
  announce(db, access.lab, code)
  setResponseStatus(event, 201)
  return appended.entries
})

/** An entry that shows a picture needs one: it is sent first, and the entry with the name that it got. */
async function requirePictures(db: Knex, access: Access, code: string, entries: readonly Entry[]): Promise<void> {
  const shown = entries.flatMap((entry, at) => (entry.kind === 'photo' ? [{ at, name: entry.photo }] : []))
  if (shown.length === 0) return
  const missing = await missingPhotos(
    db,
    access,
    code,
    shown.map(({ name }) => name),
  )
  const first = shown.find(({ name }) => missing.includes(name))
  if (first)
    throw refusal(422, 'This entry shows a picture that is not here.', [
      {
        at: `entries.${first.at}.photo`,
        code: 'journal.no-picture',
        why: 'No picture of this batch has that name.',
        fix: 'Send the picture first, and the entry with the name it is given.',
      },
    ])
}
