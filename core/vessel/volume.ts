import { molarMass } from '#core/formula'
import { solvents } from '#core/reference'
import { liquorVolume } from '#core/solution'
import { atRest } from './rest'
import { formulaOf, WATER, type Vessel } from './state'
import type { Setting } from './setting'

/** What a gram of standing solid adds to a volume, mL; as the sheet's, a rough value. */
const SOLID_VOLUME = 0.4

const densityOf = (name: string): number => solvents.find(row => row.name === name)?.density ?? 1

/** Volume of the liquid in a vessel, mL, without what stands in it; an estimate. */
export function liquidVolume({ solvents: held, ions, celsius }: Vessel): number {
  const watery = liquorVolume({ freeWater: held.get(WATER) ?? 0, dissolved: ions, celsius })
  return [...held].reduce((sum, [name, grams]) => (name === WATER ? sum : sum + grams / densityOf(name)), watery)
}

/** Volume of all that is in a vessel, mL; an estimate. */
export const vesselVolume = (vessel: Vessel): number =>
  vessel.lumps.reduce(
    (sum, { form, moles }) => sum + SOLID_VOLUME * moles * molarMass(form),
    vessel.solvents.size === 0 && vessel.ions.size === 0 ? 0 : liquidVolume(vessel),
  )

/**
 * The water to boil off so that the liquid takes so many mL, g: where nothing stands by the volume alone, where crystals come by letting the pot come to rest. None, where it
 * takes less already.
 */
export function waterOver(vessel: Vessel, volume: number, { named, own, product }: Setting): number {
  const whole = vessel.solvents.get(WATER) ?? 0
  const with_ = (water: number): Vessel => ({ ...vessel, solvents: new Map([...vessel.solvents, [WATER, water]]) })
  const settled = (water: number): Vessel => atRest(with_(water), named, own, product).vessel
  if (!(whole > 0) || liquidVolume(settled(whole)) <= volume) return 0
  const clear = found(whole, water => liquidVolume(with_(water)) - volume, 40)
  const isClear = vessel.lumps.length === settled(clear).lumps.length
  return whole - (isClear ? clear : found(whole, water => liquidVolume(settled(water)) - volume, 22))
}

/** Where a rising function of the water passes zero, by bisection in so many steps. */
function found(whole: number, over: (water: number) => number, steps: number): number {
  let [low, high] = [1e-9 * whole, whole]
  for (let i = 0; i < steps; i++) {
    const middle = (low + high) / 2
    if (over(middle) > 0) high = middle
    else low = middle
  }
  return high
}

/** The water to boil off so that so much is left beside the dissolved forms, g. */
export function waterBeyond(vessel: Vessel, left: number, { named, own, product }: Setting): number {
  const whole = vessel.solvents.get(WATER) ?? 0
  const free = (water: number): number =>
    atRest(
      { ...vessel, solvents: new Map([...vessel.solvents, [WATER, water]]) },
      named,
      own,
      product,
    ).vessel.solvents.get(WATER) ?? 0
  return free(whole) <= left ? 0 : whole - found(whole, water => free(water) - left, 22)
}

/** Mass of all that is in a vessel, g. */
export const vesselMass = ({ solvents: held, ions, lumps }: Vessel): number =>
  [...held.values()].reduce((sum, grams) => sum + grams, 0) +
  [...ions].reduce((sum, [key, moles]) => sum + moles * molarMass(formulaOf(key)), 0) +
  lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
