import { describe, expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { batchOf, planted, type Planted } from './fixtures/planted-causes'
import { zinc } from './fixtures/planted-stages'
import { tableFor } from './table'
import { readingsFor, yieldFacts } from './yield-facts'

const factsOf = (one: Planted) => {
  const { plan, steps, entries } = batchOf(one)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(one.name)
  return yieldFacts({ plan: read.value, lines: foldJournal(entries), stageId: 's1', steps, assays: [] })!
}
const named = (name: string): Planted => planted.find(one => one.name === name)!
const row = (one: Planted, code: string) => tableFor(factsOf(one)).find(found => found.code === code)!

describe('what a usual run gives', () => {
  it('is the plan’s yield, where it names one: a chemist’s own experience', () => {
    const { usual } = readingsFor(factsOf(named('copper sulfate damp')))
    expect(usual[0]).toMatchObject({ mean: 0.8, spread: 0.06 })
  })
  it('is what the account lets come, less what sticks, where the plan names none', () => {
    const { yield: _, ...bare } = zinc()
    const facts = factsOf({ ...named('zinc sulfate weighed once, sticking'), stage: bare })
    const { usual } = readingsFor(facts)
    expect(usual).toHaveLength(1)
    expect(usual[0]!.mean).toBeCloseTo(facts.won.planned! - 0.03, 9)
    expect(usual[0]!.spread).toBe(0.1)
  })
  it('has both opinions where the account lets more come than the plan expects', () => {
    const facts = factsOf(named('double salt with the ammonium sulfate it had too much of'))
    const { usual } = readingsFor(facts)
    expect(usual.map(({ weight }) => weight)).toEqual([0.6, 0.4])
    expect(usual[1]!.mean).toBeCloseTo(facts.won.planned! - 0.03, 9)
  })
})

describe('rows of the table', () => {
  it('settle a side reaction by the excess that it eats, and a reaction cut short by what was left', () => {
    const one = named('zinc sulfate whose excess of zinc was eaten')
    expect(row(one, 'side reaction').on).toBe('Zn')
    expect(row(named('cobalt chloride whose carbonate came back'), 'not finished').on).toBe('CoCO3')
  })
  it('say how often it was washed, and what was planned where anything was', () => {
    const often = row(named('zinc sulfate washed six times'), 'wash loss').heard.find(({ says }) =>
      says.includes('6 times'),
    )!
    expect(often.says).toMatch(/^It was washed 6 times, and \d were planned\.$/)
    const own: Planted = {
      ...named('zinc sulfate washed six times'),
      stage: {
        ...zinc(),
        operations: [{ evaporateTo: { volume: '32 mL' } }, { coolTo: '5 °C' }, { filter: { retained: '20 %' } }],
      },
      extra: [{ id: 'w', do: 'wash', words: 'Wash', repeat: { times: 5 } }],
      washes: 5,
    }
    const unplanned = factsOf(own)
    expect(unplanned.washes.done).toBe(5)
  })
  it('leave out a wash that cannot dissolve it, a second crop that was never planned, water that two weighings rule out', () => {
    const codes = (one: Planted): readonly string[] => tableFor(factsOf(one)).map(({ code }) => code)
    expect(codes({ ...named('zinc sulfate weighed once, sticking'), washes: 0 })).not.toContain('wash loss')
    expect(codes(named('zinc sulfate weighed once, sticking'))).not.toContain('crop not taken')
    expect(codes(named('heptahydrate taken for the hexahydrate'))).not.toContain('wet')
    expect(codes(named('zinc sulfate weighed once, sticking'))).toContain('wet')
  })
  it('swap digits only of what a hand typed, and not of two weighings that agree', () => {
    expect(row(named('cobalt chloride, 12.03 read as 21.03'), 'digits swapped').sizes.length).toBeGreaterThan(1)
    const twice = { ...named('cobalt chloride, 12.03 read as 21.03'), weighed: ['21.03 g', '21.03 g'] }
    expect(tableFor(factsOf(twice)).some(({ code }) => code === 'digits swapped')).toBe(false)
    expect(tableFor(factsOf(named('copper sulfate damp'))).some(({ code }) => code === 'digits swapped')).toBe(false)
  })
  it('give every row sizes that sum to one, a share that is one, and a reason', () => {
    for (const one of planted)
      for (const { code, sizes, usual, usualWhy } of tableFor(factsOf(one))) {
        expect(
          sizes.reduce((sum, { weight }) => sum + weight, 0),
          `${one.name}: ${code}`,
        ).toBeCloseTo(1, 9)
        expect(usual).toBeGreaterThan(0)
        expect(usual).toBeLessThanOrEqual(0.5)
        expect(usualWhy.length).toBeGreaterThan(10)
      }
  })
})
