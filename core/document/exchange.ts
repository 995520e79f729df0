import * as z from 'zod'
import { ownRowSchema } from './own-row'
import { batchSchema, entrySchema, templateSchema, worksheetSchema } from './schema'

const uuid = z.uuid().toLowerCase()
const time = z.iso.datetime({ offset: true })
const name = z.string().max(200)
const sha256 = z.string().regex(/^[0-9a-f]{64}$/, 'A SHA-256 is 64 hexadecimal digits.')

/**
 * A whole batch in one file, version 1: its plan, every plan that was saved before, its journal, who is named in it, and which pictures belong to it. It says nothing of the lab or the
 * installation that it was taken out of, so that the same batch is the same file wherever it lies.
 */
export const batchFileSchema = z.strictObject({
  format: z.literal('zip-ledger/batch-file'),
  version: z.literal(1),
  id: uuid,
  code: z.string().regex(/^[A-Za-z0-9-]{1,20}$/, 'A code has letters, digits and hyphens, twenty at most.'),
  document: batchSchema,
  /** Every plan that was saved, in its order; `body` may be of an earlier version of the document. */
  revisions: z
    .array(
      z.strictObject({
        number: z.int().min(1),
        at: time,
        by: uuid.exactOptional(),
        afterSeq: z.int().min(0),
        body: z.record(z.string(), z.json()),
      }),
    )
    .max(100_000),
  journal: z.array(z.strictObject({ seq: z.int().min(1), recordedAt: time, entry: entrySchema })).max(200_000),
  people: z.array(z.strictObject({ id: uuid, name })).max(10_000),
  photos: z.array(z.strictObject({ sha256, type: z.enum(['image/jpeg', 'image/png', 'image/webp']) })).max(10_000),
})
export type BatchFile = z.output<typeof batchFileSchema>

/** What a lab keeps beside its batches, version 1: rows of its own in the tables, templates, worksheets that stand alone. */
export const labFileSchema = z.strictObject({
  format: z.literal('zip-ledger/lab-file'),
  version: z.literal(1),
  rows: z.array(ownRowSchema).max(20_000),
  templates: z.array(templateSchema).max(20_000),
  worksheets: z.array(worksheetSchema).max(20_000),
})
export type LabFile = z.output<typeof labFileSchema>

/** What does not hold together in a file of a batch: where, and why. */
export interface FileProblem {
  readonly at: string
  readonly why: string
}

/** What a schema cannot say: numbers in a row, every name known, every correction of something before it, every picture listed. */
export function fileProblems({ revisions, journal, people, photos }: BatchFile): FileProblem[] {
  const known = new Set(people.map(({ id }) => id))
  const pictures = new Set(photos.map(one => one.sha256))
  const before = new Set<string>()
  const problems: FileProblem[] = []
  const say = (at: string, why: string): number => problems.push({ at, why })
  if (revisions.length === 0) say('revisions', 'There is no plan.')
  revisions.forEach(({ number, by, afterSeq }, i) => {
    const last = revisions[i - 1]
    if (last && number !== last.number + 1) say(`revisions.${i}.number`, `It is ${number}, after ${last.number}.`)
    if (by !== undefined && !known.has(by)) say(`revisions.${i}.by`, 'Nobody of this name is listed under “people”.')
    if (afterSeq > journal.length) say(`revisions.${i}.afterSeq`, 'There are not so many entries.')
    if (last && afterSeq < last.afterSeq)
      say(`revisions.${i}.afterSeq`, 'It was saved after fewer entries than the one before.')
  })
  journal.forEach(({ seq, entry }, i) => {
    if (seq !== i + 1) say(`journal.${i}.seq`, `It is ${seq}, where ${i + 1} follows.`)
    if (!known.has(entry.by)) say(`journal.${i}.entry.by`, 'Nobody of this name is listed under “people”.')
    if (before.has(entry.id)) say(`journal.${i}.entry.id`, 'An entry with this id stands before it.')
    if (entry.kind === 'correction' && !before.has(entry.corrects))
      say(`journal.${i}.entry.corrects`, 'It corrects an entry that does not stand before it.')
    if (entry.kind === 'photo' && !pictures.has(entry.photo))
      say(`journal.${i}.entry.photo`, 'This picture is not listed under “photos”.')
    before.add(entry.id)
  })
  return problems
}
