import type { Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { componentsOf } from './components'
import type { Curve } from './curve'
import { liquorVolume } from './density'
import { restOf, type FormMass, type PotState, type Rest } from './pot-state'
import type { MoveProblem, SolubilityProblem } from './problems'
import { WATER_MOLAR } from './solids'

export type WashSolvent = 'water' | 'ethanol' | 'methanol' | 'acetone'

/** What is done to a pot. Masses in g, volumes in mL, temperatures in °C; `retained` is liquor kept, as a fraction of the crystals' mass. */
export type Move =
  | { readonly do: 'heat' | 'cool'; readonly celsius: number }
  | { readonly do: 'evaporate'; readonly water: number }
  /** To so much water beside the dissolved forms. */
  | { readonly do: 'evaporate to'; readonly water: number }
  /** To so many mL of liquor; an estimate, since the liquor's density is one. */
  | { readonly do: 'evaporate to volume'; readonly volume: number }
  | { readonly do: 'add water'; readonly water: number }
  | { readonly do: 'filter'; readonly retained: number }
  | {
      readonly do: 'wash'
      readonly solvent: WashSolvent
      readonly volume: number
      readonly celsius: number
      readonly retained: number
    }

export interface Crop {
  readonly form: string
  readonly mass: number
  /** Of all of that salt that could be made of what was put in, by amount. */
  readonly recovery: number
  /** What the liquor kept in the cake dries to, g. */
  readonly entrained: number
  readonly entrainedForms: readonly FormMass[]
}

export interface Told {
  readonly celsius: number
  readonly water: number
  readonly dissolved: readonly FormMass[]
  readonly solid: readonly FormMass[]
  readonly estimated: boolean
  readonly leftOut: readonly string[]
  /** All water of the liquor, that of dissolved hydrates included, g. */
  readonly freeWater: number
  /** Moles of each ion in the liquor. */
  readonly ions: ReadonlyMap<string, number>
  /** mL; an estimate. */
  readonly volume: number
}

/** A filter cake: crystals with the liquor that clings to them, as a pot of its own. */
export interface Cake {
  readonly pot: PotState
  readonly rest: Rest
}

export interface Course {
  readonly pot: PotState
  readonly steps: readonly Told[]
  readonly cakes: readonly Cake[]
  readonly crops: readonly Crop[]
  /** What washes carried away, by form. */
  readonly washings: readonly FormMass[]
  readonly liquor: Told
  /** Water boiled off in all, g. */
  readonly boiledOff: number
}

type Refused = SolubilityProblem | MoveProblem

const toldOf = (rest: Rest): Told => ({
  celsius: rest.celsius,
  water: rest.told.water,
  dissolved: rest.told.forms,
  solid: rest.solids.map(({ solid, mass }) => ({ form: solid.form.text, mass })),
  estimated: rest.estimated,
  leftOut: rest.leftOut,
  freeWater: rest.freeWater,
  ions: rest.dissolved,
  volume: liquorVolume(rest),
})

/** Takes a pot through its moves, each ending in a pot at rest. Crystals once filtered off are told as crops, by form. */
export function follow(start: PotState, moves: readonly Move[], own: readonly Curve[] = []): Checked<Course, Refused> {
  let pot = start
  let boiledOff = 0
  const steps: Told[] = []
  const cakes: Cake[] = []
  const washings = new Map<string, number>()
  for (const [i, move] of moves.entries()) {
    if (move.do === 'wash') {
      const cake = cakes.at(-1)
      if (!cake) return fail({ code: 'moves.nothing-to-wash', step: i })
      const washed = wash(cake, move, own)
      if (!washed.ok) return washed
      cakes[cakes.length - 1] = washed.value.cake
      for (const { form, mass } of washed.value.washings) washings.set(form, (washings.get(form) ?? 0) + mass)
      steps.push({ ...toldOf(washed.value.cake.rest), celsius: move.celsius })
      continue
    }
    const next = moved(pot, move, i, own)
    if (!next.ok) return next
    boiledOff += Math.max(0, pot.water - next.value.water)
    const rest = restOf(next.value, own)
    if (!rest.ok) return rest
    if (move.do === 'filter') {
      const split = filter(next.value, rest.value, move.retained)
      pot = split.liquor
      if (split.cake) cakes.push(split.cake)
      const after = restOf(pot, own)
      if (!after.ok) return after
      steps.push(toldOf(after.value))
    } else {
      pot = next.value
      steps.push(toldOf(rest.value))
    }
  }
  const rest = restOf(pot, own)
  if (!rest.ok) return rest
  return ok({
    pot,
    steps,
    cakes,
    crops: cakes.flatMap(cake => cropsOf(cake, start)),
    washings: [...washings].map(([form, mass]) => ({ form, mass })),
    liquor: toldOf(rest.value),
    boiledOff,
  })
}

function moved(
  pot: PotState,
  move: Exclude<Move, { do: 'wash' }>,
  step: number,
  own: readonly Curve[],
): Checked<PotState, Refused> {
  switch (move.do) {
    case 'heat':
    case 'cool':
      return ok({ ...pot, celsius: move.celsius })
    case 'add water':
      return ok({ ...pot, water: pot.water + move.water })
    case 'evaporate':
      return pot.water - move.water > 0
        ? ok({ ...pot, water: pot.water - move.water })
        : fail({ code: 'moves.dry', step, water: pot.water })
    case 'evaporate to':
      return evaporateUntil(pot, move.water, step, own, ({ told }) => told.water)
    case 'evaporate to volume':
      return evaporateUntil(pot, move.volume, step, own, liquorVolume)
    case 'filter':
      return ok(pot)
  }
}

/** Bisection on all the water, until what is measured of the pot at rest is what is wanted. */
function evaporateUntil(
  pot: PotState,
  wanted: number,
  step: number,
  own: readonly Curve[],
  measure: (rest: Rest) => number,
): Checked<PotState, Refused> {
  const toldAt = (water: number): Checked<number, SolubilityProblem> => {
    const rest = restOf({ ...pot, water }, own)
    return rest.ok ? ok(measure(rest.value)) : rest
  }
  const now = toldAt(pot.water)
  if (!now.ok) return now
  if (now.value < wanted - 1e-9) return fail({ code: 'moves.not-so-much', step, water: now.value })
  let low = 1e-9
  let high = pot.water
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2
    const told = toldAt(middle)
    if (!told.ok) return told
    if (told.value > wanted) high = middle
    else low = middle
  }
  return ok({ ...pot, water: high })
}

const times = (forms: readonly FormMass[], by: number): FormMass[] =>
  forms.map(({ form, mass }) => ({ form, mass: mass * by }))

/** Crystals with `retained` times their mass of liquor on one side, the rest of the liquor on the other. */
function filter(pot: PotState, rest: Rest, retained: number): { liquor: PotState; cake: Cake | undefined } {
  const crystals = rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  if (crystals === 0) return { liquor: pot, cake: undefined }
  const liquorMass = rest.told.water + rest.told.forms.reduce((sum, { mass }) => sum + mass, 0)
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
      water: rest.freeWater * (1 - share),
      totals: liquorTotals,
      solutes: withAmounts(pot, liquorTotals),
    },
    cake: {
      pot: { ...pot, water: cakeWater, totals: cakeTotals, solutes: withAmounts(pot, cakeTotals) },
      rest: {
        ...rest,
        freeWater: rest.freeWater * share,
        dissolved: new Map([...rest.dissolved].map(([key, amount]) => [key, amount * share])),
        told: { forms: times(rest.told.forms, share), water: rest.told.water * share },
      },
    },
  }
}

/** The same salts, as far as the ions that are there could still make them. */
const withAmounts = ({ solutes }: PotState, totals: ReadonlyMap<string, number>): PotState['solutes'] =>
  solutes.map(solute => ({ ...solute, amount: mostOf(solute.salt, totals) }))

/**
 * A wash. Water is stirred up with the cake, comes to rest at its temperature and runs off but for what clings. A solvent in which the
 * salts do not dissolve takes no product and carries liquor away as it mixes with it: an estimate.
 */
function wash(
  cake: Cake,
  { solvent, volume, celsius, retained }: Extract<Move, { do: 'wash' }>,
  own: readonly Curve[],
): Checked<{ cake: Cake; washings: readonly FormMass[] }, Refused> {
  const before = cake.rest
  if (solvent !== 'water') return ok(displace(cake, volume))
  const pot: PotState = { ...cake.pot, celsius, water: cake.pot.water + volume * WASH_DENSITY }
  const rest = restOf(pot, own)
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
/** Alcohol and acetone, g/mL, for how far they thin the liquor that clings. */
const SOLVENT_DENSITY = 0.79

function displace({ pot, rest }: Cake, volume: number): { cake: Cake; washings: readonly FormMass[] } {
  const clinging = rest.told.water + rest.told.forms.reduce((sum, { mass }) => sum + mass, 0)
  const share = clinging > 0 ? clinging / (clinging + volume * SOLVENT_DENSITY) : 0
  const totals = new Map(pot.totals)
  for (const [key, amount] of rest.dissolved) totals.set(key, totals.get(key)! - amount * (1 - share))
  const dissolved = new Map([...rest.dissolved].map(([key, amount]) => [key, amount * share]))
  const next: PotState = { ...pot, water: pot.water - rest.freeWater * (1 - share), totals, solutes: pot.solutes }
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

/** Formula units of a salt that the ions could make at most. */
function mostOf(salt: Formula, totals: ReadonlyMap<string, number>): number {
  return Math.min(...componentsOf(salt).map(({ key, count }) => (totals.get(key) ?? 0) / count))
}

function cropsOf({ rest }: Cake, start: PotState): Crop[] {
  const crystals = rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  return rest.solids.map(({ solid, amount, mass }) => {
    const most = mostOf(solid.salt, start.totals)
    const share = crystals > 0 ? mass / crystals : 0
    return {
      form: solid.form.text,
      mass,
      recovery: most > 0 ? amount / most : 0,
      entrained: rest.told.forms.reduce((sum, one) => sum + one.mass, 0) * share,
      entrainedForms: rest.told.forms.map(one => ({ form: one.form, mass: one.mass * share })),
    }
  })
}
