/**
 * Student's t: the value that a share `confidence` of the distribution lies within on both sides, for so many degrees of freedom.
 * Bisection on the incomplete beta function (Press et al., Numerical Recipes, 6.4: continued fraction).
 */
export function studentT(confidence: number, degrees: number): number {
  const outside = (t: number): number => incompleteBeta(degrees / (degrees + t * t), degrees / 2, 0.5)
  let low = 0
  let high = 1
  while (outside(high) > 1 - confidence && high < 1e8) high *= 2
  for (let i = 0; i < 100; i++) {
    const middle = (low + high) / 2
    if (outside(middle) > 1 - confidence) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** The value within which a share of the normal distribution lies on both sides: 1.960 for 95 %. Student's t without end of degrees of freedom. */
export const normalQuantile = (confidence: number): number => studentT(confidence, 1e12)

/** The regularised incomplete beta function I_x(a, b). */
export function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0
  if (x >= 1) return 1
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x))
  return x < (a + 1) / (a + b + 2)
    ? (front * continuedFraction(x, a, b)) / a
    : 1 - (front * continuedFraction(1 - x, b, a)) / b
}

function continuedFraction(x: number, a: number, b: number): number {
  const tiny = 1e-300
  let c = 1
  let d = 1 - ((a + b) * x) / (a + 1)
  d = 1 / (Math.abs(d) < tiny ? tiny : d)
  let h = d
  for (let m = 1; m <= 300; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 + even * d
    d = 1 / (Math.abs(d) < tiny ? tiny : d)
    c = 1 + even / c
    if (Math.abs(c) < tiny) c = tiny
    h *= d * c
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 + odd * d
    d = 1 / (Math.abs(d) < tiny ? tiny : d)
    c = 1 + odd / c
    if (Math.abs(c) < tiny) c = tiny
    h *= d * c
    if (Math.abs(d * c - 1) < 1e-15) break
  }
  return h
}

const LANCZOS = [
  76.18009172947146, -86.50532032941677, 24.01409824083091, -1.231739572450155, 0.1208650973866179e-2,
  -0.5395239384953e-5,
]
function logGamma(x: number): number {
  let series = 1.000000000190015
  LANCZOS.forEach((coefficient, i) => {
    series += coefficient / (x + i + 1)
  })
  const t = x + 5.5
  return (x + 0.5) * Math.log(t) - t + Math.log((2.5066282746310005 * series) / x)
}
