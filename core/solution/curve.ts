import { findSubstance, parseFormula, relate, withWaters, type Formula, type Relation } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { sameInWater, solubilities, solubilitySources, type SolubilityRow } from '#core/reference'
import { monotone } from '#core/quantity'
import { ionsOf } from '#core/species'
import type { SolubilityProblem } from './problems'

/** One salt's solubility in water, ready to be asked. */
export interface Curve {
  readonly salt: Formula
  readonly phases: readonly CurvePhase[]
  readonly source: string
  readonly grade: SolubilityRow['grade']
  /** True for a curve that the lab added. */
  readonly own?: boolean
}
export interface CurvePhase {
  readonly waters: number
  /** The solid, as its formula. */
  readonly form: Formula
  readonly from: number
  readonly to: number
  readonly points: readonly (readonly [celsius: number, grams: number])[]
  readonly at: (celsius: number) => number | undefined
}

/** What is saturated at a temperature: g of anhydrous salt in 100 g of water, beside which solid. */
export interface Saturation {
  readonly grams: number
  readonly phase: CurvePhase
  /** True between the ranges of two solids, where no point of the table stands: both branches are drawn on. */
  readonly isDrawnOn?: true
}

const read = (text: string): Formula => {
  const formula = parseFormula(text)
  if (!formula.ok) throw new Error(`The solubility table holds ${text}: ${formula.problem.code}`)
  return formula.value
}

/** Makes a curve of a row of points; the points must rise in temperature. */
export function curveOf(
  salt: Formula,
  phases: SolubilityRow['phases'],
  source: string,
  grade: SolubilityRow['grade'],
  own = false,
): Curve {
  return {
    salt,
    source,
    grade,
    ...(own && { own }),
    phases: phases.map(({ waters, points }) => ({
      waters,
      points,
      form: read(withWaters(salt.text, waters)),
      from: points[0]![0],
      to: points.at(-1)![0],
      at: between(points),
    })),
  }
}

const KELVIN = 273.15
/** Points further apart than this, K, are joined through ln of the solubility against 1/T: over such a span the heat of solution is steadier than the slope. A judgement. */
const FAR_APART = 40

function between(points: CurvePhase['points']): CurvePhase['at'] {
  const isSparse = points.some(([celsius], i) => i > 0 && celsius - points[i - 1]![0] > FAR_APART)
  if (!isSparse) return monotone(points)
  const logarithms = monotone(points.map(([celsius, grams]) => [-1 / (celsius + KELVIN), Math.log(grams)] as const))
  return celsius => {
    const logarithm = logarithms(-1 / (celsius + KELVIN))
    return logarithm === undefined ? undefined : Math.exp(logarithm)
  }
}

let made: readonly Curve[] | undefined
/** The curves of the table, read on first use. */
export const shippedCurves = (): readonly Curve[] =>
  (made ??= solubilities.map(({ salt, phases, source, grade }) =>
    curveOf(read(salt), phases, solubilitySources[source], grade),
  ))

export interface CurveOf {
  readonly curve: Curve
  /** One formula unit of the form asked for is so many units of the curve's salt, and waters. */
  readonly relation: Relation
}

/** The curve that holds for a form of a salt; the lab's own come before the shipped ones. */
export function findCurve(form: Formula, own: readonly Curve[] = []): CurveOf | undefined {
  if (form.charge !== 0) return undefined
  for (const curve of [...own, ...shippedCurves()]) {
    if (!mayHold(curve.salt, form) || !isSameComplex(curve.salt, form) || isAnother(curve.salt, form)) continue
    const relation = relate(form, curve.salt)
    if (relation && relation.waters >= -1e-9) return { curve, relation }
  }
  return undefined
}

/** Cheap: the same elements beside those of water. */
function mayHold(salt: Formula, form: Formula): boolean {
  for (const symbol of salt.composition.keys()) if (!form.composition.has(symbol)) return false
  for (const symbol of form.composition.keys())
    if (symbol !== 'H' && symbol !== 'O' && !salt.composition.has(symbol)) return false
  return true
}

/** The tables know both, as two substances that differ by water only: ammonium hydrogensulfate is no hydrate of sulfamic acid. */
function isAnother(salt: Formula, form: Formula): boolean {
  const [one, other] = [findSubstance(salt)?.row, findSubstance(form)?.row]
  if (!one || !other || one === other) return false
  const anion = (of: Formula): string | undefined => ionsOf(of)?.find(({ charge }) => charge < 0)?.text
  const [mine, its] = [anion(salt), anion(form)]
  return !sameInWater.some(pair => pair.some(text => text === mine) && pair.some(text => text === its))
}

/** Two complexes of the same composition but for water may be different salts: with a ligand in the place of a counter-ion, the free ions are others. */
function isSameComplex(salt: Formula, form: Formula): boolean {
  if (!salt.text.includes('[') || !form.text.includes('[')) return true
  const free = (of: Formula): string =>
    (ionsOf(of) ?? [])
      .filter(({ text }) => !text.includes('['))
      .map(({ text, count }) => `${count} ${text}`)
      .toSorted()
      .join()
  return free(salt) === free(form)
}

/** Saturation at a temperature; where two phases meet, the one with more water. A temperature off the table is a problem. */
export function saturationAt({ phases, salt }: Curve, celsius: number): Checked<Saturation, SolubilityProblem> {
  for (const phase of phases) {
    const grams = phase.at(celsius)
    if (grams !== undefined) return ok({ grams, phase })
  }
  const between = drawnOn(phases, celsius)
  if (between) return ok(between)
  return fail({
    code: 'solubility.out-of-range',
    salt: salt.text,
    celsius,
    ranges: phases.map(({ form, from, to }) => ({ form: form.text, from, to })),
  })
}

/** Slope of a branch at its last or first point, g a degree. */
function slopeAt({ points }: CurvePhase, end: 'first' | 'last'): number {
  const [a, b] = end === 'last' ? points.slice(-2) : points.slice(0, 2)
  return a && b ? (b[1] - a[1]) / (b[0] - a[0]) : 0
}

/**
 * Between the ranges of two solids each branch goes on along its own slope, and they meet where both are as soluble: that is the transition. Where they would not meet in between, a straight line
 * joins their ends, and the transition is told in its middle. An estimate, and marked as one.
 */
function drawnOn(phases: readonly CurvePhase[], celsius: number): Saturation | undefined {
  const sorted = phases.toSorted((a, b) => a.from - b.from)
  const i = sorted.findIndex((phase, at) => celsius > phase.to && celsius < (sorted[at + 1]?.from ?? -Infinity))
  const [lower, upper] = [sorted[i], sorted[i + 1]]
  if (i < 0 || !lower || !upper) return undefined
  const [left, right] = [lower.points.at(-1), upper.points[0]]
  if (!left || !right) return undefined
  const [t0, s0] = left
  const [t1, s1] = right
  const [a, b] = [slopeAt(lower, 'last'), slopeAt(upper, 'first')]
  const meet = a === b ? NaN : (s1 - b * t1 - (s0 - a * t0)) / (a - b)
  const isInside = meet > t0 && meet < t1 && s0 + a * (meet - t0) > 0
  if (isInside)
    return celsius <= meet
      ? { grams: s0 + a * (celsius - t0), phase: lower, isDrawnOn: true }
      : { grams: s1 + b * (celsius - t1), phase: upper, isDrawnOn: true }
  const grams = s0 + ((s1 - s0) * (celsius - t0)) / (t1 - t0)
  return { grams, phase: celsius <= (t0 + t1) / 2 ? lower : upper, isDrawnOn: true }
}

/** How far a branch is drawn on where another solid takes over, and past the ends of a curve, K: beyond that the heat of solution alone no longer tells. A judgement. */
const METASTABLE_REACH = 40
const END_REACH = 25

/** A hydrate of a curve at a temperature, whether it is the one that stands there or not. */
export interface Branch {
  readonly phase: CurvePhase
  /** g of anhydrous salt in 100 g of water beside this solid. */
  readonly grams: number
  /** The table's own point, or drawn on from the branch's end by its slope (ln of the solubility against 1/T). */
  readonly isDrawnOn: boolean
  /** K from the end of the branch's own range; 0 within it. */
  readonly beyond: number
  readonly isStable: boolean
}

/** Every hydrate of a curve at a temperature: the stable one by the table, the others drawn on as far as that tells anything. None where no branch reaches. */
export function branchesAt(curve: Curve, celsius: number): Branch[] {
  const stable = saturationAt(curve, celsius)
  const [from, to] = [
    Math.min(...curve.phases.map(phase => phase.from)),
    Math.max(...curve.phases.map(phase => phase.to)),
  ]
  const reach = stable.ok ? METASTABLE_REACH : END_REACH
  const end = celsius > to ? to : celsius < from ? from : undefined
  return curve.phases.flatMap((phase): Branch[] => {
    const isStable = stable.ok && stable.value.phase === phase
    if (isStable)
      return [{ phase, grams: stable.value.grams, isDrawnOn: stable.value.isDrawnOn === true, beyond: 0, isStable }]
    const beyond = Math.max(phase.from - celsius, celsius - phase.to, 0)
    const grams = beyond > reach ? undefined : beyond === 0 ? phase.at(celsius) : drawnFrom(phase, celsius)
    if (grams === undefined) return []
    return [
      {
        phase,
        grams,
        isDrawnOn: true,
        beyond,
        isStable: end !== undefined && (phase.from === end || phase.to === end),
      },
    ]
  })
}

/** The steepest that ln s rises against −1/T in the tables, K: a branch of two near points is not drawn steeper. */
const STEEPEST = 9000

/** A branch past its end, as ln of the solubility against 1/T through its end and the nearest point 5 K from it. */
function drawnFrom({ points, from, to }: CurvePhase, celsius: number): number | undefined {
  const end = celsius > to ? points.at(-1) : points[0]
  const inner = (celsius > to ? points.toReversed() : points).find(
    ([t]) => Math.abs(t - (celsius > to ? to : from)) >= 5,
  )
  if (!end) return undefined
  const other = inner ?? (points.length > 1 ? (celsius > to ? points[0]! : points.at(-1)!) : end)
  const by = 1 / (end[0] + KELVIN) - 1 / (other[0] + KELVIN)
  const slope = by === 0 ? 0 : Math.log(end[1] / other[1]) / by
  const held = Math.max(-STEEPEST, Math.min(STEEPEST, slope))
  return end[1] * Math.exp(held * (1 / (celsius + KELVIN) - 1 / (end[0] + KELVIN)))
}
