import { relate, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { ETHANOL_DENSITY } from './liquid-densities'
import type { Curve } from './curve'
import { liquorVolume } from './density'
import { mostOf } from './components'
import { filter, type Cake } from './filtering'
import type { PotState } from './pot'
import { addSolute, restOf, type FormMass, type Rest } from './pot-state'
import type { MoveProblem, SolubilityProblem } from './problems'
import { wash, type WashMove } from './washing'

/** What is done to a pot. Masses in g, volumes in mL, temperatures in °C; `retained` is liquor kept, as a fraction of the crystals' mass. */
export type Move =
  | { readonly do: 'heat' | 'cool'; readonly celsius: number }
  | { readonly do: 'evaporate'; readonly water: number }
  /** To so much water beside the dissolved forms. */
  | { readonly do: 'evaporate to'; readonly water: number }
  /** To so many mL of liquor; an estimate, since the liquor's density is one. */
  | { readonly do: 'evaporate to volume'; readonly volume: number }
  | { readonly do: 'add water'; readonly water: number }
  | { readonly do: 'filter'; readonly retained: number; readonly liquor?: string }
  | WashMove
  | { readonly do: 'add solute' | 'seed'; readonly form: Formula; readonly mass: number }
  /** mL of 96 % spirit. */
  | { readonly do: 'add ethanol'; readonly volume: number }
  /** Hours at rest; a pot that is told at equilibrium stays as it is. */
  | { readonly do: 'hold'; readonly hours: number }

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
  /** True where the crystals would take more water than there is, so that no liquor is left. */
  readonly dry: boolean
  readonly leftOut: readonly string[]
  /** The model found no rest. */
  readonly isUnsettled?: true
  /** All water of the liquor, that of dissolved hydrates included, g. */
  readonly freeWater: number
  /** Moles of each ion in the liquor. */
  readonly ions: ReadonlyMap<string, number>
  /** mL; an estimate. */
  readonly volume: number
  /** g of ethanol in the liquor. */
  readonly ethanol: number
  /** What becomes of seeds: undefined where none were given. */
  readonly seeds?: 'stand' | 'dissolve'
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
/** What stopped a course, and the move, from 0, at which it did. */
export type CourseProblem = Refused & { readonly step: number }

const toldOf = (rest: Rest, { spirit }: PotState): Told => ({
  celsius: rest.celsius,
  water: rest.told.water,
  dissolved: rest.told.forms,
  solid: rest.solids.map(({ solid, mass }) => ({ form: solid.form.text, mass })),
  estimated: rest.estimated,
  dry: rest.dry,
  leftOut: rest.leftOut,
  ...(rest.isUnsettled && { isUnsettled: true as const }),
  freeWater: rest.freeWater,
  ions: rest.dissolved,
  volume: liquorVolume(rest) + (spirit?.grams ?? 0) / ETHANOL_DENSITY,
  ethanol: spirit?.grams ?? 0,
})

/** Takes a pot through its moves, each ending in a pot at rest. Crystals once filtered off are told as crops, by form. */
export function follow(
  start: PotState,
  moves: readonly Move[],
  own: readonly Curve[] = [],
): Checked<Course, CourseProblem> {
  let pot = start
  let boiledOff = 0
  const steps: Told[] = []
  const cakes: Cake[] = []
  const washings = new Map<string, number>()
  let putIn = start.totals
  for (const [i, move] of moves.entries()) {
    if (move.do === 'wash') {
      const cake = cakes.at(-1)
      if (!cake) return fail({ code: 'moves.nothing-to-wash', step: i })
      const washed = wash(cake, move, own)
      if (!washed.ok) return at(i, washed.problem)
      cakes[cakes.length - 1] = washed.value.cake
      for (const { form, mass } of washed.value.washings) washings.set(form, (washings.get(form) ?? 0) + mass)
      steps.push({ ...toldOf(washed.value.cake.rest, washed.value.cake.pot), celsius: move.celsius })
      continue
    }
    const next = moved(pot, move, i, own)
    if (!next.ok) return at(i, next.problem)
    boiledOff += Math.max(0, pot.water - next.value.water)
    if (move.do === 'add solute' || move.do === 'seed') putIn = addedTo(putIn, pot, next.value)
    const rest = restOf(next.value, own)
    if (!rest.ok) return at(i, rest.problem)
    if (move.do === 'filter') {
      const split = filter(next.value, rest.value, move.retained)
      pot = split.liquor
      if (split.cake) cakes.push(split.cake)
      const after = restOf(pot, own)
      if (!after.ok) return at(i, after.problem)
      steps.push(toldOf(after.value, pot))
    } else {
      pot = next.value
      const told = toldOf(rest.value, pot)
      steps.push(move.do === 'seed' ? { ...told, seeds: fateOf(move.form, rest.value) } : told)
    }
  }
  const rest = restOf(pot, own)
  if (!rest.ok) return at(moves.length, rest.problem)
  return ok({
    pot,
    steps,
    cakes,
    crops: cakes.flatMap(cake => cropsOf(cake, putIn)),
    washings: [...washings].map(([form, mass]) => ({ form, mass })),
    liquor: toldOf(rest.value, pot),
    boiledOff,
  })
}

/** The share of a course's liquor that the first cake kept as it was filtered; undefined where nothing was. */
export function clingingShare({ steps, cakes }: Course, moves: readonly Move[]): number | undefined {
  const filtered = moves.findIndex(move => move.do === 'filter')
  const [cake] = cakes
  const before = steps[filtered - 1]
  if (!cake || !before) return undefined
  const liquor = (water: number, forms: readonly FormMass[]): number =>
    forms.reduce((sum, { mass }) => sum + mass, water)
  const whole = liquor(before.water, before.dissolved)
  return whole > 0 ? Math.min(1, liquor(cake.rest.told.water, cake.rest.told.forms) / whole) : undefined
}

const at = (step: number, problem: Refused): Checked<never, CourseProblem> => fail({ ...problem, step })

function moved(
  pot: PotState,
  move: Exclude<Move, { do: 'wash' }>,
  step: number,
  own: readonly Curve[],
): Checked<PotState, Refused> {
  if (pot.spirit && isBoiling(move)) return fail({ code: 'moves.boils-ethanol', step })
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
    case 'hold':
      return ok(pot)
    case 'add solute':
    case 'seed':
      return addSolute(pot, move.form, move.mass, own)
    case 'add ethanol':
      return ok({
        ...pot,
        spirit: {
          is: 'ethanol',
          grams: (pot.spirit?.grams ?? 0) + move.volume * SPIRIT_DENSITY * SPIRIT_STRENGTH,
        },
        water: pot.water + move.volume * SPIRIT_DENSITY * (1 - SPIRIT_STRENGTH),
      })
  }
}

/** 96 % by volume: g/mL and mass fraction of ethanol at 20 °C (OIML R 22, from memory). */
const SPIRIT_DENSITY = 0.8074
const SPIRIT_STRENGTH = 0.938

const fateOf = (form: Formula, { solids }: Rest): 'stand' | 'dissolve' =>
  solids.some(({ solid }) => relate(form, solid.salt)) ? 'stand' : 'dissolve'

function addedTo(putIn: ReadonlyMap<string, number>, before: PotState, after: PotState): ReadonlyMap<string, number> {
  const all = new Map(putIn)
  for (const [key, amount] of after.totals) all.set(key, (all.get(key) ?? 0) + amount - (before.totals.get(key) ?? 0))
  return all
}

/** Ethanol leaves before water does, from 78 °C; what goes is not modelled. */
const isBoiling = (move: Move): boolean =>
  ('celsius' in move && move.do !== 'wash' && move.celsius > 75) || move.do.startsWith('evaporate')

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

function cropsOf({ rest }: Cake, putIn: ReadonlyMap<string, number>): Crop[] {
  const crystals = rest.solids.reduce((sum, { mass }) => sum + mass, 0)
  return rest.solids.map(({ solid, amount, mass }) => {
    const most = mostOf(solid.salt, putIn)
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
