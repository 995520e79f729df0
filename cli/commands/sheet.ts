import { planSchema } from '#core/document'
import { printReaction } from '#core/equation'
import { fail, ok } from '#core/problem'
import { computeReadPlan, readPlan, type StageSheet } from '#core/sheet'
import { planError } from '../answer'
import { readJson } from '../input'
import type { Command } from './command'

const stageAnswer = (stage: StageSheet, equation: string) => ({
  id: stage.id,
  equation,
  limiting: stage.limiting,
  extent: stage.extent.value,
  reagents: stage.reagents.map(({ species, weighAs, amount, mass, volume, equivalents, consumed, leftover }) => ({
    species,
    weighAs,
    amount: amount.value,
    mass: mass?.value ?? null,
    volume: volume?.value ?? null,
    equivalents: equivalents.value,
    consumed: consumed.value,
    leftover: { amount: leftover.amount.value, mass: leftover.mass.value },
  })),
  products: stage.products.map(({ species, form, amount, theoretical }) => ({
    species,
    form,
    amount: amount.value,
    theoretical: theoretical.value,
  })),
  water: {
    fromReagents: stage.water.fromReagents.value,
    fromReaction: stage.water.fromReaction.value,
    intoProduct: stage.water.intoProduct.value,
    total: stage.water.total.value,
    estimated: stage.water.estimated,
  },
  gases: stage.gases.map(({ formula, amount, volume }) => ({ formula, amount: amount.value, volume: volume.value })),
  warnings: stage.warnings,
})

export const sheet: Command = {
  name: 'sheet',
  takes: 'PLAN.json',
  about: 'the charge sheet of a plan: what to weigh, what limits, what is left, the theoretical yield',
  help: `Keys: stages[] { id, equation, reagents[] { species, supply, charge? }, product { species, form? }, target? { mass, yield? }, yield? },
ambient? { temperature?, pressure? }
  Also read, for the bench: stages[] { name?, inPot?, mix?[] { equation, share }, solvent?, evaporate?, at?, vessel?, addition?, bath?,
  trap? { reagent, volume, concentration } }, reagents[] { wayOut? }, room? { volume? }
  supply: { kind: "solid", formula?, assay?, moisture?, rest? } | { kind: "solution", concentration, density?, of? } | { kind: "liquid", density?, assay? }
        | { kind: "gas" } | { kind: "stage", from, wet?, share? }
  charge: one of { mass }, { volume }, { amount }, { equivalents: 1.2 }, { excess: "20 %" }; without one, 1 equivalent
Written digits are the resolution d of a value (u = d/√12); 5.214(2) and 5.214 ± 0.002 give the standard uncertainty.

  echo '{"stages":[{"id":"s1","equation":"Zn + H2SO4 -> ZnSO4 + H2",
    "reagents":[{"species":"Zn","supply":{"kind":"solid"},"charge":{"mass":"6.54 g"}}],
    "product":{"species":"ZnSO4","form":"ZnSO4·7H2O"}}]}' | bin/zl sheet -`,
  run(argument) {
    const plan = readJson(argument, planSchema)
    if (!plan.ok) return plan
    const read = readPlan(plan.value)
    const computed = read.ok ? computeReadPlan(read.value) : read
    if (!read.ok || !computed.ok) return computed.ok ? computed : fail(planError(computed.problem))
    const { stages, overall } = computed.value
    return ok({
      stages: stages.map((stage, i) => stageAnswer(stage, printReaction(read.value.stages[i]!.reaction))),
      overall: { theoretical: overall.theoretical.value, expected: overall.expected.value, form: overall.form },
    })
  },
}
