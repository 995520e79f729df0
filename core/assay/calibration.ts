import { studentT } from './student'

export interface Point {
  readonly x: number
  readonly y: number
}
export interface Line {
  readonly slope: number
  readonly intercept: number
  /** Residual standard deviation, n − 2. */
  readonly deviation: number
  readonly slopeError: number
  readonly interceptError: number
  /** Coefficient of determination; undefined where all y are one, since there is nothing to determine. */
  readonly r2: number | undefined
  readonly n: number
  readonly xMean: number
  readonly yMean: number
  readonly sxx: number
  readonly from: number
  readonly to: number
}

/**
 * Least-squares line of y on x, centred (Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, ch. 5, from memory).
 * Undefined for fewer than three points, or all at one x.
 */
export function fitLine(points: readonly Point[]): Line | undefined {
  const n = points.length
  if (n < 3) return undefined
  const xMean = points.reduce((sum, { x }) => sum + x, 0) / n
  const yMean = points.reduce((sum, { y }) => sum + y, 0) / n
  let sxx = 0
  let sxy = 0
  let syy = 0
  for (const { x, y } of points) {
    sxx += (x - xMean) ** 2
    sxy += (x - xMean) * (y - yMean)
    syy += (y - yMean) ** 2
  }
  if (!(sxx > 0)) return undefined
  const slope = sxy / sxx
  const intercept = yMean - slope * xMean
  const rest = points.reduce((sum, { x, y }) => sum + (y - intercept - slope * x) ** 2, 0)
  const deviation = Math.sqrt(rest / (n - 2))
  return {
    slope,
    intercept,
    deviation,
    slopeError: deviation / Math.sqrt(sxx),
    interceptError: deviation * Math.sqrt(1 / n + xMean ** 2 / sxx),
    r2: syy > 1e-24 * n * yMean ** 2 ? 1 - rest / syy : undefined,
    n,
    xMean,
    yMean,
    sxx,
    from: Math.min(...points.map(({ x }) => x)),
    to: Math.max(...points.map(({ x }) => x)),
  }
}

/**
 * Whether points bend off their line: Student's t of the quadratic term of a parabola through them, and its limit at 95 % (Miller and Miller, ch. 5, from
 * memory). `step` is one step of the readings of y: no residual is taken to be surer than that over √12. Undefined below five points.
 */
export function bendOf(
  points: readonly Point[],
  step = 0,
): { t: number; critical: number; bends: boolean } | undefined {
  const n = points.length
  if (n < 5) return undefined
  const middle = points.reduce((sum, { x }) => sum + x, 0) / n
  const reach = Math.max(...points.map(({ x }) => Math.abs(x - middle)))
  if (!(reach > 0)) return undefined
  // The part of the square of x that no line explains, and what y has in common with it (Frisch and Waugh).
  const scaled = points.map(({ x, y }) => ({ u: (x - middle) / reach, y }))
  const square = fitLine(scaled.map(({ u }) => ({ x: u, y: u * u })))
  const straight = fitLine(scaled.map(({ u, y }) => ({ x: u, y })))
  if (!square || !straight) return undefined
  const left = scaled.map(({ u, y }) => ({
    q: u * u - square.intercept - square.slope * u,
    y: y - straight.intercept - straight.slope * u,
  }))
  const qq = left.reduce((sum, { q }) => sum + q * q, 0)
  if (!(qq > 1e-12)) return undefined
  const bend = left.reduce((sum, { q, y }) => sum + q * y, 0) / qq
  const rest = left.reduce((sum, { q, y }) => sum + (y - bend * q) ** 2, 0)
  const deviation = Math.max(Math.sqrt(rest / (n - 3)), step / Math.sqrt(12))
  if (!(deviation > 0)) return undefined
  const t = bend / (deviation / Math.sqrt(qq))
  const critical = studentT(0.95, n - 3)
  return { t, critical, bends: Math.abs(t) > critical }
}

/**
 * The point furthest off the line, by its deleted studentised residual, against Student's t for the worst of n at 95 % (Bonferroni; Weisberg,
 * Applied Linear Regression, ch. 9, from memory); `step` is one step of the readings of y, which no line is surer than. Suspected, never dropped. Undefined below four points.
 */
export function worstPoint(
  points: readonly Point[],
  step = 0,
): { index: number; t: number; critical: number; suspected: boolean } | undefined {
  const n = points.length
  if (n < 4) return undefined
  let worst: { index: number; t: number } | undefined
  for (let index = 0; index < n; index++) {
    const others = fitLine(points.filter((_, j) => j !== index))
    if (!others) continue
    const { x, y } = points[index]!
    const spread =
      Math.max(others.deviation, step / Math.sqrt(12)) *
      Math.sqrt(1 + 1 / others.n + (x - others.xMean) ** 2 / others.sxx)
    const off = Math.max(0, Math.abs(y - others.intercept - others.slope * x) - step / 2)
    const t = spread > 0 ? off / spread : off > 1e-9 ? Infinity : 0
    if (!worst || t > worst.t) worst = { index, t }
  }
  if (!worst) return undefined
  const critical = studentT(1 - 0.05 / n, n - 3)
  return { ...worst, critical, suspected: worst.t > critical }
}
