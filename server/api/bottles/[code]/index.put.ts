import * as z from 'zod'
import { explainFormula, parseFormula } from '#core/formula'
import { labelSchema } from '#core/shelf'
import { findBottle, relabel } from '../../../db/bottles'

export const Body = z.strictObject({ version: z.int().min(1), label: labelSchema })

/** Writes another label on a bottle; what it said before stays among its revisions. Refuses one made from a version that is no longer the last. */
export default answer('keep', async (event, { access, db }) => {
  const { version, label } = await readJson(event, Body)
  const code = requireCode(event)
  const read = parseFormula(label.formula)
  if (!read.ok) {
    const advice = explainFormula(read.problem)
    throw refusal(422, advice.why, [{ at: 'label.formula', code: 'bottle.formula', ...advice }])
  }
  const done = await relabel(db, access, code, version, label)
  if (done) return done
  const current = await findBottle(db, access, code)
  if (!current) throw refusal(404, `There is no bottle ${code}.`)
  throw refusal(409, 'This bottle’s label was changed from somewhere else since you opened it.', [], { current })
})
