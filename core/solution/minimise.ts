/**
 * Amounts of solids that minimise the Gibbs energy of a pot, as an ideal dilute solution beside pure solids:
 * Φ(n) = Σ dᵢ (ln(dᵢ/w) − 1) + Σ nₛ ln Kₛ, with dᵢ = Tᵢ − Σ νᵢₛ nₛ moles left in solution and w = W − Σ hₛ nₛ kg of water. Φ is convex
 * (d ln(d/w) is the perspective of d ln d), so the answer is the one set of solids in which no product is over its limit and no
 * solid stands below it. Newton's method with a logarithmic barrier for nₛ ≥ 0 (Boyd and Vandenberghe, Convex Optimization,
 * chapter 11). It ends after a bounded number of steps.
 */
export interface Problem {
  /** Moles of each component. */
  readonly totals: readonly number[]
  /** kg of water that is not in solids yet. */
  readonly water: number
  readonly solids: readonly {
    /** Moles of each component in one of the solid. */
    readonly counts: readonly number[]
    /** kg of water in one of the solid. */
    readonly hydration: number
    readonly logK: number
  }[]
}

const MOST_STEPS = 400
const FIRST_BARRIER = 1
const LAST_BARRIER = 1e-13

/** Moles of each solid. */
export function minimise({ totals, water, solids }: Problem): number[] {
  if (solids.length === 0) return []
  const caps = capsOf(totals, water, solids)
  const scaled = solids.map(({ counts, hydration, logK }, s) => ({
    counts: counts.map(count => count * caps[s]!),
    hydration: hydration * caps[s]!,
    logK: logK * caps[s]!,
  }))
  const scale = Math.max(...totals)
  let x = solids.map(() => 0.5 / (solids.length + 1))
  let barrier = FIRST_BARRIER * scale
  for (let steps = 0; barrier > LAST_BARRIER * scale && steps < MOST_STEPS; barrier /= 20) {
    for (let i = 0; i < 40 && steps < MOST_STEPS; i++, steps++) {
      const step = newtonStep(x, totals, water, scaled, barrier)
      const next = step && lineSearch(x, step, totals, water, scaled, barrier)
      if (!next) break
      x = next.n
      if (next.decrement < Math.max(1e-13 * scale, 0.02 * barrier)) break
    }
  }
  const n = x.map((share, s) => share * caps[s]!)
  return n.map((amount, s) => (isStanding(amount, s, n, totals, water, solids, caps[s]!) ? amount : 0))
}

/** Moles of each solid that there could be at most; the variables of the search are shares of these. */
const capsOf = (totals: readonly number[], water: number, solids: Problem['solids']): number[] =>
  solids.map(({ counts, hydration }) => {
    let most = hydration > 0 ? water / hydration : Infinity
    counts.forEach((count, i) => {
      if (count > 0) most = Math.min(most, totals[i]! / count)
    })
    return most
  })

/** A trace that the barrier holds above zero, below the solid's limit, is no solid. */
function isStanding(
  amount: number,
  s: number,
  n: readonly number[],
  totals: readonly number[],
  water: number,
  solids: Problem['solids'],
  cap: number,
): boolean {
  if (amount < 1e-9 * cap) return false
  const state = stateOf(n, totals, water, solids)
  if (!state) return true
  const gap = logProduct(solids[s]!, state) - solids[s]!.logK
  return amount > 1e-6 * cap || gap > -1e-3
}

interface State {
  readonly dissolved: number[]
  readonly water: number
  readonly particles: number
}

function stateOf(
  n: readonly number[],
  totals: readonly number[],
  water: number,
  solids: Problem['solids'],
): State | undefined {
  const dissolved = [...totals]
  let left = water
  for (let s = 0; s < n.length; s++) {
    const { counts, hydration } = solids[s]!
    for (let i = 0; i < counts.length; i++) dissolved[i]! -= counts[i]! * n[s]!
    left -= hydration * n[s]!
  }
  if (!(left > 0)) return undefined
  let particles = 0
  for (const amount of dissolved) {
    if (!(amount > 0)) return undefined
    particles += amount
  }
  return { dissolved, water: left, particles }
}

const logProduct = (solid: Problem['solids'][number], { dissolved, water, particles }: State): number =>
  solid.counts.reduce((sum, count, i) => (count === 0 ? sum : sum + count * Math.log(dissolved[i]! / water)), 0) -
  (solid.hydration * particles) / water

function value(
  n: readonly number[],
  totals: readonly number[],
  water: number,
  solids: Problem['solids'],
  barrier: number,
): number {
  const state = stateOf(n, totals, water, solids)
  if (!state || n.some(amount => !(amount > 0))) return Infinity
  let phi = 0
  for (const amount of state.dissolved) phi += amount * (Math.log(amount / state.water) - 1)
  n.forEach((amount, s) => {
    phi += amount * solids[s]!.logK - barrier * Math.log(amount)
  })
  return phi
}

/** Newton direction: gradient Kₛ − Qₛ in logarithms, Hessian from dᵢ and w; both exact. */
function newtonStep(
  n: readonly number[],
  totals: readonly number[],
  water: number,
  solids: Problem['solids'],
  barrier: number,
): { direction: number[]; slope: number } | undefined {
  const state = stateOf(n, totals, water, solids)
  if (!state) return undefined
  const gradient = solids.map((solid, s) => solid.logK - logProduct(solid, state) - barrier / n[s]!)
  const hessian = solids.map((a, s) =>
    solids.map((b, t) => {
      let sum = s === t ? barrier / (n[s]! * n[s]!) : 0
      for (let i = 0; i < a.counts.length; i++) sum += (a.counts[i]! * b.counts[i]!) / state.dissolved[i]!
      const across = a.counts.reduce((total, count) => total + count, 0) * b.hydration
      const back = b.counts.reduce((total, count) => total + count, 0) * a.hydration
      return sum - (across + back) / state.water + (a.hydration * b.hydration * state.particles) / state.water ** 2
    }),
  )
  const direction = solve(
    hessian,
    gradient.map(slope => -slope),
  )
  if (!direction) return undefined
  const slope = gradient.reduce((sum, one, s) => sum + one * direction[s]!, 0)
  return slope < 0 ? { direction, slope } : undefined
}

function lineSearch(
  n: readonly number[],
  { direction, slope }: { direction: number[]; slope: number },
  totals: readonly number[],
  water: number,
  solids: Problem['solids'],
  barrier: number,
): { n: number[]; decrement: number } | undefined {
  let reach = 1
  const keepPositive = (value: number, change: number): void => {
    if (change < 0) reach = Math.min(reach, (-0.99 * value) / change)
  }
  const here = stateOf(n, totals, water, solids)
  if (!here) return undefined
  n.forEach((amount, s) => keepPositive(amount, direction[s]!))
  here.dissolved.forEach((amount, i) =>
    keepPositive(amount, -solids.reduce((sum, { counts }, s) => sum + counts[i]! * direction[s]!, 0)),
  )
  keepPositive(here.water, -solids.reduce((sum, { hydration }, s) => sum + hydration * direction[s]!, 0))
  const before = value(n, totals, water, solids, barrier)
  for (let i = 0; i < 60; i++) {
    const next = n.map((amount, s) => amount + reach * direction[s]!)
    const after = value(next, totals, water, solids, barrier)
    if (after <= before + 1e-4 * reach * slope) return { n: next, decrement: -slope }
    reach /= 2
  }
  return undefined
}

/** Symmetric positive definite system by Cholesky with a little damping; undefined where it is singular all the same. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const size = right.length
  for (const damping of [0, 1e-12, 1e-9, 1e-6]) {
    const lower = matrix.map(row => row.map(() => 0))
    let fine = true
    for (let i = 0; i < size && fine; i++) {
      for (let j = 0; j <= i; j++) {
        let sum = matrix[i]![j]! + (i === j ? damping * matrix[i]![i]! : 0)
        for (let k = 0; k < j; k++) sum -= lower[i]![k]! * lower[j]![k]!
        if (i === j) {
          if (!(sum > 0)) {
            fine = false
            break
          }
          lower[i]![i] = Math.sqrt(sum)
        } else lower[i]![j] = sum / lower[j]![j]!
      }
    }
    if (!fine) continue
    const y: number[] = []
    for (let i = 0; i < size; i++) {
      let sum = right[i]!
      for (let k = 0; k < i; k++) sum -= lower[i]![k]! * y[k]!
      y.push(sum / lower[i]![i]!)
    }
    const x = new Array<number>(size).fill(0)
    for (let i = size - 1; i >= 0; i--) {
      let sum = y[i]!
      for (let k = i + 1; k < size; k++) sum -= lower[k]![i]! * x[k]!
      x[i] = sum / lower[i]![i]!
    }
    return x.every(Number.isFinite) ? x : undefined
  }
  return undefined
}
