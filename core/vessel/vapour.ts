import { molarMass } from '#core/formula'
import { vapours, type VapourRow } from '#core/reference'
import { dissolvedParts, type Part } from './stands-as'
import { formulaOf, plus, portionOf, TRACE, WATER, type Portion, type Vessel } from './state'

/** Steps of the integration over a boil. */
const STEPS = 40

/** Mass fraction of it in the vapour over a liquor of so much of it. */
function inVapour({ azeotrope, power = 1, volatility }: VapourRow, x: number): number {
  if (azeotrope === undefined) {
    const ratio = ((volatility ?? 0) * x) / Math.max(1e-12, 1 - x)
    return ratio / (1 + ratio)
  }
  return x <= azeotrope
    ? azeotrope * (x / azeotrope) ** power
    : 1 - (1 - azeotrope) * ((1 - x) / (1 - azeotrope)) ** power
}

/**
 * What of the volatile solutes goes with so many g of water that are boiled off: acids, ammonia, by their vapour over the liquor, integrated over the boil. Acids count as far as there are protons for
 * their anion.
 */
export function withTheSteam(vessel: Vessel, water: number): { vessel: Vessel; gone: Portion[] } {
  let { ions } = vessel
  const gone: Portion[] = []
  const whole = vessel.solvents.get(WATER) ?? 0
  for (const row of vapours) {
    const form = formulaOf(row.of)
    const parts = dissolvedParts(form)
    const moles = Math.min(...parts.map(({ key, count }) => (ions.get(key) ?? 0) / count))
    if (!(moles > TRACE) || !(whole > 0)) continue
    const grams = moles * molarMass(form)
    const left = boiledTo(row, grams, whole, Math.min(water, whole))
    const leaves = Math.min(moles, (grams - left) / molarMass(form))
    if (leaves <= TRACE) continue
    ions = taken(ions, parts, leaves)
    gone.push(portionOf(form, leaves))
  }
  return gone.length === 0 ? { vessel, gone } : { vessel: { ...vessel, ions, estimated: true }, gone }
}

const taken = (ions: Vessel['ions'], parts: readonly Part[], moles: number): Vessel['ions'] =>
  parts.reduce((all, { key, count }) => plus(all, key, -count * moles), ions)

/** g of it that stay when so much water has gone: the equation of Rayleigh, dm/dw = y / (1 − y), by Runge and Kutta. */
function boiledTo(row: VapourRow, grams: number, whole: number, water: number): number {
  const by = (acid: number, left: number): number => {
    if (!(acid > 0) || !(left > 0)) return 0
    const y = Math.min(0.999, inVapour(row, acid / (acid + left)))
    return y / (1 - y)
  }
  const step = water / STEPS
  let acid = grams
  for (let i = 0; i < STEPS && acid > 0; i++) {
    const left = whole - i * step
    const a = by(acid, left)
    const b = by(acid - (a * step) / 2, left - step / 2)
    const c = by(acid - (b * step) / 2, left - step / 2)
    const d = by(acid - c * step, left - step)
    acid -= (step * (a + 2 * b + 2 * c + d)) / 6
  }
  return Math.max(0, acid)
}
