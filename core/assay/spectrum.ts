import type { CurvePoints } from './curve-points'

export interface Band {
  readonly x: number
  readonly y: number
  /** How far it stands over the higher of the two valleys beside it. */
  readonly prominence: number
}

/** Of the whole height, what a maximum must stand over its valleys to count as a band; a judgement, no source. */
const LEAST = 0.03

/** The maxima of a spectrum, highest first, that stand out of their surroundings; those at its very ends are none. */
export function bandsOf({ points }: CurvePoints): Band[] {
  const ys = points.map(([, y]) => y)
  const height = Math.max(...ys) - Math.min(...ys)
  if (!(height > 0)) return []
  const bands: Band[] = []
  for (let i = 1; i < ys.length - 1; i++) {
    let end = i
    while (end < ys.length - 1 && ys[end + 1] === ys[i]) end++
    if (!(ys[i]! > ys[i - 1]!) || end === ys.length - 1 || !(ys[end + 1]! < ys[i]!)) continue
    const prominence = ys[i]! - Math.max(valley(ys, i, -1), valley(ys, end, 1))
    if (prominence >= LEAST * height) bands.push({ x: (points[i]![0] + points[end]![0]) / 2, y: ys[i]!, prominence })
    i = end
  }
  return bands.toSorted((a, b) => b.y - a.y)
}

/** The lowest point on the way to something higher. */
function valley(ys: readonly number[], from: number, by: 1 | -1): number {
  let low = ys[from]!
  for (let i = from + by; i >= 0 && i < ys.length && ys[i]! <= ys[from]!; i += by) low = Math.min(low, ys[i]!)
  return low
}
