import { describe, expect, it } from 'vitest'
import { molarMass, parseFormula, type Formula } from '#core/formula'
import {
  firstOrderHolds,
  given,
  monteCarlo,
  parseQuantity,
  product,
  seeded,
  standardUncertainty,
  workingOf,
  type Kind,
} from '#core/quantity'
import {
  bendOf,
  computeWorksheet,
  empiricalFormula,
  newWorksheet,
  startFor,
  type Worksheet,
  type WorksheetKind,
} from '.'

const sheet = (kind: WorksheetKind, given: Record<string, string>, ...rows: Record<string, string>[]): Worksheet => ({
  ...newWorksheet('w', kind, given),
  rows,
})
const q = (text: string, kind: Kind) => {
  const read = parseQuantity(text, { kinds: [kind], name: text, source: text, zero: true })
  if (!read.ok) throw new Error(text)
  return read.value
}
const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const textOf = (worksheet: Worksheet, tag: string): string | undefined =>
  computeWorksheet(worksheet).findings.find(one => one.tag.startsWith(tag))?.text

describe('an empirical formula', () => {
  const of = (...masses: [string, string][]) =>
    empiricalFormula(masses.map(([symbol, text]) => [symbol, q(text, 'mass')] as const))
  it('is refused where no small one fits, with the nearest and how far it is', () => {
    /* 10.00 ÷ 63.546 = 0.15737 and 2.71 ÷ 32.06 = 0.08453 mol: 1.862 Cu to one S; Cu2S is 6.9 % off, and 9 to 5 is no formula that a class could tell from it. */
    const found = of(['Cu', '10.00 g'], ['S', '2.71 g'])
    expect(found).toMatchObject({ ok: false, problem: { code: 'empirical.no-fit', nearest: 'Cu2S' } })
    expect(!found.ok && found.problem.code === 'empirical.no-fit' && found.problem.percentOff).toBeCloseTo(6.9, 1)
  })
  it('stands for what a class weighs, and for halves and thirds', () => {
    for (const [masses, formula] of [
      [
        [
          ['Zn', '0.88 g'],
          ['Cl', '1.00 g'],
        ],
        'ZnCl2',
      ],
      [
        [
          ['Fe', '7.23 g'],
          ['O', '2.76 g'],
        ],
        'Fe3O4',
      ],
      [
        [
          ['Al', '1.08 g'],
          ['O', '0.96 g'],
        ],
        'Al2O3',
      ],
      [
        [
          ['P', '0.620 g'],
          ['O', '0.800 g'],
        ],
        'P2O5',
      ],
    ] as [[string, string][], string][]) {
      const found = of(...masses)
      expect(found.ok && found.value.formula).toBe(formula)
    }
  })
})

describe('a spectrum in transmittance', () => {
  const dips = [617, 1105, 3400]
  const points = Array.from({ length: 1800 }, (_, i) => {
    const x = 400 + 2 * i
    return [x, 92 - dips.reduce((sum, at) => sum + 60 * Math.exp(-(((x - at) / 40) ** 2)), 0)] as const
  })
  const curve = { x: 'cm-1', y: '%T', points }
  it('has its bands at its minima, by its shape or by what is chosen', () => {
    const bands = (given: Record<string, string>) =>
      computeWorksheet({ ...newWorksheet('w', 'spectrum', given), curve })
        .curve!.bands.map(({ x }) => x)
        .toSorted((a, b) => a - b)
    for (const [i, at] of bands({}).entries()) expect(Math.abs(at - dips[i]!)).toBeLessThanOrEqual(2)
    expect(bands({})).toHaveLength(3)
    expect(bands({ bands: 'its minima (transmittance)' })).toEqual(bands({}))
    expect(bands({ bands: 'its maxima (absorbance)' })).not.toEqual(bands({}))
  })
})

describe('absorbance', () => {
  it('gives one standard its molar absorptivity: 0.0500 g in 100 mL, A 0.612, 601 L/(mol cm)', () => {
    /* 0.0500 g ÷ 491.24 g/mol ÷ 0.1 L = 1.0178 mmol/L; 0.612 ÷ 1.0178e-3 = 601.3. */
    const one = sheet(
      'absorbance',
      { wavelengths: '420', path: '1.00', salt: 'K3[Fe(C2O4)3]·3H2O' },
      { weighed: '0.0500 g', madeUp: '100.0 mL', a1: '0.612' },
    )
    expect(computeWorksheet(one).headline).toMatch(/^molar absorptivity 601\.28 ± 0\.96/)
    expect(textOf(one, 'No line yet')).toContain('One standard is there')
    expect(textOf({ ...one, given: { wavelengths: '420' } }, 'No line yet')).toContain('wants the path and the salt')
  })
  const line = [1, 2, 3, 4, 5, 6].map(c => ({
    concentration: `${c} mmol/L`,
    a1: (0.1 * c + (c % 2 ? 0.001 : -0.001)).toFixed(3),
  }))
  it('carries the uncertainty of a dilution, and takes a whole number as a count', () => {
    const read = (dilution: string) =>
      computeWorksheet(sheet('absorbance', { wavelengths: '420' }, ...line, { label: 'x', a1: '0.350', dilution }))
        .calibrated!.readings[0]!
    expect(read('10').concentration).toBeCloseTo(0.035, 4)
    expect(read('10').uncertainty / read('10').concentration).toBeLessThan(0.02)
    // Two in ten are a fifth of the result.
    expect(read('10 ± 2').uncertainty / read('10 ± 2').concentration).toBeCloseTo(0.2, 2)
  })
  it('says when the standards bend from their line, and not when only their last digit does', () => {
    const bent = [1, 2, 3, 4, 5, 6].map(x => ({ x, y: 0.1 * x - 0.004 * x * x }))
    expect(bendOf(bent, 0.001)!.t).toBeLessThan(-30)
    const rounded = [1, 2, 3, 4, 5, 6].map(x => ({ x, y: Math.round(98.7 * x) / 1000 }))
    expect(bendOf(rounded, 0.001)!.bends).toBe(false)
    expect(bendOf(bent.slice(0, 4))).toBeUndefined()
  })
})

describe('rows that hold nothing', () => {
  it('are problems at their field, and no replicates', () => {
    const none = computeWorksheet(
      sheet(
        'standardisation',
        { equation: 'KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O', standard: 'KHC8H4O4', titrant: 'NaOH' },
        { sample: '0.0000 g', volume: '18.64 mL' },
        { sample: '0.3888 g', volume: '0 mL' },
        { sample: '0.3888 g', volume: '18.64 mL' },
      ),
    )
    expect(none.values).toHaveLength(1)
    expect(none.rows.map(({ problems }) => problems.map(({ key }) => key))).toEqual([['sample'], ['volume'], []])
  })
})

describe('composition', () => {
  it('states the percents, and takes the readings of a crucible as they come', () => {
    const crucible = sheet(
      'composition',
      { metal: 'Mg', other: 'O' },
      { tare: '20.000 g', withMetal: '20.306 g', gross: '20.503 g' },
    )
    /* 0.306 g of magnesium, 0.197 g of oxygen: 60.83 and 39.17 %. */
    expect(textOf(crucible, 'Percent')).toMatch(/^\{Mg\} 60\.8\d* ± .*, \{O\} 39\.1/)
    const swapped = computeWorksheet(
      sheet('composition', { metal: 'Mg', other: 'O' }, { tare: '20.306 g', withMetal: '20.000 g', gross: '20.503 g' }),
    )
    expect(swapped.rows[0]!.problems[0]!.key).toBe('withMetal')
  })
  it('says what would explain a ratio that is none: zinc chloride with 0.046 g of water', () => {
    const zinc = sheet(
      'composition',
      { metal: 'Zn', other: 'Cl' },
      { tare: '20.00 g', metal: '0.88 g', gross: '21.88 g' },
    )
    expect(textOf(zinc, 'What would explain it')).toContain('{ZnCl2} with 0.046')
    const short = sheet(
      'composition',
      { metal: 'Mg', other: 'O' },
      { tare: '20.000 g', metal: '0.300 g', gross: '20.440 g' },
    )
    expect(textOf(short, 'What would explain it')).toContain('is missing')
  })
})

describe('what is printed', () => {
  it('adds up: a difference keeps the decimals of what was written', () => {
    const worksheet = sheet('hydrate', { salt: 'CuSO4' }, { tare: '10 g', before: '11.4 g', after: '10.9 g' })
    const lines = workingOf(computeWorksheet(worksheet).rows[0]!.figure!)
    for (const { relation, result } of lines.filter(({ relation }) => / − /.test(relation) && !/[×÷]/.test(relation))) {
      const [whole, part] = relation.split(' − ').map(text => parseFloat(text.replace('−', '-')))
      const unit = / mg|\u202fmg/.test(result) ? 1000 : 1
      expect(Math.abs((whole! - part!) * unit - parseFloat(result)), relation).toBeLessThan(1e-9)
    }
  })
  it.each([
    ['2.5 mg/L', 'mass per volume', 2.5e-6],
    ['2.5 µg/mL', 'mass per volume', 2.5e-6],
    ['40 ppm', 'mass fraction', 4e-5],
    ['12 µmol/L', 'concentration', 1.2e-5],
    ['25.0 cm3', 'volume', 25],
    ['0.250 dm³', 'volume', 250],
    ['0.1000 mol dm-3', 'concentration', 0.1],
    ['0.1000 mol dm⁻³', 'concentration', 0.1],
  ] as const)('%s is read', (text, kind, value) => {
    expect(q(text, kind).value).toBeCloseTo(value, 12)
  })
  it('fills a worksheet of a batch in with what the batch knows', () => {
    const of = (kind: WorksheetKind, text: string) => startFor(kind, { product: f(text), reagents: [] })
    expect(of('hydrate', 'CuSO4·5H2O')).toEqual({ salt: 'CuSO4' })
    expect(of('titration', '(NH4)2Fe(SO4)2·6H2O')).toMatchObject({
      form: '(NH4)2Fe(SO4)2·6H2O',
      species: 'Fe^2+',
      titrant: 'MnO4^-',
    })
    expect(of('titration', 'K3[Fe(C2O4)3]·3H2O').species).toBe('C2O4^2-')
    expect(of('gravimetric', 'KAl(SO4)2·12H2O')).toEqual({ analyte: 'SO4', weighedAs: 'BaSO4' })
    expect(of('gravimetric', '[Co(NH3)6]Cl3')).toEqual({ analyte: 'Cl', weighedAs: 'AgCl' })
    expect(startFor('hydrate', { reagents: [] })).toEqual({})
    const burnt = { product: f('MgO'), reagents: ['Mg', 'O2'].map(species => ({ species, form: species })) }
    expect(startFor('composition', burnt)).toEqual({ metal: 'Mg', other: 'O' })
    expect(startFor('composition', { product: f('CuSO4'), reagents: burnt.reagents })).toEqual({})
    const thrown = {
      equation: 'BaCl2 + Na2SO4 -> BaSO4 + 2 NaCl',
      reagents: [
        { species: 'BaCl2', form: 'BaCl2·2H2O' },
        { species: 'Na2SO4', form: 'Na2SO4' },
      ],
      precipitate: 'BaSO4',
    }
    expect(startFor('mixture', { ...thrown, clouds: 'Na2SO4' })).toEqual({
      equation: thrown.equation,
      precipitate: 'BaSO4',
      first: 'BaCl2·2H2O',
      second: 'Na2SO4',
      clouds: 'the other',
    })
    expect(startFor('mixture', thrown).clouds).toBeUndefined()
    expect(startFor('mixture', { ...thrown, clouds: 'neither' }).clouds).toBe('neither')
  })
  it('fills in titrations that work out, each of the usual ones', () => {
    for (const [form, volume] of [
      ['(NH4)2Fe(SO4)2·6H2O', 0.02 * 5],
      ['CaC2O4·H2O', 0.02 * 2.5],
      ['Na2CO3', 0.02 / 2],
      ['NaCl', 0.02],
      ['[Ni(NH3)6]Br2', 0.02 / 2],
      ['ZnSO4·7H2O', 0.02],
      ['MgSO4·7H2O', 0.02],
      ['CuSO4·5H2O', 0.02],
    ] as const) {
      const given = startFor('titration', { product: f(form), reagents: [] })
      const mass = (volume * 20 * molarMass(f(form))) / 1000
      const { values, problems } = computeWorksheet(
        sheet(
          'titration',
          { ...given, concentration: '0.02000 mol/L' },
          { sample: `${mass.toFixed(5)} g`, volume: '20.00 mL' },
        ),
      )
      expect(problems, form).toEqual([])
      expect(values[0], form).toBeCloseTo(100, 1)
    }
  })
})

describe('the first order', () => {
  it('holds for bells, and not for an even spread, whose deviation is the same', () => {
    const bell = given(10, 'mass', 'm', { source: 'm', uncertainty: 0.1 })
    const even = given(10, 'mass', 'n', { source: 'n', uncertainty: 0.1, shape: 'even' })
    for (const [figure, holds] of [
      [bell, true],
      [even, false],
    ] as const) {
      const double = product('double', 'mass', [figure, given(2, 'number', 'two', { source: 'two', uncertainty: 0 })])
      const spread = monteCarlo(double, 400_000, seeded(3))!
      expect(Math.abs(spread.standardDeviation / standardUncertainty(double) - 1)).toBeLessThan(0.01)
      expect(firstOrderHolds(spread, double.value, standardUncertainty(double))).toBe(holds)
    }
  })
})
