import { excessOf, logWater, type Interactions } from '#core/activity'
import { molarMass, type Formula } from '#core/formula'
import type { Component } from './components'

/** g of anhydrous salt in 100 g of water as mol in a kg. */
export const molalityOf = (salt: Formula, grams: number): number => (grams * 10) / molarMass(salt)

/** ln of the product of a solid's activities in a solution of its salt alone, mol in a kg of water, as the ions of a pot act. */
export function productAlone(
  components: readonly Component[],
  waters: number,
  molality: number,
  ions: Interactions,
): number {
  const m = ions.keys.map(key => (components.find(one => one.key === key)?.count ?? 0) * molality)
  const excess = excessOf(ions, m)
  const activities = components.reduce((sum, { key, count }) => {
    const i = ions.keys.indexOf(key)
    return i < 0 ? sum : sum + count * (Math.log(count * molality) + excess.gradient[i]!)
  }, 0)
  return activities + waters * logWater(ions, m, excess)
}
