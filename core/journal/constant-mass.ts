import { LEAST_DRYING } from '#core/reference'

/** A weighing of a drying product: hours since the first one, and grams. */
export interface DryPoint {
  readonly hours: number
  readonly mass: number
}

export interface Dryness {
  /** Two weighings that agree within the tolerance, with drying between them, end it. */
  readonly isConstant: boolean
  /** Last less the one before, g. */
  readonly difference?: number
  readonly isRising: boolean
  /** The last lies under the one before by more than the tolerance. */
  readonly isFalling: boolean
  /** Hours after the first weighing at which what is still to be lost is within the tolerance: likely, at the earliest, at the latest. */
  readonly expected?: { readonly hours: number; readonly from: number; readonly to: number; readonly end: number }
}

/** Two displays of a balance with resolution d agree when they differ by no more than two of its steps; a judgement. */
export const toleranceOf = (resolution: number): number => 2 * resolution

/**
 * Judges a series of weighings to constant mass. From three points on it fits m = m∞ + A·exp(−t/τ), the falling-rate period of drying
 * (Perry's Chemical Engineers' Handbook, ch. 12, from memory), and says when no more than the tolerance is left to lose. The range comes
 * from moving each weighing by its rounding (d/√12), or by how far the weighings scatter where that is more, and adding the shifts in squares. No prediction where the mass rises, or where the
 * points bend the other way.
 */
export function judgeDryness(points: readonly DryPoint[], tolerance: number): Dryness {
  const last = points.at(-1)
  const before = points.at(-2)
  if (!last || !before) return { isConstant: false, isRising: false, isFalling: false }
  const difference = last.mass - before.mass
  // Two readings in one go show that the balance is steady, not that nothing leaves any more.
  const isConstant = Math.abs(difference) <= tolerance + 1e-9 && last.hours - before.hours >= LEAST_DRYING
  const isRising = difference > tolerance + 1e-9
  const isFalling = difference < -tolerance - 1e-9
  const base = { isConstant, difference, isRising, isFalling }
  if (isConstant || isRising || points.length < 3) return base
  const best = predict(points, tolerance)
  if (!best) return base
  const step = Math.max(tolerance / 2 / Math.sqrt(12), noiseOf(points, best.tau))
  const shifts = points.map((_, i) => {
    const moved = (by: number) =>
      predict(
        points.map((point, j) => (j === i ? { ...point, mass: point.mass + by } : point)),
        tolerance,
      )?.hours
    const up = moved(step)
    const down = moved(-step)
    return up === undefined || down === undefined ? undefined : (up - down) / 2
  })
  if (shifts.some(shift => shift === undefined)) return base
  const spread = 2 * Math.sqrt(shifts.reduce((sum: number, shift) => sum + shift! * shift!, 0))
  if (!(spread < 3 * (best.hours - points[0]!.hours))) return base
  return {
    ...base,
    expected: {
      hours: Math.max(last.hours, best.hours),
      from: Math.max(last.hours, best.hours - spread),
      to: Math.max(last.hours, best.hours + spread),
      end: best.end,
    },
  }
}

/** Least squares over τ, with m∞ and A linear in it; undefined where no falling curve fits better than a line. */
function predict(
  points: readonly DryPoint[],
  tolerance: number,
): { hours: number; end: number; tau: number } | undefined {
  const span = points.at(-1)!.hours - points[0]!.hours
  if (!(span > 0)) return undefined
  let low = Math.log(span / 50)
  let high = Math.log(span * 20)
  const worst = (x: number): number => fit(points, Math.exp(x)).residue
  const GRID = 120
  let best = low
  for (let i = 0; i <= GRID; i++) {
    const x = low + ((high - low) * i) / GRID
    if (worst(x) < worst(best)) best = x
  }
  const width = (high - low) / GRID
  low = best - width
  high = best + width
  for (let i = 0; i < 60; i++) {
    const a = low + (high - low) * 0.382
    const b = low + (high - low) * 0.618
    if (worst(a) < worst(b)) high = b
    else low = a
  }
  const tau = Math.exp((low + high) / 2)
  const { end, above } = fit(points, tau)
  if (!(above > 0) || tau > span * 10 || end < 0) return undefined
  const hours = points[0]!.hours + tau * Math.log(above / tolerance)
  return Number.isFinite(hours) ? { hours, end, tau } : undefined
}

/** How far the weighings scatter about the curve: the balance’s own noise, once there are more of them than the curve has parts. */
function noiseOf(points: readonly DryPoint[], tau: number): number {
  const over = points.length - 3
  return over > 0 ? Math.sqrt(fit(points, tau).residue / over) : 0
}

function fit(points: readonly DryPoint[], tau: number): { end: number; above: number; residue: number } {
  const start = points[0]!.hours
  const x = points.map(({ hours }) => Math.exp(-(hours - start) / tau))
  const meanX = x.reduce((sum, one) => sum + one, 0) / x.length
  const meanY = points.reduce((sum, { mass }) => sum + mass, 0) / x.length
  let xx = 0
  let xy = 0
  points.forEach(({ mass }, i) => {
    xx += (x[i]! - meanX) ** 2
    xy += (x[i]! - meanX) * (mass - meanY)
  })
  const above = xx > 0 ? xy / xx : 0
  const end = meanY - above * meanX
  const residue = points.reduce((sum, { mass }, i) => sum + (mass - end - above * x[i]!) ** 2, 0)
  return { end, above, residue }
}
