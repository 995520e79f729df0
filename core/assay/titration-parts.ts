import { formsOf, molarMass, parseFormula, relate, type Formula } from '#core/formula'
import type { Figure } from '#core/quantity'
import { explainAssay, type AssayProblem } from './problems'
import { purityAs, type matched } from './titration'
import type { Asked, Choices, Column, FieldProblem, Method, Outcome, Worked } from './worksheet-kind'

export const at = (key: string, problem: AssayProblem): FieldProblem => ({ key, ...explainAssay(problem) })
export const refused = (key: string, problem: AssayProblem): Method => ({ problems: [at(key, problem)] })

export const sought: readonly Asked[] = [
  { key: 'species', label: 'Sought, as in the equation', what: 'formula', example: 'Na2CO3' },
  { key: 'form', label: 'Sample taken as', what: 'formula', example: 'Na2CO3·10H2O' },
]
export const sample: Column = { key: 'sample', label: 'Sample', kinds: ['mass'] }

/** The purity as the form that the sample was taken as. */
export function purityOf(amount: ReturnType<typeof matched>, species: Formula, sample: Figure, form: Formula): Worked {
  if (!amount.ok) return { problem: at('volume', amount.problem) }
  const purity = purityAs(species, amount.value, sample, [form])
  return purity.ok ? { value: purity.value[0]!.purity } : { problem: at('form', purity.problem) }
}

/** The same amount as every known form of the substance: over 100 % cannot be, well under needs a reason. */
export function asEachForm(species: Formula, taken: Formula, { mean, uncertainty }: Outcome): Choices {
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
          cells: [`{${form.text}}`, percent.toFixed(2), over ? 'cannot be: over 100 %' : ''],
          fits: !over && percent > 98,
        }
      }),
  }
}
