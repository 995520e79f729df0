import { molarMassFigure, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, exact, given, product, type Figure } from '#core/quantity'
import { findCurve, saturationAt, type Curve } from './curve'
import type { SolubilityProblem } from './problems'

export interface Dissolving {
  /** Least water to add, g; what the form brings is counted. Never below zero. */
  readonly water: Figure
  /** g of anhydrous salt in 100 g of water. */
  readonly saturated: number
  readonly phase: Formula
  readonly source: string
  readonly grade: Curve['grade']
}

const GRADE_SPREAD = { A: 0.02, B: 0.05, C: 0.15 } as const

/**
 * The least water that holds a mass of a form at a temperature, from its solubility curve: m(anhydrous) × 100 / s, less the form's
 * own water. The table's grade is taken as its standard uncertainty (2, 5, 15 %). Refuses salts and temperatures off the table.
 */
export function dissolve(
  form: Formula,
  mass: Figure,
  celsius: number,
  own: readonly Curve[] = [],
): Checked<Dissolving, SolubilityProblem> {
  const found = findCurve(form, own)
  if (!found) return fail({ code: 'solubility.unknown', salt: form.text })
  const { curve, relation } = found
  const saturation = saturationAt(curve, celsius)
  if (!saturation.ok) return saturation

  const { grams, phase } = saturation.value
  const perHundred = given(grams / 100, 'number', `{${curve.salt.text}} in a gram of water`, {
    source: `solubility of ${curve.salt.text}`,
    uncertainty: (grams / 100) * GRADE_SPREAD[curve.grade],
    written: `${grams.toPrecision(3)} g / 100 g`,
  })
  const units = relation.units === 1 ? [] : [exact(relation.units, 'number', `{${curve.salt.text}} in {${form.text}}`)]
  const anhydrous = product(
    `{${curve.salt.text}} in it`,
    'mass',
    [mass, ...units, molarMassFigure(curve.salt)],
    [molarMassFigure(form)],
  )
  const needed = product('water that holds it', 'mass', [anhydrous], [perHundred])
  const net =
    relation.waters === 0
      ? needed
      : difference('water to add', needed, difference(`water in the {${form.text}}`, mass, anhydrous))
  return ok({
    water: net.value < 0 ? exact(0, 'mass', 'water to add') : net,
    saturated: grams,
    phase: phase.form,
    source: curve.source,
    grade: curve.grade,
  })
}
