import * as z from 'zod'
import { planSchema } from '#core/document'
import { readPlan } from '#core/sheet'
import { addBatch } from '../../db/batches'

export const Body = z.strictObject({
  title: z
    .string()
    .trim()
    .min(1)
    .max(120)
    .refine(text => !text.includes('\0')),
  stages: planSchema.shape.stages.min(1),
})

/** Begins a batch from stages that are planned already, as a route is taken. */
export default answer('plan', async (event, { access, db }) => {
  const { title, stages } = await readJson(event, Body)
  const read = readPlan({ stages })
  if (!read.ok) throw refusedPlan(read.problem)
  const last = stages.at(-1)!
  const { code, version } = await addBatch(db, access, prefixFor(last.product.form ?? last.product.species), {
    format: 'zip-ledger/batch',
    version: 2,
    title,
    plan: { stages },
  })
  setResponseStatus(event, 201)
  announce(db, access.lab, code)
  return { code, version }
})
