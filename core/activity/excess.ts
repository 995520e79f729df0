import type { Interactions } from './interactions'
import { unlikeTerm } from './unlike-charges'

/** Excess Gibbs energy of a kilogram of water's solution over RT, mol/kg: its value, its gradient (the ln γ of each ion) and its second derivatives by molality, row by row. */
export interface Excess {
  readonly value: number
  readonly gradient: Float64Array
  readonly second: Float64Array
}

const B = 1.2

/**
 * Pitzer's excess Gibbs energy at molalities (in the order of the ions): Debye and Hückel's term, β0, β1 and β2 with C of each cation and anion, θ with its higher-order term, ψ (K. S. Pitzer, Activity Coefficients in
 * Electrolyte Solutions, chapter 3; C. E. Harvie and J. H. Weare, Geochim. Cosmochim. Acta 44 (1980) 981). Beyond the ionic strength that the parameters reach it goes on in a straight line
 * along the composition, so that coefficients stay as they are there.
 */
export function excessOf(ions: Interactions, molalities: ArrayLike<number>): Excess {
  const strength = ionicStrength(ions, molalities)
  if (strength <= ions.upTo) return withinRange(ions, molalities, strength)
  const { value, gradient } = beyondRange(ions, molalities, strength)
  return { value, gradient, second: slopesOf(ions, molalities, gradient) }
}

function beyondRange(
  ions: Interactions,
  molalities: ArrayLike<number>,
  strength: number,
): { readonly value: number; readonly gradient: Float64Array } {
  const size = ions.charges.length
  const times = strength / ions.upTo
  const at = Float64Array.from({ length: size }, (_, i) => molalities[i]! / times)
  const { value, gradient, second } = withinRange(ions, at, ions.upTo)
  const rise = new Float64Array(size)
  let [along, bend] = [0, 0]
  for (let i = 0; i < size; i++) {
    for (let j = 0; j < size; j++) rise[i]! += second[i * size + j]! * at[j]!
    along += at[i]! * gradient[i]!
    bend += at[i]! * rise[i]!
  }
  const beyond = gradient.map(
    (one, i) => one + (1 - 1 / times) * (rise[i]! - (ions.charges[i]! ** 2 / 2 / ions.upTo) * bend),
  )
  return { value: value + (times - 1) * along, gradient: beyond }
}

/** The slopes of the coefficients beyond the range, by small differences: in closed form they would need third derivatives. */
function slopesOf(ions: Interactions, molalities: ArrayLike<number>, here: Float64Array): Float64Array {
  const size = ions.charges.length
  const second = new Float64Array(size * size)
  const at = Float64Array.from(molalities)
  for (let j = 0; j < size; j++) {
    const by = 1e-6 * (at[j]! + 0.01)
    at[j]! += by
    const { gradient } = beyondRange(ions, at, ionicStrength(ions, at))
    at[j]! -= by
    for (let i = 0; i < size; i++) {
      const half = (gradient[i]! - here[i]!) / by / 2
      second[i * size + j]! += half
      second[j * size + i]! += half
    }
  }
  return second
}

export function ionicStrength({ charges }: Interactions, molalities: ArrayLike<number>): number {
  let sum = 0
  for (let i = 0; i < charges.length; i++) sum += (molalities[i]! * charges[i]! ** 2) / 2
  return sum
}

function withinRange(ions: Interactions, m: ArrayLike<number>, strength: number): Excess {
  const { charges, slope, pairs, likes, triples } = ions
  const size = charges.length
  const gradient = new Float64Array(size)
  const second = new Float64Array(size * size)
  const safe = Math.max(strength, 1e-14)
  const root = Math.sqrt(safe)
  let chargeSum = 0
  for (let i = 0; i < size; i++) chargeSum += m[i]! * Math.abs(charges[i]!)

  const debye = debyeTerm(safe, root, slope)
  let value = debye.value
  // Sums of what hangs on the ionic strength (first, second derivative) and on the sum of charges, with their slopes by molality.
  let [byStrength, byStrengthTwice, byCharge] = [debye.first, debye.second, 0]
  const strengthSlope = new Float64Array(size)
  const chargeSlope = new Float64Array(size)

  const cross = (i: number, j: number, by: number): void => {
    second[i * size + j]! += by
    second[j * size + i]! += by
  }
  for (const { cation, anion, beta0, beta1, beta2, alpha1, alpha2, c } of pairs) {
    const [a, b] = [m[cation]!, m[anion]!]
    const one = decaying(alpha1, root, safe)
    let [term, first, bend] = [beta0 + beta1 * one.value, beta1 * one.first, beta1 * one.second]
    if (beta2 !== 0) {
      const two = decaying(alpha2, root, safe)
      term += beta2 * two.value
      first += beta2 * two.first
      bend += beta2 * two.second
    }
    const whole = 2 * term + chargeSum * c
    value += a * b * whole
    gradient[cation]! += b * whole
    gradient[anion]! += a * whole
    cross(cation, anion, whole)
    byStrength += 2 * a * b * first
    byStrengthTwice += 2 * a * b * bend
    strengthSlope[cation]! += 2 * b * first
    strengthSlope[anion]! += 2 * a * first
    byCharge += a * b * c
    chargeSlope[cation]! += b * c
    chargeSlope[anion]! += a * c
  }
  for (const { one, other, theta, unlike } of likes) {
    const [a, b] = [m[one]!, m[other]!]
    const more = unlike
      ? unlikeTerm(Math.abs(charges[one]!), Math.abs(charges[other]!), safe, slope)
      : { value: 0, first: 0, second: 0 }
    const phi = 2 * (theta + more.value)
    value += a * b * phi
    gradient[one]! += b * phi
    gradient[other]! += a * phi
    cross(one, other, phi)
    byStrength += 2 * a * b * more.first
    byStrengthTwice += 2 * a * b * more.second
    strengthSlope[one]! += 2 * b * more.first
    strengthSlope[other]! += 2 * a * more.first
  }
  for (const [i, j, k, psi] of triples) {
    const [a, b, d] = [m[i]!, m[j]!, m[k]!]
    value += a * b * d * psi
    gradient[i]! += b * d * psi
    gradient[j]! += a * d * psi
    gradient[k]! += a * b * psi
    cross(i, j, d * psi)
    cross(i, k, b * psi)
    cross(j, k, a * psi)
  }
  for (let i = 0; i < size; i++) {
    const [q, z] = [charges[i]! ** 2 / 2, Math.abs(charges[i]!)]
    gradient[i]! += q * byStrength + z * byCharge
    for (let j = 0; j < size; j++) {
      const [p, y] = [charges[j]! ** 2 / 2, Math.abs(charges[j]!)]
      second[i * size + j]! +=
        q * p * byStrengthTwice +
        q * strengthSlope[j]! +
        p * strengthSlope[i]! +
        z * chargeSlope[j]! +
        y * chargeSlope[i]!
    }
  }
  return { value, gradient, second }
}

/** −(4 A I / b) ln(1 + b √I), by ionic strength. */
function debyeTerm(strength: number, root: number, slope: number): { value: number; first: number; second: number } {
  const [inside, by] = [1 + B * root, (-4 * slope) / B]
  const first = by * (Math.log(inside) + (B * root) / (2 * inside))
  const second = by * (B / (2 * root * inside) + B / (4 * root * inside * inside))
  return { value: by * strength * Math.log(inside), first, second }
}

/** g(x) = 2 [1 − (1 + x) e^−x] / x² at x = α √I, by ionic strength. */
function decaying(alpha: number, root: number, strength: number): { value: number; first: number; second: number } {
  const x = alpha * root
  if (x < 1e-3) return { value: 1 - (2 * x) / 3, first: -alpha / (3 * root), second: alpha / (6 * root * strength) }
  const tail = Math.exp(-x)
  const value = (2 * (1 - (1 + x) * tail)) / (x * x)
  // d g / d x, and again.
  const slope = (2 * tail - 2 * value) / x
  const bend = (-2 * tail - 2 * slope) / x - slope / x
  const dx = alpha / (2 * root)
  return { value, first: slope * dx, second: bend * dx * dx - (slope * alpha) / (4 * strength * root) }
}

/** ln of the water's activity: −(18.015/1000) φ Σ m, from the excess energy. */
export function logWater(ions: Interactions, molalities: ArrayLike<number>, { value, gradient }: Excess): number {
  let [sum, along] = [0, 0]
  for (let i = 0; i < ions.charges.length; i++) {
    sum += molalities[i]!
    along += molalities[i]! * gradient[i]!
  }
  return (-18.015 / 1000) * (sum + along - value)
}
