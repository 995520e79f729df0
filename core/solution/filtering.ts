import type { PotState, Spirit } from './pot'
import type { FormMass, Rest } from './pot-state'
import { WATER_MOLAR } from './solids'

/** A filter cake: crystals with the liquor that clings to them, as a pot of its own. */
export interface Cake {
  readonly pot: PotState
  readonly rest: Rest
}

export const times = (forms: readonly FormMass[], by: number): FormMass[] =>
  forms.map(({ form, mass }) => ({ form, mass: mass * by }))

/** So much of what was added beside the water. */
export const withSpirit = (spirit: Spirit | undefined, share: number): Pick<PotState, 'spirit'> =>
  spirit ? { spirit: { ...spirit, grams: spirit.grams * share } } : {}

/** Crystals with `retained` times their mass of liquor on one side, the rest of the liquor on the other. */
export function filter(pot: PotState, rest: Rest, retained: number): { liquor: PotState; cake: Cake | undefined } {
  const crystals = rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  if (crystals === 0) return { liquor: pot, cake: undefined }
  const { spirit } = pot
  const liquorMass = rest.told.water + (spirit?.grams ?? 0) + rest.told.forms.reduce((sum, { mass }) => sum + mass, 0)
  const share = Math.min(1, liquorMass > 0 ? (retained * crystals) / liquorMass : 0)
  const cakeTotals = new Map<string, number>()
  for (const [key, amount] of rest.dissolved) cakeTotals.set(key, amount * share)
  let cakeWater = rest.freeWater * share
  for (const { solid, amount } of rest.solids) {
    cakeWater += amount * solid.waters * WATER_MOLAR
    for (const { key, count } of solid.components) cakeTotals.set(key, (cakeTotals.get(key) ?? 0) + count * amount)
  }
  const liquorTotals = new Map([...rest.dissolved].map(([key, amount]) => [key, amount * (1 - share)]))
  return {
    liquor: {
      ...pot,
      ...withSpirit(spirit, 1 - share),
      water: rest.freeWater * (1 - share),
      totals: liquorTotals,
    },
    cake: {
      pot: {
        ...pot,
        ...withSpirit(spirit, share),
        water: cakeWater,
        totals: cakeTotals,
      },
      rest: {
        ...rest,
        freeWater: rest.freeWater * share,
        dissolved: new Map([...rest.dissolved].map(([key, amount]) => [key, amount * share])),
        told: { forms: times(rest.told.forms, share), water: rest.told.water * share },
      },
    },
  }
}
