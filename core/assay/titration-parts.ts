import { formsOf, molarMass, parseFormula, type Formula } from '#core/formula'
import type { Figure } from '#core/quantity'
import { unitsTitrated } from './carrier'
import { explainAssay, type AssayProblem } from './problems'
import { ofWhole, purityAs, type matched } from './titration'
import {
  refuse,
  type Asked,
  type AskedValues,
  type Choices,
  type Column,
  type FieldProblem,
  type Finding,
  type Method,
  type Outcome,
  type Worked,
} from './worksheet-kind'

export const at = (key: string, problem: AssayProblem): FieldProblem => ({ key, ...explainAssay(problem) })
export const refused = (key: string, problem: AssayProblem): Method => ({ problems: [at(key, problem)] })

export const sought: readonly Asked[] = [
  { key: 'species', label: 'Sought, as in the equation', what: 'formula', example: 'Na2CO3' },
  { key: 'form', label: 'Sample taken as', what: 'formula', example: 'Na2CO3·10H2O' },
]
export const sample: Column = { key: 'sample', label: 'Sample', kinds: ['mass', 'volume'], nonZero: true }
/** Of what was made up, how much was titrated. */
export const aliquotAsked: readonly Asked[] = [
  {
    key: 'madeUp',
    label: 'Made up to (optional)',
    what: 'quantity',
    kinds: ['volume'],
    optional: true,
    example: '250.0 mL',
  },
  {
    key: 'taken',
    label: 'of it titrated (optional)',
    what: 'quantity',
    kinds: ['volume'],
    optional: true,
    example: '25.00 mL',
  },
]

/** The aliquot, where both of its volumes are given and can be; a problem at its field else. */
export function aliquotOf({ madeUp, taken }: AskedValues['figures']): { aliquot?: Aliquot } | { refused: Method } {
  if (!madeUp && !taken) return {}
  if (!madeUp || !taken)
    return {
      refused: refuse(
        madeUp ? 'taken' : 'madeUp',
        'An aliquot has two volumes.',
        'Give what was made up, and what of it was titrated.',
      ),
    }
  if (!(madeUp.value > 0) || !(taken.value > 0))
    return {
      refused: refuse(madeUp.value > 0 ? 'taken' : 'madeUp', 'Nothing cannot be divided.', 'Give a volume above zero.'),
    }
  if (taken.value > madeUp.value) return { refused: refused('taken', { code: 'titrate.aliquot-over' }) }
  return { aliquot: { of: madeUp, taken } }
}
interface Aliquot {
  readonly of: Figure
  readonly taken: Figure
}

/** What a result of samples that were measured by volume means. */
export const byVolume = ({ whole }: Outcome): Finding[] =>
  whole.some(({ cells }) => cells.sample?.kind === 'volume')
    ? [
        {
          tone: whole.every(({ cells }) => cells.sample?.kind === 'volume') ? 'info' : 'caution',
          tag: 'By volume',
          text: whole.every(({ cells }) => cells.sample?.kind === 'volume')
            ? 'The samples were measured by volume: the result is grams in 100 mL (% w/v).'
            : 'Some samples were weighed, others measured by volume: their percents do not mean the same. Give all alike.',
        },
      ]
    : []

/** The purity as the form that the sample was taken as. */
export function purityOf(
  amount: ReturnType<typeof matched>,
  { species, sample, form, aliquot }: { species: Formula; sample: Figure; form: Formula; aliquot: Aliquot | undefined },
): Worked {
  if (!amount.ok) return { problem: at('volume', amount.problem) }
  const whole = ofWhole(amount.value, aliquot)
  if (!whole.ok) return { problem: at('volume', whole.problem) }
  const purity = purityAs(species, whole.value, sample, [form])
  return purity.ok ? { value: purity.value[0]!.purity } : { problem: at('form', purity.problem) }
}

/** The same amount as every known form of the substance: over 100 % cannot be, well under needs a reason. */
export function asEachForm(species: Formula, taken: Formula, { mean, uncertainty }: Outcome): Choices {
  const known = [...new Set([...formsOf(species), taken.text])].flatMap(text => {
    const form = parseFormula(text)
    return form.ok && unitsTitrated(species, form.value) !== undefined ? [form.value] : []
  })
  const unit = (form: Formula): number => molarMass(form) / (unitsTitrated(species, form) ?? NaN)
  return {
    title: 'Purity as each form',
    head: ['Form', 'purity, %', 'verdict'],
    rows: known
      .map(form => ({ form, percent: (mean * unit(form)) / unit(taken) }))
      .toSorted((a, b) => b.percent - a.percent)
      .map(({ form, percent }) => {
        const over = percent - 100 > Math.max(2 * uncertainty, 0.3)
        return {
          cells: [`{${form.text}}`, percent.toFixed(2), over ? 'cannot be: over 100 %' : ''],
          fits: !over && percent > 98,
        }
      }),
  }
}
