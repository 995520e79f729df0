import * as z from 'zod'
import { measuredText, plainText } from '#core/document'
import { explainFormula, parseFormula } from '#core/formula'
import { standardUncertainty, statedWords } from '#core/quantity'
import { agedOf, labelSchema, madeStrength } from '#core/shelf'
import { findBottle, putUpMade } from '../../db/bottles'

const { words, place, expires, empty, low } = labelSchema.shape
export const Body = z.strictObject({
  /** The bottle that it is made from. */
  from: plainText(20).min(1),
  solute: plainText(400).min(1),
  taken: measuredText,
  volume: measuredText,
  label: z.strictObject({ words, place, expires, empty, low }),
  /** Of the line in the ledger of the bottle that it was taken from, and of its own first. */
  ids: z.tuple([z.uuid().toLowerCase(), z.uuid().toLowerCase()]),
})

/** Puts a solution up that was made here: its strength from what was taken and made up, and that taken off the bottle it came from, at once. */
export default answer('keep', async (event, { access, db }) => {
  const { from, solute, taken, volume, label, ids } = await readJson(event, Body)
  const source = await findBottle(db, access, from)
  if (!source)
    throw refusal(422, `There is no bottle ${from}.`, [
      { at: 'from', code: 'made.from', why: 'There is no such bottle.' },
    ])
  const read = parseFormula(solute)
  if (!read.ok)
    throw refusal(422, 'What is dissolved does not read.', [
      { at: 'solute', code: 'made.solute', ...explainFormula(read.problem) },
    ])
  const at = new Date().toISOString()
  const today = at.slice(0, 10)
  const aged = agedOf(
    source.label.formula,
    source.comes,
    { since: source.strengthAt ?? source.label.received, opened: source.opened },
    today,
  )
  const strength = madeStrength(
    { formula: source.label.formula, comes: aged?.comes ?? source.comes },
    read.value.text,
    taken,
    volume,
  )
  if (!strength.ok)
    throw refusal(422, strength.problem.why, [
      { at: strength.problem.at, code: `made.${strength.problem.at}`, why: strength.problem.why },
    ])
  const concentration = statedWords(strength.value.value, standardUncertainty(strength.value), 'mol/L')
  const codes = await putUpMade(
    db,
    access,
    {
      label: {
        ...label,
        formula: read.value.text,
        comes: { kind: 'solution', concentration },
        known: 'made',
        received: today,
        from: { bottle: from, taken, volume },
      },
      facts: [{ id: ids[1], at, by: access.person, kind: 'came', amount: volume }],
    },
    { from, id: ids[0], at, taken },
  )
  setResponseStatus(event, 201)
  return { code: codes, concentration }
})
