import { describe, expect, it } from 'vitest'
import { standardUncertainty } from '#core/quantity'
import { computePlan } from '#core/sheet'
import type { Plan } from './plan'

/*
 * On paper: caustic of (87 ± 2) % is weighed twice, 4.00 g to throw down zinc hydroxide, of which it is the limiting
 * reagent, and 10.00 g to dissolve that hydroxide again. What is left of the second is
 *
 *   n = w·m2/M − 2·(w·m1/M)/2 = w·(m2 − m1)/M = 0.87 × 6.00 g / 39.997 g/mol = 130.5 mmol.
 *
 * With one bottle w is one source of error: u(n) = u(w)·(m2 − m1)/M = 0.02 × 6.00/39.997 = 3.00 mmol.
 * With two bottles of the same label: u(n) = u(w)·√(m1² + m2²)/M = 0.02 × 10.77/39.997 = 5.39 mmol.
 * GUM (JCGM 100:2008), 5.2.2. The balance's last digit, ±0.01 g, is 0.3 mmol in quadrature at the most.
 */
const plan = (first: string, second: string): Plan => ({
  stages: [
    {
      id: 's1',
      equation: 'ZnSO4 + NaOH -> Zn(OH)2 + Na2SO4',
      reagents: [
        { species: 'ZnSO4', supply: { kind: 'solid' }, charge: { mass: '20.00 g' } },
        { species: 'NaOH', supply: { kind: 'solid', assay: '87 ± 2 %', bottle: first }, charge: { mass: '4.00 g' } },
      ],
      product: { species: 'Zn(OH)2' },
    },
    {
      id: 's2',
      equation: 'Zn(OH)2 + NaOH -> Na2[Zn(OH)4]',
      reagents: [
        { species: 'Zn(OH)2', supply: { kind: 'stage', from: 's1' } },
        { species: 'NaOH', supply: { kind: 'solid', assay: '87 ± 2 %', bottle: second }, charge: { mass: '10.00 g' } },
      ],
      product: { species: 'Na2[Zn(OH)4]' },
    },
  ],
})
function leftOf(first: string, second: string): { value: number; uncertainty: number } {
  const sheet = computePlan(plan(first, second))
  if (!sheet.ok) throw new Error(JSON.stringify(sheet.problem))
  const left = sheet.value.stages[1]!.reagents.find(({ species }) => species === 'NaOH')!.leftover.amount
  return { value: left.value * 1000, uncertainty: standardUncertainty(left) * 1000 }
}

describe('a bottle that is used in two stages', () => {
  it('errs alike in both', () => {
    const { value, uncertainty } = leftOf('B-007', 'B-007')
    expect(value).toBeCloseTo(130.5, 1)
    expect(uncertainty).toBeGreaterThan(3.0)
    expect(uncertainty).toBeLessThan(3.05)
  })
  it('errs apart from another of the same label', () => {
    const { value, uncertainty } = leftOf('B-007', 'B-008')
    expect(value).toBeCloseTo(130.5, 1)
    expect(uncertainty).toBeGreaterThan(5.38)
    expect(uncertainty).toBeLessThan(5.42)
  })
})
