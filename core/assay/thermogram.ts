import { findElement, molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import { metalCharges } from '#core/reference'
import { ionsOf } from '#core/species'
import type { CurvePoints } from './curve-points'
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

/** The levels of a mass curve over temperature: before, between and after its steps. A step is where the slope has a maximum of its own. */
export function plateausOf({ points }: CurvePoints): Plateau[] {
  if (points.length < 5) return []
  const even = resample(points)
  const slopes = even.map((_, i) => {
    const [a, b] = [even[Math.max(0, i - 2)]!, even[Math.min(even.length - 1, i + 2)]!]
    return Math.abs((b[1] - a[1]) / (b[0] - a[0]))
  })
  const steepest = Math.max(...slopes)
  const masses = even.map(([, mass]) => mass)
  if (!(steepest > 0) || Math.max(...masses) - Math.min(...masses) < 0.01 * Math.abs(masses[0]!)) return []
  const peaks = bandsOf({ x: '', y: '', points: slopes.map((slope, i) => [i, slope] as const) })
    .map(({ x }) => Math.round(x))
    .toSorted((a, b) => a - b)
  const edges = [0, ...peaks, even.length - 1]
  const levels = edges.slice(1).map((to, i) => levelBetween(even, slopes, edges[i]!, to, steepest))
  const whole = levels[0]!.mass
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

/** The flattest stretch between two steps. */
function levelBetween(
  even: readonly (readonly [number, number])[],
  slopes: readonly number[],
  start: number,
  end: number,
  steepest: number,
) {
  let flattest = start
  for (let i = start; i <= end; i++) if (slopes[i]! < slopes[flattest]!) flattest = i
  const limit = slopes[flattest]! + FLAT * steepest
  let [first, last] = [flattest, flattest]
  while (first > start && slopes[first - 1]! <= limit) first--
  while (last < end && slopes[last + 1]! <= limit) last++
  const masses = even.slice(first, last + 1).map(([, mass]) => mass)
  const mass = mean(masses)
  return {
    from: even[first]![0],
    to: even[last]![0],
    mass,
    scatter: Math.sqrt(mean(masses.map(one => (one - mass) ** 2))),
    isFlat: slopes[flattest]! <= FLAT * steepest,
  }
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

/** At four hundred even temperatures, each the mean of what was measured about it: takes the noise of fast logging away. */
function resample(points: CurvePoints['points']): [number, number][] {
  const [low, high] = [points[0]![0], points.at(-1)![0]]
  const step = Math.max((high - low) / 400, 1e-9)
  const bins = new Map<number, number[]>()
  for (const [t, m] of points) {
    const bin = Math.min(399, Math.floor((t - low) / step))
    bins.set(bin, [...(bins.get(bin) ?? []), m])
  }
  return [...bins].toSorted((a, b) => a[0] - b[0]).map(([bin, masses]) => [low + (bin + 0.5) * step, mean(masses)])
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

/** What a salt can leave on heating: itself with fewer waters, then its metal's oxide, then the metal. */
export function residuesOf(form: Formula): { residue: string; words: string; expected: number }[] {
  const whole = molarMass(form)
  const [, base = form.text, watersText] = /^(.*?)·(\d*(?:\.\d+)?)H2O$/.exec(form.text) ?? []
  const waters = watersText === undefined ? 0 : watersText === '' ? 1 : Number(watersText)
  const anhydrous = parseFormula(base)
  if (!anhydrous.ok) return []
  const out: { residue: string; words: string; expected: number }[] = []
  for (let left = waters - 0.5; left >= 0; left -= 0.5) {
    const lost = waters - left
    out.push({
      residue: withWaters(base, left),
      words: `${lost} H2O gone`,
      expected: (lost * 18.015) / whole,
    })
  }
  return [...out, ...oxides(anhydrous.value, whole)]
}

function oxides(salt: Formula, whole: number) {
  const ions = ionsOf(salt)
  const metals = ions?.filter(({ text, charge }) => charge > 0 && metalCharges[text]) ?? []
  if (!ions || metals.length !== 1) return []
  const { text, count, charge } = metals[0]!
  if (charge > 4 || ions.some(ion => ion.charge > 0 && ion.text !== text && ion.text !== 'NH4')) return []
  const states = [...new Set([charge, ...metalCharges[text]!])]
  const metal = findElement(text)
  const made = states.flatMap(state => {
    const formula = state % 2 === 0 ? `${text}O${state === 2 ? '' : state / 2}` : `${text}2O${state === 1 ? '' : state}`
    const read = parseFormula(formula)
    if (!read.ok) return []
    const per = read.value.composition.get(text)!
    return [{ residue: formula, words: 'the oxide', expected: 1 - (count / per) * (molarMass(read.value) / whole) }]
  })
  const alone = parseFormula(text)
  return metal && alone.ok
    ? [...made, { residue: text, words: 'the metal', expected: 1 - (count * molarMass(alone.value)) / whole }]
    : made
}
