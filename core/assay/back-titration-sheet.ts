import type { Figure } from '#core/quantity'
import { amountOf, matched, purityAs, usedUp } from './titration'
import { aliquotAsked, aliquotOf, asEachForm, at, byVolume, purityOf, refused, sample, sought } from './titration-parts'
import { NOT_YET, PERCENT, type SheetKind } from './worksheet-kind'

/** A known excess of a reagent goes to the sample; what is left of it is titrated. */
export const backTitrationSheet: SheetKind = {
  shape: {
    name: 'Back titration',
    about: 'A known excess of one reagent goes to the sample; what is left of it is titrated with another.',
    asked: [
      {
        key: 'equation',
        label: 'Sample with the reagent',
        what: 'equation',
        example: 'CaCO3 + HCl -> CaCl2 + H2O + CO2',
      },
      { key: 'back', label: 'Reagent with the titrant', what: 'equation', example: 'HCl + NaOH -> NaCl + H2O' },
      { key: 'reagent', label: 'Reagent in excess', what: 'formula', example: 'HCl' },
      {
        key: 'strength',
        label: 'Strength of the reagent',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.5000 mol/L',
      },
      { key: 'titrant', label: 'Titrant', what: 'formula', example: 'NaOH' },
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
      { key: 'added', label: 'Reagent added', kinds: ['volume'] },
      { key: 'volume', label: 'Titrant used', kinds: ['volume'] },
      { key: 'blank', label: 'Titrant, no sample', kinds: ['volume'], optional: true },
    ],
    result: 'Purity as this form',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { reagent, titrant, species, form }, figures, reactions: { equation, back } }) {
    const { strength, concentration } = figures
    if (!equation || !back || !reagent || !titrant || !concentration || !species || !form) return NOT_YET
    const first = matched(equation, reagent, concentration, species)
    if (!first.ok) return refused('equation', first.problem)
    const second = matched(back, titrant, concentration, reagent)
    if (!second.ok) return refused('back', second.problem)
    const fits = purityAs(species, concentration, concentration, [form])
    if (!fits.ok) return refused('form', fits.problem)
    const divided = aliquotOf(figures)
    if ('refused' in divided) return divided.refused
    const { aliquot } = divided
    const asReagent = (volume: Figure) => {
      const used = amountOf({ formula: titrant, concentration, volume })
      return used.ok ? matched(back, titrant, used.value, reagent) : used
    }
    return {
      problems: [],
      work({ sample, added, volume, blank }) {
        if (!sample || !volume || sample.value <= 0) return undefined
        // A blank with the same reagent measures it by the titrant, so that the label of the reagent no longer counts.
        const whole = blank
          ? asReagent(blank)
          : added && strength && amountOf({ formula: reagent, concentration: strength, volume: added })
        if (!whole) return undefined
        if (!whole.ok) return { problem: at('added', whole.problem) }
        const left = asReagent(volume)
        if (!left.ok) return { problem: at('volume', left.problem) }
        const used = usedUp(whole.value, left.value, reagent)
        if (!used.ok) return { problem: at('volume', used.problem) }
        return purityOf(matched(equation, reagent, used.value, species), { species, sample, form, aliquot })
      },
      judge: outcome => ({ findings: byVolume(outcome), choices: [asEachForm(species, form, outcome)] }),
    }
  },
}
