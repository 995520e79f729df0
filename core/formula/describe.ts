import type { Formula } from './formula'
import { massOf, molarMass } from './mass'

export interface ElementShare {
  readonly symbol: string
  readonly count: number
  readonly mass: number
  readonly percent: number
}

/** Each element's count, mass in one mole (g), and percent of the molar mass, in the order written. */
export function elementShares(formula: Formula): ElementShare[] {
  const whole = molarMass(formula)
  return [...formula.composition].map(([symbol, count]) => {
    const mass = massOf(formula, symbol)
    return { symbol, count, mass, percent: (mass / whole) * 100 }
  })
}
