import * as z from 'zod'
import { empiricalFormula } from '#core/assay'
import { fail, ok } from '#core/problem'
import type { Figure } from '#core/quantity'
import type { Answer } from '../answer'
import { readJson } from '../input'
import { assayError } from './assay-error'
import type { Command } from './command'
import { readQuantity } from './read'

const schema = z.strictObject({ masses: z.record(z.string(), z.string()) })

function answer(question: z.output<typeof schema>): Answer {
  const masses: [string, Figure][] = []
  for (const [symbol, text] of Object.entries(question.masses)) {
    const mass = readQuantity(text, `masses.${symbol}`, ['mass'])
    if (!mass.ok) return mass
    masses.push([symbol, mass.value])
  }
  const found = empiricalFormula(masses)
  if (!found.ok) return fail(assayError(found.problem))
  return ok({
    ratios: Object.fromEntries(found.value.ratios.map(({ symbol, ratio }) => [symbol, ratio.value])),
    formula: found.value.formula,
  })
}

export const empirical: Command = {
  name: 'empirical',
  takes: 'QUESTION.json',
  about: 'empirical formula from the masses of its elements',
  help: `Keys: masses { symbol: mass, ... }
The smallest ratio is 1; the formula keeps the order given.

  echo '{"masses":{"Mo":"0.640 g","O":"0.321 g"}}' | bin/zl empirical -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
