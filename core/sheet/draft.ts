import { parseFormula, relate } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import type { StagePlan } from './plan'
import type { PlanProblem } from './problems'
import { readReaction } from './read-plan'

/**
 * A first stage from the product wanted and the equation, both as typed: each reactant a pure solid without a charge, and the
 * product matched to the species that makes it. Refuses a product that the equation does not make.
 */
export function draftStage(productText: string, equation: string): Checked<StagePlan, PlanProblem> {
  const wanted = parseFormula(productText)
  if (!wanted.ok) return fail({ path: ['product'], problem: wanted.problem })
  const reaction = readReaction(equation)
  if (!reaction.ok) return fail({ path: ['equation'], problem: reaction.problem })

  const { reactants, products } = reaction.value
  const made = products.find(({ species }) => relate(wanted.value, species.formula))
  if (!made) {
    const among = products.map(({ species }) => species.formula.text)
    return fail({
      path: ['product'],
      problem: { code: 'sheet.unknown-species', species: wanted.value.text, side: 'product', among },
    })
  }
  return ok({
    id: 's1',
    equation,
    reagents: reactants
      .filter(({ species }) => species.formula.text !== 'H2O')
      .map(({ species }) => ({ species: species.formula.text, supply: { kind: 'solid' } })),
    product: { species: made.species.formula.text, form: wanted.value.text },
  })
}
