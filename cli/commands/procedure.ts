import { planSchema } from '#core/document'
import { fail, ok } from '#core/problem'
import { cautionWords, procedureOf, tellVessel, type Event, type ToldStage } from '#core/procedure'
import { computeReadPlan, readPlan, ways } from '#core/sheet'
import { operationWords } from '#core/vessel'
import { planError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'

const besideOf = ({ beside, isKnown }: Event, named: ToldStage['named']) =>
  isKnown ? beside.map(({ name, vessel }) => ({ name, ...tellVessel(vessel, named) })) : []

const stageAnswer = ({ id, way, events, product, warnings, problems, named }: ToldStage) => ({
  id,
  way: way.way,
  proposed: way.proposed,
  why: way.why.replace(/[{}]/g, ''),
  steps: events.map(event => ({
    id: event.id,
    do: event.operation.do,
    words: event.words.replace(/[{}]/g, ''),
    ...(event.charge && { charge: event.charge }),
    out: event.out,
    after: event.isKnown ? tellVessel(event.after, named) : null,
    beside: besideOf(event, named),
    cautions: event.cautions.map(({ code }) => code),
  })),
  product: { form: product.form, mass: product.mass ?? null, with: product.with },
  warnings: [
    ...warnings.map(({ code, message }) => ({ code, message: message.replace(/[{}]/g, '') })),
    ...problems.map(({ step, why, fix }) => ({ code: 'step.not-told', message: `${step}: ${why}; ${fix}.` })),
  ],
})

export const procedure: Command = {
  name: 'procedure',
  takes: 'PLAN.json',
  about: 'what the stages of a plan do, operation by operation, and what the vessel holds after each',
  help: `Keys: as for sheet, and stages[] { inPot?, solvents?[] { name, volume? | mass? }, way?, at? }
  way: ${ways.map(way => `"${way}"`).join(' | ')}; left out: proposed
Operations:
${Object.entries(operationWords)
  .map(([name, words]) => `  ${name.padEnd(16)} ${words}`)
  .join('\n')}
Cautions:
${Object.entries(cautionWords)
  .map(([code, words]) => `  ${code.padEnd(28)} ${words}`)
  .join('\n')}

  echo '{"stages":[{"id":"s1","equation":"CuO + H2SO4 -> CuSO4 + H2O",
    "reagents":[{"species":"CuO","supply":{"kind":"solid"},"charge":{"mass":"8.00 g"}},
                {"species":"H2SO4","supply":{"kind":"solution","concentration":"2.00 mol/L"}}],
    "product":{"species":"CuSO4","form":"CuSO4·5H2O"}}]}' | bin/zl procedure -`,
  run(argument) {
    const plan = readJson(argument, planSchema)
    if (!plan.ok) return plan
    const read = readPlan(plan.value)
    if (!read.ok) return fail(planError(read.problem))
    const sheet = computeReadPlan(read.value)
    if (!sheet.ok) return fail(planError(sheet.problem))
    return ok({ stages: procedureOf(read.value, sheet.value).map(stageAnswer) })
  },
}
