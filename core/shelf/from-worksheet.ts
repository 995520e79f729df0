import { computeWorksheet, type Worksheet } from '#core/assay'
import { parseFormula, sameStuff } from '#core/formula'
import { standardUncertainty, statedWords } from '#core/quantity'

/** The strength that a worksheet found of a solution, as it is written down for a bottle. */
export interface StrengthFound {
  readonly id: string
  readonly name: string
  /** `0.1003 ± 0.0002 mol/L`, with its standard uncertainty. */
  readonly text: string
}

/** What standardisations say of a solution of this substance; those of another, and those that are not done, say nothing. */
export function strengthsFound(formula: string, sheets: readonly Worksheet[]): StrengthFound[] {
  const solute = parseFormula(formula)
  if (!solute.ok) return []
  return sheets.flatMap(sheet => {
    const titrant = sheet.kind === 'standardisation' ? parseFormula(sheet.given.titrant ?? '') : undefined
    if (!titrant?.ok || !sameStuff(titrant.value, solute.value)) return []
    const { mean, budget } = computeWorksheet(sheet)
    if (!mean) return []
    // The budget tells 95 %, two standard uncertainties.
    const uncertainty = budget ? budget.expanded / 2 : standardUncertainty(mean)
    return [{ id: sheet.id, name: sheet.name, text: statedWords(mean.value, uncertainty, 'mol/L') }]
  })
}
