import * as z from 'zod'
import { codePrefix } from '#core/document'
import { parseFormula } from '#core/formula'
import { draftStage, explainPlan, spanOf } from '#core/sheet'
import { addBatch } from '../../db/batches'

export const Body = z.strictObject({
  product: z.string().max(400),
  equation: z.string().max(2000),
  title: z
    .string()
    .trim()
    .max(120)
    .refine(text => !text.includes('\0'))
    .exactOptional(),
})

/** Begins a batch from its product and its equation, both as typed. */
export default answer('plan', async (event, { access, db }) => {
  const { product, equation, title } = await readJson(event, Body)
  const stage = draftStage(product, equation)
  if (!stage.ok) {
    const { why, fix } = explainPlan(stage.problem)
    const span = spanOf(stage.problem)
    throw refusal(422, why, [
      { at: stage.problem.path.join('.'), code: stage.problem.problem.code, why, fix, ...(span && { span }) },
    ])
  }
  const formula = parseFormula(product)
  const prefix = formula.ok ? codePrefix(formula.value) : 'ZL'
  setResponseStatus(event, 201)
  const { code, version } = await addBatch(db, access, prefix, {
    format: 'zip-ledger/batch',
    version: 2,
    title: title || stage.value.product.form!,
    plan: { stages: [stage.value] },
  })
  announce(db, access.lab, code)
  return { code, version }
})
