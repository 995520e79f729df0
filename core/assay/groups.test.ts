import { describe, expect, it } from 'vitest'
import { anova, compareGroups, computeWorksheet, newWorksheet } from '.'

describe('anova', () => {
  it('agrees with a textbook example: fluorescence of a solution stored four ways (Miller and Miller, table 3.2, from memory)', () => {
    /* Means 101, 102, 97, 92; between-sample mean square 62, within 3; F = 20.7 with 3 and 8 degrees of freedom, limit 4.07. */
    const found = anova([
      [102, 100, 101],
      [101, 101, 104],
      [97, 95, 99],
      [90, 92, 94],
    ])!
    expect(found.f).toBeCloseTo(20.67, 1)
    expect([found.between, found.within]).toEqual([3, 8])
    expect(found.differ).toBe(true)
  })
  it('has the published limit of F where p is 0.05: 4.066 for 3 and 8 (published tables, from memory)', () => {
    // Groups made so that F is just under and just over the limit.
    const at = (shift: number) =>
      anova([
        [0, 1, 2],
        [0, 1, 2],
        [0, 1, 2],
        [shift, 1 + shift, 2 + shift],
      ])!
    const f = (shift: number) => (2.25 * shift ** 2) / 3 / 1
    for (const shift of [2.2, 2.3, 2.4]) {
      expect(at(shift).f).toBeCloseTo(f(shift), 9)
      expect(at(shift).differ).toBe(f(shift) > 4.066)
    }
  })
  it('has nothing to say of one set, or without scatter', () => {
    expect(anova([[1, 2]])).toBeUndefined()
    expect(
      anova([
        [1, 1],
        [2, 2],
      ]),
    ).toBeUndefined()
  })
})

describe('compareGroups', () => {
  it('compares two people, and more of them', () => {
    const values = [14.8, 14.82, 14.81, 14.95, 14.97, 14.96]
    expect(compareGroups(values, ['a', 'a', 'a', 'b', 'b', 'b'])[0]).toMatchObject({
      tone: 'caution',
      tag: 'Between the two',
    })
    expect(compareGroups(values, ['a', 'a', 'b', 'b', 'c', 'c'])[0]!.text).toContain('degrees of freedom')
    expect(compareGroups(values, ['a', 'a', 'a', 'a', '', ''])).toEqual([])
    expect(compareGroups([1, 2], ['a', 'b'])[0]!.text).toContain('two values each')
  })
  it('stands on a worksheet whose rows are marked', () => {
    const sheet = {
      ...newWorksheet('g', 'gravimetric', { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' }),
      rows: ['24.1871', '24.1873', '24.1850', '24.1849'].map((gross, i) => ({
        sample: '0.2561 g',
        tare: '24.0000 g',
        gross: `${gross} g`,
        who: i < 2 ? 'Tove' : 'Wren',
      })),
    }
    const found = computeWorksheet(sheet).findings.find(({ tag }) => tag === 'Between the two')
    expect(found).toMatchObject({ tone: 'caution' })
  })
})
