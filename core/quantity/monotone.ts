/**
 * Monotone cubic interpolation through points with rising x (Fritsch and Carlson, SIAM J. Numer. Anal. 17 (1980) 238): between
 * two points it never leaves their range. Undefined outside the points.
 */
export function monotone(points: readonly (readonly [x: number, y: number])[]): (x: number) => number | undefined {
  const slopes = slopesOf(points)
  return x => {
    const last = points.length - 1
    if (last < 0 || !(x >= points[0]![0] && x <= points[last]![0])) return undefined
    let i = 0
    while (i < last - 1 && x > points[i + 1]![0]) i++
    const [x0, y0] = points[i]!
    if (last === 0) return y0
    const [x1, y1] = points[i + 1]!
    const h = x1 - x0
    const t = (x - x0) / h
    const t2 = t * t
    const t3 = t2 * t
    return (
      (2 * t3 - 3 * t2 + 1) * y0 +
      (t3 - 2 * t2 + t) * h * slopes[i]! +
      (3 * t2 - 2 * t3) * y1 +
      (t3 - t2) * h * slopes[i + 1]!
    )
  }
}

function slopesOf(points: readonly (readonly [number, number])[]): number[] {
  const n = points.length
  if (n < 2) return [0]
  const secants = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]))
  const slopes = points.map((_, i) => {
    if (i === 0) return secants[0]!
    if (i === n - 1) return secants[n - 2]!
    return secants[i - 1]! * secants[i]! <= 0 ? 0 : (secants[i - 1]! + secants[i]!) / 2
  })
  secants.forEach((secant, i) => {
    if (secant === 0) {
      slopes[i] = 0
      slopes[i + 1] = 0
      return
    }
    const a = slopes[i]! / secant
    const b = slopes[i + 1]! / secant
    const size = Math.hypot(a, b)
    if (size > 3) {
      slopes[i] = ((3 * a) / size) * secant
      slopes[i + 1] = ((3 * b) / size) * secant
    }
  })
  return slopes
}
