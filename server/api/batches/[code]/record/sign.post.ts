import * as z from 'zod'
import { meanings } from '#core/record'

const text = z
  .string()
  .trim()
  .min(1)
  .max(4000)
  .refine(said => !said.includes('\0'))
export const Body = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('signed'), proof: Proof }),
  z.strictObject({ kind: z.literal('sealed'), proof: Proof }),
  z.strictObject({ kind: z.literal('addendum'), text, proof: Proof }),
  z.strictObject({ kind: z.literal('remark'), text, place: z.string().max(60).optional() }),
])

/** Signs a record as its author, seals it, adds an addendum to a sealed one, or answers a remark: each in the name of who asks, who proves once more that it is they. */
export default answer('sign', async (event, { access, db }) => {
  const asked = await readJson(event, Body)
  const batch = await requireBatch(event, db, access)
  const { kind } = asked
  setResponseStatus(event, 201)
  if (kind === 'remark') return act(db, access, batch, { kind, text: asked.text, place: asked.place })
  const how = await requireProof(event, db, access, asked.proof)
  return kind === 'addendum'
    ? act(db, access, batch, { kind, how, text: asked.text })
    : act(db, access, batch, { kind, how, meaning: meanings[kind] })
})
