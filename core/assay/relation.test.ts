import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { monteCarlo, seeded, shares, standardUncertainty, workingOf } from '#core/quantity'
import { computeWorksheet, effectiveDegrees, newWorksheet, shapeOf, studentT, type Worksheet } from '.'
import { parseRelation } from './relation-parse'

const own = (relation: string, held: string, unit: string, ...rows: Record<string, string>[]): Worksheet => ({
  ...newWorksheet('w', 'own', { relation, held, unit }),
  rows: rows.map(row => Object.fromEntries(Object.entries(row).map(([key, text]) => [`v:${key}`, text]))),
})
const only = (worksheet: Worksheet) => {
  const result = computeWorksheet(worksheet)
  if (result.values.length === 0) throw new Error(JSON.stringify([result.problems, result.rows]))
  return result
}

describe('a relation of one’s own', () => {
  it('works out iron by permanganate as on paper, units and all', () => {
    /* 0.4005 g, 20.42 mL of 0.02000 mol/L, five irons each: 0.02042 × 0.02 × 5 × 55.845 ÷ 0.4005 = 28.47 %. */
    const sheet = own('w = c * V * 5 * M(Fe) / m', 'c = 0.02000 mol/L', '%', { V: '20.42 mL', m: '400.5 mg' })
    expect(only(sheet).values[0]).toBeCloseTo((100 * 0.02042 * 0.02 * 5 * 55.845) / 0.4005, 6)
    expect(shapeOf(sheet)).toMatchObject({ result: 'w', unit: { text: '%' } })
    expect(shapeOf(sheet).columns.map(({ label }) => label)).toEqual(['V', 'm'])
    const lines = workingOf(only(sheet).mean!)
    expect(lines.at(-1)!.relation).toContain('20.42 mL')
    expect(lines.at(-1)!.relation).toContain('55.845')
  })
  it.each([
    ['x = 2 + 3 * 4', 14],
    ['x = (2 + 3) * 4', 20],
    ['x = 2^3 / 4 - -1', undefined],
    ['x = -2 + 3', 1],
    ['x = 12 / 2 / 3', 2],
    ['x = 2 − 3 × 4 ÷ 6', 0],
    ['x = 9^0.5 + 4^-1', 3.25],
    ['x = sqrt(2)^2 · exp(ln(3))', 6],
    ['x = log(1e3)', 3],
    ['x = sin(0) + cos(0)', 1],
  ])('reads %s', (relation, value) => {
    if (value === undefined) return expect(parseRelation(relation).ok).toBe(false)
    expect(only(own(relation, '', '', {})).values[0]).toBeCloseTo(value, 12)
  })
  it('keeps units apart, and says which do not go together', () => {
    const problem = (relation: string, unit: string, row: Record<string, string>) =>
      computeWorksheet(own(relation, '', unit, row)).rows[0]!.problems[0]?.why
    expect(problem('x = m + V', '', { m: '1 g', V: '1 mL' })).toContain('in g and one in mL cannot be added')
    expect(problem('x = m / V', 'mol/L', { m: '1 g', V: '1 mL' })).toContain('gives g/mL, not mol/L')
    expect(problem('x = ln(m)', '', { m: '1 g' })).toContain('takes a plain number')
    expect(problem('x = 1 / (a - b)', '', { a: '2', b: '2' })).toContain('divided by zero')
    expect(computeWorksheet(own('x = m * k', 'q = 3', '', { m: '1 g' })).problems[0]!.why).toContain('q is not in')
    expect(computeWorksheet(own('x = m', '', 'furlong', { m: '1 g' })).problems[0]!.key).toBe('unit')
  })
  it('tells the unit that the values make where none is asked for', () => {
    const text = (relation: string, row: Record<string, string>) => shapeOf(own(relation, '', '', row)).unit.text
    expect(text('n = c * V', { c: '0.1 mol/L', V: '20 mL' })).toBe('mol')
    expect(text('d = m / V', { m: '1.2 g', V: '1 mL' })).toBe('g/mL')
    expect(text('k = 1 / t', { t: '20 min' })).toBe('1/h')
    expect(text('x = p * V / T', { p: '101.325 kPa', V: '1 L', T: '25 °C' })).toBe('cm³ kPa/K')
  })
  it('counts temperatures in kelvins', () => {
    expect(only(own('r = T / T0', 'T0 = 0.00 °C', '', { T: '25.00 °C' })).values[0]).toBeCloseTo(298.15 / 273.15, 9)
  })
  it.each([
    ['', 'name before its equals sign'],
    ['c * V', 'name before its equals sign'],
    ['x =', 'ends where a value should follow'],
    ['x = c *', 'ends where a value should follow'],
    ['x = (c', 'not closed'],
    ['x = c V', 'does not read'],
    ['x = frob(c)', 'no function here'],
    ['x = M(Xx)', 'no formula'],
    ['x = c ^ V', 'A power is a number'],
    [`x = ${'('.repeat(60)}1${')'.repeat(60)}`, 'nested too deep'],
    [`x = ${'1+'.repeat(150)}1`, 'characters at most'],
  ])('refuses %j', (relation, why) => {
    const { problems, rows } = computeWorksheet(own(relation, '', '', {}))
    if (relation === '') return expect(rows[0]!.figure).toBeUndefined()
    expect([...problems, ...rows[0]!.problems][0]?.why).toContain(why)
  })
  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[xcV=()*+^/.0-9eM -]{0,40}$/), fc.string({ maxLength: 20 }), (relation, held) => {
        const { values } = computeWorksheet(own(relation, held, '%', { c: '1 g', V: '2 mL', x: '3' }))
        expect(values.every(Number.isFinite)).toBe(true)
      }),
      { numRuns: 400 },
    )
  })
})

describe('the guide to the expression of uncertainty', () => {
  /* JCGM 100:2008, H.2: volts, milliamperes and radians read five times together; table H.2 and H.4 (approach 2). */
  const readings = [
    ['5.007', '19.663', '1.0456'],
    ['4.994', '19.639', '1.0438'],
    ['5.005', '19.640', '1.0468'],
    ['4.990', '19.685', '1.0428'],
    ['4.999', '19.678', '1.0433'],
  ].map(([V, I, phi]) => ({ V: V!, I: I!, phi: phi! }))
  it.each([
    ['R', 'R = 1000 * V / I * cos(phi)', 127.732, 0.071],
    ['X', 'X = 1000 * V / I * sin(phi)', 219.847, 0.295],
    ['Z', 'Z = 1000 * V / I', 254.26, 0.236],
  ])('H.2, resistance, reactance and impedance read together: %s', (_, relation, mean, uncertainty) => {
    const { summary, budget } = only(own(relation, '', '', ...readings))
    expect(summary!.mean).toBeCloseTo(mean, 3)
    expect(budget!.own).toBeCloseTo(uncertainty, 3)
  })
  it('H.2: forgets no correlation: the parts by themselves would say several times as much of R', () => {
    /* Approach 1 without the correlations (r(V, φ) = 0.86): what the guide warns of. */
    const apart = only(
      own('R = 1000 * V / I * cos(phi)', 'V = 4.9990 ± 0.0032; I = 19.6610 ± 0.0095; phi = 1.04446 ± 0.00075', '', {}),
    )
    expect(apart.values[0]).toBeCloseTo(127.732, 2)
    expect(standardUncertainty(apart.mean!)).toBeCloseTo(0.194, 2)
    expect(standardUncertainty(apart.mean!)).toBeGreaterThan(2.5 * 0.071)
  })

  /* H.1: an end gauge of 50 mm against a standard; lengths in nm, l = lS + d − lS (δα·θ + αS·δθ). */
  const gauge = own(
    'l = ls + d - ls * (da * th + as * dth)',
    'ls = 50000623 ± 25; d = 215 ± 9.7; da = 0 ± 0.58e-6; th = -0.1 ± 0.41; as = 11.5e-6 ± 1.2e-6; dth = 0 ± 0.029',
    '',
    {},
  )
  it('H.1, calibration of an end gauge: 50.000838 mm, standard uncertainty 32 nm', () => {
    const { mean } = only(gauge)
    expect(mean!.value).toBeCloseTo(50000838, 0)
    expect(standardUncertainty(mean!)).toBeCloseTo(31.7, 0)
    const of = Object.fromEntries(shares(mean!).map(({ source, uncertainty }) => [source, uncertainty]))
    // Table H.1: 25, 9.7, 2.9 and 16.6 nm; the others count nothing to first order.
    expect(of.ls).toBeCloseTo(25, 1)
    expect(of.d).toBeCloseTo(9.7, 3)
    expect(of.da).toBeCloseTo(2.9, 1)
    expect(of.dth).toBeCloseTo(16.6, 0)
    expect(of.th ?? 0).toBe(0)
    expect(of.as ?? 0).toBe(0)
  })
  it('H.1.6 and H.1.7: 16 effective degrees of freedom, 93 nm at 99 %; 34 nm with the second order', () => {
    const degrees = effectiveDegrees([
      { uncertainty: 25, degrees: 18 },
      { uncertainty: 9.7, degrees: 25.6 },
      { uncertainty: 2.9, degrees: 50 },
      { uncertainty: 16.6, degrees: 2 },
    ])
    expect(Math.floor(degrees)).toBe(16)
    expect(studentT(0.99, 16) * 31.7).toBeCloseTo(92.6, 0)
    // The draws know the second order that the formula leaves out.
    const drawn = monteCarlo(only(gauge).mean!, 200_000, seeded(7))!
    expect(drawn.standardDeviation).toBeGreaterThan(33)
    expect(drawn.standardDeviation).toBeLessThan(35)
  })
})
