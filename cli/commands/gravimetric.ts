import * as z from 'zod'
import { analyteShare, gravimetricFactor, summarise } from '#core/assay'
import { fail, ok } from '#core/problem'
import type { Answer } from '../answer'
import { readJson } from '../input'
import { assayError } from './assay-error'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'
import { readWeighed, weighedSchema } from './weighed'

const schema = z.strictObject({
  analyte: z.string(),
  weighedAs: z.string(),
  by: z.string().exactOptional(),
  replicates: z
    .array(z.strictObject({ sample: z.string(), precipitate: weighedSchema }))
    .min(1)
    .max(1000),
})

function answer(question: z.output<typeof schema>): Answer {
  const analyte = readFormula(question.analyte, 'analyte')
  if (!analyte.ok) return analyte
  const weighedAs = readFormula(question.weighedAs, 'weighedAs')
  if (!weighedAs.ok) return weighedAs
  const factor = gravimetricFactor(analyte.value, weighedAs.value, question.by)
  if (!factor.ok) return fail(assayError(factor.problem))

  const percents: number[] = []
  for (const [i, replicate] of question.replicates.entries()) {
    const key = `replicates[${i}]`
    const sample = readQuantity(replicate.sample, `${key}.sample`, ['mass'])
    if (!sample.ok) return sample
    const precipitate = readWeighed(replicate.precipitate, `${key}.precipitate`, 'gravimetric.gross-below-tare')
    if (!precipitate.ok) return precipitate
    percents.push(analyteShare(factor.value, precipitate.value, sample.value).value * 100)
  }
  const { mean, standardDeviation, relativePercent, confidence95 } = summarise(percents)
  return ok({
    factor: factor.value.value,
    replicates: percents.map(percent => ({ percent })),
    mean,
    standardDeviation: standardDeviation ?? null,
    relativeStandardDeviationPercent: relativePercent ?? null,
    confidence95: confidence95 ?? null,
  })
}

export const gravimetric: Command = {
  name: 'gravimetric',
  takes: 'QUESTION.json',
  about: 'gravimetric factor and percent of the analyte, with its spread over replicates',
  help: `Keys: analyte, weighedAs, by? (what is counted, where several could be: "S"), replicates[] { sample, precipitate { gross, tare } or { net } }

  echo '{"analyte":"Ni","weighedAs":"Ni(C4H7N2O2)2",
    "replicates":[{"sample":"0.2561 g","precipitate":{"gross":"24.3187 g","tare":"24.1311 g"}}]}' | bin/zl gravimetric -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
