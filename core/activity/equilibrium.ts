import { excessOf, ionicStrength, type Excess } from './excess'
import type { Interactions } from './interactions'

/** What could stand in a pot, and what there is of each component; amounts in moles, water in kg. The components stand in the order of the interactions' ions. */
export interface Problem {
  readonly ions: Interactions
  readonly totals: readonly number[]
  /** Water that is not in solids yet. */
  readonly water: number
  readonly solids: readonly {
    /** Moles of each component in one of the solid. */
    readonly counts: readonly number[]
    /** kg of water in one of the solid. */
    readonly hydration: number
    /** ln of the product of activities, the water's among them, at saturation. */
    readonly logK: number
    /** An ion made of others in solution rather than a solid: some of it is always there, and its own component counts −1. */
    readonly isDissolved?: true
  }[]
}

export interface Equilibrium {
  /** Moles of each solid. */
  readonly amounts: readonly number[]
  /** Moles of each component that stay dissolved, to the last trace. */
  readonly dissolved: readonly number[]
  /** kg of water in the liquor. */
  readonly water: number
  /** ln of the product over its limit of the absent solid that is nearest to coming; 0 where one stands. */
  readonly nearest: number
  /** True where the liquor is stronger than the parameters reach. */
  readonly isBeyond: boolean
  /** True where every solid that stands is saturated, and none that is absent is more than that. */
  readonly isAtRest: boolean
  /** True where crystals have taken all the water. */
  readonly isDry: boolean
  readonly steps: number
}

const MOST_STEPS = 120
/** How near to saturation is saturated, in ln of a product. */
const NEAR = 1e-9
/** A share of the water below which there is no liquor: what stands is then not told by saturation. */
const DRY = 1e-7
/** What counts as rest where digits end before that. */
const NEAR_ENOUGH = 1e-5

/**
 * The solids that stand at rest: a minimum of the pot's Gibbs energy over RT, Φ(n) = Σ dᵢ (ln(dᵢ/w) − 1) + w g(d/w) + Σ nₛ ln Kₛ with the excess g of the activities, over nₛ ≥ 0. Projected Newton steps with the
 * exact second derivatives, damped where the energy is not convex, and never further than the components and the water last (D. P. Bertsekas, SIAM J. Control Optim. 20 (1982) 221). The answer is tested by the
 * saturation of every solid; where it does not hold, other starts are tried, and the one of least energy is kept.
 */
export function equilibrium(problem: Problem): Equilibrium {
  const { totals, water } = problem
  if (problem.solids.length === 0)
    return {
      amounts: [],
      dissolved: totals,
      water,
      nearest: -Infinity,
      isBeyond: isBeyond(
        problem.ions,
        totals.map(moles => moles / water),
      ),
      isAtRest: true,
      isDry: false,
      steps: 0,
    }
  const caps = capsOf(problem)
  const starts = [0, 0.5 / (problem.solids.length + 1), 0.9 / problem.solids.length]
  let best: (Equilibrium & { energy: number }) | undefined
  let steps = 0
  for (const share of starts) {
    const found = descend(problem, caps, share)
    steps += found.steps
    if (!best || (found.isAtRest && !best.isAtRest) || (found.isAtRest === best.isAtRest && found.energy < best.energy))
      best = found
    if (found.isAtRest) break
  }
  const { energy: _, ...answer } = best!
  return { ...answer, steps }
}

/** Moles of each solid that there could be at most; the variables of the search are shares of these. */
const capsOf = ({ totals, water, solids }: Problem): number[] =>
  solids.map(({ counts, hydration }) => {
    let most = hydration > 0 ? water / hydration : Infinity
    counts.forEach((count, i) => {
      if (count > 0) most = Math.min(most, totals[i]! / count)
    })
    return Number.isFinite(most) ? most : 0
  })

/** A pot on the way. What is dissolved is carried on by differences, so that the last trace of an ion keeps its digits. */
interface State {
  readonly dissolved: Float64Array
  readonly molalities: Float64Array
  readonly water: number
  readonly excess: Excess
  readonly energy: number
}

/** The pot with so much more of each solid out of solution than before; undefined where there would be less than nothing of something. */
function changed(
  { ions, solids }: Problem,
  before: { readonly dissolved: Float64Array; readonly water: number },
  amounts: Float64Array,
  more: Float64Array,
): State | undefined {
  const dissolved = Float64Array.from(before.dissolved)
  let left = before.water
  let energy = 0
  for (let s = 0; s < solids.length; s++) {
    const { counts, hydration, logK } = solids[s]!
    energy += amounts[s]! * logK
    const by = more[s]!
    if (by === 0) continue
    for (let i = 0; i < counts.length; i++) dissolved[i]! -= counts[i]! * by
    left -= hydration * by
  }
  if (!(left > 0)) return undefined
  const molalities = new Float64Array(dissolved.length)
  for (let i = 0; i < dissolved.length; i++) {
    const moles = dissolved[i]!
    if (!(moles > 0)) return undefined
    molalities[i] = moles / left
    energy += moles * (Math.log(moles / left) - 1)
  }
  const excess = excessOf(ions, molalities)
  return { dissolved, molalities, water: left, excess, energy: energy + left * excess.value }
}

/** ln of the product of a solid's activities, over its limit: above 0 it comes down. */
export function saturationOf(
  { counts, hydration, logK }: Problem['solids'][number],
  { molalities, excess }: Pick<State, 'molalities' | 'excess'>,
): number {
  let [sum, along, particles] = [-logK, 0, 0]
  for (let i = 0; i < counts.length; i++) {
    const m = molalities[i]!
    along += m * excess.gradient[i]!
    particles += m
    if (counts[i] !== 0) sum += counts[i]! * (Math.log(m) + excess.gradient[i]!)
  }
  return sum - hydration * (particles + along - excess.value)
}

function descend(problem: Problem, caps: readonly number[], share: number): Equilibrium & { energy: number } {
  let amounts: Float64Array = Float64Array.from(caps, (cap, s) => (problem.solids[s]!.isDissolved ? 0.5 : share) * cap)
  const all = { dissolved: Float64Array.from(problem.totals), water: problem.water }
  let state = changed(problem, all, amounts, amounts)
  for (let halved = 0; !state && halved < 60; halved++) {
    amounts = amounts.map(one => one / 2)
    state = changed(problem, all, amounts, amounts)
  }
  if (!state) {
    const { totals: dissolved, water } = problem
    return {
      amounts: caps.map(() => 0),
      dissolved,
      water,
      nearest: 0,
      isBeyond: false,
      isAtRest: false,
      isDry: false,
      steps: 0,
      energy: Infinity,
    }
  }
  let steps = 0
  let stuck = 0
  let wrong = wrongOf(problem, amounts, state)
  for (; wrong > NEAR && steps < MOST_STEPS && stuck < 8; steps++) {
    const next = step(problem, caps, amounts, state, wrong)
    if (!next) break
    const now = wrongOf(problem, next.amounts, next.state)
    stuck = next.state.energy < state.energy - 1e-14 * Math.abs(state.energy) || now < 0.9 * wrong ? 0 : stuck + 1
    amounts = next.amounts
    state = next.state
    wrong = now
  }
  const isDry = state.water < DRY * problem.water
  return {
    amounts: [...amounts],
    dissolved: [...state.dissolved],
    water: state.water,
    nearest: nearestIn(problem, state),
    isBeyond: isBeyond(problem.ions, state.molalities),
    isAtRest: wrong < NEAR_ENOUGH || isDry,
    isDry,
    steps,
    energy: state.energy,
  }
}

const isBeyond = (ions: Problem['ions'], molalities: ArrayLike<number>): boolean =>
  ionicStrength(ions, molalities) > ions.upTo

const nearestIn = ({ solids }: Problem, state: State): number =>
  solids.reduce((most, solid) => (solid.isDissolved ? most : Math.max(most, saturationOf(solid, state))), -Infinity)

/** One damped Newton step over the solids that are free to change, along the bounds; undefined where none goes down. */
function step(
  problem: Problem,
  caps: readonly number[],
  amounts: Float64Array,
  state: State,
  wrong: number,
): { amounts: Float64Array; state: State } | undefined {
  const over = problem.solids.map(solid => saturationOf(solid, state))
  const free = over.flatMap((one, s) => (caps[s]! > 0 && (amounts[s]! > 0 || one > NEAR) ? [s] : []))
  const { matrix, right } = system(problem, caps, state, over, free)
  for (const damping of [0, 1e-10, 1e-6, 1e-3, 0.1, 10, 1e3]) {
    const direction = solve(matrix, right, damping)
    if (!direction) continue
    const slope = direction.reduce((sum, by, i) => sum - by * right[i]!, 0)
    if (!(slope < 0)) continue
    let reach = reachOf(problem, caps, state, direction, free)
    for (let i = 0; i < 30; i++, reach /= 2) {
      const to = Float64Array.from(amounts)
      const more = new Float64Array(amounts.length)
      let gain = 0
      free.forEach((s, at) => {
        const wanted = amounts[s]! + reach * direction[at]! * caps[s]!
        to[s] = wanted < 1e-15 * caps[s]! ? 0 : wanted
        more[s] = to[s] === 0 ? -amounts[s]! : reach * direction[at]! * caps[s]!
        gain -= over[s]! * more[s]!
      })
      const next = changed(problem, state, to, more)
      if (!next) continue
      if (next.energy <= state.energy + 1e-4 * gain) return { amounts: to, state: next }
      if (gain > -1e-11 * Math.abs(state.energy) && wrongOf(problem, to, next) < wrong)
        return { amounts: to, state: next }
    }
  }
  return undefined
}

/** How far the pot is from rest: the most that a standing solid is off its limit, or an absent one over it. */
const wrongOf = ({ solids }: Problem, amounts: Float64Array, state: State): number =>
  solids.reduce((most, solid, s) => {
    const one = saturationOf(solid, state)
    return Math.max(most, amounts[s]! > 0 ? Math.abs(one) : one)
  }, 0)

/** The step's length, 1 at most, that leaves something of every component and of the water. */
function reachOf(
  { solids }: Problem,
  caps: readonly number[],
  { dissolved, water }: State,
  direction: readonly number[],
  free: readonly number[],
): number {
  let reach = 1
  const keep = (value: number, change: number): void => {
    if (change < 0) reach = Math.min(reach, (-0.995 * value) / change)
  }
  for (let i = 0; i < dissolved.length; i++) {
    let change = 0
    free.forEach((s, at) => {
      change -= solids[s]!.counts[i]! * caps[s]! * direction[at]!
    })
    keep(dissolved[i]!, change)
  }
  let change = 0
  free.forEach((s, at) => {
    change -= solids[s]!.hydration * caps[s]! * direction[at]!
  })
  keep(water, change)
  return reach
}

/** Second derivatives of the energy by the free shares, and the negative gradient. */
function system(
  { solids }: Problem,
  caps: readonly number[],
  { molalities, water, excess }: State,
  over: readonly number[],
  free: readonly number[],
): { matrix: Float64Array[]; right: number[] } {
  const size = molalities.length
  const ways = free.map(s => {
    const { counts, hydration } = solids[s]!
    return Float64Array.from({ length: size }, (_, i) => (counts[i]! - hydration * molalities[i]!) * caps[s]!)
  })
  const bent = ways.map(way => {
    const row = new Float64Array(size)
    for (let i = 0; i < size; i++) {
      let sum = way[i]! / molalities[i]!
      for (let j = 0; j < size; j++) sum += excess.second[i * size + j]! * way[j]!
      row[i] = sum / water
    }
    return row
  })
  const matrix = ways.map((_, a) => {
    const row = new Float64Array(free.length)
    for (let b = 0; b <= a; b++) {
      let sum = 0
      for (let i = 0; i < size; i++) sum += bent[a]![i]! * ways[b]![i]!
      row[b] = sum
    }
    return row
  })
  return { matrix, right: free.map(s => over[s]! * caps[s]!) }
}

/** A symmetric system by Cholesky, its diagonal raised by a share; undefined where it is not positive so. */
function solve(matrix: readonly Float64Array[], right: readonly number[], damping: number): number[] | undefined {
  const size = right.length
  const lower = matrix.map(() => new Float64Array(size))
  for (let i = 0; i < size; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i]![j]!
      if (i === j) sum += damping * Math.max(Math.abs(sum), 1e-300)
      for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!
      if (i !== j) lower[i]![j] = sum / lower[j]![j]!
      else {
        if (!(sum > 1e-14 * Math.abs(matrix[i]![i]!))) return undefined
        lower[i]![i] = Math.sqrt(sum)
      }
    }
  const y = new Float64Array(size)
  for (let i = 0; i < size; i++) {
    let sum = right[i]!
    for (let k = 0; k < i; k++) sum -= lower[i]![k]! * y[k]!
    y[i] = sum / lower[i]![i]!
  }
  const x = new Array<number>(size).fill(0)
  for (let i = size - 1; i >= 0; i--) {
    let sum = y[i]!
    for (let k = i + 1; k < size; k++) sum -= lower[k]![i]! * x[k]!
    x[i] = sum / lower[i]![i]!
  }
  return x.every(Number.isFinite) ? x : undefined
}
