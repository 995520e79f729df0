import { studentT } from './student'

export interface Measured {
  readonly x: number
  readonly y: number
  /** How much it counts; 1 where nothing is said. Weights are taken against their mean. */
  readonly weight?: number | undefined
}
/** A polynomial through points, in powers of (x − middle)/reach, so that no digits are lost. */
export interface Fit {
  readonly degree: 1 | 2
  readonly middle: number
  readonly reach: number
  readonly coefficients: readonly number[]
  /** Of the coefficients, for a residual deviation of 1. */
  readonly covariance: readonly (readonly number[])[]
  /** Residual standard deviation at mean weight, n − degree − 1 degrees of freedom. */
  readonly deviation: number
  readonly freedom: number
  readonly n: number
  /** What the weights were divided by: 1 where all count alike. */
  readonly meanWeight: number
  readonly r2: number | undefined
  readonly from: number
  readonly to: number
}

/**
 * Weighted least squares for a line or a parabola, by Householder's reflections on a centred, scaled basis (G. H. Golub, Numer. Math. 7 (1965) 206; weights as
 * Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, ch. 5; both from memory). Undefined without one point more than there are coefficients, or where the
 * points have too few different x.
 */
export function fitCurve(points: readonly Measured[], degree: 1 | 2): Fit | undefined {
  const n = points.length
  const size = degree + 1
  if (n <= size || new Set(points.map(({ x }) => x)).size < size) return undefined
  const meanWeight = points.reduce((sum, { weight = 1 }) => sum + weight, 0) / n
  if (!(meanWeight > 0) || !Number.isFinite(meanWeight)) return undefined
  const middle = points.reduce((sum, { x }) => sum + x, 0) / n
  const reach = Math.max(...points.map(({ x }) => Math.abs(x - middle)))
  const rows = points.map(({ x, y, weight = 1 }) => {
    const root = Math.sqrt(weight / meanWeight)
    return [...powers((x - middle) / reach, size).map(power => root * power), root * y]
  })
  const solved = solve(rows, size)
  if (!solved) return undefined
  const { coefficients, covariance } = solved
  const fit = { degree, middle, reach, coefficients, covariance, n, meanWeight, freedom: n - size }
  const weights = points.map(({ weight = 1 }) => weight / meanWeight)
  const yMean = points.reduce((sum, { y }, i) => sum + (weights[i] ?? 0) * y, 0) / n
  const total = (of: (point: Measured) => number): number =>
    points.reduce((sum, point, i) => sum + (weights[i] ?? 0) * of(point) ** 2, 0)
  const rest = total(({ x, y }) => y - valueAt(fit, x))
  const spread = total(({ y }) => y - yMean)
  return {
    ...fit,
    deviation: Math.sqrt(rest / fit.freedom),
    r2: spread > 1e-24 * n * yMean ** 2 ? 1 - rest / spread : undefined,
    from: Math.min(...points.map(({ x }) => x)),
    to: Math.max(...points.map(({ x }) => x)),
  }
}

const powers = (u: number, size: number): number[] => Array.from({ length: size }, (_, k) => u ** k)

/** Solves rows of [basis…, y] and inverts the triangle for the covariance. */
function solve(
  rows: readonly number[][],
  size: number,
): { coefficients: number[]; covariance: number[][] } | undefined {
  const a = rows.map(row => [...row])
  const at = (i: number, j: number): number => a[i]?.[j] ?? 0
  for (let k = 0; k < size; k++) {
    const norm = Math.hypot(...a.slice(k).map(row => row[k] ?? 0))
    if (!(norm > 1e-10)) return undefined
    const alpha = at(k, k) > 0 ? -norm : norm
    const v = a.slice(k).map((row, i) => (row[k] ?? 0) - (i === 0 ? alpha : 0))
    const vv = v.reduce((sum, one) => sum + one * one, 0)
    for (let j = k; j <= size; j++) {
      const dot = v.reduce((sum, one, i) => sum + one * at(k + i, j), 0)
      v.forEach((one, i) => {
        a[k + i]![j] = at(k + i, j) - (2 * one * dot) / vv
      })
    }
  }
  const inverse = Array.from({ length: size }, () => Array.from({ length: size }, () => 0))
  for (let column = 0; column < size; column++)
    for (let i = column; i >= 0; i--) {
      let rest = i === column ? 1 : 0
      for (let j = i + 1; j <= column; j++) rest -= at(i, j) * (inverse[j]?.[column] ?? 0)
      inverse[i]![column] = rest / at(i, i)
    }
  const times = (row: readonly number[], other: (k: number) => number): number =>
    row.reduce((sum, one, k) => sum + one * other(k), 0)
  return {
    coefficients: inverse.map(row => times(row, k => at(k, size))),
    covariance: inverse.map(row => inverse.map(other => times(row, k => other[k] ?? 0))),
  }
}

type Curve = Pick<Fit, 'middle' | 'reach' | 'coefficients' | 'covariance'>
export const valueAt = ({ middle, reach, coefficients }: Curve, x: number): number =>
  coefficients.reduce((sum, c, k) => sum + c * ((x - middle) / reach) ** k, 0)
export const slopeAt = ({ middle, reach, coefficients }: Curve, x: number): number =>
  coefficients.reduce((sum, c, k) => (k === 0 ? 0 : sum + (k * c * ((x - middle) / reach) ** (k - 1)) / reach), 0)

/** Standard error of any weighted sum of the coefficients. */
function errorOf({ covariance, deviation }: Fit, by: readonly number[]): number {
  const variance = by.reduce(
    (sum, one, i) => sum + by.reduce((all, other, j) => all + one * other * (covariance[i]?.[j] ?? 0), 0),
    0,
  )
  return deviation * Math.sqrt(Math.max(0, variance))
}
/** Standard error of the fitted curve at x. */
export const errorAt = (fit: Fit, x: number): number =>
  errorOf(fit, powers((x - fit.middle) / fit.reach, fit.coefficients.length))

export interface Coefficient {
  readonly value: number
  readonly error: number
}
/** The coefficients of 1, x, x² … with their standard errors. */
export function plainCoefficients(fit: Fit): Coefficient[] {
  const { middle, reach, coefficients } = fit
  const size = coefficients.length
  return Array.from({ length: size }, (_, power) => {
    // (x − m)^k / r^k gives C(k, p) (−m)^(k − p) / r^k of x^p.
    const by = Array.from({ length: size }, (_, k) =>
      k < power ? 0 : (choose(k, power) * (-middle) ** (k - power)) / reach ** k,
    )
    return { value: by.reduce((sum, one, k) => sum + one * (coefficients[k] ?? 0), 0), error: errorOf(fit, by) }
  })
}
const choose = (n: number, k: number): number => (k === 0 || k === n ? 1 : n)

export interface ReadBack {
  readonly x: number
  readonly uncertainty: number
  /** Ends of the 95 % range, which need not lie evenly; undefined where the curve is too flat to end it. */
  readonly low: number | undefined
  readonly high: number | undefined
}
/**
 * The x of a reading: the mean of `repeats` readings of that weight (against the mean weight of the fit), with its standard uncertainty by the slope there, and
 * the 95 % range of all x that the reading does not contradict (E. C. Fieller, J. R. Stat. Soc. B 16 (1954) 175, from memory). An infinite number of repeats is a y without error.
 * Undefined where the curve does not reach y on the side of its points, or is flat.
 */
export function readFromCurve(fit: Fit, y: number, repeats: number, weight = fit.meanWeight): ReadBack | undefined {
  const x = solveFor(fit, y)
  if (x === undefined) return undefined
  const own = fit.deviation / Math.sqrt((repeats * weight) / fit.meanWeight)
  const slope = Math.abs(slopeAt(fit, x))
  if (!(slope > 0)) return undefined
  const t = studentT(0.95, fit.freedom)
  const excess = (at: number): number => Math.abs(y - valueAt(fit, at)) - t * Math.hypot(own, errorAt(fit, at))
  const uncertainty = Math.hypot(own, errorAt(fit, x)) / slope
  return { x, uncertainty, low: edge(x, -1), high: edge(x, 1) }

  /** Where the range ends on one side: outwards until the reading contradicts the curve, then halved. */
  function edge(start: number, side: 1 | -1): number | undefined {
    if (uncertainty === 0) return start
    let [near, far] = [start, start]
    for (let step = uncertainty, k = 0; excess(far) < 0; step *= 1.5, k++) {
      if (k > 40) return undefined
      ;[near, far] = [far, far + side * step]
    }
    if (fit.degree === 2 && slopeAt(fit, far) * slopeAt(fit, start) <= 0) return undefined
    for (let k = 0; k < 80; k++) {
      const middle = (near + far) / 2
      if (excess(middle) < 0) near = middle
      else far = middle
    }
    return (near + far) / 2
  }
}

/** x where the curve has y, the one nearer to the middle of its points. */
function solveFor({ coefficients, middle, reach }: Fit, y: number): number | undefined {
  const [c0 = 0, c1 = 0, c2 = 0] = coefficients
  if (Math.abs(c2) < 1e-14 * Math.abs(c1)) return c1 === 0 ? undefined : middle + (reach * (y - c0)) / c1
  const inside = c1 * c1 - 4 * c2 * (c0 - y)
  if (inside < 0) return undefined
  // The root that goes over into the line’s as the bend goes to nothing.
  const q = -0.5 * (c1 + Math.sign(c1 || 1) * Math.sqrt(inside))
  const roots = [q / c2, (c0 - y) / q].filter(Number.isFinite)
  const u = roots.toSorted((a, b) => Math.abs(a) - Math.abs(b))[0]
  return u === undefined ? undefined : middle + reach * u
}
