import type { Formula } from '#core/formula'
import type { CurvePoints } from './curve-points'
import { residuesOf } from './residues-on-heating'
import { bandsOf } from './spectrum'

export interface Plateau {
  readonly from: number
  readonly to: number
  /** Share of the first plateau's mass, and how far its points scatter. */
  readonly share: number
  readonly scatter: number
  /** False where one step runs into the next: the level is then that of the slowest point between them. */
  readonly isFlat: boolean
}
export interface Step {
  readonly from: number
  readonly to: number
  /** Of the first plateau's mass, fractions of one: what this step takes, and what is gone after it. */
  readonly loss: number
  readonly gone: number
  /** False where it runs into the next one. */
  readonly endsFlat: boolean
  readonly candidates: readonly StepCandidate[]
}
export interface StepCandidate {
  readonly residue: string
  readonly words: string
  /** What would be gone by then, a fraction of one. */
  readonly expected: number
  readonly fits: boolean
}

/** The slope under which a curve is flat, of the steepest; a judgement, no source. */
const FLAT = 0.04
/** Levels closer than this are one; it is also how far a residue may lie off and still fit: half a percentage point, common practice, no source. */
const FIT = 0.005
/** A maximum of the slope is a step of its own where it stands over its valleys by this share of the steepest, and by so many times the slope's noise; judgements. */
const STANDS_OUT = 0.02
const OVER_NOISE = 6

/**
 * The levels of a mass curve over temperature: before, between and after its steps. A step is where the slope has a maximum of its own that its noise does not
 * explain; the slope is that of a local line (Cleveland, J. Am. Stat. Assoc. 74 (1979) 829), so that the spacing of the points leaves no mark on it.
 */
export function plateausOf({ points }: CurvePoints): Plateau[] {
  if (points.length < 5) return []
  const masses = points.map(([, mass]) => mass)
  const fall = Math.max(...masses) - Math.min(...masses)
  if (!(fall >= 0.01 * Math.abs(masses[0] ?? 0)) || fall === 0) return []
  const { nodes, noise } = smoothed(points)
  const slopes = nodes.map(({ slope }) => Math.abs(slope))
  const steepest = Math.max(...slopes)
  if (!(steepest > 0)) return []
  const least = Math.min(Math.max(STANDS_OUT * steepest, OVER_NOISE * noise), 0.9 * steepest)
  const peaks = bandsOf({ x: '', y: '', points: slopes.map((slope, i) => [i, slope] as const) })
    .filter(({ prominence }) => prominence >= least)
    .map(({ x }) => Math.round(x))
    .toSorted((a, b) => a - b)
  const edges = [0, ...peaks, nodes.length - 1]
  // Twice the noise of a slope is no slope; four times is let pass on the way, so that one wild point does not cut a level short.
  const flat = FLAT * steepest + 2 * noise
  const levels = edges
    .slice(1)
    .map((to, i) => levelBetween(nodes, slopes, [edges[i] ?? 0, to], [flat, flat + 2 * noise]))
  const whole = levels[0]?.mass ?? NaN
  return merge(
    levels.map(({ from, to, mass, scatter, isFlat }) => ({
      from,
      to,
      share: mass / whole,
      scatter: scatter / whole,
      isFlat,
    })),
  )
}

/** The longest flat stretch between two steps; where none is flat, what lies about the flattest point. */
function levelBetween(
  nodes: readonly Node[],
  slopes: readonly number[],
  [start, end]: [number, number],
  [flat, passing]: [number, number],
) {
  const slopeAt = (i: number): number => slopes[i] ?? Infinity
  let flattest = start
  for (let i = start; i <= end; i++) if (slopeAt(i) < slopeAt(flattest)) flattest = i
  let [first, last] = [flattest, flattest]
  const limit = Math.max(passing, slopeAt(flattest) + flat)
  for (let i = start, from = start; i <= end + 1; i++) {
    if (i <= end && slopeAt(i) <= limit) continue
    if (i - 1 - from > last - first) [first, last] = [from, i - 1]
    from = i + 1
  }
  const stretch = nodes.slice(first, last + 1)
  // The middle one: a step’s foot at the edge of the stretch pulls a mean along.
  const mass = median(stretch.map(({ mass }) => mass))
  return {
    from: stretch[0]?.t ?? NaN,
    to: stretch.at(-1)?.t ?? NaN,
    mass,
    scatter: Math.sqrt(mean(stretch.map(one => (one.mass - mass) ** 2))),
    isFlat: slopeAt(flattest) <= flat,
  }
}

/** The curve at one of the even temperatures: its mass and slope by the line through what lies about it. */
interface Node {
  readonly t: number
  readonly mass: number
  readonly slope: number
  /** Of the slope, for a noise of one in the masses. */
  readonly error: number
}
const NODES = 400
/** The reach of the local line: a part of the range, but at least so many spacings; wider where the noise hides the steps, up to the widest. */
const REACH = 1 / 80
const SPACINGS = 3
const WIDEST = 1 / 12

/** The curve made smooth no more than its noise asks for, and the noise of its slope. */
function smoothed(points: CurvePoints['points']): { nodes: Node[]; noise: number } {
  const range = (points.at(-1)?.[0] ?? 0) - (points[0]?.[0] ?? 0)
  const scatter = scatterOf(points)
  let reach = Math.max(range * REACH, (SPACINGS * range) / (points.length - 1))
  for (;;) {
    const nodes = nodesOf(points, reach)
    const noise = scatter * median(nodes.map(({ error }) => error))
    const steepest = Math.max(...nodes.map(({ slope }) => Math.abs(slope)))
    if (OVER_NOISE * noise <= steepest / 4 || reach * 1.4 > range * WIDEST) return { nodes, noise }
    reach *= 1.4
  }
}

function nodesOf(points: CurvePoints['points'], reach: number): Node[] {
  const [low, high] = [points[0]?.[0] ?? 0, points.at(-1)?.[0] ?? 0]
  const count = Math.min(NODES, 4 * points.length)
  let from = 0
  const nodes: Node[] = []
  for (let k = 0; k <= count; k++) {
    const t = low + ((high - low) * k) / count
    while ((points[from]?.[0] ?? Infinity) <= t - reach) from++
    const near: (readonly [x: number, y: number, weight: number])[] = []
    for (let i = from; (points[i]?.[0] ?? Infinity) < t + reach; i++) {
      const [x, y] = points[i] ?? [NaN, NaN]
      near.push([x - t, y, (1 - (Math.abs(x - t) / reach) ** 3) ** 3])
    }
    const line = weightedLine(near)
    if (line) nodes.push({ t, ...line })
  }
  return nodes
}

/** The weighted least-squares line through points, at x = 0; undefined where they do not tell one. */
function weightedLine(near: readonly (readonly [x: number, y: number, weight: number])[]): Omit<Node, 't'> | undefined {
  let [w, wx, wy] = [0, 0, 0]
  for (const [x, y, weight] of near) {
    w += weight
    wx += weight * x
    wy += weight * y
  }
  const [xMean, yMean] = [wx / w, wy / w]
  let [sxx, sxy, spread] = [0, 0, 0]
  for (const [x, y, weight] of near) {
    sxx += weight * (x - xMean) ** 2
    sxy += weight * (x - xMean) * (y - yMean)
    spread += weight ** 2 * (x - xMean) ** 2
  }
  if (near.length < 2 || !(sxx > 0)) return undefined
  const slope = sxy / sxx
  return { mass: yMean - slope * xMean, slope, error: Math.sqrt(spread) / sxx }
}

/** Standard deviation of single points about their neighbours, from second differences, which a smooth curve has none of: the median, so that the steps do not count. */
function scatterOf(points: CurvePoints['points']): number {
  const bends = points.slice(2).map(([, y], i) => Math.abs(y - 2 * (points[i + 1]?.[1] ?? y) + (points[i]?.[1] ?? y)))
  return median(bends) / 0.6745 / Math.sqrt(6)
}

const median = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.floor(sorted.length / 2)] ?? 0
}
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** Two levels that agree are one that noise cut in two. */
function merge(plateaus: readonly Plateau[]): Plateau[] {
  const merged: Plateau[] = []
  for (const one of plateaus) {
    const last = merged.at(-1)
    if (last && Math.abs(last.share - one.share) < FIT)
      merged[merged.length - 1] = { ...last, to: one.to, scatter: Math.max(last.scatter, one.scatter) }
    else merged.push(one)
  }
  return merged
}

/** The steps between the plateaus, each with what would be left of the salt that was weighed, by how much should be gone then. */
export function stepsOf(form: Formula, plateaus: readonly Plateau[]): Step[] {
  const residues = residuesOf(form)
  return plateaus.slice(1).map((plateau, i): Step => {
    const before = plateaus[i]!
    const gone = 1 - plateau.share
    const reach = Math.max(FIT, 2 * plateau.scatter)
    const near = residues
      .map(one => ({ ...one, fits: Math.abs(one.expected - gone) <= reach }))
      .toSorted((a, b) => Math.abs(a.expected - gone) - Math.abs(b.expected - gone))
    return {
      from: before.to,
      to: plateau.from,
      loss: before.share - plateau.share,
      gone,
      endsFlat: plateau.isFlat,
      candidates: near.slice(0, 3),
    }
  })
}
