import { describe, expect, it } from 'vitest'
import { standardUncertainty } from '#core/quantity'
import {
  columnsOf,
  computeWorksheet,
  newWorksheet,
  worksheetKinds,
  worksheetShapes,
  type Worksheet,
  type WorksheetKind,
} from '.'

const sheet = (kind: WorksheetKind, given: Record<string, string>, ...rows: Record<string, string>[]): Worksheet => ({
  ...newWorksheet('w', kind, given),
  rows,
})
const first = (worksheet: Worksheet): number => computeWorksheet(worksheet).values[0]!

describe('gravimetric, further', () => {
  const row = { sample: '0.2561 g', tare: '24.1311 g', gross: '24.3182 g' }
  const nickel = { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' }
  it('takes the blank off: (0.1871 − 0.0003) g × 0.20315 ÷ 0.2561 g = 14.82 %', () => {
    expect(first(sheet('gravimetric', { ...nickel, blank: '0.3 mg' }, row))).toBeCloseTo(14.82, 2)
    expect(computeWorksheet(sheet('gravimetric', { ...nickel, blank: '1 g' }, row)).rows[0]!.problems[0]!.key).toBe(
      'gross',
    )
  })
  it('takes the second weighing, and says whether it was constant', () => {
    const steady = computeWorksheet(sheet('gravimetric', nickel, { ...row, again: '24.3180 g' }))
    expect(steady.values[0]).toBeCloseTo(14.826, 2)
    expect(steady.findings).toMatchObject([{ tone: 'info', tag: 'Constant mass' }])
    const falling = computeWorksheet(sheet('gravimetric', nickel, { ...row, again: '24.3120 g' }))
    expect(falling.findings[0]).toMatchObject({ tone: 'caution', tag: 'Not constant' })
    const second = computeWorksheet(sheet('gravimetric', nickel, {}, { ...row, again: '24.3120 g' }))
    expect(second.findings[0]!.text).toMatch(/^Replicate 2 still lost/)
  })
  it('tells what the wash may have taken, and does not add it', () => {
    /* BaSO4, 1.05e-5 mol/L × 0.200 L × 233.4 g/mol = 0.49 mg. */
    const given = { analyte: 'SO4', weighedAs: 'BaSO4', liquor: '200 mL' }
    const found = computeWorksheet(
      sheet('gravimetric', given, { sample: '0.5000 g', tare: '20.0000 g', gross: '20.4058 g' }),
    )
    expect(found.values[0]).toBeCloseTo(33.4, 1)
    expect(found.findings.find(({ tag }) => tag === 'Solubility loss')!.text).toMatch(/0\.(4[5-9]|5\d).mg/)
    const unknown = computeWorksheet(sheet('gravimetric', { ...nickel, liquor: '100 mL' }, row))
    expect(unknown.findings.at(-1)!.text).toContain('is not known')
  })
  it('finds the same candidates for an anion in any notation', () => {
    const rows = (analyte: string) =>
      computeWorksheet(
        sheet(
          'gravimetric',
          { analyte, weighedAs: 'BaSO4', unknown: 'an unknown salt of this anion' },
          { sample: '0.5000 g', tare: '20.0000 g', gross: '20.4058 g' },
        ),
      ).choices[0]!.rows.map(({ cells, fits }) => [cells[0], fits])
    const plain = rows('SO4')
    expect(plain.length).toBeGreaterThan(4)
    for (const text of ['SO4^2-', 'SO4 2-', 'O4S']) expect(rows(text)).toEqual(plain)
  })
  it('names the salts of an anion that fit', () => {
    /* 0.5000 g of ZnSO4·7H2O hold 33.41 % sulfate: 0.4058 g of BaSO4. */
    const given = { analyte: 'SO4', weighedAs: 'BaSO4', unknown: 'an unknown salt of this anion' }
    const { choices } = computeWorksheet(
      sheet('gravimetric', given, { sample: '0.5000 g', tare: '20.0000 g', gross: '20.4058 g' }),
    )
    const fits = choices[0]!.rows.filter(row => row.fits).map(({ cells }) => cells[0])
    expect(fits).toContain('{ZnSO4·7H2O}')
    expect(fits).not.toContain('{CuSO4·5H2O}')
    expect(choices[0]!.rows.some(row => !row.fits)).toBe(true)
  })
})

describe('water by heating, further', () => {
  const heat = (after: string, more = {}) =>
    computeWorksheet(sheet('hydrate', { salt: 'CuSO4' }, { tare: '10.0000 g', before: '11.0000 g', after, ...more }))
  it('tells a mixture of two hydrates by the lever', () => {
    /* Half of the units with five waters and half with three: 4 waters. 249.68 of 249.68 + 213.65: 53.9 % of the mass. 1 g loses 72.06 ÷ 231.67 = 0.3110 g. */
    const { findings, values } = heat('10.6890 g')
    expect(values[0]).toBeCloseTo(4.0, 2)
    expect(findings[0]!.text).toContain('54 % of its mass is {CuSO4·5H2O}')
  })
  it('says when it was wet, and when it is not yet constant', () => {
    expect(heat('10.5500 g').findings[0]!.text).toContain('more than the highest hydrate known')
    expect(heat('10.6400 g', { again: '10.6390 g' }).findings.some(({ tag }) => tag === 'Not constant')).toBe(true)
  })
  it('tells what a first stage left', () => {
    /* 1.0000 g of pentahydrate: 0.8557 g as trihydrate after two waters, 0.6392 g at the end. */
    const stage = (text: string) =>
      heat('10.6392 g', { stage: text }).findings.find(({ tag }) => tag === 'First stage')!
    expect(stage('10.8557 g').text).toContain('3.00 waters were left after it, {CuSO4·3H2O}')
    expect(stage('10.9000 g').text).toContain('was not through')
    expect(stage('10.6000 g').tone).toBe('caution')
  })
  it('sets the loss against each form', () => {
    const row = heat('10.6392 g').choices[0]!.rows.find(({ cells }) => cells[0] === '{CuSO4·5H2O}')
    expect(row).toMatchObject({ fits: true })
    expect(row!.cells[1]).toBe('36.08')
  })
})

describe('what is asked', () => {
  it('says which characters of an equation do not read, and what would mend them', () => {
    const { problems } = computeWorksheet(sheet('titration', { equation: 'Na2C03 + HCl -> NaCl + H2O + CO2' }))
    expect(problems[0]).toMatchObject({ key: 'equation' })
    expect(problems[0]!.span).toBeDefined()
    expect(`${problems[0]!.why} ${problems[0]!.fix}`).toMatch(/0|zero/)
  })
})

describe('titrations', () => {
  it('finds zinc with EDTA: 0.2876 g of heptahydrate, 1.000 mmol, 50.00 mL of 0.02000 mol/L', () => {
    const given = {
      equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
      titrant: 'Na2C10H14N2O8',
      concentration: '0.02000 mol/L',
      species: 'ZnSO4',
      form: 'ZnSO4·7H2O',
    }
    const { values, choices } = computeWorksheet(sheet('titration', given, { sample: '0.2876 g', volume: '50.00 mL' }))
    expect(values[0]).toBeCloseTo(99.99, 1)
    expect(choices[0]!.rows.filter(({ fits }) => fits).map(({ cells }) => cells[0])).toEqual(['{ZnSO4·7H2O}'])
  })
  it('names the form that purity rules out', () => {
    // As hexahydrate the same titre is 93.7 %; a sample taken as monohydrate that titrates 160 % cannot be that.
    const given = {
      equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
      titrant: 'HCl',
      concentration: '0.1000 mol/L',
      species: 'Na2CO3',
      form: 'Na2CO3',
    }
    const { choices } = computeWorksheet(sheet('titration', given, { sample: '0.1060 g', volume: '20.00 mL' }))
    expect(choices[0]!.rows[0]!.cells[2]).toContain('cannot be')
    expect(choices[0]!.rows.at(-1)).toMatchObject({ fits: true })
  })
  it('finds permanganate’s oxalate: 5 to 2', () => {
    /* 0.1340 g Na2C2O4 (134.00 g/mol) = 1.000 mmol; × 2/5 = 0.4000 mmol in 20.00 mL: 0.02000 mol/L. */
    const given = {
      equation: 'Na2C2O4 + KMnO4 + H2SO4 -> MnSO4 + K2SO4 + Na2SO4 + CO2 + H2O',
      standard: 'Na2C2O4',
      titrant: 'KMnO4',
    }
    expect(first(sheet('standardisation', given, { sample: '0.1340 g', volume: '20.00 mL' }))).toBeCloseTo(0.02, 5)
  })
  it('titrates chalk back', () => {
    /* 50.00 mL × 0.1500 = 7.500 mmol of acid, 26.00 mL × 0.1000 = 2.600 left: 4.900 used, 2.450 mmol of CaCO3, 0.24521 g of 0.2500: 98.08 %. */
    const given = {
      equation: 'CaCO3 + HCl -> CaCl2 + H2O + CO2',
      back: 'HCl + NaOH -> NaCl + H2O',
      reagent: 'HCl',
      strength: '0.1500 mol/L',
      titrant: 'NaOH',
      concentration: '0.1000 mol/L',
      species: 'CaCO3',
      form: 'CaCO3',
    }
    const row = { sample: '0.2500 g', added: '50.00 mL', volume: '26.00 mL' }
    expect(first(sheet('back titration', given, row))).toBeCloseTo(98.08, 2)
    // The same acid measured by the alkali, 74.00 mL: 7.400 mmol, 4.800 used, 96.08 %.
    expect(first(sheet('back titration', given, { ...row, blank: '74.00 mL' }))).toBeCloseTo(96.08, 2)
    const tooMuch = computeWorksheet(sheet('back titration', given, { ...row, volume: '80.00 mL' }))
    expect(tooMuch.rows[0]!.problems[0]).toMatchObject({ key: 'volume' })
  })
  it('standardises alkali as Eurachem/CITAC CG 4, example A2, does (from memory): 0.10214 mol/L, u 0.00010 with the method’s 0.05 % added', () => {
    const given = {
      equation: 'KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O',
      standard: 'KHC8H4O4',
      purity: '100.000 ± 0.029 %',
      titrant: 'NaOH',
    }
    const { rows, values } = computeWorksheet(
      sheet('standardisation', given, { sample: '0.3888 ± 0.00013 g', volume: '18.64 ± 0.013 mL' }),
    )
    expect(values[0]).toBeCloseTo(0.10214, 5)
    const u = Math.hypot(standardUncertainty(rows[0]!.figure!), 0.0005 * values[0]!)
    expect(u).toBeCloseTo(0.0001, 5)
  })
  it('refuses a blank as large as the volume', () => {
    const given = { equation: 'KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O', standard: 'KHC8H4O4', titrant: 'NaOH' }
    const row = { sample: '0.4 g', volume: '10.00 mL', blank: '10.00 mL' }
    expect(computeWorksheet(sheet('standardisation', given, row)).rows[0]!.problems[0]!.key).toBe('blank')
  })
})

describe('composition', () => {
  it('finds magnesium oxide, with its nitride corrected', () => {
    /* 0.3000 g Mg = 12.343 mmol, 0.1974 g O = 12.338 mmol: 1.000. The 7.4 mg gained stand for 7.4 × 14.007 ÷ 9.9915 = 10.4 mg of nitrogen. */
    const row = { tare: '20.0000 g', metal: '0.3000 g', gross: '20.4900 g', again: '20.4974 g' }
    const { values, findings, choices } = computeWorksheet(sheet('composition', { metal: 'Mg', other: 'O' }, row))
    expect(values[0]).toBeCloseTo(1.0, 2)
    expect(findings[0]!.text).toMatch(/^\{Mg\} 60\.3\d+ ± /)
    expect(findings.at(-1)!.text).toMatch(/0\.010.g of nitrogen/)
    expect(choices[0]!.rows.filter(({ fits }) => fits).map(({ cells }) => cells[0])).toEqual(['{MgO}'])
    const alone = computeWorksheet(sheet('composition', { metal: 'Mg', other: 'O' }, { ...row, again: '' }))
    expect(alone.findings.at(-1)!.text).toContain('was not wetted')
  })
  it('finds zinc chloride by what dissolved: 0.88 g of zinc took up 1.00 g of chlorine (common practice, no source)', () => {
    const row = { tare: '31.00 g', metal: '2.00 g', left: '1.12 g', gross: '32.88 g' }
    const { values, choices } = computeWorksheet(sheet('composition', { metal: 'Zn', other: 'Cl' }, row))
    expect(values[0]).toBeCloseTo(2.1, 1)
    expect(choices[0]!.rows.find(({ cells }) => cells[0] === '{ZnCl}')).toBeUndefined()
    expect(choices[0]!.rows.some(({ cells }) => cells[0] === '{ZnCl2}')).toBe(true)
  })
  it.each([
    [{ metal: 'NaCl', other: 'O' }, {}, 'metal'],
    [{ metal: 'Mg', other: 'Mg' }, {}, 'other'],
  ])('refuses %j', (given, row, key) => {
    expect(computeWorksheet(sheet('composition', given, row)).problems[0]!.key).toBe(key)
  })
  it.each([
    [{ tare: '20 g', metal: '0.3 g', gross: '20.1 g' }, 'gross'],
    [{ tare: '20 g', metal: '0.3 g', left: '0.4 g', gross: '20.5 g' }, 'left'],
  ])('refuses the row %j', (row, key) => {
    expect(computeWorksheet(sheet('composition', { metal: 'Mg', other: 'O' }, row)).rows[0]!.problems[0]!.key).toBe(key)
  })
})

describe('mixture by its precipitate', () => {
  const given = {
    equation: 'BaCl2 + Na2SO4 -> BaSO4 + NaCl',
    precipitate: 'BaSO4',
    first: 'BaCl2·2H2O',
    second: 'Na2SO4',
    clouds: 'the one',
  }
  const row = { sample: '1.0000 g', tare: '0.8000 g', gross: '1.3733 g' }
  it('finds 60 % of barium chloride dihydrate', () => {
    /* 0.5733 g ÷ 233.38 = 2.4565 mmol, × 244.26 = 0.6000 g. The rest, 0.400 g, is 2.816 mmol of sulfate: 1.15 times. */
    const { values, findings } = computeWorksheet(sheet('mixture', given, row))
    expect(values[0]).toBeCloseTo(60.0, 1)
    expect(findings[0]!.text).toContain('1.15 times')
    expect(findings[0]!.tone).toBe('info')
  })
  it('finds the spot test in contradiction with the masses', () => {
    // If the sulfate limited, 2.4565 mmol of it would be 0.349 g; 0.651 g of the barium salt are 2.6655 mmol: 1.085 times, possible.
    expect(computeWorksheet(sheet('mixture', { ...given, clouds: 'the other' }, row)).findings[0]!.text).toContain(
      '1.09 times',
    )
    const heavy = computeWorksheet(sheet('mixture', given, { ...row, gross: '1.5500 g' }))
    expect(heavy.findings[0]).toMatchObject({ tone: 'caution', tag: 'Contradiction' })
    expect(computeWorksheet(sheet('mixture', { ...given, clouds: 'neither' }, row)).findings[0]!.tone).toBe('caution')
  })
  it('refuses more precipitate than the mixture can give, and a salt that is not in the equation', () => {
    expect(computeWorksheet(sheet('mixture', given, { ...row, gross: '2.8000 g' })).rows[0]!.problems[0]!.key).toBe(
      'gross',
    )
    expect(computeWorksheet(sheet('mixture', { ...given, first: 'KCl' }, row)).problems[0]!.key).toBe('first')
    expect(computeWorksheet(sheet('mixture', { ...given, precipitate: 'AgCl' }, row)).problems[0]!.key).toBe(
      'precipitate',
    )
  })
})

describe('absorbance', () => {
  const given = { wavelengths: '810, 635', path: '1.00' }
  const standard = (c: string, a1: string, a2: string) => ({ concentration: c, a1, a2 })
  const standards = [
    standard('0.0000 mol/L', '0.001', '-0.001'),
    standard('0.0100 mol/L', '0.121', '0.032'),
    standard('0.0200 mol/L', '0.239', '0.065'),
    standard('0.0300 mol/L', '0.362', '0.096'),
    standard('0.0400 mol/L', '0.480', '0.129'),
  ]
  it('reads samples off the line of each wavelength', () => {
    /* A = 12.0 c at 810 nm: 0.300 is 0.0250 mol/L; diluted ten times, 0.250. */
    const { calibrated, findings } = computeWorksheet(
      sheet('absorbance', given, ...standards, { label: 'NI-014', dilution: '10', a1: '0.300', a2: '0.0805' }),
    )
    expect(calibrated!.calibrations.map(({ wavelength }) => wavelength)).toEqual(['810', '635'])
    expect(calibrated!.readings[0]).toMatchObject({ name: 'NI-014', repeats: 1, outside: false })
    expect(calibrated!.readings[0]!.concentration).toBeCloseTo(0.25, 2)
    expect(findings[0]!.text).toContain('Molar absorptivity')
  })
  it('says when a sample lies off the standards, when two wavelengths differ, and when a standard is off', () => {
    const { findings, choices } = computeWorksheet(
      sheet('absorbance', given, ...standards, { label: 'dark', a1: '0.900', a2: '0.129' }),
    )
    expect(choices[0]!.rows[0]!.cells[2]).toContain('off the standards')
    expect(findings.some(({ tag }) => tag === 'Wavelengths differ')).toBe(true)
    const slipped = standards.map((row, i) => (i === 2 ? { ...row, a1: '0.329' } : row))
    expect(computeWorksheet(sheet('absorbance', given, ...slipped)).calibrated!.calibrations[0]!.doubtful).toEqual([2])
  })
  it('waits for three standards, and refuses two units at once', () => {
    expect(computeWorksheet(sheet('absorbance', given, ...standards.slice(0, 2))).calibrated!.calibrations).toEqual([])
    const mixed = computeWorksheet(
      sheet('absorbance', given, ...standards, { concentration: '1 g/L', a1: '0.1', a2: '0.1' }),
    )
    expect(mixed.findings[0]!.tag).toBe('Two units')
  })
  it('reads repeats apart that were diluted differently, and refuses a dilution of nothing', () => {
    /* 0.300 is 0.0250 mol/L: ten times 0.250. 0.120 is 0.0100: twenty-five times the same. */
    const row = (dilution: string, a1: string, a2: string) => ({ label: 'L', dilution, a1, a2 })
    const { calibrated } = computeWorksheet(
      sheet('absorbance', given, ...standards, row('10', '0.300', '0.0805'), row('25', '0.120', '0.0325')),
    )
    const [ten, more] = calibrated!.readings
    expect([ten!.name, more!.name]).toEqual(['L, diluted 10 times', 'L, diluted 25 times'])
    expect(ten!.concentration).toBeCloseTo(0.25, 2)
    expect(more!.concentration).toBeCloseTo(0.25, 2)
    const none = computeWorksheet(sheet('absorbance', given, ...standards, row('0', '0.3', '0.08')))
    expect(none.rows.at(-1)!.problems[0]!.key).toBe('dilution')
  })
  it('has a column for each wavelength', () => {
    expect(
      columnsOf(sheet('absorbance', given))
        .map(({ label }) => label)
        .slice(-2),
    ).toEqual(['A at 810 nm', 'A at 635 nm'])
    expect(columnsOf(sheet('absorbance', {})).at(-1)!.label).toBe('Absorbance')
  })
})

describe('washes', () => {
  const washes = (what: string, ...readings: string[]) =>
    computeWorksheet(sheet('washes', { what }, ...readings.map(reading => ({ portion: '5 mL', reading })))).washes!
  it('asks for more until the conductivity no longer changes', () => {
    /* 820, 310, 125, 58: changes −510, −185, −67, each 0.36 of the last; within 41 after one more (−24). */
    expect(washes('conductivity', '820', '310', '125', '58')).toMatchObject({ isSteady: false, more: 1 })
    expect(washes('conductivity', '820', '310', '125', '58', '34')).toMatchObject({ isSteady: true, more: 0 })
  })
  it('wants pH steady to 0.2 and neutral to litmus', () => {
    expect(washes('pH', '1.8', '2.6', '3.9').isSteady).toBe(false)
    expect(washes('pH', '3.9', '4.0').findings.some(({ tag }) => tag === 'Not neutral')).toBe(true)
    expect(washes('pH', '5.4', '5.5').findings.map(({ tag }) => tag)).toEqual(['Washed', 'So far'])
  })
  it('judges nothing by readings in two units, or by a limit of the wrong kind', () => {
    expect(washes('acid or base (titrant used)', '3.2 mL', '1.1').findings[0]!.tag).toBe('Two units')
    const within = (what: string, limit: string) =>
      computeWorksheet(sheet('washes', { what, within: limit }, { reading: '5.4' }, { reading: '5.5' })).washes!
    expect(within('pH', '5 %').findings[0]!.tag).toBe('What is no change')
    expect(within('conductivity', '5').findings[0]!.tag).toBe('What is no change')
    expect(within('pH', '0.05')).toMatchObject({ isSteady: false })
  })
  it('does not guess where the readings jump', () => {
    expect(washes('conductivity', '300', '200', '260').more).toBeUndefined()
  })
})

it('has a shape with its own keys for every kind', () => {
  for (const kind of worksheetKinds) {
    const { asked, columns, rows } = worksheetShapes[kind]
    const keys = [...asked, ...columns].map(({ key }) => key)
    expect(new Set(asked.map(({ key }) => key)).size).toBe(asked.length)
    expect(keys.every(key => /^\w+$/.test(key))).toBe(true)
    // A relation of one's own brings its columns itself.
    expect(rows === 'file' || kind === 'own' ? columns.length === 0 : columns.length > 0).toBe(true)
    expect(computeWorksheet(newWorksheet('x', kind)).problems).toEqual([])
  }
})
