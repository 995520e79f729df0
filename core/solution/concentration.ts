import { molarMass, type Formula } from '#core/formula'
import { componentsOf } from './components'
import type { Told } from './moves'

/** g of an anhydrous salt that a liquor holds in 100 g of its water. */
export function gramsIn({ ions, freeWater }: Pick<Told, 'ions' | 'freeWater'>, salt: Formula): number {
  const amount = Math.min(...componentsOf(salt).map(({ key, count }) => (ions.get(key) ?? 0) / count))
  return freeWater > 0 ? ((amount * molarMass(salt)) / freeWater) * 100 : 0
}
