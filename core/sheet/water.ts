import type { Term } from '#core/equation'
import { molarMassFigure, parseFormula, type Formula } from '#core/formula'
import { exact, product, sum, type Figure } from '#core/quantity'
import type { ReadStage, Reagent } from './read-stage'
import { massFor, waterWith } from '#core/supply'

export interface Water {
  readonly fromReagents: Figure
  readonly fromReaction: Figure
  readonly intoProduct: Figure
  readonly total: Figure
  readonly estimated: boolean
  readonly solvent?: Figure
  readonly evaporated?: Figure
  /** Came along in the pot from the stage before. */
  readonly carried?: Figure
}

export const waterFormula: Formula = (() => {
  const read = parseFormula('H2O')
  if (!read.ok) throw new Error('Water does not read.')
  return read.value
})()

export const coefficientOf = (term: Term): Figure[] =>
  term.coefficient === 1 ? [] : [exact(term.coefficient, 'number', `coefficient of {${term.species.formula.text}}`)]

export const isWater = ({ species }: Term): boolean =>
  species.formula.text === waterFormula.text && species.phase !== 'g'

/**
 * The water of a stage: brought by hydrates, solutions and moist solids, put in as solvent, carried along in the pot, made or eaten
 * by the reaction, boiled off, and taken into the isolated form; `total` is what is left in the pot beside the product.
 */
export function waterOf(
  stage: ReadStage,
  charged: readonly { reagent: Reagent; amount: Figure }[],
  extent: Figure,
  carried?: Figure,
  beside: readonly { readonly formula: Formula; readonly amount: Figure }[] = [],
): Water {
  const molar = molarMassFigure(waterFormula)
  let estimated = false
  const brought = charged.flatMap(({ reagent, amount }): [number, Figure][] => {
    const with_ = waterBrought(reagent, amount)
    estimated ||= with_.estimated
    return with_.terms
  })
  const made = stage.reaction.products.find(isWater)?.coefficient ?? 0
  const eaten = stage.reaction.reactants.find(isWater)?.coefficient ?? 0
  const { term, form, relation } = stage.product

  const none = exact(0, 'mass', 'no water')
  const fromReagents = brought.length > 0 ? sum('water with the reagents', brought) : none
  const ofReaction =
    made === eaten
      ? none
      : product('water from the reaction', 'mass', [extent, exact(made - eaten, 'number', 'waters made'), molar])
  const withPot = beside.filter(({ formula }) => formula.text === waterFormula.text)
  const fromReaction =
    withPot.length === 0
      ? ofReaction
      : sum('water made', [
          [1, ofReaction],
          ...withPot.map(({ amount }): [number, Figure] => [
            1,
            product('water made with the pot’s matter', 'mass', [amount, molar]),
          ]),
        ])
  const perSpecies = relation.waters / relation.units
  const intoProduct =
    perSpecies === 0
      ? none
      : product(`water taken into {${form.text}}`, 'mass', [
          extent,
          ...coefficientOf(term),
          exact(perSpecies, 'number', 'waters of crystallisation'),
          molar,
        ])
  const { solvent, evaporate } = stage.bench
  const total = sum('water in the pot', [
    [1, fromReagents],
    ...(solvent ? [[1, solvent] as const] : []),
    ...(carried ? [[1, carried] as const] : []),
    [1, fromReaction],
    [-1, intoProduct],
    ...(evaporate ? [[-1, evaporate] as const] : []),
  ])
  return {
    fromReagents,
    fromReaction,
    intoProduct,
    total,
    estimated,
    ...(solvent && { solvent }),
    ...(carried && { carried }),
    ...(evaporate && { evaporated: evaporate }),
  }
}

/** Water that comes with one reagent: itself, of its solution, of its crystals, and what clings to it. */
export function waterBrought(
  reagent: Reagent,
  amount: Figure,
): { readonly terms: [number, Figure][]; readonly estimated: boolean } {
  if (isWater(reagent.term)) {
    const charged = product('water charged', 'mass', [amount, molarMassFigure(waterFormula)])
    return { terms: [[1, massFor(reagent.supply, amount) ?? charged]], estimated: false }
  }
  const moist = moistureOf(reagent, amount)
  if (reagent.supply.kind !== 'solution' && reagent.supply.relation.waters === 0)
    return { terms: moist, estimated: false }
  const { water, estimated } = waterWith(reagent.supply, amount, waterFormula)
  return { terms: [[1, water], ...moist], estimated }
}

/** Water that clings to a moist solid. */
function moistureOf({ supply }: Reagent, amount: Figure): [number, Figure][] {
  const mass = supply.moisture && massFor(supply, amount)
  return mass ? [[1, product(`moisture of {${supply.weighed.text}}`, 'mass', [mass, supply.moisture!])]] : []
}
