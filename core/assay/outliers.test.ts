import { describe, expect, it } from 'vitest'
import {
  anova,
  compareGroups,
  compareSets,
  computeWorksheet,
  dixon,
  dixonLimit,
  grubbs,
  grubbsLimit,
  newWorksheet,
} from '.'
import { assayNotes } from '#core/remarks'
import { fRows, grubbsRows, studentRows } from './fixtures/distributions'
import { incompleteBeta, studentT } from './student'

/** Normal draws that repeat (Marsaglia's polar method on a linear congruential generator). */
function normal(seed: number): () => number {
  let state = seed
  const draw = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return (2 * state) / 2 ** 32 - 1
  }
  return () => {
    for (;;) {
      const [u, v] = [draw(), draw()]
      const s = u * u + v * v
      if (s > 0 && s < 1) return u * Math.sqrt((-2 * Math.log(s)) / s)
    }
  }
}
const draws = (n: number, next: () => number): number[] => Array.from({ length: n }, next)
const quantile = (values: number[], share: number): number =>
  values.toSorted((a, b) => a - b)[Math.floor(share * values.length)]!

describe('the tables of Dixon and Grubbs', () => {
  it('are what sets of normal values give', () => {
    const next = normal(1)
    for (const n of [3, 7, 15, 30]) {
      const sets = Array.from({ length: 5000 }, () => draws(n, next))
      const q = sets.map(set => {
        const s = set.toSorted((a, b) => a - b)
        return Math.max(s[1]! - s[0]!, s[n - 1]! - s[n - 2]!) / (s[n - 1]! - s[0]!)
      })
      const g = sets.map(set => grubbs(set)!.q)
      for (const level of [90, 95, 99] as const) {
        expect(Math.abs(quantile(q, level / 100) - dixonLimit(n, level)!), `Q ${n} ${level}`).toBeLessThan(0.03)
        expect(Math.abs(quantile(g, level / 100) / grubbsLimit(n, level)! - 1), `G ${n} ${level}`).toBeLessThan(0.03)
      }
    }
  })
  it('reach from 3 to 30 for Q, and no further', () => {
    for (const level of [90, 95, 99] as const) {
      expect(dixonLimit(2, level)).toBeUndefined()
      expect(dixonLimit(31, level)).toBeUndefined()
      for (let n = 4; n <= 30; n++) expect(dixonLimit(n, level)!).toBeLessThan(dixonLimit(n - 1, level)!)
    }
  })
  it('agree with a reference library, Student’s t and the tail of F with it', () => {
    for (const [n, level, limit] of grubbsRows)
      expect(grubbsLimit(n, level)! / limit, `G ${n} ${level}`).toBeCloseTo(1, 8)
    for (const [share, degrees, t] of studentRows)
      expect(studentT(share, degrees) / t, `t ${share} ${degrees}`).toBeCloseTo(1, 8)
    for (const [top, bottom, f, beyond] of fRows) {
      const found = incompleteBeta(bottom / (bottom + top * f), bottom / 2, top / 2)
      expect(Math.abs(found - beyond), `F ${top} ${bottom} ${f}`).toBeLessThan(1e-8 * Math.max(beyond, 1e-3))
    }
  })
})

describe('readings with steps', () => {
  const flagged = (n: number, deviation: number, step: number, seed: number): number => {
    const next = normal(seed)
    const sets = Array.from({ length: 800 }, () =>
      draws(n, next).map(one => Math.round((10 + deviation * one) / step) * step),
    )
    return sets.filter(set => dixon(set, step)?.suspected || grubbs(set, step)?.suspected).length / sets.length
  }
  it('do not make an outlier of every second set: no more than chance allows, at any step', () => {
    for (const [deviation, step] of [
      [0.012, 0.01],
      [0.005, 0.01],
      [0.02, 0.01],
      [0.05, 0.01],
    ] as const)
      for (const n of [3, 4, 6]) expect(flagged(n, deviation, step, 5), `${n}, ${deviation}`).toBeLessThan(0.13)
  })
  it('still show what really stands out', () => {
    expect(dixon([31.2, 31.21, 31.2, 31.85], 0.01)).toMatchObject({ suspected: true, index: 3, level: 90 })
    expect(grubbs([31.2, 31.21, 31.2, 31.22, 31.19, 31.85], 0.01)).toMatchObject({
      suspected: true,
      index: 5,
      level: 95,
    })
  })
  it('test nothing where the spread is the step itself: 31.20, 31.20, 31.21 mL', () => {
    const sheet = {
      ...newWorksheet('w', 'titration', {
        equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
        titrant: 'HCl',
        concentration: '0.1000 mol/L',
        species: 'Na2CO3',
        form: 'Na2CO3',
      }),
      rows: ['31.20', '31.20', '31.21'].map(volume => ({ sample: '0.2000 g', volume: `${volume} mL` })),
    }
    const result = computeWorksheet(sheet)
    expect(result.outliers).toEqual([])
    // Another worksheet of the kind that asks something else is not set against it.
    const other = { ...sheet, id: 'v', given: { ...sheet.given, form: 'Na2CO3·10H2O' } }
    expect(
      assayNotes({ sheet, result, product: undefined, all: [sheet, other] }).filter(({ tag }) =>
        tag.startsWith('Against'),
      ),
    ).toEqual([])
    const again = { ...sheet, id: 'u', name: 'again' }
    expect(
      assayNotes({ sheet, result, product: undefined, all: [sheet, again] }).some(
        ({ tag }) => tag === 'Against “again”',
      ),
    ).toBe(true)
  })
})

describe('sets against each other', () => {
  it('do not differ where their values are the same to the last digit', () => {
    expect(compareSets([99.1, 99.1, 99.1], [99.1, 99.1, 99.1])).toBeUndefined()
    const told = compareGroups([99.1, 99.1, 99.103, 99.103], ['a', 'a', 'b', 'b'], 0.03)
    expect(told).toHaveLength(1)
    expect(told[0]!.text).toContain('the means agree')
    expect(told[0]!.text).not.toContain('e+')
  })
  /*
   * The certified one-way sets of the U.S. national institute of standards (SmLs01, 04 and 07, from memory of their making): nine treatments of 21 values that
   * differ by ±0.1 about 0.4, 0.3, 0.5, 0.3 … on a constant of 1, 1e6, 1e12. All certify F = 21.0.
   */
  it('keep their digits on a constant of a million million', () => {
    const pattern = [0.4, 0.3, 0.5, 0.3, 0.5, 0.3, 0.5, 0.3, 0.5]
    const sets = (constant: number) =>
      pattern.map(level => [
        constant + level,
        ...Array.from({ length: 10 }, () => [constant + level - 0.1, constant + level + 0.1]).flat(),
      ])
    for (const constant of [1, 1e6, 1e12])
      expect(anova(sets(constant))!.f, String(constant)).toBeCloseTo(21, constant < 1e7 ? 4 : 1)
  })
})

describe('worksheets of a batch', () => {
  it('are compared only where they ask of the same salt', () => {
    const of = (id: string, salt: string) => ({
      ...newWorksheet(id, 'conductance', { salt }),
      name: id,
      rows: ['0.431 mS/cm', '0.433 mS/cm'].map(conductivity => ({
        sample: '0.2675 g',
        madeUp: '1000 mL',
        conductivity,
      })),
    })
    const [one, same, other] = [of('one', '[Co(NH3)6]Cl3'), of('same', '[Co(NH3)6]Cl3'), of('other', '[Co(NH3)5Cl]Cl2')]
    const tags = assayNotes({ sheet: one, result: computeWorksheet(one), product: undefined, all: [one, same, other] })
      .map(({ tag }) => tag)
      .filter(tag => tag.startsWith('Against'))
    expect(tags).toEqual(['Against “same”'])
  })
})

describe('which hydrate', () => {
  const heated = (...after: string[]) =>
    computeWorksheet({
      ...newWorksheet('w', 'hydrate', { salt: 'CuSO4' }),
      rows: after.map(text => ({ tare: '10.0000 g', before: '11.0000 g', after: text })),
    })
  it('is none where the values name none: 4.99, 5.00 and 2.79 have a mean of 4.27', () => {
    const after = (waters: number): string => `${(10 + 159.6 / (159.6 + waters * 18.015)).toFixed(4)} g`
    const { findings, choices, summary } = heated(after(4.99), after(5), after(2.79))
    expect(summary!.mean).toBeCloseTo(4.26, 1)
    expect(findings[0]).toMatchObject({ tone: 'caution', tag: 'Which hydrate' })
    expect(findings[0]!.text).toContain('names no hydrate')
    expect(choices[0]!.rows.every(({ fits }) => !fits)).toBe(true)
    expect(heated(after(4.99), after(5), after(5.02)).findings[0]!.text).toContain('{CuSO4·5H2O} fits.')
  })
  it('is the nearest, and says which others cannot be told from it', () => {
    // Twelve whole numbers stand for a salt that the tables do not know: ±0.9 waters reach two of them.
    const result = computeWorksheet({
      ...newWorksheet('w', 'hydrate', { salt: 'Sc(NO3)3' }),
      rows: [{ tare: '10.0 g', before: '11.0 g', after: '10.7 g' }],
    })
    expect(result.findings[0]!.text).toMatch(/fits best; \{.+\} cannot be told from it/)
  })
})
