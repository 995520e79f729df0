import { describe, expect, it } from 'vitest'
import type { Entry } from '#core/journal'
import type { ClassPlan, Criterion } from './class-plan'
import {
  classSchema,
  drawUnknowns,
  groupDocument,
  marksFor,
  recordKept,
  rosterFrom,
  sectionOf,
  spreadOf,
  stocksFor,
  totalOf,
  usualRubric,
} from '.'

const plan: ClassPlan = {
  name: 'Nickel double salt',
  document: {
    format: 'zip-ledger/batch',
    version: 2,
    title: 'Zinc sulfate',
    plan: {
      stages: [
        {
          id: 's1',
          equation: 'Zn + H2SO4 -> ZnSO4 + H2',
          reagents: [
            { species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '5.00 g' } },
            { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' } },
          ],
          product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
        },
      ],
    },
  },
  groups: 12,
  sections: ['Monday', 'Wednesday'],
  seed: 7,
  scatter: 15,
  unknown: { asks: 'zinc in the jar', unit: '%', from: 12, to: 28, digits: 4 },
  shows: { predictions: false, explanations: false },
  questions: [{ id: 'q1', when: 'before', text: 'Which reagent limits?' }],
  rubric: [...usualRubric],
}
const zincOf = (number: number): number => {
  const { charge } = groupDocument(plan, number).plan.stages[0]!.reagents[0]!
  return Number.parseFloat((charge as { mass: string }).mass)
}

describe('what a class draws', () => {
  it('is read as it is kept', () => expect(classSchema.safeParse(plan).success).toBe(true))

  it('gives groups amounts of their own within the scatter, and the same ones each time', () => {
    const all = Array.from({ length: 12 }, (_, i) => zincOf(i + 1))
    for (const mass of all) {
      expect(mass).toBeGreaterThanOrEqual(4.25)
      expect(mass).toBeLessThanOrEqual(5.75)
    }
    expect(new Set(all).size).toBeGreaterThan(9)
    expect(zincOf(3)).toBe(zincOf(3))
  })

  it('draws unknowns between the ends, each its own, with the digits of the key', () => {
    const drawn = drawUnknowns(plan, () => 0.37)
    expect(Object.keys(drawn)).toHaveLength(12)
    for (const text of Object.values(drawn)) {
      expect(text).toMatch(/^\d{2}\.\d{2}$/)
      expect(Number(text)).toBeGreaterThanOrEqual(12)
      expect(Number(text)).toBeLessThanOrEqual(28)
    }
    expect(new Set(Object.values(drawn)).size).toBeGreaterThan(10)
    expect(drawUnknowns(plan, () => 0.9)).not.toEqual(drawn)
  })

  it('deals groups to sections in blocks', () => {
    expect([1, 6, 7, 12].map(number => sectionOf(plan, number))).toEqual(['Monday', 'Monday', 'Wednesday', 'Wednesday'])
    expect(sectionOf({ sections: [], groups: 3 }, 2)).toBe('')
  })

  it('adds up what all groups measure of a solution, by hand: 5 g of zinc takes 38.2 mL of 2 mol/L acid', () => {
    const [acid] = stocksFor({ ...plan, scatter: 0 })
    expect(acid).toMatchObject({ reagent: 'H2SO4', concentration: '2.00 mol/L' })
    // 5.00 ÷ 65.38 ÷ 2.00 × 1000 × 12
    expect(acid!.used).toBeCloseTo(458.9, 0)
    expect(acid!.make).toBe(550)
    // 0.550 L × 2.00 mol/L × 98.08 g/mol ÷ 0.96 ÷ 1.836 g/mL
    expect(acid!.from!.volume).toBeCloseTo(61.2, 0)
  })
})

describe('the results of a class', () => {
  it('come with mean, spread, sections and the outlier marked', () => {
    const values = [20.1, 20.3, 19.9, 20.2, 20.0, 24.9]
    const spread = spreadOf(values.map((value, i) => ({ group: i + 1, section: i < 3 ? 'A' : 'B', value })))!
    expect(spread.mean).toBeCloseTo(20.9, 6)
    expect(spread.outliers).toEqual([6])
    expect(spread.sections.map(({ section, n }) => [section, n])).toEqual([
      ['A', 3],
      ['B', 3],
    ])
    expect(spread.findings.length).toBeGreaterThan(0)
    expect(spreadOf([])).toBeUndefined()
  })
})

describe('marks by the rubric', () => {
  const facts = {
    assay: { name: 'Zinc', values: [20.0, 20.2, 20.1], mean: 20.1, unit: '%' },
    key: 20.4,
    kept: [{ rule: 'r', share: 0.5, why: 'half' }],
    answered: 1,
    asked: 2,
  }
  const markOf = (
    id: string,
    given: Parameters<typeof marksFor>[2] = [],
    of = facts as Parameters<typeof marksFor>[1],
  ) => marksFor(usualRubric, of, given).find(({ criterion }) => criterion === id)!

  it('go by the bands: 1.47 % off is within 2 %, four fifths of 30', () => expect(markOf('accuracy').points).toBe(24))
  it('and 0.498 % of relative spread within 0.5 %', () => expect(markOf('precision').points).toBe(20))
  it('and by the rules of record keeping', () => expect(markOf('record').points).toBe(10))
  it('leave open what only a person can judge', () => {
    expect(markOf('answers').points).toBeUndefined()
    expect(markOf('hand').points).toBeUndefined()
    expect(totalOf(marksFor(usualRubric, facts, []))).toEqual({ points: 54, of: 100, open: 2 })
  })
  it('say nothing of accuracy while the key is sealed', () => {
    const { key: _, ...sealed } = facts
    expect(markOf('accuracy', [], sealed).points).toBeUndefined()
  })
  it('give way to what was given by hand, and say so', () => {
    const hand = [{ criterion: 'accuracy', points: 28, comment: 'A slip in the last line only.' }]
    expect(markOf('accuracy', hand)).toMatchObject({
      points: 28,
      byHand: true,
      comment: 'A slip in the last line only.',
    })
    expect(markOf('accuracy', [{ criterion: 'accuracy', comment: 'Look at the blank.' }])).toMatchObject({
      points: 24,
      byHand: false,
      comment: 'Look at the blank.',
    })
  })
  it('give nothing beyond the last band, and are at a bound within it', () => {
    const one: Criterion = { id: 'a', name: 'A', points: 10, by: 'accuracy', bands: [{ within: 5, share: 0.5 }] }
    const off = (mean: number) =>
      marksFor([one], { ...facts, key: 100, assay: { ...facts.assay, mean } }, [])[0]!.points
    expect([off(95), off(105), off(94.9)]).toEqual([5, 5, 0])
  })
})

describe('record keeping by rule', () => {
  const base = { by: 'w', stage: 's1' }
  const at = (minute: number): string => new Date(Date.UTC(2026, 0, 5, 9, minute)).toISOString()
  const entry = (minute: number, more: object): Entry =>
    ({ id: `e${minute}`, at: at(minute), ...base, ...more }) as unknown as Entry
  const good: Entry[] = [
    entry(0, {
      kind: 'reading',
      about: { what: 'charge', stage: 's1', species: 'Zn' },
      measure: 'net',
      value: '5.02 g',
      typed: false,
    }),
    entry(5, {
      kind: 'reading',
      about: { what: 'charge', stage: 's1', species: 'H2SO4' },
      measure: 'volume',
      value: '40.0 mL',
      typed: true,
    }),
    entry(9, { kind: 'observation', text: 'It fizzes.' }),
    entry(30, { kind: 'observation', text: 'No gas any more.' }),
    entry(50, { kind: 'observation', text: 'White crystals.' }),
    entry(120, {
      kind: 'reading',
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'net',
      value: '18.21 g',
      typed: false,
    }),
    entry(180, {
      kind: 'reading',
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'net',
      value: '18.21 g',
      typed: false,
    }),
  ]
  const shares = (entries: readonly Entry[]) => recordKept(plan.document, entries).map(({ share }) => share)

  it('is whole for a run that was written as it went', () => expect(shares(good)).toEqual([1, 1, 1, 1]))
  it('falls where everything was written at once', () => {
    const atOnce = good.map(one => ({ ...one, at: at(200) }))
    expect(shares(atOnce)[2]).toBeCloseTo(0, 9)
  })
  it('counts what is missing', () => {
    expect(shares(good.slice(1))[0]).toBe(0.5)
    expect(shares(good.slice(0, 4))[1]).toBeCloseTo(2 / 3, 9)
    expect(shares(good.slice(0, 5))[3]).toBe(0)
    expect(shares(good.slice(0, 6))[3]).toBe(0.25)
  })
})

describe('a roster', () => {
  const rows = (text: string): string[][] => text.split('\n').map(line => line.split(','))
  it('takes names with their groups, whatever the order of its columns', () =>
    expect(rosterFrom(rows('Group,Name\n2,Pip Sedge\n1,Ode Larch'), 12)).toEqual({
      ok: true,
      lines: [
        { name: 'Pip Sedge', group: 2 },
        { name: 'Ode Larch', group: 1 },
      ],
    }))
  it('makes pairs in the order of the list where no groups are given', () => {
    const list = rosterFrom(rows(`name\n${Array.from({ length: 24 }, (_, i) => `Student ${i}`).join('\n')}`), 12)
    expect(list.ok && list.lines.map(({ group }) => group).slice(0, 5)).toEqual([1, 1, 2, 2, 3])
    expect(list.ok && list.lines.at(-1)?.group).toBe(12)
  })
  it('says of each line what is wrong, and takes nothing', () => {
    const read = rosterFrom(rows('name,group\n,1\nPip,13\nPip,1\nOde,x'), 12)
    expect(read.ok).toBe(false)
    expect(!read.ok && read.problems.map(({ line }) => line)).toEqual([2, 3, 4, 5])
    expect(rosterFrom(rows('who knows\nPip'), 2).ok).toBe(false)
    expect(rosterFrom(rows('name'), 2).ok).toBe(false)
  })
})
