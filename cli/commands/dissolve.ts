import * as z from 'zod'
import { fail, ok } from '#core/problem'
import { dissolve as dissolveForm, explainSolubility } from '#core/solution'
import type { Answer } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'

const schema = z.strictObject({ form: z.string(), mass: z.string(), at: z.string() })

function answer(question: z.output<typeof schema>): Answer {
  const form = readFormula(question.form, 'form')
  if (!form.ok) return form
  const mass = readQuantity(question.mass, 'mass', ['mass'])
  if (!mass.ok) return mass
  const at = readQuantity(question.at, 'at', ['temperature'])
  if (!at.ok) return at
  const held = dissolveForm(form.value, mass.value, at.value.value)
  if (!held.ok) {
    const { why, fix } = explainSolubility(held.problem)
    return fail({ code: held.problem.code, message: why, hint: fix })
  }
  const { water, saturated, phase, source } = held.value
  return ok({ water: water.value, saturated: { anhydrousPer100gWater: saturated }, phase: phase.text, source })
}

export const dissolve: Command = {
  name: 'dissolve',
  takes: 'QUESTION.json',
  about: 'the least water that holds a mass of a salt at a temperature',
  help: `Keys: form, mass, at
The water that the form itself brings is counted; "phase" is the solid that is in equilibrium there.

  echo '{"form":"KNO3","mass":"50 g","at":"70 °C"}' | bin/zl dissolve -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
