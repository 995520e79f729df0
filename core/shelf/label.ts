import * as z from 'zod'
import { measuredText, plainText } from '#core/document'

/** How what is in a bottle is known. */
export const knownBy = {
  label: 'by its label',
  certificate: 'by its certificate',
  titration: 'by own titration',
  made: 'as it was made here',
} as const
export type KnownBy = keyof typeof knownBy

const measured = measuredText
const date = z.iso.date()

/** How strong what is in a bottle is: the same words as a plan's supply. */
export const comesSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('solid'),
    assay: measured.exactOptional(),
    moisture: measured.exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('solution'),
    concentration: measured,
    density: measured.exactOptional(),
  }),
  z.strictObject({
    kind: z.literal('liquid'),
    density: measured.exactOptional(),
    assay: measured.exactOptional(),
  }),
  z.strictObject({ kind: z.literal('gas') }),
])
export type Comes = z.output<typeof comesSchema>

/** What is written on a bottle: what is in it and how strong, who says so, its dates and its place. */
export const labelSchema = z.strictObject({
  /** The form that is in it; of a solution, what is dissolved. */
  formula: plainText(400).min(1),
  comes: comesSchema,
  known: z.enum(Object.keys(knownBy) as [KnownBy, ...KnownBy[]]),
  /** Whatever its maker calls it. */
  words: plainText(200).exactOptional(),
  lot: plainText(80).exactOptional(),
  place: plainText(80).exactOptional(),
  received: date.exactOptional(),
  opened: date.exactOptional(),
  expires: date.exactOptional(),
  /** What it weighs when nothing is in it. */
  empty: measured.exactOptional(),
  /** Below this it is low. */
  low: measured.exactOptional(),
  /** The batch that it is a product of. */
  made: z.strictObject({ batch: plainText(20).min(1), stage: plainText(40).min(1) }).exactOptional(),
  /** The bottle that a solution was made from, how much of it, and what it was made up to. */
  from: z.strictObject({ bottle: plainText(20).min(1), taken: measured, volume: measured }).exactOptional(),
})
export type Label = z.output<typeof labelSchema>
