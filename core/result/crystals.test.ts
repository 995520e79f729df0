import { describe, expect, it } from 'vitest'
import { parseFormula, withWaters, type Formula } from '#core/formula'
import { substances } from '#core/reference'
import { restOf } from '#core/solution'
import { computePlan, type Plan } from '#core/sheet'
import { dryingAdvice, stagePot } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const verdict = (form: string, way: string) => dryingAdvice(f(form)).options.find(one => one.way === way)!

describe('dryingAdvice', () => {
  // Common practice, and the tables' transition temperatures (from memory).
  it.each([
    ['NiSO4·7H2O', 'oven', 'not'],
    ['CuSO4·5H2O', 'air, on paper', 'good'],
    ['CuSO4·5H2O', 'desiccator, conc. sulfuric acid or P4O10', 'not'],
    ['CaCl2', 'air, on paper', 'not'],
    ['[Cu(NH3)4]SO4·H2O', 'desiccator, calcium chloride', 'not'],
    ['[Cu(NH3)4]SO4·H2O', 'desiccator, potassium hydroxide', 'good'],
    ['Na2CO3·10H2O', 'vacuum', 'not'],
    ['KNO3', 'oven', 'good'],
    ['NaHCO3', 'oven', 'not'],
  ])('%s: %s is %s', (form, way, wanted) => expect(verdict(form, way).verdict).toBe(wanted))

  it('never lets an oven come near what turns the form, for any form of the table', () => {
    let checked = 0
    for (const row of substances) {
      for (const [waters, , , until] of row.forms ?? []) {
        const oven = dryingAdvice(f(withWaters(row.formula, waters))).options.find(({ way }) => way === 'oven')!
        if (oven.most === undefined) continue
        expect(oven.most, `${row.formula} ${waters}`).toBeLessThanOrEqual(
          Math.min(until ?? Infinity, row.decomposes ?? Infinity) - 15,
        )
        checked++
      }
    }
    expect(checked).toBeGreaterThan(100)
  })

  it('gives no advice on what it does not know', () => {
    expect(dryingAdvice(f('K2[Ni(C2O4)2]'))).toMatchObject({ known: false, options: [] })
  })
})

describe('stagePot', () => {
  const plan: Plan = {
    stages: [
      {
        id: 's1',
        equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
        reagents: [
          { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
          { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
        ],
        product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
      },
    ],
  }
  it('holds the product, all the water, and what stays in the liquor', () => {
    /* 37.61 g with the acid and 1.08 g made: 38.69 g of water, 60.0 mmol CoCl2; the carbonate is filtered off. */
    const sheet = computePlan(plan)
    const made = sheet.ok ? stagePot(sheet.value.stages[0]!) : undefined
    expect(made!.pot.water).toBeCloseTo(38.69, 1)
    expect(made!.pot.totals.get('Co^2+')).toBeCloseTo(0.06, 9)
    expect(made!.leftOut).toEqual([])
    const rest = restOf({ ...made!.pot, celsius: 20 })
    expect(rest.ok && rest.value.solids).toEqual([])
  })
})
