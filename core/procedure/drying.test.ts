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

  // The guide of the house, from the tables' pressures and humidities (from memory): which form keeps in which room.
  it.each([
    ['Na2CO3·10H2O', 0.45, 'not', 'Na2CO3·H2O'],
    ['CuSO4·5H2O', 0.45, 'good', 'above 31 %'],
    ['CuSO4·5H2O', 0.2, 'not', 'CuSO4'],
    ['FeSO4·7H2O', 0.7, 'possible', 'oxidises'],
    ['ZnSO4·7H2O', 0.75, 'good', 'above'],
    ['ZnSO4·7H2O', 0.4, 'not', 'ZnSO4·6H2O'],
    ['K2CO3', 0.5, 'not', 'takes up water'],
    ['NaCl', 0.5, 'good', 'below 75 %'],
    ['NaCl', 0.85, 'not', 'a liquor'],
    ['KNO3', 0.5, 'good', 'below'],
  ])('%s in a room of %d: %s', (form, humidity, wanted, words) => {
    const air = dryingAdvice(f(form), [], { celsius: 22, humidity }).options.find(({ way }) => way === 'air, on paper')!
    expect(air.verdict).toBe(wanted)
    expect(air.reason).toContain(words)
  })

  it('`air` is told of a form, not of a salt', () => {
    const reason = (form: string) => verdict(form, 'air, on paper')
    expect(reason('Na2CO3').verdict).toBe('not')
    expect(reason('CoCl2').verdict).toBe('not')
    expect(reason('CoCl2·6H2O').verdict).not.toBe('not')
    expect(reason('NiCl2·6H2O').verdict).not.toBe('not')
  })

  it('drying agents are held against the pressure of the hydrate, and the form in which it ends is told', () => {
    // 7.8 and 2.6 torr at 25 °C lose water over calcium chloride, which leaves 0.36.
    for (const [form, ends] of [
      ['CuSO4·5H2O', 'CuSO4'],
      ['H2C2O4·2H2O', 'H2C2O4'],
    ] as const) {
      // prettier-ignore
      const told = verdict(form, 'desiccator, calcium chloride')
      expect(told.verdict, form).toBe('not')
      expect(told.reason).toContain(`{${ends}}`)
    }
    expect(verdict('BaCl2·2H2O', 'desiccator, calcium chloride').reason).toContain('not known')
  })

  it('what fumes or reacts is never good on paper', () => {
    for (const row of substances)
      if (row.air === 'fumes' || row.water === 'reacts')
        for (const option of dryingAdvice(f(row.formula)).options)
          if (option.way === 'air, on paper') expect(option.verdict, row.formula).not.toBe('good')
  })

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

  it('never tells how to dry what explodes, not even a little of it', () => {
    expect(dryingAdvice(f('AgN3'))).toMatchObject({ never: expect.stringContaining('explode'), options: [] })
    expect(dryingAdvice(f('KClO4')).never).toBeUndefined()
  })

  it('gives no advice on what it does not know', () => {
    expect(dryingAdvice(f('K2[Ni(C2O4)2]'))).toMatchObject({ known: false, options: [] })
  })
})
