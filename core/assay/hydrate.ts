import { molarMassFigure, parseFormula, withWaters, type Formula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { difference, product, type Figure } from '#core/quantity'
import type { AssayProblem } from './problems'

export interface Waters {
  /** Moles of water to a mole of salt. */
  readonly waters: Figure
  readonly nearest: number
  readonly formula: string
}

const water: Formula = (() => {
  const read = parseFormula('H2O')
  if (!read.ok) throw new Error('Water does not read.')
  return read.value
})()

/** Waters of crystallisation from the loss on heating: (m₁ − m₂)/M(H2O) over m₂/M(salt). Refuses a sample that gained mass. */
export function watersFromLoss(salt: Formula, hydrated: Figure, anhydrous: Figure): Checked<Waters, AssayProblem> {
  if (anhydrous.value > hydrated.value) return fail({ code: 'hydrate.gained' })
  const lost = difference('water lost', hydrated, anhydrous)
  const waters = product('waters', 'number', [lost, molarMassFigure(salt)], [molarMassFigure(water), anhydrous])
  const nearest = Math.round(waters.value * 2) / 2
  return ok({ waters, nearest, formula: withWaters(salt.text, nearest) })
}
