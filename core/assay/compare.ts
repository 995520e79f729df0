import { summarise } from './replicates'
import { incompleteBeta } from './student'

export interface Comparison {
  /** Ratio of the larger variance to the smaller, and how likely one at least as large is by chance. */
  readonly f: number
  readonly fProbability: number
  readonly spreadsDiffer: boolean
  readonly t: number
  readonly degrees: number
  readonly tProbability: number
  readonly meansDiffer: boolean
  /** Spreads that differ are not pooled (Welch). */
  readonly pooled: boolean
}

/** Chance at which two sets are called different. */
const LEVEL = 0.05

/**
 * Compares two sets of replicates, of two people, trials or classes: the spreads by an F test, two-sided, then the means by a t test, pooled where the
 * spreads agree and Welch's where they do not (Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, ch. 3, from memory).
 * `step` is by how much a value moves with its readings' own steps: no set is taken to scatter less than that over √12. Undefined for fewer than two values in a
 * set, or without any spread.
 */
export function compareSets(a: readonly number[], b: readonly number[], step = 0): Comparison | undefined {
  const [one, two] = [summarise(a), summarise(b)]
  const [sa, sb] = [one.standardDeviation, two.standardDeviation]
  if (sa === undefined || sb === undefined) return undefined
  const [va, vb] = [varianceOf(sa, one.mean, step), varianceOf(sb, two.mean, step)]
  if (va === 0 && vb === 0) return undefined
  const [da, db] = [a.length - 1, b.length - 1]
  const f = Math.min(va, vb) > 0 ? Math.max(va, vb) / Math.min(va, vb) : Infinity
  const [dTop, dBottom] = va >= vb ? [da, db] : [db, da]
  const fProbability = Number.isFinite(f)
    ? Math.min(1, 2 * incompleteBeta(dBottom / (dBottom + dTop * f), dBottom / 2, dTop / 2))
    : 0
  const spreadsDiffer = fProbability < LEVEL
  const pooled = !spreadsDiffer
  const variance = (da * va + db * vb) / (da + db)
  const error = pooled ? Math.sqrt(variance * (1 / a.length + 1 / b.length)) : Math.sqrt(va / a.length + vb / b.length)
  const degrees = pooled
    ? da + db
    : (va / a.length + vb / b.length) ** 2 / ((va / a.length) ** 2 / da + (vb / b.length) ** 2 / db)
  const t = Math.abs(one.mean - two.mean) / error
  const tProbability = incompleteBeta(degrees / (degrees + t * t), degrees / 2, 0.5)
  return { f, fProbability, spreadsDiffer, t, degrees, tProbability, meansDiffer: tProbability < LEVEL, pooled }
}

/** Sums of equal numbers leave a last digit of rounding: that is no spread. */
const varianceOf = (deviation: number, mean: number, step: number): number =>
  Math.max(deviation <= 1e-12 * Math.abs(mean) ? 0 : deviation ** 2, step ** 2 / 12)
