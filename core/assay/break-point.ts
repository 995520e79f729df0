import { errorAt, fitCurve, slopeAt, valueAt, type Fit } from './least-squares'

export interface Break {
  readonly x: number
  readonly uncertainty: number
  readonly before: Fit
  readonly after: Fit
}
/** Points that a branch has at least: one more than a line needs. */
const FEWEST = 3

/**
 * Where two straight branches of one curve meet, as of a conductance while something is titrated: the split of the points that leaves the least beside the two
 * lines, and their crossing with its standard uncertainty. `points` go up in x. Undefined below six points, or where no crossing lies between the branches.
 */
export function breakOf(points: readonly { readonly x: number; readonly y: number }[]): Break | undefined {
  let best: (Break & { readonly rest: number }) | undefined
  for (let k = FEWEST; k <= points.length - FEWEST; k++) {
    const [before, after] = [fitCurve(points.slice(0, k), 1), fitCurve(points.slice(k), 1)]
    if (!before || !after) continue
    const apart = slopeAt(after, 0) - slopeAt(before, 0)
    if (apart === 0) continue
    const x = (valueAt(before, 0) - valueAt(after, 0)) / apart
    const [low, high] = [points[Math.max(0, k - 2)]?.x ?? -Infinity, points[k + 1]?.x ?? Infinity]
    if (!(x >= low && x <= high)) continue
    const rest = before.deviation ** 2 * before.freedom + after.deviation ** 2 * after.freedom
    if (best && best.rest <= rest) continue
    best = { x, uncertainty: Math.hypot(errorAt(before, x), errorAt(after, x)) / Math.abs(apart), before, after, rest }
  }
  return best
}
