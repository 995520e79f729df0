import { describe, expect, it } from 'vitest'
import {
  difference,
  exact,
  given,
  monteCarlo,
  parseQuantity,
  product,
  seeded,
  standardUncertainty,
  type Figure,
} from '.'

const read = (text: string, kind: 'mass' | 'volume' | 'concentration'): Figure => {
  const parsed = parseQuantity(text, { kinds: [kind], name: text, source: text })
  if (!parsed.ok) throw new Error(parsed.problem.code)
  return parsed.value
}

describe('monteCarlo', () => {
  it('agrees with the first order where the figure is nearly linear', () => {
    const amount = product('n', 'amount', [read('40.0 mL', 'volume'), read('3.00 mol/L', 'concentration')], [], 1e-3)
    const spread = monteCarlo(amount, 200_000, seeded(1))!
    expect(spread.mean / amount.value).toBeCloseTo(1, 4)
    expect(spread.standardDeviation / standardUncertainty(amount)).toBeCloseTo(1, 2)
    expect(spread.low).toBeLessThan(amount.value)
    expect(spread.high).toBeGreaterThan(amount.value)
  })

  it('keeps one reading used twice one error', () => {
    const mass = read('5.00 g', 'mass')
    expect(monteCarlo(difference('nothing', mass, mass), 10_000, seeded(2))!.standardDeviation).toBe(0)
  })

  it('sees what the first order cannot: one over a wide spread leans to the high side', () => {
    const wide = given(1, 'number', 'x', { source: 'x', uncertainty: 0.15 })
    const spread = monteCarlo(product('1/x', 'number', [exact(1)], [wide]), 200_000, seeded(3))!
    expect(spread.mean).toBeGreaterThan(1.01)
    expect(spread.high - 1).toBeGreaterThan(1 - spread.low)
  })

  it('draws written digits evenly: a bare reading never leaves its last place', () => {
    const spread = monteCarlo(read('5.0 g', 'mass'), 50_000, seeded(4))!
    expect(spread.low).toBeGreaterThan(4.95)
    expect(spread.high).toBeLessThan(5.05)
    expect(spread.standardDeviation).toBeCloseTo(0.1 / Math.sqrt(12), 3)
  })

  it('stops when asked', () => {
    expect(monteCarlo(read('5.0 g', 'mass'), 50_000, seeded(5), done => done < 0.5)).toBeUndefined()
  })
})
