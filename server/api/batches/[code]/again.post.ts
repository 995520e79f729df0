import * as z from 'zod'
import { codePrefix } from '#core/document'
import { parseFormula } from '#core/formula'
import { againOf } from '#core/record'
import { addBatch } from '../../../db/batches'
import { listEntries } from '../../../db/entries'

export const Body = z.strictObject({
  as: z.enum(['planned', 'done']),
  title: z
    .string()
    .trim()
    .min(1)
    .max(120)
    .refine(text => !text.includes('\0'))
    .optional(),
})

/** Begins a batch after another: with its plan, and its procedure as it was planned or as it was done. */
export default answer('plan', async (event, { access, db }) => {
  const { as, title } = await readJson(event, Body)
  const batch = await requireBatch(event, db, access)
  const entries = await listEntries(db, access, batch.id)
  const document = againOf(
    batch.document,
    entries.map(({ entry }) => entry),
    as,
    title,
  )
  const product = document.plan.stages.at(-1)?.product
  const formula = parseFormula(product?.form ?? product?.species ?? '')
  const { code, version } = await addBatch(db, access, formula.ok ? codePrefix(formula.value) : 'ZL', document)
  announce(db, access.lab, code)
  setResponseStatus(event, 201)
  return { code, version }
})
