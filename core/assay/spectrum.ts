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

/** The bands of a spectrum in transmittance: its minima, deepest first, with the transmittance that they stand at. */
export const dipsOf = ({ points, ...axes }: CurvePoints): Band[] =>
  bandsOf({ ...axes, points: points.map(([x, y]) => [x, -y] as const) }).map(band => ({ ...band, y: -band.y }))

/**
 * Whether a spectrum shows how much light comes through: most of its points lie near its highest, and its bands are dips. In absorbance most lie near its lowest.
 * By the middle point of the sorted ones against the middle of the range.
 */
export function isTransmittance({ points }: CurvePoints): boolean {
  const ys = points.map(([, y]) => y).toSorted((a, b) => a - b)
  const [low, high] = [ys[0] ?? 0, ys.at(-1) ?? 0]
  const middle = ys[Math.floor(ys.length / 2)] ?? 0
  return middle > (low + high) / 2
}

/** The lowest point on the way to something higher. */
function valley(ys: readonly number[], from: number, by: 1 | -1): number {
  let low = ys[from]!
  for (let i = from + by; i >= 0 && i < ys.length && ys[i]! <= ys[from]!; i += by) low = Math.min(low, ys[i]!)
  return low
}
