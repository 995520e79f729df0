import { describe, expect, it } from 'vitest'
import { standardUncertainty } from '#core/quantity'
import { computeWorksheet, newWorksheet, type Worksheet, type WorksheetKind } from '.'

const sheet = (kind: WorksheetKind, given: Record<string, string>, ...rows: Record<string, string>[]): Worksheet => ({
  ...newWorksheet('w', kind, given),
  rows,
})
const textOf = (worksheet: Worksheet, tag: string): string | undefined =>
  computeWorksheet(worksheet).findings.find(one => one.tag === tag)?.text

describe('two salts by one precipitate', () => {
  const given = { first: 'NaCl', second: 'BaCl2', weighedAs: 'AgCl' }
  const row = { sample: '0.2356 g', tare: '20.0000 g', gross: '20.4637 g' }
  it('finds 55.0 % of sodium chloride beside barium chloride: 0.2356 g give 0.4637 g of silver chloride (a textbook’s problem, from memory)', () => {
    /* 143.32 ÷ 58.44 = 2.4524 and 2 × 143.32 ÷ 208.23 = 1.3766 g of AgCl to the gram: (0.4637 − 0.2356 × 1.3766) ÷ 1.0758 = 0.1296 g of NaCl. */
    const { values, findings } = computeWorksheet(sheet('two salts', given, row))
    expect(values[0]).toBeCloseTo(55.0, 1)
    expect(findings[0]!.text).toMatch(/45\.0\d % ?, is \{BaCl2\}/)
    expect(
      computeWorksheet(sheet('two salts', { ...given, first: 'BaCl2', second: 'NaCl' }, row)).values[0],
    ).toBeCloseTo(45.0, 1)
  })
  it('knows its error: the closer the two salts, the more a weighing counts', () => {
    const spread = (second: string, gross: string) =>
      standardUncertainty(computeWorksheet(sheet('two salts', { ...given, second }, { ...row, gross })).mean!)
    // KCl gives 1.9224 g to the gram, half as far from NaCl as barium chloride is.
    expect(spread('KCl', '20.5100 g')).toBeGreaterThan(1.5 * spread('BaCl2', '20.4637 g'))
  })
  it('refuses what no mixture gives, and salts that it cannot tell apart', () => {
    expect(computeWorksheet(sheet('two salts', given, { ...row, gross: '20.7000 g' })).rows[0]!.problems[0]!.key).toBe(
      'gross',
    )
    expect(computeWorksheet(sheet('two salts', { ...given, second: 'NaCl' }, row)).problems[0]!.key).toBe('second')
    expect(computeWorksheet(sheet('two salts', { ...given, second: 'Na2SO4' }, row)).problems[0]!.key).toBe('second')
  })
})

describe('molar conductance', () => {
  /* Werner's series in water at 25 °C, about a thousandth molar (from memory): 431 for three chlorides outside, 261 for two, 97 for one. */
  const at = (salt: string, molar: number, conductance: number) =>
    sheet(
      'conductance',
      { salt },
      {
        sample: `${(molar / 1000).toFixed(4)} g`,
        madeUp: '1000.0 mL',
        conductivity: `${(conductance / 1000).toFixed(4)} mS/cm`,
      },
    )
  it.each([
    ['[Co(NH3)6]Cl3', 267.47, 431, 4],
    ['[Co(NH3)5Cl]Cl2', 250.44, 261, 3],
    ['[Co(NH3)4Cl2]Cl', 233.4, 97.5, 2],
  ])('tells the type of %s', (salt, molar, conductance, ions) => {
    const worksheet = at(salt, molar, conductance)
    expect(computeWorksheet(worksheet).values[0]! / conductance).toBeCloseTo(1, 2)
    expect(textOf(worksheet, 'Ions')).toContain(`${ions} ions to a formula`)
    expect(textOf(worksheet, 'Ions')).toContain('what its formula says')
  })
  it('contradicts a formula that puts too much inside its brackets, and says where it is too strong', () => {
    expect(textOf(at('[Co(NH3)6]Cl3', 267.47, 261), 'Ions')).toContain('as it is written would give 4')
    expect(textOf(at('[Co(NH3)6]Cl3', 267.47, 330), 'Ions')).toContain('lies between the types')
    const strong = sheet(
      'conductance',
      { salt: 'NaCl' },
      { sample: '0.5844 g', madeUp: '100.0 mL', conductivity: '10.7 mS/cm' },
    )
    expect(textOf(strong, 'Strong for it')).toContain('100 mmol/L')
  })
  it('takes off what the water conducts, in any unit', () => {
    const [row] = at('[Co(NH3)6]Cl3', 267.47, 435).rows
    const wet = sheet('conductance', { salt: '[Co(NH3)6]Cl3' }, { ...row, water: '4 µS/cm' })
    expect(computeWorksheet(wet).values[0]).toBeCloseTo(431, 0)
    expect(
      computeWorksheet(sheet('conductance', { salt: 'NaCl' }, { ...row, water: '0.1 S/m' })).rows[0]!.problems[0]!.key,
    ).toBe('water')
  })
})

describe('loss on drying', () => {
  it('is the loss over what was weighed in, to constant mass', () => {
    /* 1.2340 g lose 0.0432 g: 3.501 %. */
    const row = { tare: '20.0000 g', before: '21.2340 g', after: '21.1910 g', again: '21.1908 g' }
    expect(computeWorksheet(sheet('loss on drying', {}, row)).values[0]).toBeCloseTo(3.501, 3)
    expect(textOf(sheet('loss on drying', {}, row), 'Constant mass')).toContain('agrees')
    expect(textOf(sheet('loss on drying', {}, { ...row, again: '21.1800 g' }), 'Not constant')).toBeDefined()
    for (const [wrong, key] of [
      [{ before: '19.9 g' }, 'before'],
      [{ again: '21.3000 g' }, 'again'],
      [{ again: '19.0000 g' }, 'again'],
    ] as const)
      expect(computeWorksheet(sheet('loss on drying', {}, { ...row, ...wrong })).rows[0]!.problems[0]!.key).toBe(key)
  })
})
