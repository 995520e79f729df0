import type { Figure } from './figure'
import { functions, type FunctionName } from './functions'

export interface Spread {
  readonly draws: number
  readonly mean: number
  readonly standardDeviation: number
  /** Shortest-tailed on both sides: 2.5 % of the draws lie below, 2.5 % above. */
  readonly low: number
  readonly high: number
}

type Step =
  | { readonly op: 'constant'; readonly value: number }
  | { readonly op: 'draw'; readonly source: number; readonly value: number; readonly uncertainty: number }
  | { readonly op: 'sum'; readonly terms: readonly (readonly [weight: number, step: number])[] }
  | {
      readonly op: 'product'
      readonly over: readonly number[]
      readonly under: readonly number[]
      readonly conversion: number
    }
  | { readonly op: 'function'; readonly is: FunctionName; readonly of: number }

interface Program {
  readonly steps: readonly Step[]
  /** Shape of each source of error; one draw a source serves all that share it. */
  readonly sources: readonly ('even' | 'bell')[]
}

const BLOCK = 4096

/** The figure's graph as a list of steps, each input once. */
function compile(figure: Figure): Program {
  const steps: Step[] = []
  const places = new Map<Figure, number>()
  const sources = new Map<string, number>()
  const shapes: ('even' | 'bell')[] = []
  const place = (of: Figure): number => {
    const known = places.get(of)
    if (known !== undefined) return known
    const { made } = of
    let step: Step
    if (made.how === 'sum') step = { op: 'sum', terms: made.terms.map(([weight, part]) => [weight, place(part)]) }
    else if (made.how === 'product')
      step = { op: 'product', over: made.over.map(place), under: made.under.map(place), conversion: made.conversion }
    else if (made.how === 'function') step = { op: 'function', is: made.is, of: place(made.of) }
    else if (made.uncertainty === 0) step = { op: 'constant', value: of.value }
    else {
      let source = sources.get(made.source)
      if (source === undefined) {
        source = shapes.length
        sources.set(made.source, source)
        shapes.push(made.shape === 'even' ? 'even' : 'bell')
      }
      step = { op: 'draw', source, value: of.value, uncertainty: made.uncertainty }
    }
    steps.push(step)
    places.set(of, steps.length - 1)
    return steps.length - 1
  }
  place(figure)
  return { steps, sources: shapes }
}

/**
 * Redraws a figure's inputs many times and tells how the figure spreads (JCGM 101:2008, propagation of distributions). Written
 * digits are drawn evenly between their bounds, stated uncertainties bell-shaped. `random` gives numbers from 0 up to 1;
 * `progress` hears the share done and may answer false to stop, which gives undefined.
 */
export function monteCarlo(
  figure: Figure,
  draws: number,
  random: () => number,
  progress: (done: number) => boolean = () => true,
): Spread | undefined {
  const { steps, sources } = compile(figure)
  const values = new Float64Array(draws)
  const noise = sources.map(() => new Float64Array(BLOCK))
  const rooms = steps.map(() => new Float64Array(BLOCK))
  for (let start = 0; start < draws; start += BLOCK) {
    const size = Math.min(BLOCK, draws - start)
    sources.forEach((shape, i) => fill(noise[i]!, shape, random))
    steps.forEach((step, i) => run(step, rooms[i]!, rooms, noise))
    values.set(rooms.at(-1)!.subarray(0, size), start)
    if (!progress((start + size) / draws)) return undefined
  }
  return summary(values)
}

const HALF_WIDTH = Math.sqrt(3)

function fill(into: Float64Array, shape: 'even' | 'bell', random: () => number): void {
  if (shape === 'even') {
    for (let i = 0; i < into.length; i++) into[i] = (2 * random() - 1) * HALF_WIDTH
    return
  }
  for (let i = 0; i < into.length; i += 2) {
    const size = Math.sqrt(-2 * Math.log(1 - random()))
    const turn = 2 * Math.PI * random()
    into[i] = size * Math.cos(turn)
    into[i + 1] = size * Math.sin(turn)
  }
}

function run(step: Step, into: Float64Array, rooms: readonly Float64Array[], noise: readonly Float64Array[]): void {
  switch (step.op) {
    case 'constant':
      into.fill(step.value)
      return
    case 'draw': {
      const from = noise[step.source]!
      for (let i = 0; i < into.length; i++) into[i] = step.value + step.uncertainty * from[i]!
      return
    }
    case 'sum':
      into.fill(0)
      for (const [weight, at] of step.terms) {
        const from = rooms[at]!
        for (let i = 0; i < into.length; i++) into[i]! += weight * from[i]!
      }
      return
    case 'function': {
      const { value } = functions[step.is]
      const from = rooms[step.of]!
      for (let i = 0; i < into.length; i++) into[i] = value(from[i]!)
      return
    }
    case 'product':
      into.fill(step.conversion)
      for (const at of step.over) {
        const from = rooms[at]!
        for (let i = 0; i < into.length; i++) into[i]! *= from[i]!
      }
      for (const at of step.under) {
        const from = rooms[at]!
        for (let i = 0; i < into.length; i++) into[i]! /= from[i]!
      }
  }
}

function summary(values: Float64Array): Spread {
  const draws = values.length
  let mean = 0
  for (const value of values) mean += value / draws
  let squares = 0
  for (const value of values) squares += (value - mean) ** 2
  values.sort()
  const at = (share: number): number => values[Math.min(draws - 1, Math.floor(share * draws))]!
  return {
    draws,
    mean,
    standardDeviation: Math.sqrt(squares / Math.max(1, draws - 1)),
    low: at(0.025),
    high: at(0.975),
  }
}

/** A small repeatable generator for tests and for a check that gives the same answer twice: mulberry32 (T. Ettinger, public domain). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
