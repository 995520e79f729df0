import { studentT } from './student'

export interface Replicates {
  readonly mean: number
  /** With n − 1; undefined for a single value. */
  readonly standardDeviation: number | undefined
  readonly relativePercent: number | undefined
  /** Half-width of the interval that holds the true mean with 95 % confidence, t·s/√n. */
  readonly confidence95: number | undefined
}

/** Mean and spread of values that repeat one measurement. */
export function summarise(values: readonly number[]): Replicates {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  if (values.length < 2)
    return { mean, standardDeviation: undefined, relativePercent: undefined, confidence95: undefined }
  const deviation = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
  return {
    mean,
    standardDeviation: deviation,
    relativePercent: mean === 0 ? undefined : Math.abs(deviation / mean) * 100,
    confidence95: (studentT(0.95, values.length - 1) * deviation) / Math.sqrt(values.length),
  }
}

/** Dixon's Q at 90 % for 3 to 10 values: Rorabacher, Anal. Chem. 63 (1991) 139 (from memory). */
const DIXON_90 = [0.941, 0.765, 0.642, 0.56, 0.507, 0.468, 0.437, 0.412] as const

export interface Outlier {
  /** The value furthest from its neighbour. */
  readonly value: number
  readonly q: number
  readonly critical: number
  /** Suspected, never dropped by itself. */
  readonly suspected: boolean
}

/** Dixon's test for the value furthest out; undefined for fewer than 3 or more than 10 values, or without spread. */
export function dixon(values: readonly number[]): Outlier | undefined {
  const critical = DIXON_90[values.length - 3]
  const sorted = [...values].sort((a, b) => a - b)
  const range = sorted.at(-1)! - sorted[0]!
  if (critical === undefined || !(range > 0)) return undefined
  const low = (sorted[1]! - sorted[0]!) / range
  const high = (sorted.at(-1)! - sorted.at(-2)!) / range
  const [q, value] = high >= low ? [high, sorted.at(-1)!] : [low, sorted[0]!]
  return { value, q, critical, suspected: q > critical }
}

/** Grubbs' test for one outlier at 95 %, two-sided, its limit from Student's t (F. E. Grubbs, Technometrics 11 (1969) 1). */
export function grubbs(values: readonly number[]): Outlier | undefined {
  const n = values.length
  const { mean, standardDeviation } = summarise(values)
  if (n < 3 || !standardDeviation) return undefined
  const value = values.reduce((far, one) => (Math.abs(one - mean) > Math.abs(far - mean) ? one : far))
  const q = Math.abs(value - mean) / standardDeviation
  const t = studentT(1 - 0.05 / n, n - 2)
  const critical = ((n - 1) / Math.sqrt(n)) * Math.sqrt((t * t) / (n - 2 + t * t))
  return { value, q, critical, suspected: q > critical }
}
