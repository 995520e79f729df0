import * as z from 'zod'
import { watersFromLoss } from '#core/assay'
import { fail, ok } from '#core/problem'
import { standardUncertainty } from '#core/quantity'
import { readJson } from '../input'
import type { Answer } from '../answer'
import { assayError } from './assay-error'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'

const schema = z.strictObject({ salt: z.string(), hydrated: z.string(), anhydrous: z.string() })

function answer(question: z.output<typeof schema>): Answer {
  const salt = readFormula(question.salt, 'salt')
  if (!salt.ok) return salt
  const hydrated = readQuantity(question.hydrated, 'hydrated', ['mass'])
  if (!hydrated.ok) return hydrated
  const anhydrous = readQuantity(question.anhydrous, 'anhydrous', ['mass'])
  if (!anhydrous.ok) return anhydrous
  const found = watersFromLoss(salt.value, hydrated.value, anhydrous.value)
  if (!found.ok) return fail(assayError(found.problem))
  const { waters, nearest, formula } = found.value
  return ok({ waters: waters.value, uncertainty: standardUncertainty(waters), nearest, formula })
}

export const hydrate: Command = {
  name: 'hydrate',
  takes: 'QUESTION.json',
  about: 'waters of crystallisation from the loss on heating',
  help: `Keys: salt, hydrated, anhydrous
"nearest" is the nearest whole or half.

  echo '{"salt":"CuSO4","hydrated":"1.2510 g","anhydrous":"0.7998 g"}' | bin/zl hydrate -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
