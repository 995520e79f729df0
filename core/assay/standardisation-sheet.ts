import { strengthFrom } from './titration'
import { at } from './titration-parts'
import { NOT_YET, type SheetKind } from './worksheet-kind'

/** The strength of a solution from a weighed standard. */
export const standardisationSheet: SheetKind = {
  shape: {
    name: 'Standardisation',
    about: 'The strength of a solution, from a weighed standard of known purity.',
    asked: [
      { key: 'equation', label: 'Equation', what: 'equation', example: 'KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O' },
      { key: 'standard', label: 'Standard', what: 'formula', example: 'KHC8H4O4' },
      {
        key: 'purity',
        label: 'Its purity (optional)',
        what: 'quantity',
        kinds: ['mass fraction'],
        optional: true,
        example: '99.95 ± 0.03 %',
      },
      { key: 'titrant', label: 'Solution', what: 'formula', example: 'NaOH' },
    ],
    columns: [
      { key: 'sample', label: 'Standard', kinds: ['mass'], nonZero: true },
      { key: 'volume', label: 'Solution used', kinds: ['volume'], nonZero: true },
      { key: 'blank', label: 'Blank', kinds: ['volume'], optional: true },
    ],
    result: 'Strength of the solution',
    unit: { scale: 1, text: 'mol/L' },
    rows: 'replicates',
  },
  method({ formulas: { standard, titrant }, figures: { purity }, reactions: { equation } }) {
    if (!equation || !standard || !titrant) return NOT_YET
    return {
      problems: [],
      work({ sample, volume, blank }) {
        if (!sample || !volume) return undefined
        const strength = strengthFrom(equation, { standard, mass: sample, purity }, { titrant, volume, blank })
        return strength.ok ? { value: strength.value } : { problem: at('blank', strength.problem) }
      },
    }
  },
}
