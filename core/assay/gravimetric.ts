import { molarMass, molarMassFigure, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { exact, product, type Figure } from '#core/quantity'
import { carrierFor } from './carrier'
import type { AssayProblem } from './problems'

/** Gravimetric factor: grams of analyte in a gram of what is weighed, n·M(analyte)/M(weighed), counted by `by` or by what carries it likeliest. Refuses what does not hold it. */
export function gravimetricFactor(analyte: Formula, weighed: Formula, by?: string): Checked<Figure, AssayProblem> {
  const carrier = carrierFor(analyte, weighed, by)
  if (!carrier)
    return fail({ code: 'gravimetric.not-held', analyte: analyte.text, weighed: weighed.text, ...(by && { by }) })
  const { units } = carrier
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
  const carrier = carrierFor(analyte, substance)
  return carrier && (carrier.units * molarMass(analyte)) / molarMass(substance)
}
