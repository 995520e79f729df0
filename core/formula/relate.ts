import type { Formula } from './formula'

/** One formula unit of `weighed` is `units` of the species and `waters` of H2O; waters below zero are taken up to make it. */
export interface Relation {
  readonly units: number
  readonly waters: number
  /** CO2 that one unit gives to acid beyond what its units of the species would; below zero for a basic carbonate. */
  readonly gas?: number
}

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b))

/**
 * How many units of `species` one `weighed` brings, and the water with them: Na2CO3·10H2O is 1 Na2CO3 and 10 H2O,
 * Na2S2O5 is 2 NaHSO3 less 1 H2O. Undefined where no such whole exists.
 */
export function relate(weighed: Formula, species: Formula): Relation | undefined {
  const h = { weighed: weighed.composition.get('H') ?? 0, species: species.composition.get('H') ?? 0 }
  const o = { weighed: weighed.composition.get('O') ?? 0, species: species.composition.get('O') ?? 0 }
  const units = unitsByMarkers(weighed, species) ?? unitsByHydrogenAndOxygen(h, o)
  if (units === undefined || !(units > 0)) return undefined

  for (const symbol of new Set([...weighed.composition.keys(), ...species.composition.keys()])) {
    if (symbol === 'H' || symbol === 'O') continue
    if (!near(weighed.composition.get(symbol) ?? 0, units * (species.composition.get(symbol) ?? 0))) return undefined
  }
  const waters = o.weighed - units * o.species
  if (!near(h.weighed - units * h.species, 2 * waters) || !near(weighed.charge, units * species.charge))
    return undefined
  return { units, waters: near(waters, Math.round(waters * 12) / 12) ? Math.round(waters * 12) / 12 : waters }
}

function unitsByMarkers(weighed: Formula, species: Formula): number | undefined {
  for (const [symbol, count] of species.composition) {
    if (symbol !== 'H' && symbol !== 'O') return (weighed.composition.get(symbol) ?? 0) / count
  }
  return undefined
}

/** Hydrogen peroxide or water alone: h = units·hs + 2w and o = units·os + w, solved for units. */
function unitsByHydrogenAndOxygen(
  h: { weighed: number; species: number },
  o: { weighed: number; species: number },
): number | undefined {
  const determinant = h.species - 2 * o.species
  if (determinant !== 0) return (h.weighed - 2 * o.weighed) / determinant
  return o.species > 0 ? o.weighed / o.species : undefined
}

/** The factor by which `a` is `b`: 2 for K2SO4·Al2(SO4)3·24H2O against KAl(SO4)2·12H2O; undefined for other stuff. */
export function commonFactor(a: Formula, b: Formula): number | undefined {
  if (a.composition.size !== b.composition.size) return undefined
  let factor: number | undefined
  for (const [symbol, count] of a.composition) {
    const other = b.composition.get(symbol)
    if (other === undefined) return undefined
    factor ??= count / other
    if (!near(count, factor * other)) return undefined
  }
  return factor !== undefined && near(a.charge, factor * b.charge) ? factor : undefined
}

/** True when both are the same stuff, up to a common factor. */
export const sameStuff = (a: Formula, b: Formula): boolean => commonFactor(a, b) !== undefined
