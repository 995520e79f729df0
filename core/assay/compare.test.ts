import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import { compareSets } from '.'
import { incompleteBeta } from './student'

describe('compareSets', () => {
  it('tells nitrogen of the air from that made of compounds', () => {
    /* Masses of a globe of nitrogen, g: Harris, Quantitative Chemical Analysis, ch. 4 (from memory). The second set spreads ten times as
       wide: variances 1.9·10⁻⁶ to 2.0·10⁻⁸, F = 93; so not pooled. Means 2.31011 and 2.29947, error √(1.90·10⁻⁶/8 + 2.0·10⁻⁸/7) =
       4.9·10⁻⁴, t = 21.7 with about 7 degrees of freedom. */
    const air = [2.31017, 2.30986, 2.3101, 2.31001, 2.31024, 2.3101, 2.31028]
    const made = [2.30143, 2.2989, 2.29816, 2.30182, 2.29869, 2.2994, 2.29849, 2.29889]
    const found = compareSets(air, made)!
    expect(found.f).toBeGreaterThan(90)
    expect(found.f).toBeLessThan(97)
    expect(found).toMatchObject({ spreadsDiffer: true, pooled: false, meansDiffer: true })
    expect(found.t).toBeCloseTo(21.7, 1)
    expect(found.degrees).toBeCloseTo(7.2, 1)
  })
  it.each([
    // Two-sided 5 % points of F and t (published tables, from memory).
    [15.44, 3, 3],
    [9.6, 4, 4],
    [39.0, 2, 2],
  ])('F of %f with %i and %i degrees of freedom is the 5 %% point', (f, top, bottom) => {
    expect(2 * incompleteBeta(bottom / (bottom + top * f), bottom / 2, top / 2)).toBeCloseTo(0.05, 3)
  })
  it('pools two sets that spread alike, and says that they agree', () => {
    // 14.84, 14.85, 14.86 and 14.85, 14.86, 14.87: the means are 0.01 apart, s = 0.01: t = 0.01 ÷ (0.01 √(2/3)) = 1.22, 4 degrees.
    const found = compareSets([14.84, 14.85, 14.86], [14.85, 14.86, 14.87])!
    expect(found.t).toBeCloseTo(1.2247, 3)
    expect(found).toMatchObject({ pooled: true, degrees: 4, meansDiffer: false })
  })
  it('is the same either way round, and says nothing of one value', () => {
    const set = fc.array(fc.double({ min: 1, max: 2, noNaN: true }), { minLength: 2, maxLength: 8 })
    fc.assert(
      fc.property(set, set, (a, b) => {
        const [there, back] = [compareSets(a, b), compareSets(b, a)]
        expect(there === undefined).toBe(back === undefined)
        if (!there || !back) return
        expect(there.tProbability).toBeCloseTo(back.tProbability, 9)
        expect(there.fProbability).toBeCloseTo(back.fProbability, 9)
        expect(there.tProbability).toBeGreaterThanOrEqual(0)
        expect(there.tProbability).toBeLessThanOrEqual(1 + 1e-9)
      }),
    )
    expect(compareSets([1], [1, 2])).toBeUndefined()
    expect(compareSets([1, 1], [2, 2])).toBeUndefined()
  })
})
