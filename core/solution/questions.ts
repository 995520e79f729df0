import { molarMass, type Formula } from '#core/formula'
import { componentsOf } from './components'
import type { Curve } from './curve'
import type { PotState } from './pot'
import { restOf, type Rest } from './pot-state'
import { solidOf } from './solids'

/** °C between which a pot of these solutes can be answered by every one of their curves; undefined where there is no such span. */
export function spanOf(pot: PotState): { from: number; to: number } | undefined {
  let from = -Infinity
  let to = Infinity
  for (const { curve } of pot.solutes) {
    if (!curve) continue
    from = Math.max(from, Math.min(...curve.phases.map(phase => phase.from)))
    to = Math.min(to, Math.max(...curve.phases.map(phase => phase.to)))
  }
  return from < to && Number.isFinite(from) ? { from, to: Math.min(to, 100) } : undefined
}

const restAt = (pot: PotState, celsius: number, own: readonly Curve[]): Rest | undefined => {
  const rest = restOf({ ...pot, celsius }, own)
  return rest.ok ? rest.value : undefined
}
const withWater = (pot: PotState, water: number, own: readonly Curve[]): Rest | undefined => {
  const rest = restOf({ ...pot, water }, own)
  return rest.ok ? rest.value : undefined
}

const STEPS = 50

/**
 * Temperature at which the first crystals come on cooling, °C: the highest at or below `from` at which a solid stands, to 0.01 °C.
 * Undefined where nothing comes down to the end of the curves, and where solid stands already at `from`.
 */
export function saturationTemperature(pot: PotState, from: number, own: readonly Curve[] = []): number | undefined {
  return firstOnCooling(pot, from, rest => rest.solids.length > 0, own)
}

/** Temperature at which a form begins to stand on cooling; undefined where it never does, or stands at `from`. */
export const comesDownAt = (
  pot: PotState,
  form: string,
  from: number,
  own: readonly Curve[] = [],
): number | undefined =>
  firstOnCooling(
    pot,
    from,
    rest => rest.solids.some(({ solid }) => solid.form.text === form || solid.salt.text === form),
    own,
  )

function firstOnCooling(
  pot: PotState,
  from: number,
  holds: (rest: Rest) => boolean,
  own: readonly Curve[],
): number | undefined {
  const span = spanOf(pot)
  if (!span) return undefined
  const top = Math.min(from, span.to)
  const start = restAt(pot, top, own)
  if (!start || holds(start)) return undefined
  let above = top
  for (let i = 1; i <= STEPS; i++) {
    const celsius = top - ((top - span.from) * i) / STEPS
    const rest = restAt(pot, celsius, own)
    if (!rest) continue
    if (!holds(rest)) {
      above = celsius
      continue
    }
    let below = celsius
    while (above - below > 0.01) {
      const middle = (above + below) / 2
      const at = restAt(pot, middle, own)
      if (at && holds(at)) below = middle
      else above = middle
    }
    return (above + below) / 2
  }
  return undefined
}

/** All the water (crystals' included, g) at which the pot is just saturated at a temperature; undefined off the curves. */
export function justSaturated(pot: PotState, celsius: number, own: readonly Curve[] = []): number | undefined {
  const at = { ...pot, celsius }
  const stands = (water: number): boolean | undefined => {
    const rest = withWater(at, water, own)
    return rest && rest.solids.length > 0
  }
  let low = Math.max(1e-6, pot.water * 1e-4)
  let high = Math.max(pot.water, 1)
  for (let i = 0; stands(high) && i < 40; i++) high *= 2
  const first = stands(low)
  if (first === undefined || stands(high) !== false) return undefined
  if (!first) return low
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    if (stands(middle)) low = middle
    else high = middle
  }
  return high
}

export interface Arrival {
  readonly form: string
  /** The anhydrous salt. */
  readonly salt: string
  /** °C at which it begins to come. */
  readonly celsius: number
  /** g standing at the end of the cooling. */
  readonly mass: number
}

/** Which solids come on cooling from one temperature to another, in their order. What stands at the start comes first. */
export function arrivals(pot: PotState, from: number, to: number, own: readonly Curve[] = []): Arrival[] {
  const end = restAt(pot, to, own)
  if (!end) return []
  return end.solids
    .map(({ solid, mass }): Arrival => {
      const salt = solid.salt.text
      const start = restAt(pot, from, own)
      const already = start?.solids.some(one => one.solid.salt.text === salt)
      return { form: solid.form.text, salt, mass, celsius: already ? from : (comesDownAt(pot, salt, from, own) ?? to) }
    })
    .sort((a, b) => b.celsius - a.celsius)
}

/** Dissolved mass of a salt at a temperature when alone, against what is there: how far below its limit it stays, from 0 to 1. */
export function saturationShare(
  pot: PotState,
  salt: Formula,
  celsius: number,
  own: readonly Curve[] = [],
): number | undefined {
  const curve =
    pot.solutes.find(one => one.salt.text === salt.text)?.curve ?? own.find(one => one.salt.text === salt.text)
  const solid = curve && solidOf(curve, celsius)
  const rest = restAt(pot, celsius, own)
  if (!solid || !rest || !solid.alone) return undefined
  const amount = Math.min(...componentsOf(salt).map(({ key, count }) => (rest.dissolved.get(key) ?? 0) / count))
  return ((amount * molarMass(salt)) / rest.freeWater) * (100 / solid.alone)
}
