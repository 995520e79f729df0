import { describe, expect, it } from 'vitest'
import { standardUncertainty, workingOf } from '#core/quantity'
import { computeWorksheet, newWorksheet, type Worksheet } from '.'

const given = {
  temperature: '20.0 °C',
  tubeOff: '12.3456 g',
  tubeOn: '12.3441 g',
  filledOff: '13.1204 g',
  filledOn: '13.1561 g',
}
const sheet = (salt: string, row: Record<string, string>, more: Record<string, string> = {}): Worksheet => ({
  ...newWorksheet('w', 'magnetic', { ...given, salt, ...more }),
  rows: [row],
})
/** The weighings that a moment makes in this tube: the pull goes as χ·m, against the standard's. */
function weighings(perGram: number, mass = 0.65): Record<string, string> {
  const pull = (0.0372 * perGram * mass) / (16.44e-6 * 0.7748)
  return { off: `${(12.3456 + mass).toFixed(4)} g`, on: `${(12.3456 + mass + pull - 0.0015).toFixed(4)} g` }
}
const textOf = (worksheet: Worksheet, tag: string): string | undefined =>
  computeWorksheet(worksheet).findings.find(one => one.tag === tag)?.text

describe('magnetic moment', () => {
  it('gives the standard its own moment: 4.4 µB for mercury tetrathiocyanatocobaltate (from memory)', () => {
    /* χ 16.44e-6 × 491.85 = 8086e-6, less −(40 + 12 + 4 × 31) = 8262e-6: √(7.997 × 8.262e-3 × 293.15) = 4.40. */
    const standard = sheet('Hg[Co(NCS)4]', { off: given.filledOff, on: given.filledOn })
    const { values, mean } = computeWorksheet(standard)
    expect(values[0]).toBeCloseTo(4.4, 2)
    expect(textOf(standard, 'Closed shells')).toContain('−176 × 10⁻⁶')
    expect(textOf(standard, 'Unpaired electrons')).toContain('Co(II), d7: 3 unpaired')
    expect(textOf(standard, 'Unpaired electrons')).toContain('orbital motion')
    expect(workingOf(mean!).at(-1)!.relation).toMatch(/^√/)
    // The standard's 0.5 % and a pull of 37 mg read to 0.1 mg: about half a percent of the moment.
    expect(standardUncertainty(mean!) / 4.4).toBeGreaterThan(0.002)
    expect(standardUncertainty(mean!) / 4.4).toBeLessThan(0.01)
  })
  it('finds tris(ethylenediamine)nickel thiosulfate near 3.1 by its own 11.04e-6 (from memory)', () => {
    expect(computeWorksheet(sheet('[Ni(en)3]S2O3', weighings(11.04e-6))).values[0]).toBeCloseTo(3.09, 1)
  })
  it('reads five unpaired of ferrioxalate, and one of ferricyanide', () => {
    /* 5.90 µB: χ′ 5.90² ÷ (7.997 × 293.15) = 14.85e-3, with −(3 × 14.9 + 10 + 3 × 34 + 3 × 13) = −195.7e-6: 29.83e-6 cm³/g of 491.24. */
    const high = sheet('K3[Fe(C2O4)3]·3H2O', weighings(29.83e-6))
    expect(computeWorksheet(high).values[0]).toBeCloseTo(5.9, 2)
    expect(textOf(high, 'Unpaired electrons')).toContain('5 unpaired (high spin)')
    expect(computeWorksheet(high).choices[0]!.rows.map(({ fits }) => fits)).toEqual([false, false, true])
    /* 2.25 µB: χ′ 2159e-6, less −(44.7 + 10 + 78) = −132.7e-6: 2026e-6 ÷ 329.25 = 6.15e-6. */
    const low = sheet('K3[Fe(CN)6]', weighings(6.15e-6))
    expect(computeWorksheet(low).values[0]).toBeCloseTo(2.25, 1)
    expect(textOf(low, 'Unpaired electrons')).toContain('1 unpaired (low spin)')
  })
  it('counts each metal of a salt that holds two', () => {
    // Fe2(SO4)3: twice the iron, so a moment of each that is √2 lower than of the formula.
    const one = computeWorksheet(sheet('FeCl3', weighings(60e-6, 0.2))).values[0]!
    expect(one).toBeGreaterThan(4)
    const molar = (perGram: number) => perGram * 399.87 + 2 * 10e-6 + 3 * 40.1e-6
    expect(computeWorksheet(sheet('Fe2(SO4)3', weighings(60e-6, 0.2))).values[0]).toBeCloseTo(
      Math.sqrt((7.9968 * molar(60e-6) * 293.15) / 2),
      1,
    )
  })
  it('takes a correction that is typed, and half the molar mass where a ligand is in no table', () => {
    const own = sheet('Hg[Co(NCS)4]', { off: given.filledOff, on: given.filledOn }, { diamagnetic: '−177' })
    expect(computeWorksheet(own).values[0]).toBeCloseTo(4.4, 2)
    expect(textOf(own, 'Closed shells')).toBeUndefined()
    expect(textOf(sheet('Ni(dmg)2', weighings(10e-6)), 'Closed shells')).toContain('half the molar mass')
    expect(computeWorksheet(sheet('CuSO4', {}, { diamagnetic: 'some' })).problems[0]!.key).toBe('diamagnetic')
  })
  it.each([
    ['a closed shell', sheet('ZnSO4·7H2O', weighings(1e-6)), 'salt'],
    ['two open shells', sheet('[Ni(NH3)6][Cr(C2O4)3]', weighings(1e-6)), 'salt'],
    ['a standard that is not pulled in', sheet('CuSO4', {}, { filledOn: '13.1100 g' }), 'filledOn'],
    ['an empty tube', sheet('CuSO4', {}, { filledOff: '12.0000 g' }), 'filledOff'],
  ])('says why there is no moment: %s', (_, worksheet, key) => {
    expect(computeWorksheet(worksheet).problems[0]?.key).toBe(key)
  })
  it('says so of a compound that the field pushes out, and of an empty row', () => {
    const out = sheet('CuSO4', { off: '12.9956 g', on: '12.9900 g' })
    expect(computeWorksheet(out).rows[0]!.problems[0]!.why).toContain('diamagnetic')
    expect(computeWorksheet(sheet('CuSO4', { off: '12.1 g', on: '12.2 g' })).rows[0]!.problems[0]!.key).toBe('off')
    expect(computeWorksheet(sheet('CuSO4', {})).values).toEqual([])
  })
})
