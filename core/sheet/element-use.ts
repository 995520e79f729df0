import { findElement, molarMassFigure } from '#core/formula'
import { exact, product, sum, type Figure } from '#core/quantity'
import type { ReadPlan } from './read-stage'
import type { PlanSheet } from './route'

/** How much of an element that came in bottles ends in the product. */
export interface ElementUse {
  readonly element: string
  readonly isMetal: boolean
  /** In all bottles of the route, mol. */
  readonly charged: Figure
  /** In the product as expected (or as given), mol. */
  readonly inProduct: Figure
  /** Fraction of one. */
  readonly share: Figure
}

const NON_METALS = new Set('H He B C N O F Ne Si P S Cl Ar Ge As Se Br Kr Te I Xe'.split(' '))

/**
 * For each element of the last product beside hydrogen, oxygen and carbon (which leave as water and carbon dioxide): what share of what was charged in bottles over the whole route
 * ends in `product` (the expected mass, or one that was weighed). The element with the largest share is the limiting one, and its
 * share the overall yield on it.
 */
export function elementUse(plan: ReadPlan, { stages }: PlanSheet, productMass: Figure): ElementUse[] {
  const last = plan.stages.at(-1)
  if (!last) return []
  const { form } = last.product
  const molar = product(`amount of {${form.text}}`, 'amount', [productMass], [molarMassFigure(form)])
  return [...form.composition]
    .filter(([element]) => !['H', 'O', 'C'].includes(element))
    .flatMap(([element, held]): ElementUse[] => {
      const bottles = plan.stages.flatMap((stage, i) =>
        stage.reagents.flatMap((reagent, j): [number, Figure][] => {
          const count = reagent.term.species.formula.composition.get(element) ?? 0
          const amount = stages[i]?.reagents[j]?.amount
          return reagent.from || count === 0 || !amount ? [] : [[count, amount]]
        }),
      )
      if (bottles.length === 0) return []
      const charged = sum(`{${element}} in the bottles`, bottles)
      const inProduct = product(`{${element}} in the product`, 'amount', [molar, exact(held)])
      return [
        {
          element,
          isMetal: !NON_METALS.has(element) && findElement(element) !== undefined,
          charged,
          inProduct,
          share: product(`{${element}} that ends in the product`, 'mass fraction', [inProduct], [charged]),
        },
      ]
    })
    .sort((a, b) => b.share.value - a.share.value)
}
