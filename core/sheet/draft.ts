import { balance, parseEquation, printReaction } from '#core/equation'
import { findSubstance, parseFormula, relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { usualStock } from './dilution-by-volume'
import type { StagePlan, SupplyPlan } from './plan'
import type { PlanProblem } from './problems'
import { readReaction } from './read-plan'

/**
 * A first stage from the product wanted and the equation, both as typed: each reactant a pure solid without a charge, and the
 * product matched to the species that makes it. Refuses a product that the equation does not make.
 */
export function draftStage(productText: string, equation: string): Checked<StagePlan, PlanProblem> {
  const wanted = parseFormula(productText)
  if (!wanted.ok) return fail({ path: ['product'], problem: wanted.problem })
  const sides = readSides(equation)
  if (!sides.ok) return fail({ path: ['equation'], problem: sides.problem })

  const { reactants, products } = sides.value
  const made = products.find(formula => relate(wanted.value, formula))
  if (!made) {
    const among = products.map(({ text }) => text)
    return fail({
      path: ['product'],
      problem: { code: 'sheet.unknown-species', species: wanted.value.text, side: 'product', among },
    })
  }
  return ok({
    id: 's1',
    equation,
    reagents: reactants
      .filter(({ text }) => text !== 'H2O')
      .map(formula => ({ species: formula.text, supply: usualSupply(formula) })),
    product: { species: made.text, form: wanted.value.text },
    ...firstOf(equation, made.text),
  })
}

/** Where several reactions share the species, the first that makes the product, until the chemist chooses. */
function firstOf(equation: string, product: string): Pick<StagePlan, 'mix'> {
  const read = parseEquation(equation)
  const balanced = read.ok ? balance(read.value) : undefined
  if (!balanced?.ok || balanced.value.unique) return {}
  const first = balanced.value.basis.find(({ products }) =>
    products.some(({ species }) => species.formula.text === product),
  )
  return first ? { mix: [{ equation: printReaction(first), share: '100 %' }] } : {}
}

/** Which formulas stand on which side; of one reaction or of several that share their species. */
function readSides(
  equation: string,
): Checked<{ reactants: readonly Formula[]; products: readonly Formula[] }, PlanProblem['problem']> {
  const reaction = readReaction(equation)
  const several = !reaction.ok && reaction.problem.code === 'sheet.several-reactions'
  if (!reaction.ok && !several) return reaction
  const read = parseEquation(equation)
  if (!read.ok) return read
  const side = (wanted: 'reactant' | 'product'): Formula[] =>
    read.value.species.filter(one => one.side === wanted).map(({ formula }) => formula)
  return ok({ reactants: side('reactant'), products: side('product') })
}

/** What is sold in water (acids, ammonia, peroxide, bleach) comes as a solution of the usual strength; everything else as a pure solid until it is said. */
function usualSupply(formula: Formula): SupplyPlan {
  const usual = usualStock(formula)
  const state = findSubstance(formula)?.row.state
  if (usual && (usual.onlySolution || state !== 'solid'))
    return { kind: 'solution', concentration: `${usual.percent} % w/w` }
  return { kind: state === 'gas' ? 'gas' : 'solid' }
}
