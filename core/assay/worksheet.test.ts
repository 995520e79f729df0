import { describe, expect, it } from 'vitest'
import { computeWorksheet, newWorksheet, type Worksheet } from '.'

const nickel: Worksheet = {
  ...newWorksheet('a1', 'gravimetric', { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' }),
  rows: [
    { sample: '0.2561 g', tare: '24.1311 g', gross: '24.3182 g' },
    { sample: '0.2498 g', tare: '23.8804 g', gross: '24.0630 g' },
    { sample: '0.2603 g', tare: '24.5519 g', gross: '24.7422 g' },
    { sample: '0.2544 g', tare: '24.0078 g', gross: '24.1936 g' },
  ],
}

describe('computeWorksheet', () => {
  it('works nickel out of its dimethylglyoximate, as on paper', () => {
    /* Factor 58.693 ÷ 288.92 = 0.20315. 0.1871 g × 0.20315 ÷ 0.2561 g = 14.84 %; then 14.85, 14.85, 14.84 %. The mean is
       14.845 %, where the salt should hold 14.86 %. */
    const { factor, values, summary, problems } = computeWorksheet(nickel)
    expect(problems).toEqual([])
    expect(factor!.value).toBeCloseTo(0.20315, 4)
    expect(values[0]).toBeCloseTo(14.84, 2)
    expect(summary!.mean).toBeCloseTo(14.846, 2)
    expect(summary!.standardDeviation!).toBeLessThan(0.02)
  })
  it('counts once what all replicates share: more of them do not make a titrant better known', () => {
    const row = { sample: '0.1100 g', volume: '20.15 mL' }
    const soda = (n: number) =>
      computeWorksheet({
        ...newWorksheet('t', 'titration', {
          equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
          titrant: 'HCl',
          concentration: '0.100 ± 0.001 mol/L',
          species: 'Na2CO3',
          form: 'Na2CO3',
        }),
        rows: Array.from({ length: n }, () => row),
      })
    // One percent of 97 % stays 0.97, however often it is repeated.
    expect(soda(1).budget!.combined).toBeCloseTo(0.97, 1)
    expect(soda(6).budget!.combined).toBeCloseTo(0.97, 1)
    expect(soda(6).mean!.value * 100).toBeCloseTo(soda(6).summary!.mean, 9)
  })
  it('works the waters of copper sulfate out of the loss', () => {
    // 1.050 g lose 0.379 g: 21.04 mmol of water to 0.671 g ÷ 159.60 g/mol = 4.204 mmol: 5.00.
    const { values } = computeWorksheet({
      ...newWorksheet('h', 'hydrate', { salt: 'CuSO4' }),
      rows: [{ tare: '18.204 g', before: '19.254 g', after: '18.875 g' }],
    })
    expect(values[0]).toBeCloseTo(5.0, 2)
  })
  it('titrates soda, with its blank', () => {
    // 20.15 − 0.15 mL of 0.1000 mol/L acid are 2.000 mmol, 1.000 mmol of carbonate, 0.10599 g of 0.1100 g: 96.35 %.
    const { values, problems } = computeWorksheet({
      ...newWorksheet('t', 'titration', {
        equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
        titrant: 'HCl',
        concentration: '0.1000 mol/L',
        species: 'Na2CO3',
        form: 'Na2CO3',
      }),
      rows: [{ sample: '0.1100 g', volume: '20.15 mL', blank: '0.15 mL' }],
    })
    expect(problems).toEqual([])
    expect(values[0]).toBeCloseTo(96.35, 2)
  })
  it('names a doubtful value, and keeps it', () => {
    const off = { ...nickel, rows: nickel.rows.map((row, i) => (i === 2 ? { ...row, gross: '24.7522 g' } : row)) }
    const { outliers, values } = computeWorksheet(off)
    expect(values).toHaveLength(4)
    const dixon = outliers.find(({ test }) => test === 'Dixon')!
    expect(dixon.row).toBe(2)
    expect(dixon.outlier.suspected).toBe(true)
  })
  it('says what is wrong at its place, and works the other rows', () => {
    const { rows, values } = computeWorksheet({
      ...nickel,
      rows: [{ ...nickel.rows[0]!, gross: '23.0 g' }, { ...nickel.rows[1]!, sample: '0,25 g' }, nickel.rows[2]!, {}],
    })
    expect(rows[0]!.problems[0]).toMatchObject({ key: 'gross' })
    expect(rows[1]!.problems[0]).toMatchObject({ key: 'sample' })
    expect(values).toHaveLength(1)
  })
  it.each([
    [{ analyte: 'Zn', weighedAs: 'Ni(C4H7N2O2)2' }, 'weighedAs'],
    [{ analyte: 'Nx', weighedAs: 'AgCl' }, 'analyte'],
  ])('refuses %j', (given, key) => {
    expect(computeWorksheet({ ...nickel, given }).problems[0]).toMatchObject({ key })
  })
  it.each([
    [{ equation: 'Na2CO3 + HCl' }, 'equation'],
    [{ equation: 'Na2CO3 + HCl -> NaCl' }, 'equation'],
    [{ equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2', concentration: '0.1 apples' }, 'concentration'],
    [
      {
        equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
        concentration: '0.1 mol/L',
        titrant: 'HNO3',
        species: 'Na2CO3',
        form: 'Na2CO3',
      },
      'equation',
    ],
  ])('refuses a titration of %j', (given, key) => {
    expect(computeWorksheet(newWorksheet('t', 'titration', given)).problems[0]).toMatchObject({ key })
  })
})
