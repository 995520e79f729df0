import * as z from 'zod'
import { fail, ok } from '#core/problem'
import { dilute as diluteSolution, explainDilution, type DilutionProblem, type DilutionRefused } from '#core/sheet'
import { pathText, planError, type CommandError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'

const schema = z.strictObject({
  from: z.strictObject({ reagent: z.string(), concentration: z.string(), density: z.string().exactOptional() }),
  to: z.strictObject({
    concentration: z.string(),
    volume: z.string().exactOptional(),
    mass: z.string().exactOptional(),
    density: z.string().exactOptional(),
  }),
})

const isDilution = (problem: DilutionRefused['problem']): problem is DilutionProblem =>
  problem.code.startsWith('dilute.')

function errorOf({ path, problem }: DilutionRefused): CommandError {
  if (!isDilution(problem)) return planError({ path, problem })
  const { why, fix } = explainDilution(problem)
  return { code: problem.code, message: `${pathText(path)}: ${why}`, hint: fix }
}

export const dilute: Command = {
  name: 'dilute',
  takes: 'QUESTION.json',
  about: 'how much stock and water make a weaker solution, and what goes into what',
  help: `Keys: from { reagent, concentration, density? }, to { concentration, volume or mass, density? }
Densities may be left out for the common acids, ammonia, caustics and peroxide.

  echo '{"from":{"reagent":"H2SO4","concentration":"98 % w/w"},"to":{"concentration":"2 mol/L","volume":"250 mL"}}' | bin/zl dilute -`,
  run(argument) {
    const question = readJson(argument, schema)
    if (!question.ok) return question
    const made = diluteSolution(question.value)
    if (!made.ok) return fail(errorOf(made.problem))
    const { takeVolume, takeMass, water, order } = made.value
    return ok({ takeVolume: takeVolume?.value ?? null, takeMass: takeMass.value, water: water.value, order })
  },
}
