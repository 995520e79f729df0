import type { Effect, Sized } from './cause'

/** Points that a range of sizes is summed over: enough that no figure moves by more than the spread of a base yield. */
const POINTS = 24

type Told = (amount: number) => { readonly effect: Effect; readonly amount: string }
const asSized = (amounts: readonly number[], told: Told): Sized[] =>
  amounts.map(amount => ({ ...told(amount), weight: 1 / amounts.length }))

/** Any size of a range is as likely as any other. */
export const anywhere = (from: number, to: number, told: Told): Sized[] =>
  asSized(
    Array.from({ length: POINTS }, (_, i) => from + ((i + 0.5) / POINTS) * (to - from)),
    told,
  )

/** Small sizes are likelier than large ones: exponential, with this mean, up to a most. */
export function rather(mean: number, most: number, told: Told): Sized[] {
  const whole = 1 - Math.exp(-most / mean)
  return asSized(
    Array.from({ length: POINTS }, (_, i) => -mean * Math.log(1 - ((i + 0.5) / POINTS) * whole)),
    told,
  )
}

/** About a figure, normal within two of its standard uncertainties. */
export function about(mean: number, spread: number, told: Told, least = 0): Sized[] {
  const points = Array.from({ length: 9 }, (_, i) => (i - 4) / 2)
  const all = points.map(z => ({ at: Math.max(least, mean + z * spread), weight: Math.exp(-(z * z) / 2) }))
  const sum = all.reduce((total, { weight }) => total + weight, 0)
  return all.map(({ at, weight }) => ({ ...told(at), weight: weight / sum }))
}

/** Several kinds of sizes, each with its share; a kind without sizes gives its share to the others. */
export function mixed(...parts: readonly (readonly [share: number, sizes: readonly Sized[]])[]): Sized[] {
  const there = parts.filter(([share, sizes]) => share > 0 && sizes.length > 0)
  const whole = there.reduce((sum, [share]) => sum + share, 0)
  return there.flatMap(([share, sizes]) => {
    const all = sizes.reduce((sum, { weight }) => sum + weight, 0)
    return sizes.map(one => ({ ...one, weight: (one.weight / all) * (share / whole) }))
  })
}

export const only = (amount: string, effect: Effect): Sized[] => [{ effect, amount, weight: 1 }]
