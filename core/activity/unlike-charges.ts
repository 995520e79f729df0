/** J and its first two derivatives. */
export interface Curvature {
  readonly value: number
  readonly first: number
  readonly second: number
}

/**
 * The integral J of mixing between ions of unlike charge, with two derivatives, by the closed form J = x / (4 + C1 x^−C2 exp(−C3 x^C4)) (K. S. Pitzer, J. Solution Chem. 4 (1975) 249, equation 47,
 * from memory; good to a few parts in a thousand).
 */
export function mixingIntegral(x: number): Curvature {
  if (!(x > 0)) return { value: 0, first: 0, second: 0 }
  const power = x ** C4
  const tail = C1 * x ** -C2 * Math.exp(-C3 * power)
  // d ln(tail) / d ln x, and its own derivative.
  const slope = -C2 - C3 * C4 * power
  const bend = -C3 * C4 * C4 * power
  const below = 4 + tail
  const value = x / below
  const rate = (tail * slope) / below
  // ln J = ln x − ln(4 + tail)
  const logSlope = 1 - rate
  const logBend = -((tail * (slope * slope + bend)) / below - rate * rate)
  const first = (value / x) * logSlope
  return { value, first, second: (value / (x * x)) * (logSlope * logSlope - logSlope + logBend) }
}
const [C1, C2, C3, C4] = [4.581, 0.7237, 0.012, 0.528]

/** The higher-order term of two ions of one sign and unlike charge at an ionic strength, with its derivatives by it. `slope` is Debye and Hückel's. */
export function unlikeTerm(z: number, y: number, strength: number, slope: number): Curvature {
  if (z === y || strength <= 0) return { value: 0, first: 0, second: 0 }
  const root = Math.sqrt(strength)
  const part = (product: number): Curvature => {
    const by = 6 * product * slope
    const { value, first, second } = mixingIntegral(by * root)
    const dx = by / (2 * root)
    return { value, first: first * dx, second: second * dx * dx - (first * by) / (4 * strength * root) }
  }
  const [zy, zz, yy] = [part(z * y), part(z * z), part(y * y)]
  const mix = (key: keyof Curvature): number => zy[key] - zz[key] / 2 - yy[key] / 2
  const by = (z * y) / 4
  const [f, df, ddf] = [mix('value'), mix('first'), mix('second')]
  return {
    value: (by * f) / strength,
    first: by * (df / strength - f / strength ** 2),
    second: by * (ddf / strength - (2 * df) / strength ** 2 + (2 * f) / strength ** 3),
  }
}
