import * as z from 'zod'
import { codePrefix } from '#core/document'
import { parseFormula } from '#core/formula'
import { practiceOf } from '#core/practice'
import type { Plan } from '#core/sheet'
import { findBatch, isUnread } from '../../db/batches'
import { addPractice } from '../../db/practice'

export const Body = z.strictObject({
  from: z.string().min(1).max(20),
  seed: z.int().min(0).max(1_000_000),
})

/** Begins a practice run of a batch's procedure: the same troubles for the same seed. It is kept apart from the lab's batches. */
export default answer('record', async (event, { access, db }) => {
  const { from, seed } = await readJson(event, Body)
  if (access.via === 'key') throw refusal(403, 'A run is practised by a person, not by a key.')
  const batch = await findBatch(db, access, from)
  if (!batch || isUnread(batch))
    throw refusal(404, `There is no batch ${from}.`, [
      { at: 'from', code: 'practice.no-batch', why: `There is no batch ${from}.` },
    ])
  const practice = practiceOf(batch.document, seed)
  if (!practice.ok) throw refusal(422, practice.why, [{ at: 'from', code: 'practice.refused', why: practice.why }])
  const { plan } = batch.document
  const product = plan.stages[0]!.product
  const read = parseFormula(product.form ?? product.species)
  const run = await addPractice(db, access, {
    from,
    seed,
    prefix: read.ok ? codePrefix(read.value) : 'ZL',
    document: {
      format: 'zip-ledger/batch',
      version: 2,
      title: `Practice ${seed}: ${batch.document.title}`.slice(0, 120),
      plan: withoutBottles(plan),
      procedures: [{ stage: practice.value.stage, steps: practice.value.steps }],
    },
  })
  setResponseStatus(event, 201)
  return run
})

/** Practice takes nothing out of the shelf. */
const withoutBottles = (plan: Plan): Plan => ({
  ...plan,
  stages: plan.stages.map(stage => ({
    ...stage,
    reagents: stage.reagents.map(reagent => {
      if (!('bottle' in reagent.supply)) return reagent
      const { bottle: _, ...supply } = reagent.supply
      return { ...reagent, supply }
    }),
  })),
})
