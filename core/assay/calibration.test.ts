import fc from 'fast-check'
import {
  linearRegression,
  linearRegressionLine,
  rSquared,
  sampleStandardDeviation,
  tTestTwoSample,
} from 'simple-statistics'
import { describe, expect, it } from 'vitest'
import {
  compareSets,
  errorAt,
  fitCurve,
  fitLine,
  grubbs,
  readFromCurve,
  studentT,
  summarise,
  worstPoint,
  type Point,
} from '.'

/* Fluorescence of standards, Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, example 5.3.1 and on (from memory). */
const fluorescence: Point[] = (
  [
    [0, 2.1],
    [2, 5.0],
    [4, 9.0],
    [6, 12.6],
    [8, 17.3],
    [10, 21.0],
    [12, 24.7],
  ] as const
).map(([x, y]) => ({ x, y }))

describe('fitLine', () => {
  const line = fitLine(fluorescence)!
  const curve = fitCurve(fluorescence, 1)!
  it('agrees with the textbook: y = 1.52 + 1.93 x, s 0.4329, errors 0.0409 and 0.2950, r 0.9989', () => {
    expect(line.slope).toBeCloseTo(1.93, 2)
    expect(line.intercept).toBeCloseTo(1.52, 2)
    expect(line.deviation).toBeCloseTo(0.4329, 3)
    expect(line.slopeError).toBeCloseTo(0.0409, 4)
    expect(line.interceptError).toBeCloseTo(0.295, 3)
    expect(Math.sqrt(line.r2)).toBeCloseTo(0.9989, 4)
  })
  it.each([
    [2.9, 0.72, 0.26],
    [13.5, 6.21, 0.24],
    [23.0, 11.13, 0.26],
  ])('reads %d back as %d with %d, as the textbook does', (y, x, uncertainty) => {
    const read = readFromCurve(curve, y, 1)!
    expect(Math.abs(read.x - x)).toBeLessThan(0.01)
    expect(read.uncertainty).toBeCloseTo(uncertainty, 2)
  })
  it('is the line of the reference library simple-statistics, for any points', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -500, max: 500 })), {
          minLength: 3,
          maxLength: 20,
        }),
        pairs => {
          const points = pairs.map(([x, y]) => ({ x, y }))
          const fitted = fitLine(points)
          if (!fitted) {
            expect(new Set(pairs.map(([x]) => x)).size).toBe(1)
            return
          }
          const data = pairs.map(([x, y]) => [x, y])
          const theirs = linearRegression(data)
          expect(fitted.slope).toBeCloseTo(theirs.m, 7)
          expect(fitted.intercept).toBeCloseTo(theirs.b, 6)
          if (new Set(pairs.map(([, y]) => y)).size > 1)
            expect(fitted.r2).toBeCloseTo(rSquared(data, linearRegressionLine(theirs)), 7)
        },
      ),
    )
  })
  it('has a band that is narrowest in the middle of the standards', () => {
    const bandAt = (x: number): number => studentT(0.95, 5) * errorAt(curve, x)
    expect(bandAt(6)).toBeLessThan(bandAt(0))
    // t(5) = 2.571: 2.571 × 0.4329 × √(1/7) = 0.4207.
    expect(bandAt(6)).toBeCloseTo(0.4207, 3)
  })
  it('needs three points that differ', () => {
    expect(fitLine(fluorescence.slice(0, 2))).toBeUndefined()
    expect(fitLine([1, 2, 3].map(y => ({ x: 1, y })))).toBeUndefined()
  })
})

describe('worstPoint', () => {
  it('suspects a point off the line of the others, and none on it', () => {
    expect(worstPoint(fluorescence)!.suspected).toBe(false)
    const off = fluorescence.map((point, i) => (i === 3 ? { ...point, y: 16 } : point))
    expect(worstPoint(off)).toMatchObject({ index: 3, suspected: true })
  })
})

describe('replicates against simple-statistics', () => {
  const values = fc.array(fc.integer({ min: 1, max: 100_000 }), { minLength: 2, maxLength: 12 })
  it('has the same standard deviation', () => {
    fc.assert(
      fc.property(values, set => {
        expect(summarise(set).standardDeviation).toBeCloseTo(sampleStandardDeviation(set), 6)
      }),
    )
  })
  it('has the same t where the spreads are pooled', () => {
    let pooled = 0
    fc.assert(
      fc.property(values, values, (a, b) => {
        const found = compareSets(a, b)
        if (!found?.pooled || found.t === 0) return
        pooled++
        expect(found.t).toBeCloseTo(Math.abs(tTestTwoSample(a, b, 0)!), 6)
      }),
    )
    expect(pooled).toBeGreaterThan(10)
  })
  // Grubbs' two-sided limits at 95 %, published tables (from memory).
  it.each([
    [3, 1.155],
    [5, 1.715],
    [6, 1.887],
    [7, 2.02],
    [8, 2.126],
    [10, 2.29],
  ])('has Grubbs’ limit for %i values: %d', (n, limit) => {
    const critical = grubbs(Array.from({ length: n }, (_, i) => i * i))!.critical
    expect(Math.abs(critical - limit)).toBeLessThan(0.001)
  })
})
