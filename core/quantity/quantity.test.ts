import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  completed,
  difference,
  exact,
  explainQuantity,
  formatFigure,
  formatValue,
  given,
  knownDecimals,
  parseQuantity,
  partsOfMeasured,
  product,
  shares,
  standardUncertainty,
  stepOf,
  sum,
  toSignificant,
  type Figure,
  type Kind,
  units,
  workingOf,
} from '.'

const read = (text: string, ...kinds: Kind[]): Figure => {
  const parsed = parseQuantity(text, { kinds, name: 'it', source: text })
  if (!parsed.ok) throw new Error(`${text}: ${parsed.problem.code}`)
  return parsed.value
}
const problemOf = (text: string, ...kinds: Kind[]) => {
  const parsed = parseQuantity(text, { kinds, name: 'it', source: 'it' })
  return parsed.ok ? undefined : parsed.problem
}

describe('parseQuantity', () => {
  it.each([
    ['5.214 g', 'mass', 5.214],
    ['250 mg', 'mass', 0.25],
    ['1.2kg', 'mass', 1200],
    ['12 µg', 'mass', 1.2e-5],
    ['12 ug', 'mass', 1.2e-5],
    ['40 mL', 'volume', 40],
    ['40 ml', 'volume', 40],
    ['0.5 L', 'volume', 500],
    ['25 µL', 'volume', 0.025],
    ['3.00 mol/L', 'concentration', 3],
    ['3.00 M', 'concentration', 3],
    ['250 mmol/L', 'concentration', 0.25],
    ['98 % w/w', 'mass fraction', 0.98],
    ['98%', 'mass fraction', 0.98],
    ['10 % w/v', 'mass per volume', 0.1],
    ['100 g/L', 'mass per volume', 0.1],
    ['1.5 mmol', 'amount', 0.0015],
    ['80 °C', 'temperature', 80],
    ['353.15 K', 'temperature', 80],
    ['−5 °C', 'temperature', -5],
    ['20 min', 'time', 1 / 3],
    ['2 d', 'time', 48],
    ['101.3 kPa', 'pressure', 101.3],
    ['1 atm', 'pressure', 101.325],
    ['760 torr', 'pressure', 101.325],
    ['1 bar', 'pressure', 100],
    ['1.18 g/mL', 'density', 1.18],
    ['2.5e-3 mol', 'amount', 0.0025],
    ['.5 g', 'mass', 0.5],
  ] as const)('reads %j as a %s', (text, kind, value) => {
    expect(read(text, kind).value).toBeCloseTo(value, 12)
  })

  it.each([
    ['5.214 g', 0.001 / Math.sqrt(12)],
    ['5.2140 g', 0.0001 / Math.sqrt(12)],
    ['250 mg', 0.001 / Math.sqrt(12)],
    ['5.214(2) g', 0.002],
    ['5.214 ± 0.002 g', 0.002],
    ['5.214 +/- 0.002 g', 0.002],
    ['40 g', 1 / Math.sqrt(12)],
    ['2.0e2 g', 10 / Math.sqrt(12)],
  ])('takes the uncertainty of %j from its digits (GUM F.2.2.1, 7.2.2)', (text, uncertainty) => {
    expect(standardUncertainty(read(text, 'mass'))).toBeCloseTo(uncertainty, 12)
  })

  it.each([
    ['', 'quantity.empty', [0, 0]],
    ['a lot', 'quantity.unreadable', [0, 5]],
    ['Infinity', 'quantity.unreadable', [0, 8]],
    ['NaN g', 'quantity.unreadable', [0, 5]],
    ['1,5 g', 'quantity.comma', [1, 2]],
    ['5.2', 'quantity.no-unit', [0, 3]],
    ['5.2 gr', 'quantity.unknown-unit', [4, 6]],
    ['5.2 mL', 'quantity.wrong-kind', [4, 6]],
    ['-5 g', 'quantity.negative', [0, 2]],
    ['0.00 g', 'quantity.zero', [0, 4]],
    ['1e400 g', 'quantity.out-of-range', [0, 5]],
    ['9e99 g', 'quantity.out-of-range', [0, 4]],
    ['5 G', 'quantity.unknown-unit', [2, 3]],
    ['5.2 g g', 'quantity.unknown-unit', [4, 7]],
    ['1'.repeat(90), 'quantity.unreadable', [0, 90]],
  ])('points at what is wrong in %j', (text, code, span) => {
    const problem = problemOf(text, 'mass')
    expect(problem).toMatchObject({ code, span })
    expect(explainQuantity(problem!).fix).not.toBe('')
  })

  it('refuses a part over the whole, and a temperature below the absolute zero', () => {
    expect(problemOf('101 %', 'mass fraction')?.code).toBe('quantity.over-whole')
    expect(problemOf('-300 °C', 'temperature')?.code).toBe('quantity.negative')
    expect(parseQuantity('150 %', { kinds: ['mass fraction'], name: '', source: '', aboveWhole: true })).toMatchObject({
      ok: true,
    })
  })

  it('offers units that it would take', () => {
    expect(explainQuantity(problemOf('5 gr', 'mass')!).fix).toBe('Use g, mg, µg, kg.')
    expect(new Set(units.map(({ symbol }) => symbol)).size).toBe(units.length)
  })
})

describe('uncertainty', () => {
  const at = (value: number, uncertainty: number, source: string): Figure =>
    given(value, 'number', source, { source, uncertainty })

  it('adds independent errors in quadrature and counts one source once', () => {
    const a = at(10, 0.3, 'a')
    const b = at(5, 0.4, 'b')
    expect(
      standardUncertainty(
        sum('a + b', [
          [1, a],
          [1, b],
        ]),
      ),
    ).toBeCloseTo(0.5, 12)
    expect(standardUncertainty(difference('a − a', a, a))).toBe(0)
    expect(standardUncertainty(product('a/a', 'number', [a], [a]))).toBeCloseTo(0, 12)
    expect(standardUncertainty(product('a·a', 'number', [a, a]))).toBeCloseTo(6, 12)
    expect(standardUncertainty(product('a·0', 'number', [a, exact(0)]))).toBe(0)
    expect(standardUncertainty(product('0 ± 0.3 · 5', 'number', [at(0, 0.3, 'z'), exact(5)]))).toBeCloseTo(1.5, 12)
  })

  it('agrees with the cadmium standard of Eurachem/CITAC CG 4, example A1 (from memory)', () => {
    // 1000·m·P/V: m = 100.28 mg, u 0.05; P = 0.9999, u 0.000058; V = 100.0 mL, u 0.07 → 1002.7 mg/L, u 0.9 (0.835 before rounding up).
    const concentration = product(
      'c',
      'number',
      [at(100.28, 0.05, 'mass'), at(0.9999, 0.000058, 'purity')],
      [at(100, 0.066, 'volume')],
      1000,
    )
    expect(concentration.value).toBeCloseTo(1002.7, 1)
    expect(standardUncertainty(concentration)).toBeGreaterThan(0.8)
    expect(standardUncertainty(concentration)).toBeLessThan(0.95)
    expect(shares(concentration).map(({ source }) => source)).toEqual(['volume', 'mass', 'purity'])
  })

  it('is the slope of the figure in each input (numerical derivative)', () => {
    const positive = fc.double({ min: 0.5, max: 50, noNaN: true })
    fc.assert(
      fc.property(positive, positive, positive, (x, y, z) => {
        const f = (a: number) =>
          product(
            'f',
            'number',
            [
              sum('s', [
                [2, at(a, 1, 'x')],
                [1, exact(y)],
              ]),
              at(a, 1, 'x'),
            ],
            [
              sum('t', [
                [1, at(a, 1, 'x')],
                [3, exact(z)],
              ]),
            ],
          )
        const step = 1e-5
        const slope = (f(x + step).value - f(x - step).value) / (2 * step)
        expect(standardUncertainty(f(x))).toBeCloseTo(Math.abs(slope), 5)
      }),
    )
  })
})

describe('formatting', () => {
  const SPACE = '\u202f'
  it.each([
    [18.925, 0.03, '18.93'],
    [105.04, 0.31, '105.0'],
    [12.014, 0.035, '12.01'],
    [0.072, 0.0001, '72.0'],
  ])('shows %d with u = %d as %s', (value, u, text) => {
    const kind = value < 0.1 ? 'amount' : 'mass'
    expect(formatFigure(given(value, kind, '', { source: 's', uncertainty: u }))).toBe(
      `${text}${SPACE}${kind === 'mass' ? 'g' : 'mmol'}`,
    )
  })

  it('keeps no more decimals in a difference than were written', () => {
    expect(formatFigure(difference('net', read('88.437 g', 'mass'), read('68.902 g', 'mass')))).toBe(`19.535${SPACE}g`)
    expect(formatFigure(difference('net', read('88.4 g', 'mass'), read('68.902 g', 'mass')))).toBe(`19.5${SPACE}g`)
  })

  it('chooses the unit people read', () => {
    expect(formatValue(1467.9, 'volume', 3)).toBe(`1.47${SPACE}L`)
    expect(formatValue(0.0042, 'mass', 3)).toBe(`4.20${SPACE}mg`)
    expect(formatValue(0.98, 'mass fraction', 3)).toBe(`98.0${SPACE}%`)
    expect(toSignificant(0, 3)).toBe('0')
    expect(knownDecimals(1, 0)).toBe(4)
  })
})

describe('workingOf', () => {
  it('writes the arithmetic that made the figure, inputs first', () => {
    const amount = product(
      'amount of {HCl}',
      'amount',
      [read('40.0 mL', 'volume'), read('3.00 mol/L', 'concentration')],
      [],
      1e-3,
    )
    const extent = product('extent', 'amount', [amount], [exact(2)])
    const lines = workingOf(extent).map(({ name, relation, result }) =>
      `${name}: ${relation} = ${result}`.replaceAll('\u202f', ' '),
    )
    expect(lines).toEqual([
      'amount of {HCl}: 40.0 mL × 3.00 mol/L = 120.00 mmol',
      'extent: 120.00 mmol ÷ 2 = 60.0 mmol',
    ])
  })
})

describe('one reading of measured text', () => {
  const grams = { kinds: ['mass'] as const, name: 'mass', source: 'mass' }
  // The number as it was written, its unit, its value in grams, and what one step of its last digit is worth in grams.
  it.each([
    ['5.2e3 mg', '5.2e3', 'mg', 5.2, 0.1],
    ['8.40g', '8.40', 'g', 8.4, 0.01],
    ['5.214 ± 0.002 g', '5.214', 'g', 5.214, 0.001],
    ['215.30(5) mg', '215.30', 'mg', 0.2153, 1e-5],
    ['12 mg', '12', 'mg', 0.012, 1e-3],
    ['  3 kg ', '3', 'kg', 3000, 1000],
  ])('reads %s the same everywhere', (text, number, unit, value, step) => {
    expect(partsOfMeasured(text)).toEqual({ number, unit })
    const read = parseQuantity(text, grams)
    expect(read.ok && read.value.value).toBeCloseTo(value, 12)
    expect(stepOf(text)).toBeCloseTo(step, 12)
  })
  it.each(['1e-400 g', '1e-300 g', '1e300 g', '0e-400 g', '1e99999 g', '2e-25 kg'])(
    'refuses %s, which no bench has',
    text =>
      expect(parseQuantity(text, { ...grams, zero: true })).toMatchObject({
        problem: { code: 'quantity.out-of-range' },
      }),
  )
  it('refuses a comma everywhere, since it could be either sign', () => {
    expect(partsOfMeasured('12,5 g')).toBeUndefined()
    expect(stepOf('12,5 g')).toBeUndefined()
    expect(parseQuantity('12,5 g', grams)).toMatchObject({ problem: { code: 'quantity.comma' } })
  })
  it('gives a bare number the unit that its field prints, and leaves all else', () => {
    expect(completed('20', 'g')).toBe('20 g')
    expect(completed(' 5.2e3 ', 'mg')).toBe('5.2e3 mg')
    expect(completed('5.214(2)', 'g')).toBe('5.214(2) g')
    for (const text of ['20 mg', '', 'a cup', '12,5', '20 %']) expect(completed(text, 'g')).toBe(text)
    expect(completed('20', undefined)).toBe('20')
  })
})

describe('signs', () => {
  const grams = (value: number) => exact(value, 'mass', 'mass')
  it('are a minus as it is printed, and none before a zero', () => {
    expect(formatValue(-1.55, 'mass', 3)).toBe('−1.55\u202fg')
    expect(formatValue(-0.0000001, 'volume', 1)).not.toMatch(/^−0\.?0*\u202f/)
    expect(formatFigure(exact(-0, 'volume', 'nothing'))).toBe('0\u202fmL')
  })
  it('do not follow one another in a working', () => {
    const line = workingOf(difference('left', grams(5), product('eaten', 'mass', [grams(-2), exact(1.5)]))).at(-1)!
    expect(line.relation).toBe('5.0000\u202fg − (−3.0000\u202fg)')
  })
})
