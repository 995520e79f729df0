import { describe, expect, it } from 'vitest'
import { stated, statedWords } from '#core/quantity'
import { assayWords } from '#core/remarks'
import { computeWorksheet, newWorksheet, studentT, type Worksheet } from '.'

const soda = (strength: string, ...rows: [mass: string, volume: string][]): Worksheet => ({
  ...newWorksheet('w', 'titration', {
    equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
    titrant: 'HCl',
    concentration: strength,
    species: 'Na2CO3',
    form: 'Na2CO3·10H2O',
  }),
  name: 'soda',
  rows: rows.map(([mass, volume]) => ({ sample: `${mass} g`, volume: `${volume} mL` })),
})
const three = [
  ['0.4510', '31.20'],
  ['0.4512', '31.21'],
  ['0.4511', '31.19'],
] as [string, string][]

describe('the uncertainty of a mean', () => {
  /*
   * 0.1000 ± 0.0005 mol/L is half a percent of the result, whatever the replicates: 0.49 percentage points of 98.95, 0.97 at 95 %.
   * Their scatter, 0.03 points, gives 0.02 for the mean: hypot(0.49, 0.02) = 0.49, so the label rules and hardly any freedom is lost. By hand.
   */
  it('is the label’s where the label rules, and ends where the value ends', () => {
    const result = computeWorksheet(soda('0.1000 ± 0.0005 mol/L', ...three))
    expect(result.budget!.shared).toBeCloseTo(0.495, 2)
    expect(result.budget!.expanded).toBeCloseTo(0.97, 1)
    expect(assayWords(soda('0.1000 ± 0.0005 mol/L', ...three), result)).toMatch(
      /: purity as this form 98\.95 ± 0\.97\s% \(95 %, k = 1\.96, 3 replicates\)$/,
    )
  })
  it('does not grow smaller with replicates that share the label', () => {
    const of = (n: number) =>
      computeWorksheet(soda('0.1000 ± 0.0005 mol/L', ...Array.from({ length: n }, () => three[0]!))).budget!
    expect(of(6).shared).toBeCloseTo(of(2).shared, 6)
    expect(of(6).own).toBeCloseTo(of(2).own / Math.sqrt(3), 6)
  })
  it('is never nothing for replicates that agree to the last digit: their readings have steps', () => {
    const { budget } = computeWorksheet(soda('0.1000(0) mol/L', three[0]!, three[0]!, three[0]!))
    // Two steps over √12 each: 0.0001 of 0.4510 g, 0.01 of 31.20 mL; hypot is 0.0113 % of 98.9 over √3.
    const one = (98.95 * Math.hypot(0.0001 / 0.451, 0.01 / 31.2)) / Math.sqrt(12)
    expect(budget!.isScatter).toBe(false)
    expect(budget!.own).toBeCloseTo(one / Math.sqrt(3), 4)
    expect(budget!.degrees).toBe(Infinity)
  })
  it('has the freedom of Welch and Satterthwaite, and Student’s factor for it', () => {
    const wide = computeWorksheet(
      soda('0.1000 ± 0.0005 mol/L', ['0.4510', '31.20'], ['0.4510', '31.60'], ['0.4510', '30.80']),
    )
    const { own, shared, combined, degrees, coverage, expanded } = wide.budget!
    expect(own).toBeCloseTo(wide.summary!.standardDeviation! / Math.sqrt(3), 9)
    expect(combined).toBeCloseTo(Math.hypot(own, shared), 9)
    expect(degrees).toBeCloseTo((2 * combined ** 4) / own ** 4, 9)
    expect(coverage).toBeCloseTo(studentT(0.95, degrees), 9)
    expect(expanded).toBeCloseTo(coverage * combined, 9)
  })
  it('is that of its own readings for a single value', () => {
    const { budget } = computeWorksheet(soda('0.1000 ± 0.0005 mol/L', three[0]!))
    expect(budget!.expanded).toBeCloseTo(1.96 * 0.495, 1)
  })
})

describe('a value with its uncertainty', () => {
  it.each([
    [98.9512, 0.974, '98.95 ± 0.97'],
    [98.9512, 1.02, '99.0 ± 1.0'],
    [14.84812, 0.0138, '14.848 ± 0.014'],
    [1234.4, 118, '1230 ± 120'],
    [10, 0, '10'],
    [0.1, undefined, '0.1'],
    [0, 0.012, '0.000 ± 0.012'],
    [-1.2345, 0.0996, '−1.23 ± 0.10'],
    [1.2342e-7, 2.2e-9, '(1.234 ± 0.022) × 10⁻⁷'],
    [3.1e-12, undefined, '3.1 × 10⁻¹²'],
    [5, NaN, '5'],
  ])('%d with %d reads %s', (value, uncertainty, words) => {
    expect(statedWords(value, uncertainty)).toBe(words)
  })
  it('always ends both at one place', () => {
    for (let k = -6; k <= 4; k++)
      for (const u of [1.04, 3.3, 9.96, 9.4]) {
        const { value, uncertainty, times } = stated(Math.PI * 10 ** (k + 2), u * 10 ** k)
        const decimals = (text: string) => text.split('.')[1]?.length ?? 0
        expect(decimals(value), `${value} ± ${uncertainty}${times ?? ''}`).toBe(decimals(uncertainty!))
      }
  })
})
