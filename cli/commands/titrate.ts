import * as z from 'zod'
import { amountOf, matched, ofWhole, purityAs, usedUp, type AssayProblem } from '#core/assay'
import type { Reaction } from '#core/equation'
import type { Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import type { Figure } from '#core/quantity'
import { readReaction } from '#core/sheet'
import { planError, type Answer, type CommandError } from '../answer'
import { readJson } from '../input'
import { assayError } from './assay-error'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'

const solution = { species: z.string(), concentration: z.string(), volume: z.string() }
const schema = z.strictObject({
  equation: z.string(),
  titrant: z.strictObject({ ...solution, blank: z.string().exactOptional() }),
  sample: z.strictObject({
    species: z.string(),
    mass: z.string().exactOptional(),
    volume: z.string().exactOptional(),
    forms: z.array(z.string()).exactOptional(),
  }),
  aliquot: z.strictObject({ of: z.string(), taken: z.string() }).exactOptional(),
  back: z.strictObject({ ...solution, equation: z.string() }).exactOptional(),
})
type Question = z.output<typeof schema>

/** Carries the first problem of a chain of readings out of it. */
class Refused extends Error {
  constructor(readonly error: CommandError) {
    super(error.code)
  }
}
const need = <T>(read: Checked<T, CommandError>): T => {
  if (read.ok) return read.value
  throw new Refused(read.problem)
}
const assay = <T>(found: Checked<T, AssayProblem>): T => need(found.ok ? found : fail(assayError(found.problem)))

function reaction(equation: string, key: string): Reaction {
  const read = readReaction(equation)
  return need(read.ok ? read : fail(planError({ path: [key], problem: read.problem })))
}

function reagent(
  plan: { species: string; concentration: string; volume: string; blank?: string | undefined },
  key: string,
) {
  return {
    formula: need(readFormula(plan.species, `${key}.species`)),
    concentration: need(readQuantity(plan.concentration, `${key}.concentration`, ['concentration'])),
    volume: need(readQuantity(plan.volume, `${key}.volume`, ['volume'])),
    ...(plan.blank !== undefined && {
      blank: need(readQuantity(plan.blank, `${key}.blank`, ['volume'], { zero: true })),
    }),
  }
}

function sampleAmount(question: Question, species: Formula): Figure {
  const equation = reaction(question.equation, 'equation')
  const titrant = reagent(question.titrant, 'titrant')
  const titrated = assay(amountOf(titrant))
  if (!question.back) return assay(matched(equation, titrant.formula, titrated, species))
  const back = reagent(question.back, 'back')
  const left = assay(
    matched(reaction(question.back.equation, 'back.equation'), titrant.formula, titrated, back.formula),
  )
  const used = assay(usedUp(assay(amountOf(back)), left, back.formula))
  return assay(matched(equation, back.formula, used, species))
}

/** What the sample was, by mass or by volume: one of the two. */
function sampleSize({ mass, volume }: Question['sample']): Figure {
  if (mass !== undefined && volume === undefined) return need(readQuantity(mass, 'sample.mass', ['mass']))
  if (volume !== undefined && mass === undefined) return need(readQuantity(volume, 'sample.volume', ['volume']))
  throw new Refused({
    code: 'titrate.sample-size',
    message: 'The sample is told by its mass or by its volume, one of the two.',
    hint: 'Give "mass" or "volume".',
  })
}

function answer(question: Question): Answer {
  try {
    const species = need(readFormula(question.sample.species, 'sample.species'))
    const size = sampleSize(question.sample)
    const forms = (question.sample.forms ?? [question.sample.species]).map((text, i) =>
      need(readFormula(text, `sample.forms[${i}]`)),
    )
    const { aliquot } = question
    const amount = assay(
      ofWhole(
        sampleAmount(question, species),
        aliquot && {
          of: need(readQuantity(aliquot.of, 'aliquot.of', ['volume'])),
          taken: need(readQuantity(aliquot.taken, 'aliquot.taken', ['volume'])),
        },
      ),
    )
    const purities = assay(purityAs(species, amount, size, forms))
    return ok({
      amount: amount.value,
      forms: purities.map(({ form, purity }) => ({
        form,
        purityPercent: size.kind === 'mass' ? purity.value * 100 : null,
        ...(size.kind === 'volume' && { gramsPerLitre: purity.value * 1000 }),
      })),
    })
  } catch (error) {
    if (error instanceof Refused) return fail(error.error)
    throw error
  }
}

export const titrate: Command = {
  name: 'titrate',
  takes: 'QUESTION.json',
  about: 'amount and purity of a sample by titration, direct or back',
  help: `Keys: equation, titrant { species, concentration, volume, blank? }, sample { species, mass or volume, forms?[] }, aliquot? { of, taken },
back? { species, concentration, volume, equation }: the reagent added in excess, and its reaction with the titrant; "equation" is
then the sample's reaction with it.

  echo '{"equation":"Na2CO3 + HCl -> NaCl + H2O + CO2",
    "titrant":{"species":"HCl","concentration":"0.1000 mol/L","volume":"31.20 mL","blank":"0.05 mL"},
    "sample":{"species":"Na2CO3","mass":"0.4510 g","forms":["Na2CO3·10H2O","Na2CO3·H2O"]}}' | bin/zl titrate -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
