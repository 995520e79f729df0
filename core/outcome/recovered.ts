import { molarMassFigure, parseFormula } from '#core/formula'
import { weighingOf, type JournalLine } from '#core/journal'
import { difference, product, sum, type Figure } from '#core/quantity'
import type { StageSheet } from '#core/sheet'

/** A reagent that was weighed again at the end, against what the sheet leaves of it. */
export interface Recovered {
  readonly species: string
  readonly limits: boolean
  /** Weighed, and what should be there with the inert rest of a technical solid, g. */
  readonly found: Figure
  readonly should: Figure
  /** The reagent itself that came back, the inert rest taken off, mol. */
  readonly amount: Figure
}

/** What was recovered of each reagent of a stage and weighed. */
export function recoveredOf(sheet: StageSheet, lines: readonly JournalLine[]): Recovered[] {
  return sheet.reagents.flatMap((line): Recovered[] => {
    const { species, leftover, residue, limits, planned } = line
    const found = weighingOf(lines, { what: 'recovered', stage: sheet.id, species }).net
    const formula = parseFormula(species)
    if (!planned || !found || !formula.ok) return []
    const pure = residue && residue.value > 0 ? difference(`{${species}} in it`, found, residue) : found
    return [
      {
        species,
        limits,
        found,
        should: residue
          ? sum(`{${species}} that should be left`, [
              [1, leftover.mass],
              [1, residue],
            ])
          : leftover.mass,
        amount: product(`amount of {${species}} recovered`, 'amount', [pure], [molarMassFigure(formula.value)]),
      },
    ]
  })
}
