import { parseFormula, relate, withWaters, type Formula, type Relation } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { solubilities, solubilitySources, type SolubilityRow } from '#core/reference'
import { monotone } from './monotone'
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
      at: monotone(points),
    })),
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
    if (!mayHold(curve.salt, form)) continue
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

/** Saturation at a temperature; where two phases meet, the one with more water. A temperature off the table is a problem. */
export function saturationAt({ phases, salt }: Curve, celsius: number): Checked<Saturation, SolubilityProblem> {
  for (const phase of phases) {
    const grams = phase.at(celsius)
    if (grams !== undefined) return ok({ grams, phase })
  }
  return fail({
    code: 'solubility.out-of-range',
    salt: salt.text,
    celsius,
    ranges: phases.map(({ form, from, to }) => ({ form: form.text, from, to })),
  })
}
