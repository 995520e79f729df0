import * as z from 'zod'
import { moveSchema } from '#core/document'
import { fail, ok, type Checked } from '#core/problem'
import {
  addSolute,
  explainMove,
  explainMovePlan,
  explainSolubility,
  follow,
  readMoves,
  type CourseProblem,
  type MoveProblem,
  type MovePlan,
  type PotState,
  type SolubilityProblem,
  type Told,
} from '#core/solution'
import { pathText, type Answer, type CommandError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'
import { readFormula, readQuantity } from './read'

const text = z.string()
const schema = z.strictObject({
  water: text,
  solutes: z
    .array(z.strictObject({ form: text, mass: text }))
    .min(1)
    .max(12),
  steps: z.array(moveSchema).max(100),
})
type Question = z.output<typeof schema>

const ROOM = 25

function errorOf(problem: SolubilityProblem | CourseProblem): CommandError {
  const isMove = problem.code.startsWith('moves.')
  const { why, fix } = isMove ? explainMove(problem as MoveProblem) : explainSolubility(problem as SolubilityProblem)
  const place = 'step' in problem ? `steps[${problem.step}]: ` : ''
  return { code: problem.code, message: `${place}${why}`, hint: fix }
}

function potOf(question: Question): Checked<PotState, CommandError> {
  const water = readQuantity(question.water, 'water', ['mass', 'volume'], { zero: true })
  if (!water.ok) return water
  const grams = water.value.kind === 'volume' ? water.value.value * 0.9982 : water.value.value
  let pot: PotState = { celsius: ROOM, water: grams, totals: new Map(), solutes: [] }
  for (const [i, solute] of question.solutes.entries()) {
    const form = readFormula(solute.form, `solutes[${i}].form`)
    if (!form.ok) return form
    const mass = readQuantity(solute.mass, `solutes[${i}].mass`, ['mass'])
    if (!mass.ok) return mass
    const added = addSolute(pot, form.value, mass.value.value)
    if (!added.ok) return fail(errorOf(added.problem))
    pot = added.value
  }
  return ok(pot)
}

const toldOf = ({ celsius, water, dissolved, solid, estimated, dry, leftOut, isUnsettled }: Told) => ({
  temperature: celsius,
  water,
  dissolved,
  solid,
  estimated,
  ...(dry && { dry }),
  ...(leftOut.length > 0 && { notKnown: leftOut }),
  ...(isUnsettled && { unsettled: true }),
})

function answer(question: Question): Answer {
  const pot = potOf(question)
  if (!pot.ok) return pot
  const moves = readMoves(question.steps as MovePlan[])
  if (!moves.ok) {
    const { path, problem } = moves.problem
    const { why, fix } = explainMovePlan(moves.problem)
    return fail({
      code: problem.code,
      message: `${pathText(['steps', ...path])}: ${why}`,
      at: problem.span,
      hint: fix,
    })
  }
  const course = follow(pot.value, moves.value)
  if (!course.ok) return fail(errorOf(course.problem))
  const { steps, crops, liquor } = course.value
  return ok({
    steps: steps.map(toldOf),
    crops: crops.map(({ form, mass, recovery, entrained }) => ({
      form,
      mass,
      recoveryPercent: recovery * 100,
      entrained,
    })),
    liquor: { water: liquor.water, dissolved: liquor.dissolved },
  })
}

export const crystallise: Command = {
  name: 'crystallise',
  takes: 'QUESTION.json',
  about: 'what comes down, and how much, as a solution is heated, boiled down, cooled, filtered and washed',
  help: `Keys: water, solutes[] { form, mass }, steps[]: one of { heatTo }, { coolTo }, { evaporate: { water } },
  { evaporateTo: { water } }, { evaporateTo: { volume } }, { addWater }, { filter: { retained? } },
  { wash: { with: "water" | "ethanol" | "methanol" | "acetone", volume, at?, retained?, through? } },
  { addSolute: { form, mass } }, { seed: { form, mass } }, { addEthanol: "20 mL" } (96 % spirit), { hold: "2 h" }
The pot begins at 25 °C. After a wash the step tells the cake. "entrained" is what the liquor kept in a crop dries to, in g.
"notKnown" names salts that these ions can make and whose solubility no table has there: they are told as dissolved.
"unsettled": true says that the model found no rest, so that the step is not to be relied on.
"dry": true says that the crystals want more water than there is, so that some of the salt stays a lower hydrate.
"estimated" is true where salts share ions and a model answers; losses in other solvents than water are not computed.

  echo '{"water":"100 g","solutes":[{"form":"KNO3","mass":"90 g"}],
    "steps":[{"heatTo":"70 °C"},{"coolTo":"10 °C"},{"filter":{"retained":"0 %"}},{"wash":{"with":"water","volume":"10 mL","at":"0 °C"}}]}' | bin/zl crystallise -`,
  run(argument) {
    const question = readJson(argument, schema)
    return question.ok ? answer(question.value) : question
  },
}
