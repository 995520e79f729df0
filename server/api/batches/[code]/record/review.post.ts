import * as z from 'zod'
import { meanings } from '#core/record'

const text = z
  .string()
  .trim()
  .min(1)
  .max(4000)
  .refine(said => !said.includes('\0'))
export const Body = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('remark'), text, place: z.string().max(60).optional() }),
  z.strictObject({ kind: z.literal('returned'), text, proof: Proof }),
  z.strictObject({ kind: z.literal('countersigned'), text: text.optional(), proof: Proof }),
  z.strictObject({ kind: z.literal('sealed'), proof: Proof }),
  z.strictObject({ kind: z.literal('addendum'), text, proof: Proof }),
  z.strictObject({ kind: z.literal('addendum-countersigned'), of: z.int().positive(), proof: Proof }),
])

/** Says something at a line of a record, sends it back, countersigns or seals it, or countersigns an addendum. */
export default answer('review', async (event, { access, db }) => {
  const asked = await readJson(event, Body)
  const batch = await requireBatch(event, db, access)
  setResponseStatus(event, 201)
  if (asked.kind === 'remark') return act(db, access, batch, { kind: 'remark', text: asked.text, place: asked.place })
  const how = await requireProof(event, db, access, asked.proof)
  switch (asked.kind) {
    case 'returned':
    case 'addendum':
      return act(db, access, batch, { kind: asked.kind, how, text: asked.text })
    case 'countersigned':
      return act(db, access, batch, { kind: 'countersigned', how, meaning: meanings.countersigned, text: asked.text })
    case 'sealed':
      return act(db, access, batch, { kind: 'sealed', how, meaning: meanings.sealed })
    case 'addendum-countersigned':
      return act(db, access, batch, { kind: asked.kind, how, meaning: meanings[asked.kind], of: asked.of })
  }
})
