import * as z from 'zod'
import { measuredText, plainText } from '#core/document'
import { comesSchema, knownBy, type KnownBy } from './label'

const base = { id: z.uuid().toLowerCase(), at: z.iso.datetime({ offset: true }), by: z.uuid().toLowerCase() }

/** What happened to a bottle: only added to, the last word of a correction counts. */
export const factSchema = z.discriminatedUnion('kind', [
  z.strictObject({ ...base, kind: z.literal('came'), amount: measuredText }),
  z.strictObject({ ...base, kind: z.literal('drawn'), amount: measuredText, for: plainText(200).exactOptional() }),
  /** The bottle with all that is in it, on a balance. */
  z.strictObject({ ...base, kind: z.literal('weighed'), gross: measuredText }),
  /** What is in it, by eye or by a scale on its side. */
  z.strictObject({ ...base, kind: z.literal('counted'), amount: measuredText }),
  z.strictObject({ ...base, kind: z.literal('opened') }),
  z.strictObject({ ...base, kind: z.literal('emptied') }),
  /** Looked for at stocktaking: it stands where it should, or is not there. */
  z.strictObject({ ...base, kind: z.literal('seen') }),
  z.strictObject({ ...base, kind: z.literal('missing') }),
  z.strictObject({ ...base, kind: z.literal('moved'), place: plainText(80) }),
  z.strictObject({
    ...base,
    kind: z.literal('strength'),
    comes: comesSchema,
    known: z.enum(Object.keys(knownBy) as [KnownBy, ...KnownBy[]]),
    why: plainText(400).exactOptional(),
  }),
  z.strictObject({
    ...base,
    kind: z.literal('correction'),
    corrects: z.uuid().toLowerCase(),
    why: plainText(400).min(1),
    /** The amount or gross that counts instead; struck out where it is left out. */
    instead: measuredText.exactOptional(),
  }),
])
export type BottleFact = z.output<typeof factSchema>
