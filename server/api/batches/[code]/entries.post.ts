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
  const stranger = entries.find(({ by }) => !lab.people.some(({ id }) => id === by))
  if (stranger)
    throw refusal(422, 'An entry is signed by somebody who is not of this lab.', [
      {
        at: 'entries',
        code: 'journal.stranger',
        why: 'The name is not of this lab.',
        fix: 'Choose who you are at the top.',
      },
    ])

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
