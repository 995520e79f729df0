import { describe, expect, it } from 'vitest'
import { parseFormula, withWaters, type Formula } from '#core/formula'
import { substances } from '#core/reference'
import { dryingAdvice } from '.'

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
