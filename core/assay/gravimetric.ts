import { commonFactor, molarMass, molarMassFigure, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, product, type Figure } from '#core/quantity'
import type { AssayProblem } from './problems'

/** How many of the analyte's formula one weighed formula holds; undefined where it holds none. */
export function unitsIn(analyte: Formula, weighed: Formula): number | undefined {
  const whole = commonFactor(weighed, analyte)
  if (whole !== undefined) return whole
  const marks = [...analyte.composition.keys()].filter(symbol => symbol !== 'O' && symbol !== 'H')
  const keys = marks.length > 0 ? marks : [...analyte.composition.keys()]
  let units: number | undefined
  for (const symbol of keys) {
    const held = weighed.composition.get(symbol)
    if (held === undefined) return undefined
    const count = held / analyte.composition.get(symbol)!
    if (units !== undefined && Math.abs(units - count) > 1e-9) units = Math.min(units, count)
    else units = count
  }
  return units
}

/** Gravimetric factor: grams of analyte in a gram of what is weighed, n·M(analyte)/M(weighed). Refuses what does not hold it. */
export function gravimetricFactor(analyte: Formula, weighed: Formula): Checked<Figure, AssayProblem> {
  const units = unitsIn(analyte, weighed)
  if (units === undefined || !(units > 0))
    return fail({ code: 'gravimetric.not-held', analyte: analyte.text, weighed: weighed.text })
  const count = units === 1 ? [] : [exact(units, 'number', `{${analyte.text}} in {${weighed.text}}`)]
  return ok(
    product('gravimetric factor', 'mass fraction', [...count, molarMassFigure(analyte)], [molarMassFigure(weighed)]),
  )
}

/** Share of analyte in a sample, from the mass of its precipitate. */
export const analyteShare = (factor: Figure, precipitate: Figure, sample: Figure): Figure =>
  product('analyte in the sample', 'mass fraction', [precipitate, factor], [sample])

/** Share of the analyte that a pure substance holds by its formula, a fraction of one; undefined where it holds none. */
export function shareHeld(analyte: Formula, substance: Formula): number | undefined {
  const units = unitsIn(analyte, substance)
  return units ? (units * molarMass(analyte)) / molarMass(substance) : undefined
}
