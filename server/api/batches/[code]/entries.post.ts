import * as z from 'zod'
import { entrySchema } from '#core/document'
import { checkEntry, explainEntry, foldJournal, type Entry } from '#core/journal'
import { appendEntries } from '../../../db/entries'

const Body = z.strictObject({ entries: z.array(entrySchema).min(1).max(500) })

/** Appends to the journal. Sending an entry twice changes nothing; a correction must name an entry of this batch. */
export default defineEventHandler(async event => {
  const { entries } = await readJson(event, Body)
  const db = useDatabase()
  const lab = await requireLab(db)
  const batch = await requireBatch(event, db, lab)
  for (const { by } of entries) requirePerson(lab, by)

  setResponseStatus(event, 201)
  return appendEntries(db, { id: batch.id, labId: lab.id }, entries, before => {
    const journal: Entry[] = [...before]
    for (const [i, entry] of entries.entries()) {
      if (journal.some(({ id }) => id === entry.id)) continue
      const checked = checkEntry(entry, foldJournal(journal))
      if (!checked.ok)
        throw refusal(422, explainEntry(checked.problem).why, [
          { at: `entries.${i}`, code: checked.problem.code, ...explainEntry(checked.problem) },
        ])
      journal.push(entry)
    }
  })
})
