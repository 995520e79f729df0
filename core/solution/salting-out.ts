import { findSubstance, type Formula } from '#core/formula'
import { permittivities } from '#core/reference'
import type { Component } from './components'
import { monotone } from '#core/quantity'
import type { SolubilityProblem } from './problems'

/** Mass fraction of ethanol in the solvent up to which the estimate is offered; above it hydrates also lose water. */
export const ETHANOL_LIMIT = 0.6

const permittivity = monotone(permittivities.map(([percent, value]) => [percent / 100, value] as const))
/** Of water at 20 °C, where the table begins. */
const WATER = 80.4

/** The table runs from water to ethanol; a share outside it counts as the end that is nearer. */
const permittivityAt = (ethanol: number): number => permittivity(Math.max(0, Math.min(1, ethanol))) ?? WATER

/** Half of e²/(4πε₀kT) at 20 °C, and one radius for every hydrated ion, Å: common practice, no source. */
const HALF_BJERRUM = 285
const RADIUS = 2

/**
 * How much of its solubility in water (g per 100 g of solvent) a salt keeps at a mass fraction of ethanol: Born's equation, with the
 * permittivity of the mixture. An estimate: the dissolved rest is right within a factor of two for 1:1 salts, and four for 2:2 ones.
 */
export function saltingOut(ions: readonly Component[], ethanol: number): number {
  const water = permittivityAt(0)
  const mixed = permittivityAt(ethanol)
  const charged = ions.map(({ key, count }) => count * chargeOf(key) ** 2).reduce((a, b) => a + b, 0)
  const particles = ions.reduce((sum, { count }) => sum + count, 0)
  return Math.exp((-HALF_BJERRUM / RADIUS) * (1 / mixed - 1 / water) * (charged / particles))
}

const chargeOf = (key: string): number => (/\^/.test(key) ? Number(/\^(\d*)/.exec(key)![1] || 1) : 0)

/** A salt that ethanol dissolves, or of which no word is known, is not thrown down by it as far as the tables can tell. */
export function refusesEthanol({ solutes }: { solutes: readonly { salt: Formula }[] }): SolubilityProblem | undefined {
  for (const { salt } of solutes) {
    const word = findSubstance(salt)?.row.ethanol
    if (word !== 'insoluble' && word !== 'slightly')
      return { code: 'solubility.ethanol-dissolves', salt: salt.text, known: word !== undefined }
  }
  return undefined
}
