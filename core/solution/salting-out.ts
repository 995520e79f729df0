import { findSubstance, type Formula } from '#core/formula'
import { methanolWords, permittivities, type Cosolvent, type Dissolves } from '#core/reference'
import type { Component } from './components'
import { monotone } from '#core/quantity'
import type { SolubilityProblem } from './problems'

/** Mass fraction of alcohol or acetone in the solvent up to which the estimate is offered; above it hydrates also lose water. */
export const SPIRIT_LIMIT = 0.6

const curves = new Map<Cosolvent, (share: number) => number | undefined>()
function permittivityOf(solvent: Cosolvent): (share: number) => number | undefined {
  const before = curves.get(solvent)
  if (before) return before
  const made = monotone(permittivities[solvent].map(([percent, value]) => [percent / 100, value] as const))
  curves.set(solvent, made)
  return made
}

/** Half of e²/(4πε₀kT) at 20 °C, and one radius for every hydrated ion, Å: common practice, no source. */
const HALF_BJERRUM = 285
const RADIUS = 2

/**
 * How much of its solubility in water (g per 100 g of solvent) a salt keeps at a mass fraction of an alcohol or acetone: Born's equation, with the
 * permittivity of the mixture; a share outside 0 to 1 counts as the end that is nearer. An estimate: the dissolved rest is right within a factor of two for 1:1 salts, and four for 2:2 ones.
 */
export function saltingOut(ions: readonly Component[], share: number, solvent: Cosolvent = 'ethanol'): number {
  const at = permittivityOf(solvent)
  const [water, mixed] = [at(0), at(Math.max(0, Math.min(1, share)))]
  if (water === undefined || mixed === undefined) return 1
  const charged = ions.map(({ key, count }) => count * chargeOf(key) ** 2).reduce((a, b) => a + b, 0)
  const particles = ions.reduce((sum, { count }) => sum + count, 0)
  return Math.exp((-HALF_BJERRUM / RADIUS) * (1 / mixed - 1 / water) * (charged / particles))
}

const chargeOf = (key: string): number => (/\^/.test(key) ? Number(/\^(\d*)/.exec(key)![1] || 1) : 0)

/** What a salt does in the pure solvent, in a word; what propan-2-ol does is not in the tables, and it dissolves no salt better than ethanol does. */
function wordIn(salt: Formula, solvent: Cosolvent): Dissolves | undefined {
  const row = findSubstance(salt)?.row
  if (solvent === 'methanol') return methanolWords[salt.text]
  return solvent === 'acetone' ? row?.acetone : row?.ethanol
}

/** A salt that the solvent dissolves, or of which no word is known, is not thrown down by it as far as the tables can tell. */
export function refusesSpirit(
  { solutes }: { readonly solutes: readonly { readonly salt: Formula }[] },
  solvent: Cosolvent,
): SolubilityProblem | undefined {
  for (const { salt } of solutes) {
    const word = wordIn(salt, solvent)
    if (word !== 'insoluble' && word !== 'slightly')
      return { code: 'solubility.spirit-dissolves', salt: salt.text, solvent, known: word !== undefined }
  }
  return undefined
}
