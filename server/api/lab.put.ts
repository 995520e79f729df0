import * as z from 'zod'
import { measuredText, plainText } from '#core/document'
import { parseFormula, explainFormula } from '#core/formula'
import { equipment } from '#core/journal'
import { may } from '#core/people'
import { reviewRules, type ReviewRule } from '#core/record'
import { findLab, saveSettings } from '../db/people'

const hour = z.number().min(0).max(24)
export const Body = z.strictObject({
  hours: z
    .strictObject({ from: hour, to: hour, days: z.array(z.int().min(0).max(6)).max(7) })
    .refine(({ from, to }) => from < to, 'Hands begin before they end.')
    .optional(),
  have: z.partialRecord(z.enum(equipment), z.int().min(0).max(50)).optional(),
  air: z
    .strictObject({ celsius: z.number().min(5).max(40), humidity: z.number().min(0.05).max(0.98).optional() })
    .optional(),
  /** The most of a substance that is to stand on the shelf. */
  limits: z
    .array(z.strictObject({ formula: plainText(400).min(1), most: measuredText }))
    .max(200)
    .optional(),
  review: z.enum(Object.keys(reviewRules) as [ReviewRule, ...ReviewRule[]]).optional(),
})

/** Saves when hands work, how many there are of each piece of equipment, the air of the room: what is told of them. */
export default answer('settle', async (event, { access, db }) => {
  const settings = await readJson(event, Body)
  if (settings.review && !may(access.role, 'people'))
    throw refusal(403, 'Who countersigns is the administrators’ to say.', [
      { at: 'review', code: 'access.role', why: 'Your role in this lab does not let you change it.' },
    ])
  const problems = (settings.limits ?? []).flatMap(({ formula }, i) => {
    const read = parseFormula(formula)
    return read.ok ? [] : [{ at: `limits.${i}.formula`, code: 'limit.formula', ...explainFormula(read.problem) }]
  })
  if (problems[0]) throw refusal(422, problems[0].why, problems)
  await saveSettings(db, access, settings)
  return findLab(db, access)
})
