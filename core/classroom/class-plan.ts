import * as z from 'zod'
import { batchSchema, plainText, type BatchDocument } from '#core/document'

const line = (most: number) => plainText(most).refine(text => text.trim() !== '', 'It is empty.')
const key = z.string().regex(/^[a-z0-9-]{1,40}$/)

/** How a criterion is marked: against the sealed key, by the spread of one's own replicates, by the journal, by the written answers, or by hand. */
export const markedBy = ['accuracy', 'precision', 'record', 'answers', 'hand'] as const
export type MarkedBy = (typeof markedBy)[number]

const bandSchema = z.strictObject({
  /** Up to so many percent off, or of relative spread. */
  within: z.number().min(0).max(1000),
  /** So much of the points, a fraction of one. */
  share: z.number().min(0).max(1),
})
export const criterionSchema = z.strictObject({
  id: key,
  name: line(80),
  points: z.number().min(0).max(1000),
  by: z.enum(markedBy),
  bands: z.array(bandSchema).max(8).exactOptional(),
})
export type Criterion = z.output<typeof criterionSchema>

const questionSchema = z.strictObject({
  id: key,
  when: z.enum(['before', 'after']),
  text: line(400),
})
export type ClassQuestion = z.output<typeof questionSchema>

/** A class as its instructor plans it. The unknowns themselves are not in it: they are drawn, and sealed apart. */
export const classSchema = z.strictObject({
  name: line(120),
  /** The plan that every group has, before its amounts are scattered. */
  document: batchSchema,
  groups: z.int().min(1).max(60),
  sections: z.array(line(40)).max(8),
  seed: z.int().min(0).max(1_000_000),
  /** Amounts of a group lie within so many percent of the plan's. */
  scatter: z.number().min(0).max(40),
  unknown: z
    .strictObject({
      asks: line(120),
      unit: plainText(20),
      from: z.number().min(-1e6).max(1e6),
      to: z.number().min(-1e6).max(1e6),
      digits: z.int().min(1).max(6),
    })
    .refine(({ from, to }) => from < to, 'Its upper end is not above its lower one.')
    .exactOptional(),
  /** What students see beyond what they record. */
  shows: z.strictObject({ predictions: z.boolean(), explanations: z.boolean() }),
  opensAt: z.iso.datetime().exactOptional(),
  closesAt: z.iso.datetime().exactOptional(),
  questions: z.array(questionSchema).max(20),
  rubric: z.array(criterionSchema).max(20),
})
export type ClassPlan = Omit<z.output<typeof classSchema>, 'document'> & { readonly document: BatchDocument }

/** A usual rubric, to be changed: teaching practice, no source. */
export const usualRubric: readonly Criterion[] = [
  {
    id: 'accuracy',
    name: 'Accuracy against the key',
    points: 30,
    by: 'accuracy',
    bands: [
      { within: 1, share: 1 },
      { within: 2, share: 0.8 },
      { within: 5, share: 0.5 },
    ],
  },
  {
    id: 'precision',
    name: 'Precision of the replicates',
    points: 20,
    by: 'precision',
    bands: [
      { within: 0.5, share: 1 },
      { within: 1, share: 0.75 },
      { within: 2, share: 0.5 },
    ],
  },
  { id: 'record', name: 'Record keeping', points: 20, by: 'record' },
  { id: 'answers', name: 'Questions before the lab, and conclusion', points: 20, by: 'answers' },
  { id: 'hand', name: 'Work at the bench', points: 10, by: 'hand' },
]
