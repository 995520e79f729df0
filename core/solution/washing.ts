import { ok, type Checked } from '#core/problem'
import type { Curve } from './curve'
import { ETHANOL_DENSITY, SOLVENT_DENSITY } from './liquid-densities'
import { filter, times, withSpirit, type Cake } from './filtering'
import type { PotState } from './pot'
import { restOf, type FormMass } from './pot-state'
import type { SolubilityProblem } from './problems'

export type WashSolvent = 'water' | 'ethanol' | 'methanol' | 'acetone'

/** Volume in mL, °C; `retained` is liquor kept, as a fraction of the crystals' mass. */
export interface WashMove {
  readonly do: 'wash'
  readonly solvent: WashSolvent
  readonly volume: number
  readonly celsius: number
  readonly retained: number
  /** Share by volume of ethanol in a wash of ethanol and water. */
  readonly ethanol?: number
  /** Runs through the cake instead of being stirred up with it. */
  readonly through?: boolean
}

interface Washed {
  readonly cake: Cake
  readonly washings: readonly FormMass[]
}

/** A wash running through a cake is told as so many small ones, each drained: near enough to a bed that is always wet. */
const THROUGH = 5

/**
 * A wash. Water is stirred up with the cake, comes to rest at its temperature and runs off but for what clings. A solvent in which the
 * salts do not dissolve takes no product and carries liquor away as it mixes with it: an estimate. Ethanol with water in it comes to
 * rest as a salted-out pot does, as far as that estimate goes; stronger, it counts as one in which nothing dissolves. A wash that runs through counts as
 * five small ones: it clears the liquor better and costs as much product, an estimate too.
 */
export function wash(cake: Cake, move: WashMove, own: readonly Curve[]): Checked<Washed, SolubilityProblem> {
  if (!move.through) return stirredUp(cake, move, own)
  let now = cake
  const gone = new Map<string, number>()
  for (let i = 0; i < THROUGH; i++) {
    const washed = stirredUp(now, { ...move, volume: move.volume / THROUGH }, own)
    if (!washed.ok) return washed
    now = washed.value.cake
    for (const { form, mass } of washed.value.washings) gone.set(form, (gone.get(form) ?? 0) + mass)
  }
  return ok({
    cake: { ...now, rest: { ...now.rest, estimated: true } },
    washings: [...gone].map(([form, mass]) => ({ form, mass })),
  })
}

function stirredUp(
  cake: Cake,
  { solvent, volume, celsius, retained, ethanol = 1 }: WashMove,
  own: readonly Curve[],
): Checked<Washed, SolubilityProblem> {
  const before = cake.rest
  const spirit = solvent === 'water' ? 0 : ethanol
  if (spirit === 1) return ok(displace(cake, volume))
  const pot: PotState = {
    ...cake.pot,
    celsius,
    water: cake.pot.water + volume * (1 - spirit) * WASH_DENSITY,
    ...(spirit > 0 && {
      spirit: { is: 'ethanol' as const, grams: (cake.pot.spirit?.grams ?? 0) + volume * spirit * ETHANOL_DENSITY },
    }),
  }
  const rest = restOf(pot, own)
  if (!rest.ok && rest.problem.code === 'solubility.spirit-too-strong') return ok(displace(cake, volume))
  if (!rest.ok) return rest
  const split = filter(pot, rest.value, retained)
  if (!split.cake)
    return ok({
      cake: {
        pot: { ...pot, water: 0, totals: new Map() },
        rest: { ...before, solids: [], told: { forms: [], water: 0 } },
      },
      washings: rest.value.told.forms,
    })
  const clinging = split.cake.rest.told.forms
  return ok({
    cake: split.cake,
    washings: rest.value.told.forms.map(({ form, mass }) => ({
      form,
      mass: mass - (clinging.find(one => one.form === form)?.mass ?? 0),
    })),
  })
}

const WASH_DENSITY = 1

function displace({ pot, rest }: Cake, volume: number): Washed {
  const clinging = rest.told.water + rest.told.forms.reduce((sum, { mass }) => sum + mass, 0)
  const share = clinging > 0 ? clinging / (clinging + volume * SOLVENT_DENSITY) : 0
  const totals = new Map(pot.totals)
  for (const [key, amount] of rest.dissolved) totals.set(key, (totals.get(key) ?? 0) - amount * (1 - share))
  const dissolved = new Map([...rest.dissolved].map(([key, amount]) => [key, amount * share]))
  const next: PotState = {
    ...pot,
    ...withSpirit(pot.spirit, share),
    water: pot.water - rest.freeWater * (1 - share),
    totals,
  }
  return {
    cake: {
      pot: next,
      rest: {
        ...rest,
        freeWater: rest.freeWater * share,
        dissolved,
        told: { forms: times(rest.told.forms, share), water: rest.told.water * share },
        estimated: true,
      },
    },
    washings: times(rest.told.forms, 1 - share),
  }
}
