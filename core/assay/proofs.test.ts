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
  it('is carried to infinite dilution: potassium chloride, 149.9 S cm²/mol', () => {
    /* Handbook values at 25 °C (from memory): 147.81, 146.95, 143.55 at 0.0005, 0.001, 0.005 mol/L; 149.86 at none. */
    const rows = [
      [0.0005, 147.81],
      [0.001, 146.95],
      [0.005, 143.55],
    ].map(([c, value]) => ({
      sample: `${(c! * 74.548).toFixed(5)} g`,
      madeUp: '1000.0 mL',
      conductivity: `${(c! * value!).toFixed(5)} mS/cm`,
    }))
    const text = textOf(sheet('conductance', { salt: 'KCl' }, ...rows), 'Infinite dilution')!
    expect(Math.abs(Number(/[\d.]+/.exec(text)![0]) - 149.86)).toBeLessThan(0.4)
    const wrong = rows.map((row, i) => ({ ...row, conductivity: `${[0.05, 0.12, 0.8][i]} mS/cm` }))
    expect(textOf(sheet('conductance', { salt: 'KCl' }, ...wrong), 'Infinite dilution')).toContain('rises')
    expect(textOf(sheet('conductance', { salt: 'KCl' }, ...rows.slice(0, 2)), 'Infinite dilution')).toBeUndefined()
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
    // On a balance whose own spread is 1 mg a change of 2 mg is none; in two minutes it proves nothing; a gain is told as one.
    const noisy = { noise: '1.0 mg' }
    expect(textOf(sheet('loss on drying', {}, { ...row, again: '21.1890 g' }), 'Not constant')).toContain(
      'still lost 2.0',
    )
    expect(textOf(sheet('loss on drying', noisy, { ...row, again: '21.1890 g' }), 'Constant mass')).toContain('agrees')
    expect(textOf(sheet('loss on drying', {}, { ...row, driedOn: '72 s' }), 'Not constant')).toContain('1.2 min only')
    expect(textOf(sheet('loss on drying', {}, { ...row, driedOn: '30 min' }), 'Constant mass')).not.toContain(
      'say how long',
    )
    expect(textOf(sheet('loss on drying', {}, { ...row, again: '21.1990 g' }), 'Not constant')).toContain('gained 8.0')
    for (const [wrong, key] of [
      [{ before: '19.9 g' }, 'before'],
      [{ again: '21.3000 g' }, 'again'],
      [{ again: '19.0000 g' }, 'again'],
    ] as const)
      expect(computeWorksheet(sheet('loss on drying', {}, { ...row, ...wrong })).rows[0]!.problems[0]!.key).toBe(key)
  })
})

describe('charge by ion exchange', () => {
  const given = { salt: '[Co(NH3)5Cl]Cl2', concentration: '0.1000 mol/L' }
  it('counts what exchanges: two charges of a chloropentaammine, from an aliquot', () => {
    /* 0.2504 g of 250.44 is 1.000 mmol: 20.00 mL of 0.1000 mol/L base. */
    const row = { sample: '0.2504 g', volume: '20.00 mL' }
    expect(computeWorksheet(sheet('ion exchange', given, row)).values[0]).toBeCloseTo(100.0, 1)
    expect(textOf(sheet('ion exchange', given, row), 'Charges')).toMatch(/^2\.000\d ± .* as it is written gives 2/)
    const part = { ...given, madeUp: '100.0 mL', taken: '25.00 mL' }
    expect(computeWorksheet(sheet('ion exchange', part, { ...row, volume: '5.00 mL' })).values[0]).toBeCloseTo(100.0, 1)
  })
  it('contradicts a formula whose chloride is written outside', () => {
    /* Written as [Co(NH3)5(H2O)]Cl3, 268.46, and found with two charges for three. */
    const salt = { ...given, salt: '[Co(NH3)5(H2O)]Cl3' }
    expect(textOf(sheet('ion exchange', salt, { sample: '0.2685 g', volume: '20.00 mL' }), 'Charges')).toMatch(
      /^1\.999\d .*: 2, where .* gives 3\. An ion stands inside/,
    )
  })
  it('counts the potassium of a complex anion, and refuses what has no ions', () => {
    const ferrioxalate = { ...given, salt: 'K3[Fe(C2O4)3]·3H2O' }
    expect(
      computeWorksheet(sheet('ion exchange', ferrioxalate, { sample: '0.4912 g', volume: '30.00 mL' })).values[0],
    ).toBeCloseTo(100.0, 1)
    expect(computeWorksheet(sheet('ion exchange', { ...given, salt: 'C6H12O6' }, {})).problems[0]!.key).toBe('salt')
    const blank = { sample: '0.25 g', volume: '2.00 mL', blank: '3.00 mL' }
    expect(computeWorksheet(sheet('ion exchange', given, blank)).rows[0]!.problems[0]!.key).toBe('blank')
  })
})

describe('melting or decomposition point', () => {
  it('puts the thread right, and says whether it agrees', () => {
    /* 228.0 read with 120 degrees of thread out at 35 °C: 0.00016 × 120 × 193 = 3.7, so 231.7 °C. */
    const given = { known: '230 °C', thread: '120', threadAt: '35 °C' }
    const rows = [
      { begins: '228.0 °C', ends: '229.5 °C' },
      { begins: '228.5 °C', ends: '229.0 °C' },
    ]
    expect(computeWorksheet(sheet('decomposition', given, rows[0]!)).values[0]).toBeCloseTo(231.7, 1)
    expect(textOf(sheet('decomposition', given, ...rows), 'Against the known point')).toContain('agrees')
    // Two replicates agree to half a degree; the one thermometer of both is good to one, ± 2 at 95 %.
    expect(computeWorksheet(sheet('decomposition', given, ...rows)).budget!.expanded).toBeCloseTo(2.0, 1)
    expect(textOf(sheet('decomposition', { known: '240 °C' }, ...rows), 'Against the known point')).toContain('below')
    expect(textOf(sheet('decomposition', {}, { begins: '200 °C', ends: '209 °C' }), 'Not sharp')).toContain(
      '9.0 degrees',
    )
    expect(
      computeWorksheet(sheet('decomposition', {}, { begins: '200 °C', ends: '190 °C' })).rows[0]!.problems[0]!.key,
    ).toBe('ends')
  })
})
