import * as z from 'zod'
import { parseFormula, explainFormula } from '#core/formula'
import { factSchema, labelSchema } from '#core/shelf'
import { codesThere } from '../../db/batches'
import { addBottles } from '../../db/bottles'

export const Body = z.strictObject({
  bottles: z
    .array(z.strictObject({ label: labelSchema, facts: z.array(factSchema).max(20) }))
    .min(1)
    .max(500),
})

/** Puts bottles on the shelf, all or none, each with what happened to it so far. */
export default answer('keep', async (event, { access, db }) => {
  const { bottles } = await readJson(event, Body)
  const made = bottles.flatMap(({ label }) => label.made?.batch ?? [])
  const there = new Set(made.length > 0 ? await codesThere(db, access, made) : [])
  const problems = bottles.flatMap(({ label, facts }, i) => {
    const read = parseFormula(label.formula)
    if (!read.ok) return [{ at: `bottles.${i}.label.formula`, code: 'bottle.formula', ...explainFormula(read.problem) }]
    if (label.made && !there.has(label.made.batch))
      return [{ at: `bottles.${i}.label.made`, code: 'bottle.made', why: `There is no batch ${label.made.batch}.` }]
    return facts.some(({ by }) => by !== access.person)
      ? [{ at: `bottles.${i}.facts`, code: 'bottle.stranger', why: 'Nobody records in another’s name.' }]
      : []
  })
  if (problems.length > 0) throw refusal(422, problems[0]!.why, problems)
  setResponseStatus(event, 201)
  return { codes: await addBottles(db, access, bottles) }
})
