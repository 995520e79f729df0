import * as z from 'zod'
import { relate, type Formula } from '#core/formula'
import { fail, ok } from '#core/problem'
import { exact, standardUncertainty } from '#core/quantity'
import { judgeYield, theoreticalFrom } from '#core/outcome'
import type { Answer } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'
import { readWeighed, weighedSchema } from './weighed'

const schema = z.strictObject({
  product: z.string(),
  from: z.strictObject({ formula: z.string(), mass: z.string(), perProduct: z.number().positive().exactOptional() }),
  weighed: weighedSchema,
  forms: z.array(z.string()).exactOptional(),
})

function answer(question: z.output<typeof schema>): Answer {
  const wanted = readFormula(question.product, 'product')
  if (!wanted.ok) return wanted
  const from = readFormula(question.from.formula, 'from.formula')
  if (!from.ok) return from
  const charged = readQuantity(question.from.mass, 'from.mass', ['mass'])
  if (!charged.ok) return charged
  const actual = readWeighed(question.weighed, 'weighed', 'yield.gross-below-tare')
  if (!actual.ok) return actual

  const forms: Formula[] = []
  for (const [i, text] of (question.forms ?? [question.product]).entries()) {
    const form = readFormula(text, `forms[${i}]`)
    if (!form.ok) return form
    if (!relate(form.value, wanted.value)) {
      return fail({
        code: 'yield.form-mismatch',
        message: `forms[${i}]: ${form.value.text} is not ${wanted.value.text} with other water.`,
        hint: 'Give anhydrous, hydrated or double-salt writings of the same product.',
      })
    }
    forms.push(form.value)
  }
  const theoretical = theoreticalFrom(from.value, charged.value, exact(question.from.perProduct ?? 1), wanted.value)
  const result = judgeYield(wanted.value, theoretical, actual.value, forms)
  return ok({
    theoretical: theoretical.value,
    actual: actual.value.value,
    percent: result.percent.value * 100,
    uncertainty: standardUncertainty(result.percent) * 100,
    forms: result.forms.map(({ form, theoretical: as, percent }) => ({
      form,
      theoretical: as.value,
      percent: percent.value * 100,
    })),
  })
}

export const yieldCommand: Command = {
  name: 'yield',
  takes: 'QUESTION.json',
  about: 'percent yield with its uncertainty, and the yield as each form',
  help: `Keys: product, from { formula, mass, perProduct? }, weighed { gross, tare } or { net }, forms?[]
perProduct: how many formula units of "from" end in one of the product, 1 where left out.

  echo '{"product":"ZnSO4·7H2O","from":{"formula":"Zn","mass":"5.214 g","perProduct":1},
    "weighed":{"gross":"88.437 g","tare":"68.902 g"},"forms":["ZnSO4·7H2O","ZnSO4·6H2O","ZnSO4"]}' | bin/zl yield -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
