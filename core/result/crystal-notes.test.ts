import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { addSolute, findCurve, follow, type Course, type Move, type PotState } from '#core/solution'
import { crystalNotes, recoveryOf, type CrystalSetting } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
function pot(water: number, salts: readonly (readonly [string, number])[]): PotState {
  let made: PotState = { celsius: 25, water: 0, totals: new Map(), solutes: [] }
  for (const [salt, grams] of salts) {
    const next = addSolute({ ...made, water: 0 }, f(salt), grams)
    if (!next.ok) throw new Error(salt)
    made = next.value
  }
  return { ...made, water }
}
function way(start: PotState, moves: readonly Move[]): Course {
  const course = follow(start, moves)
  if (!course.ok) throw new Error(course.problem.code)
  return course.value
}
const to = (celsius: number): Move[] => [
  { do: 'heat', celsius: 80 },
  { do: 'cool', celsius },
  { do: 'filter', retained: 0.2 },
]
const setting = (product: string, more: Partial<CrystalSetting>): CrystalSetting => ({
  product: f(product),
  curve: findCurve(f(product))?.curve,
  leftOut: [],
  course: undefined,
  verdict: undefined,
  hotFilter: undefined,
  curves: [],
  ...more,
})
const tags = (from: CrystalSetting): string[] => crystalNotes(from).map(({ tag }) => tag)
const textOf = (from: CrystalSetting, tag: string): string => crystalNotes(from).find(note => note.tag === tag)!.text

/* On paper: KNO3, 100 g in 100 g of water, cooled to 10 °C, where 21 to 22 g stay dissolved: some 78 to 79 g come, 0.78 of it. */
describe('recoveryOf', () => {
  it('is the share that comes down', () => {
    const course = way(pot(100, [['KNO3', 100]]), to(10))
    expect(recoveryOf(course, f('KNO3'))).toBeGreaterThan(0.76)
    expect(recoveryOf(course, f('KNO3'))).toBeLessThan(0.82)
  })
  it('counts a hydrate as its salt, and another salt not at all', () => {
    const course = way(pot(60, [['ZnSO4', 50]]), to(5))
    expect(recoveryOf(course, f('ZnSO4'))).toBeCloseTo(recoveryOf(course, f('ZnSO4·7H2O')), 12)
    expect(recoveryOf(course, f('ZnSO4'))).toBeGreaterThan(0)
    expect(recoveryOf(course, f('KNO3'))).toBe(0)
  })
})

describe('crystalNotes', () => {
  it('a good crop needs no more than its source', () => {
    expect(tags(setting('KNO3', { course: way(pot(100, [['KNO3', 100]]), to(10)) }))).toEqual(['Source'])
  })
  it('a thin liquor gives no crop, and the way out is told', () => {
    const from = setting('KNO3', { course: way(pot(100, [['KNO3', 5]]), to(10)) })
    expect(tags(from)).toEqual(['No crop', 'Source'])
    expect(textOf(from, 'No crop')).toContain('boil it down')
  })
  it('a low crop says what stays: KNO3, 40 g in 100 g at 10 °C', () => {
    const from = setting('KNO3', { course: way(pot(100, [['KNO3', 40]]), to(10)) })
    expect(tags(from)).toContain('Low crop')
    expect(Number.parseFloat(textOf(from, 'Low crop'))).toBeGreaterThan(15)
    expect(Number.parseFloat(textOf(from, 'Low crop'))).toBeLessThan(23)
  })
  it('another salt in the crop is a mixed crop, and salts that share an ion are an estimate', () => {
    const course = way(
      pot(100, [
        ['NaCl', 36],
        ['KCl', 45],
      ]),
      to(10),
    )
    const from = setting('KCl', { course })
    expect(tags(from)).toEqual(expect.arrayContaining(['Mixed crop', 'Estimate']))
    expect(textOf(from, 'Mixed crop')).toContain('{NaCl}')
  })
  it('the wrong salt first stands above everything else', () => {
    const verdict = {
      wanted: 'never' as const,
      order: [{ form: 'NaCl', celsius: 61.2, mass: 3 }],
      instead: 'NaCl',
      exchanges: [{ kind: 'cation' as const, words: 'Take {KOH} in place of {NaOH}.' }],
    }
    const [first] = crystalNotes(setting('KCl', { verdict }))
    expect(first).toEqual({
      tone: 'hazard',
      tag: 'Not the one you want',
      text: '{NaCl} comes down first, from 61 °C. Take {KOH} in place of {NaOH}.',
    })
  })
  it('a filter is warned of where the liquor crystallises warm, not where it does so in the hand', () => {
    expect(tags(setting('KNO3', { hotFilter: 58 }))).toContain('Hot filter')
    expect(tags(setting('KNO3', { hotFilter: 30 }))).not.toContain('Hot filter')
  })
  it('what is not in the pot is named, one or more', () => {
    expect(textOf(setting('KNO3', { leftOut: ['K2[Ni(C2O4)2]'] }), 'Left out')).toContain('has no solubility')
    expect(textOf(setting('KNO3', { leftOut: ['NiS', 'CuS'] }), 'Left out')).toContain('{NiS}, {CuS} have no')
  })
  it('a sparingly soluble salt gives the source of its product; an unknown one gives nothing', () => {
    expect(textOf(setting('BaSO4', {}), 'Source')).toContain('Solubility product')
    expect(crystalNotes(setting('K2[Ni(C2O4)2]', {}))).toEqual([])
  })
})
