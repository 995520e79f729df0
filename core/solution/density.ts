import { molarMass, parseFormula } from '#core/formula'
import { ionVolumes, waterDensities } from '#core/reference'
import { monotone } from '#core/quantity'
import type { PotState } from './pot'
import type { Rest } from './pot-state'

const waterDensity = monotone(waterDensities.map(([celsius, density]) => [celsius, density] as const))

/** mL that a gram of a dissolved substance takes when the table has no volume for its ions; a rough value, no source. */
const UNKNOWN = 0.5

/**
 * Volume of a liquor, mL: water at its temperature, the partial molar volumes of the ions, and the widening with ionic strength,
 * 1.868 I^1.5 mL in a litre (limiting law of Redlich and Meyer, Chem. Rev. 64 (1964) 221, from memory, used far past its range). An
 * estimate, good to some 4 %.
 */
export function liquorVolume({
  freeWater,
  dissolved,
  celsius,
}: Pick<Rest, 'freeWater' | 'dissolved' | 'celsius'>): number {
  let volume = freeWater / (waterDensity(Math.min(100, Math.max(0, celsius))) ?? 0.997)
  let strength = 0
  for (const [key, amount] of dissolved) {
    const known = ionVolumes[key]
    if (known !== undefined) volume += amount * known
    else {
      const read = parseFormula(key)
      if (read.ok) volume += amount * molarMass(read.value) * UNKNOWN
    }
    strength += 0.5 * amount * chargeOf(key) ** 2
  }
  const bare = Math.max(volume, freeWater * 0.8)
  if (bare < 1e-6) return bare
  let wide = bare
  for (let i = 0; i < 8; i++) {
    const litres = wide / 1000
    wide = bare + WIDENING * (strength / litres) ** 1.5 * litres
  }
  return wide
}

const WIDENING = 1.868
const chargeOf = (key: string): number => (/\^/.test(key) ? Number(/\^(\d*)/.exec(key)![1] || 1) : 0)

export const liquorMass = ({ told }: Rest): number => told.water + told.forms.reduce((sum, { mass }) => sum + mass, 0)

/** Density of a liquor, g/mL; an estimate. */
export const liquorDensity = (rest: Rest): number => liquorMass(rest) / liquorVolume(rest)

/** All the water at which a dissolved pot takes a volume, by bisection; undefined where the salts alone take more. */
export function waterForVolume(pot: PotState, volume: number, celsius: number): number | undefined {
  const at = (water: number): number => liquorVolume({ freeWater: water, dissolved: pot.totals, celsius })
  if (at(0.001) > volume) return undefined
  let low = 0.001
  let high = volume * 2 + 100
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (at(middle) < volume) low = middle
    else high = middle
  }
  return (low + high) / 2
}
