import { describe, expect, it } from 'vitest'
import { computeWorksheet, newWorksheet, type Worksheet, type WorksheetKind } from '.'

const sheet = (kind: WorksheetKind, given: Record<string, string>, ...rows: Record<string, string>[]): Worksheet => ({
  ...newWorksheet('w', kind, given),
  rows,
})
const textOf = (worksheet: Worksheet, tag: string): string | undefined =>
  computeWorksheet(worksheet).findings.find(one => one.tag === tag)?.text

describe('two end points', () => {
  const bicarbonate = {
    concentration: '0.1000 mol/L',
    first: 'Na2CO3',
    firstTakes: '1, 2',
    second: 'NaHCO3',
    secondTakes: '0, 1',
  }
  it('finds carbonate beside hydrogencarbonate by phenolphthalein and bromocresol green (a textbook’s problem, from memory)', () => {
    /* 50.0 mL take 22.1 mL to the first and 48.4 mL to the second: 2.21 mmol of Na2CO3 and 48.4 − 44.2 = 4.2 mL, 0.42 mmol of NaHCO3. */
    const worksheet = sheet('two readings', bicarbonate, { sample: '50.00 mL', v1: '22.10 mL', v2: '48.40 mL' })
    expect(computeWorksheet(worksheet).values[0]).toBeCloseTo((100 * 2.21e-3 * 105.988) / 50, 4)
    expect(textOf(worksheet, 'The other component')).toMatch(/\{NaHCO3\}: 0\.070\d+ ± 0\.00\d+/)
    expect(textOf(worksheet, 'By volume')).toContain('% w/v')
  })
  it('finds hydroxide beside carbonate, and refuses it where hydrogencarbonate stands', () => {
    /* 0.5000 g: 35.00 mL, then 45.00 mL in all. Carbonate 10.00 mL, hydroxide 25.00 mL: 2.5e-3 × 39.997 ÷ 0.5 = 20.0 %, 1e-3 × 105.988 ÷ 0.5 = 21.2 %. */
    const given = { ...bicarbonate, first: 'NaOH', firstTakes: '1, 1', second: 'Na2CO3', secondTakes: '1, 2' }
    const caustic = sheet('two readings', given, { sample: '0.5000 g', v1: '35.00 mL', v2: '45.00 mL' })
    expect(computeWorksheet(caustic).values[0]).toBeCloseTo(20.0, 1)
    expect(textOf(caustic, 'The other component')).toContain('{Na2CO3}: 21.198')
    const other = sheet('two readings', given, { sample: '0.5000 g', v1: '22.10 mL', v2: '48.40 mL' })
    expect(computeWorksheet(other).rows[0]!.problems[0]!.why).toContain('less than none of NaOH')
  })
  it('tells a masked metal by difference, from an aliquot', () => {
    /* Zinc and magnesium by EDTA: 30.00 mL for both, 12.00 mL of it magnesium once zinc is masked. A tenth of 1.0000 g each time. */
    const given = {
      concentration: '0.01000 mol/L',
      first: 'Zn',
      firstTakes: '1, 0',
      second: 'Mg',
      secondTakes: '1, 1',
      madeUp: '250.0 mL',
      taken: '25.00 mL',
    }
    const masked = sheet('two readings', given, { sample: '1.0000 g', v1: '30.00 mL', v2: '12.00 mL' })
    expect(computeWorksheet(masked).values[0]).toBeCloseTo((100 * 0.18e-3 * 10 * 65.38) / 1, 3)
    expect(textOf(masked, 'The other component')).toContain('{Mg}: 2.9')
  })
  it('tells the other with what all rows share, and knows what cannot be told apart', () => {
    const rows = ['22.10', '22.15', '22.05'].map(v => ({ sample: '50.00 mL', v1: `${v} mL`, v2: '48.40 mL' }))
    const wide = sheet('two readings', { ...bicarbonate, concentration: '0.1000 ± 0.0020 mol/L' }, ...rows)
    // Two in a hundred of the titrant alone are ± 0.0028 of 0.0706.
    expect(textOf(wide, 'The other component')).toMatch(/± 0\.0[01]\d/)
    const alike = { ...bicarbonate, secondTakes: '2, 4' }
    expect(computeWorksheet(sheet('two readings', alike, rows[0]!)).problems[0]!.why).toContain('alike')
    for (const [field, text] of [
      ['firstTakes', 'one'],
      ['secondTakes', '1'],
      ['secondTakes', '1, 2, 3'],
      ['firstTakes', '1, 99'],
    ] as const)
      expect(
        computeWorksheet(sheet('two readings', { ...bicarbonate, [field]: text }, rows[0]!)).problems[0]!.key,
      ).toBe(field)
  })
})

describe('two colours', () => {
  const given = {
    first: 'MnO4^-',
    second: 'Cr2O7^2-',
    path: '1.000',
    first1: '2350',
    first2: '95',
    second1: '11',
    second2: '369',
  }
  it('tells permanganate beside dichromate at 545 and 440 nm (absorptivities of a textbook’s problem, from memory)', () => {
    /* 0.712 = 2350 x + 11 y, 0.405 = 95 x + 369 y: x = (0.712 × 369 − 0.405 × 11) ÷ (2350 × 369 − 95 × 11) = 2.982e-4, y = 1.021e-3. */
    const worksheet = sheet('two colours', given, { a1: '0.712', a2: '0.405' })
    expect(computeWorksheet(worksheet).values[0]).toBeCloseTo(2.982e-4, 7)
    expect(textOf(worksheet, 'The other component')).toContain('{Cr2O7^2-}: 0.0010208 ±')
    const diluted = sheet('two colours', given, { a1: '0.712', a2: '0.405', dilution: '10' })
    expect(computeWorksheet(diluted).values[0]).toBeCloseTo(2.982e-3, 6)
  })
  it('refuses colours that are alike, and says where less than none comes out', () => {
    const alike = { ...given, second1: '2300', second2: '95' }
    expect(computeWorksheet(sheet('two colours', alike, { a1: '0.7', a2: '0.4' })).problems[0]!.key).toBe('second2')
    expect(textOf(sheet('two colours', given, { a1: '0.010', a2: '0.700' }), 'Below none')).toContain('MnO4^-')
    expect(textOf(sheet('two colours', given, { a1: '0.900', a2: '0.020' }), 'Below none')).toContain('Cr2O7^2-')
  })
})
