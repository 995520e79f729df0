import { formsOf, molarMass, parseFormula, relate, type Formula } from '#core/formula'
import type { Figure } from '#core/quantity'
import { explainAssay, type AssayProblem } from './problems'
import { amountOf, matched, purityAs, strengthFrom, usedUp } from './titration'
import {
  NOT_YET,
  PERCENT,
  type Asked,
  type Choices,
  type Column,
  type FieldProblem,
  type Method,
  type Outcome,
  type SheetKind,
  type Worked,
} from './worksheet-kind'

const at = (key: string, problem: AssayProblem): FieldProblem => ({ key, ...explainAssay(problem) })
const refused = (key: string, problem: AssayProblem): Method => ({ problems: [at(key, problem)] })

const sought: readonly Asked[] = [
  { key: 'species', label: 'Sought, as in the equation', what: 'formula', example: 'Na2CO3' },
  { key: 'form', label: 'Sample taken as', what: 'formula', example: 'Na2CO3·10H2O' },
]
const sample: Column = { key: 'sample', label: 'Sample', kinds: ['mass'] }

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
        label: 'Its strength',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.1000 mol/L',
      },
      ...sought,
    ],
    columns: [
      sample,
      { key: 'volume', label: 'Titrant used', kinds: ['volume'] },
      { key: 'blank', label: 'Blank', kinds: ['volume'], optional: true },
    ],
    result: 'Purity as this form',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { titrant, species, form }, figures: { concentration }, reactions: { equation } }) {
    if (!equation || !titrant || !concentration || !species || !form) return NOT_YET
    const probe = matched(equation, titrant, concentration, species)
    if (!probe.ok) return refused('equation', probe.problem)
    const fits = purityAs(species, concentration, concentration, [form])
    if (!fits.ok) return refused('form', fits.problem)
    return {
      problems: [],
      work({ sample, volume, blank }) {
        if (!sample || !volume || sample.value <= 0) return undefined
        const used = amountOf({ formula: titrant, concentration, volume, ...(blank && { blank }) })
        if (!used.ok) return { problem: at('blank', used.problem) }
        return purityOf(matched(equation, titrant, used.value, species), species, sample, form)
      },
      judge: outcome => ({ choices: [asEachForm(species, form, outcome)] }),
    }
  },
}

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
  method({
    formulas: { reagent, titrant, species, form },
    figures: { strength, concentration },
    reactions: { equation, back },
  }) {
    if (!equation || !back || !reagent || !titrant || !concentration || !species || !form) return NOT_YET
    const first = matched(equation, reagent, concentration, species)
    if (!first.ok) return refused('equation', first.problem)
    const second = matched(back, titrant, concentration, reagent)
    if (!second.ok) return refused('back', second.problem)
    const fits = purityAs(species, concentration, concentration, [form])
    if (!fits.ok) return refused('form', fits.problem)
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
        return purityOf(matched(equation, reagent, used.value, species), species, sample, form)
      },
      judge: outcome => ({ choices: [asEachForm(species, form, outcome)] }),
    }
  },
}

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
      { key: 'sample', label: 'Standard', kinds: ['mass'] },
      { key: 'volume', label: 'Solution used', kinds: ['volume'] },
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

/** The purity as the form that the sample was taken as. */
function purityOf(amount: ReturnType<typeof matched>, species: Formula, sample: Figure, form: Formula): Worked {
  if (!amount.ok) return { problem: at('volume', amount.problem) }
  const purity = purityAs(species, amount.value, sample, [form])
  return purity.ok ? { value: purity.value[0]!.purity } : { problem: at('form', purity.problem) }
}

/** The same amount as every known form of the substance: over 100 % cannot be, well under needs a reason. */
function asEachForm(species: Formula, taken: Formula, { mean, uncertainty }: Outcome): Choices {
  const known = [...new Set([...formsOf(species), taken.text])].flatMap(text => {
    const form = parseFormula(text)
    return form.ok && relate(form.value, species) ? [form.value] : []
  })
  const unit = (form: Formula): number => molarMass(form) / relate(form, species)!.units
  return {
    title: 'Purity as each form',
    head: ['Form', 'purity, %', ''],
    rows: known
      .map(form => ({ form, percent: (mean * unit(form)) / unit(taken) }))
      .toSorted((a, b) => b.percent - a.percent)
      .map(({ form, percent }) => {
        const over = percent - 100 > Math.max(2 * uncertainty, 0.3)
        return {
          cells: [`{${form.text}}`, percent.toFixed(2), over ? 'cannot be: over 100 %' : percent > 98 ? 'fits' : ''],
          fits: !over && percent > 98,
        }
      }),
  }
}
