import { amountOf, matched, purityAs } from './titration'
import { aliquotAsked, aliquotOf, asEachForm, at, byVolume, purityOf, refused, sample, sought } from './titration-parts'
import { NOT_YET, PERCENT, type SheetKind } from './worksheet-kind'

/** A weighed sample titrated with a solution of known strength: acid and base, redox, precipitation or EDTA, as the equation says. */
export const titrationSheet: SheetKind = {
  shape: {
    name: 'Titration',
    about:
      'A weighed sample, titrated directly with a solution of known strength: acid and base, redox, precipitation or EDTA, as the equation says.',
    asked: [
      { key: 'equation', label: 'Equation', what: 'equation', example: 'Na2CO3 + HCl -> NaCl + H2O + CO2' },
      { key: 'titrant', label: 'Titrant', what: 'formula', example: 'HCl' },
      {
        key: 'concentration',
        label: 'Strength of the titrant',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.1000 mol/L',
      },
      ...sought,
      ...aliquotAsked,
    ],
    columns: [
      sample,
      { key: 'volume', label: 'Titrant used', kinds: ['volume'], nonZero: true },
      { key: 'blank', label: 'Blank', kinds: ['volume'], optional: true },
    ],
    result: 'Purity as this form',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { titrant, species, form }, figures, reactions: { equation } }) {
    const { concentration } = figures
    if (!equation || !titrant || !concentration || !species || !form) return NOT_YET
    const probe = matched(equation, titrant, concentration, species)
    if (!probe.ok) return refused('equation', probe.problem)
    const fits = purityAs(species, concentration, concentration, [form])
    if (!fits.ok) return refused('form', fits.problem)
    const divided = aliquotOf(figures)
    if ('refused' in divided) return divided.refused
    const { aliquot } = divided
    return {
      problems: [],
      work({ sample, volume, blank }) {
        if (!sample || !volume || sample.value <= 0) return undefined
        const used = amountOf({ formula: titrant, concentration, volume, ...(blank && { blank }) })
        if (!used.ok) return { problem: at('blank', used.problem) }
        return purityOf(matched(equation, titrant, used.value, species), { species, sample, form, aliquot })
      },
      judge: outcome => ({ findings: byVolume(outcome), choices: [asEachForm(species, form, outcome)] }),
    }
  },
}
