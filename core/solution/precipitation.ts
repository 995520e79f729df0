import type { Formula } from '#core/formula'
import { componentsOf } from './components'
import { findProduct } from './solids'

/** Davies' constants: log γ = −0.509 z² (√I/(1+√I) − 0.3 I), water at 25 °C; used to I = 0.5 mol/L (C. W. Davies, Ion Association, 1962). */
const DAVIES_A = 0.509
export const DAVIES_LIMIT = 0.5

/** Activity coefficient of an ion of charge z; undefined above the range of the relation. */
export function davies(charge: number, ionicStrength: number): number | undefined {
  if (!(ionicStrength >= 0) || ionicStrength > DAVIES_LIMIT) return undefined
  const root = Math.sqrt(ionicStrength)
  return 10 ** (-DAVIES_A * charge * charge * (root / (1 + root) - 0.3 * ionicStrength))
}

export interface Precipitation {
  /** mol/L of the salt's formula that stay dissolved as such, beside the excess. */
  readonly dissolved: number
  /** mol/L of the first ion and the second that are left. */
  readonly left: readonly [number, number]
  /** Share of the first ion that is in the solid. */
  readonly complete: number
  readonly ionicStrength: number
  /** False where the ionic strength is past what Davies' relation reaches, so that activities were left out. */
  readonly withActivities: boolean
}

export const chargeOf = (key: string): number => {
  const [, size = '', sign = '+'] = /\^(\d*)([+-])$/.exec(key) ?? []
  return Number(size || 1) * (sign === '-' ? -1 : 1)
}

/**
 * What stays dissolved of a sparingly soluble salt when its two ions are brought together at the concentrations given (mol/L), beside
 * other ions of an ionic strength `background`. Activities after Davies where they reach. Undefined for salts without a product, or of
 * more than two ions. The salt's ions stand in the order of its formula.
 */
export function precipitate(
  salt: Formula,
  concentrations: readonly [number, number],
  background = 0,
): Precipitation | undefined {
  const known = findProduct(salt)
  if (!known) return undefined
  const parts = componentsOf(known.salt)
  if (parts.length !== 2) return undefined
  const [a, b] = parts as [(typeof parts)[0], (typeof parts)[0]]
  const [za, zb] = [chargeOf(a.key), chargeOf(b.key)]
  const [ca, cb] = concentrations

  const most = Math.min(ca / a.count, cb / b.count)
  const leftAt = (solid: number): [number, number] => [ca - a.count * solid, cb - b.count * solid]
  const excessOver = (solid: number): { over: number; strength: number; active: boolean } => {
    const [la, lb] = leftAt(solid)
    // What the excess ion's partner brings is in the background that the caller knows; the pair's own ions are counted here.
    const strength = background + 0.5 * (la * za * za + lb * zb * zb)
    const [ga, gb] = [davies(za, strength), davies(zb, strength)]
    const active = ga !== undefined && gb !== undefined
    const logQ =
      a.count * Math.log(Math.max(la, 1e-300) * (ga ?? 1)) + b.count * Math.log(Math.max(lb, 1e-300) * (gb ?? 1))
    return { over: logQ - Math.log(known.product), strength, active }
  }
  let low = 0
  let high = most
  if (excessOver(0).over <= 0) high = 0
  else {
    for (let i = 0; i < 300; i++) {
      const middle = (low + high) / 2
      if (excessOver(middle).over > 0) low = middle
      else high = middle
    }
  }
  const solid = high
  const { strength, active } = excessOver(solid)
  const left = residual(leftAt(solid), known.product, [a.count, b.count], [za, zb], strength, active)
  return {
    dissolved: Math.min(left[0] / a.count, left[1] / b.count),
    left,
    complete: ca > 0 ? Math.max(0, 1 - left[0] / ca) : 0,
    ionicStrength: strength,
    withActivities: active,
  }
}

/** The scarcer ion from the product itself, since a difference of near numbers would lose its digits. */
function residual(
  [la, lb]: [number, number],
  product: number,
  [na, nb]: [number, number],
  [za, zb]: [number, number],
  strength: number,
  active: boolean,
): [number, number] {
  const ga = active ? davies(za, strength)! : 1
  const gb = active ? davies(zb, strength)! : 1
  if (la / na < (lb / nb) * 1e-3) return [(product / (lb * gb) ** nb) ** (1 / na) / ga, lb]
  if (lb / nb < (la / na) * 1e-3) return [la, (product / (la * ga) ** na) ** (1 / nb) / gb]
  return [la, lb]
}

/** Solubility of a sparingly soluble salt in pure water, mol/L, activities counted; undefined without a product. */
export function solubilityInWater(salt: Formula): number | undefined {
  const known = findProduct(salt)
  if (!known) return undefined
  const parts = componentsOf(known.salt)
  const powers = parts.reduce((product, { count }) => product * count ** count, 1)
  const order = parts.reduce((sum, { count }) => sum + count, 0)
  let s = (known.product / powers) ** (1 / order)
  for (let i = 0; i < 60; i++) {
    const strength = 0.5 * parts.reduce((sum, { key, count }) => sum + count * s * chargeOf(key) ** 2, 0)
    const gammas = parts.reduce(
      (product, { key, count }) => product * (davies(chargeOf(key), strength) ?? 1) ** count,
      1,
    )
    s = (known.product / (powers * gammas)) ** (1 / order)
  }
  return s
}

/** Salt that a wash of pure water takes with it at most, g, once saturated. */
export const washLoss = (salt: Formula, molarMass: number, millilitres: number): number | undefined => {
  const s = solubilityInWater(salt)
  return s === undefined ? undefined : s * molarMass * (millilitres / 1000)
}

const WATER_PRODUCT = 14

/** pH at which a hydroxide begins to come from a metal concentration (mol/L), and at which only a thousandth is left; 25 °C, no activities. */
export function hydroxideRange(hydroxide: Formula, metal: number): { begins: number; done: number } | undefined {
  const known = findProduct(hydroxide)
  const parts = known && componentsOf(known.salt)
  const base = parts?.find(({ key }) => key === 'OH^-')
  if (!known || !parts || parts.length !== 2 || !base) return undefined
  const at = (concentration: number): number =>
    WATER_PRODUCT + Math.log10((known.product / concentration) ** (1 / base.count))
  return { begins: at(metal), done: at(metal / 1000) }
}

/** pK of carbonic acid at 25 °C (textbook values, from memory). */
const CARBONIC = [6.35, 10.33] as const

/** Share of dissolved carbonate that is CO3²⁻ at a pH; what is left is hydrogencarbonate and carbonic acid. */
export function carbonateShare(pH: number): number {
  const h = 10 ** -pH
  const [k1, k2] = [10 ** -CARBONIC[0], 10 ** -CARBONIC[1]]
  return (k1 * k2) / (h * h + k1 * h + k1 * k2)
}
