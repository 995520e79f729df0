import { explainFormula, parseFormula, type FormulaProblem } from '#core/formula'
import { fail, ok, type Advice, type Checked } from '#core/problem'
import { explainQuantity, parseQuantity, type Kind, type QuantityProblem } from '#core/quantity'
import { ETHANOL_DENSITY, WATER_DENSITY } from './liquid-densities'
import type { Move } from './moves'
import type { WashSolvent } from './washing'

/** A move as it is typed and kept: every measured value is a text with its unit. */
export type MovePlan =
  | { readonly heatTo: string }
  | { readonly coolTo: string }
  | { readonly evaporate: { readonly water: string } }
  | { readonly evaporateTo: { readonly water: string } | { readonly volume: string } }
  | { readonly addWater: string }
  | {
      readonly filter: {
        readonly retained?: string
        /** The name under which the liquor is kept; else it is the filtrate, and gone. */
        readonly liquor?: string
      }
    }
  | {
      readonly wash: {
        readonly with: WashSolvent
        readonly volume: string
        /** Of a wash of ethanol: what it holds of it, by volume; `% w/w` by mass. The rest is water. */
        readonly strength?: string
        readonly at?: string
        readonly retained?: string
        /** Run through the cake instead of stirred up with it. */
        readonly through?: boolean
      }
    }
  | { readonly addSolute: { readonly form: string; readonly mass: string } }
  | { readonly seed: { readonly form: string; readonly mass: string } }
  | { readonly addEthanol: string }
  | { readonly hold: string }

export interface MovePlanProblem {
  readonly path: readonly (string | number)[]
  readonly problem: QuantityProblem | FormulaProblem
}

export const explainMovePlan = ({ problem }: MovePlanProblem): Advice =>
  problem.code.startsWith('formula.')
    ? explainFormula(problem as FormulaProblem)
    : explainQuantity(problem as QuantityProblem)

const ICE = 0

/** Reads the texts of moves; the first that does not read is told with its place. A wash keeps as much liquor as the last filter did. */
export function readMoves(plans: readonly MovePlan[]): Checked<Move[], MovePlanProblem> {
  const moves: Move[] = []
  let kept = 0
  for (const [i, plan] of plans.entries()) {
    const read = readMove(plan, kept)
    if (!read.ok) return fail({ path: [i, ...read.problem.path], problem: read.problem.problem })
    if (read.value.do === 'filter') kept = read.value.retained
    moves.push(read.value)
  }
  return ok(moves)
}

type Read = Checked<Move, MovePlanProblem>

function readMove(plan: MovePlan, kept: number): Read {
  if ('heatTo' in plan)
    return mapped(quantity(plan.heatTo, ['heatTo'], ['temperature']), celsius => ({ do: 'heat', celsius }))
  if ('coolTo' in plan)
    return mapped(quantity(plan.coolTo, ['coolTo'], ['temperature']), celsius => ({ do: 'cool', celsius }))
  if ('addWater' in plan)
    return mapped(water(plan.addWater, ['addWater']), amount => ({ do: 'add water', water: amount }))
  if ('evaporate' in plan)
    return mapped(water(plan.evaporate.water, ['evaporate', 'water']), amount => ({ do: 'evaporate', water: amount }))
  if ('evaporateTo' in plan) {
    if ('volume' in plan.evaporateTo)
      return mapped(quantity(plan.evaporateTo.volume, ['evaporateTo', 'volume'], ['volume']), volume => ({
        do: 'evaporate to volume',
        volume,
      }))
    return mapped(water(plan.evaporateTo.water, ['evaporateTo', 'water'], true), amount => ({
      do: 'evaporate to',
      water: amount,
    }))
  }
  if ('filter' in plan) {
    const { retained, liquor } = plan.filter
    const kept = liquor === undefined ? {} : { liquor }
    if (retained === undefined) return ok({ do: 'filter', retained: 0, ...kept })
    return mapped(share(retained, ['filter', 'retained']), value => ({ do: 'filter', retained: value, ...kept }))
  }
  if ('addSolute' in plan) return solute('add solute', plan.addSolute, 'addSolute')
  if ('seed' in plan) return solute('seed', plan.seed, 'seed')
  if ('addEthanol' in plan)
    return mapped(quantity(plan.addEthanol, ['addEthanol'], ['volume']), volume => ({ do: 'add ethanol', volume }))
  if ('hold' in plan) return mapped(quantity(plan.hold, ['hold'], ['time']), hours => ({ do: 'hold', hours }))
  return readWash(plan.wash, kept)
}

function solute(kind: 'add solute' | 'seed', { form, mass }: { form: string; mass: string }, key: string): Read {
  const read = parseFormula(form)
  if (!read.ok) return fail({ path: [key, 'form'], problem: read.problem })
  return mapped(quantity(mass, [key, 'mass'], ['mass']), grams => ({ do: kind, form: read.value, mass: grams }))
}

function readWash(plan: Extract<MovePlan, { wash: unknown }>['wash'], kept: number): Read {
  const volume = quantity(plan.volume, ['wash', 'volume'], ['volume'])
  if (!volume.ok) return volume
  const at = plan.at === undefined ? ok(ICE) : quantity(plan.at, ['wash', 'at'], ['temperature'])
  if (!at.ok) return at
  const retained = plan.retained === undefined ? ok(kept) : share(plan.retained, ['wash', 'retained'])
  if (!retained.ok) return retained
  const ethanol = plan.strength === undefined ? ok(undefined) : spiritShare(plan.strength)
  if (!ethanol.ok) return ethanol
  return ok({
    do: 'wash',
    solvent: plan.with,
    ...(plan.with === 'ethanol' && ethanol.value !== undefined && { ethanol: ethanol.value }),
    volume: volume.value,
    celsius: at.value,
    retained: retained.value,
    ...(plan.through ? { through: true } : {}),
  })
}

/** Share of ethanol by volume, as both were measured before they were mixed. */
function spiritShare(text: string): Checked<number, MovePlanProblem> {
  const read = parseQuantity(text, { kinds: ['mass fraction'], name: 'ethanol', source: 'typed' })
  if (!read.ok) return fail({ path: ['wash', 'strength'], problem: read.problem })
  const { value } = read.value
  if (!text.includes('w/w')) return ok(value)
  const [spirit, rest] = [value / ETHANOL_DENSITY, (1 - value) / WATER_DENSITY]
  return ok(spirit / (spirit + rest))
}

function quantity(
  text: string,
  path: MovePlanProblem['path'],
  kinds: readonly Kind[],
  zero = false,
): Checked<number, MovePlanProblem> {
  const read = parseQuantity(text, { kinds, name: '', source: '', zero, aboveWhole: true })
  return read.ok ? ok(read.value.value) : fail({ path, problem: read.problem })
}

/** Water by mass or volume, told in g. */
function water(text: string, path: MovePlanProblem['path'], zero = false): Checked<number, MovePlanProblem> {
  const read = parseQuantity(text, { kinds: ['mass', 'volume'], name: '', source: '', zero })
  if (!read.ok) return fail({ path, problem: read.problem })
  return ok(read.value.kind === 'mass' ? read.value.value : read.value.value * WATER_DENSITY)
}

const share = (text: string, path: MovePlanProblem['path']): Checked<number, MovePlanProblem> =>
  quantity(text, path, ['mass fraction'], true)

const mapped = (read: Checked<number, MovePlanProblem>, make: (value: number) => Move): Read =>
  read.ok ? ok(make(read.value)) : read
