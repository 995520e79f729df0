import { describe, expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { batchOf, planted, type Planted } from './fixtures/planted-causes'
import { zinc } from './fixtures/planted-stages'
import { ageingOf } from './rows-unmade'
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

describe('rows by what a batch tells', () => {
  const facts = factsOf(named('zinc sulfate weighed once, sticking'))
  const rowOf = (code: string, more: Partial<typeof facts>) =>
    tableFor({ ...facts, ...more }).find(one => one.code === code)
  const usualOf = (code: string, more: Partial<typeof facts>): number | undefined => rowOf(code, more)?.usual

  it('a tare of its own makes a mistaken vessel less usual, and another’s possible', () => {
    expect(usualOf('tare', { hasTare: true, tares: [] })).toBe(0.006)
    expect(usualOf('tare', { hasTare: false, tares: [] })).toBe(0.012)
    expect(rowOf('tare', { hasTare: true })!.title).toContain('Another vessel')
    expect(rowOf('tare', { hasTare: false, tares: [2.5] })!.sizes.some(({ effect }) => effect.offset === 2.5)).toBe(
      true,
    )
    // A vessel that weighs more than the whole was not under it.
    expect(rowOf('tare', { hasTare: false, tares: [250] })!.sizes.some(({ effect }) => effect.offset === 250)).toBe(
      false,
    )
  })
  it('water is lost where heat, a dry solvent, dry air or a desiccant takes it, and hardly else', () => {
    const wash = { ...facts.washes, ethanol: false }
    const dry = {
      step: { id: 'd', do: 'desiccate' as const, words: '' },
      status: 'done' as const,
      times: 1,
      inserted: false,
    }
    const bare = { ...facts.run, steps: [] }
    expect(usualOf('lost water', { washes: wash, air: 'keeps', run: bare })).toBeCloseTo(0.7 * 0.015, 9)
    expect(usualOf('lost water', { washes: wash, air: 'effloresces', run: bare })).toBeCloseTo(0.7 * 0.05, 9)
    expect(usualOf('lost water', { washes: wash, air: 'keeps', run: { ...bare, steps: [dry] } })).toBeCloseTo(
      0.7 * 0.05,
      9,
    )
    expect(usualOf('lost water', { washes: { ...wash, ethanol: true }, air: 'keeps', run: bare })).toBeCloseTo(
      0.7 * 0.05,
      9,
    )
    const hot = {
      step: { id: 'o', do: 'dry' as const, words: '', target: '150 °C' },
      status: 'done' as const,
      times: 1,
      inserted: false,
    }
    expect(usualOf('lost water', { washes: wash, air: 'keeps', run: { ...bare, steps: [hot] } })).toBeCloseTo(
      0.7 * 0.3,
      9,
    )
    const why = (more: Partial<typeof facts>): string =>
      rowOf('lost water', { washes: wash, air: 'keeps', run: bare, ...more })!.usualWhy
    expect(why({})).toBe('nothing that is recorded took its water')
    expect(why({ air: 'effloresces' })).toBe('this hydrate loses water in dry air')
    expect(why({ run: { ...bare, steps: [dry] } })).toContain('desiccant')
    expect(why({ washes: { ...wash, ethanol: true } })).toContain('solvent')
    expect(why({ run: { ...bare, steps: [hot] } })).toContain('dried at 150 °C')
    const warm = { ...hot, step: { ...hot.step, target: '30 °C' } }
    expect(usualOf('lost water', { washes: wash, air: 'keeps', run: { ...bare, steps: [warm] } })).toBeCloseTo(
      0.7 * 0.015,
      9,
    )
  })
  it('a bottle of a wetter hydrate is usual, of a drier one seldom, and each says so', () => {
    const nickel = tableFor(factsOf(named('double salt reckoned as half the unit'))).filter(
      ({ code }) => code === 'wrong hydrate charged',
    )
    const drier = nickel.find(({ title }) => title.includes('{NiSO4}'))!
    const wetter = nickel.find(({ title }) => title.includes('7H2O'))!
    expect(drier.usualWhy).toContain('seldom drier')
    expect(wetter.usualWhy).toContain('leave the water out')
    expect(wetter.usual).toBeCloseTo(5 * drier.usual, 9)
  })
  it('a salt that draws water takes it up, more where it runs', () => {
    expect(rowOf('took up water', { air: 'keeps' })).toBeUndefined()
    expect(usualOf('took up water', { air: 'hygroscopic' })).toBe(0.04)
    expect(usualOf('took up water', { air: 'deliquesces' })).toBe(0.12)
    // What cannot lose its water in air may be wet, though two weighings agree.
    const constant = { ...facts.dryness, isConstant: true }
    expect(rowOf('wet', { dryness: constant })).toBeUndefined()
    expect(rowOf('wet', { dryness: constant, air: 'deliquesces' })).toBeDefined()
  })
  it('a basic salt hangs on what keeps the liquor, an acid salt on acid in excess', () => {
    const basic = (acidity: typeof facts.acidity) => usualOf('acid or basic salt', { acidity })
    expect([basic('base'), basic('acid used up'), basic('salts'), basic('acid')]).toEqual([0.04, 0.01, 0.004, 0.002])
  })
  it('what decomposes is asked for only where it was as hot as that', () => {
    const at = (celsius: number) => ({
      ...facts.run,
      steps: [
        {
          step: { id: 'o', do: 'dry' as const, words: '', target: `${celsius} °C` },
          status: 'done' as const,
          times: 1,
          inserted: false,
        },
      ],
    })
    const row = { ...facts.row!, decomposes: 300 }
    expect(rowOf('decomposed', { row, run: at(200) })).toBeUndefined()
    expect(usualOf('decomposed', { row, run: at(290) })).toBe(0.05)
    expect(usualOf('decomposed', { row, run: at(310) })).toBe(0.3)
  })
  it('a liquor that nothing is known of may keep anything', () => {
    const unknown = rowOf('left in the liquor', { won: {} })!
    const shares = unknown.sizes.map(({ effect }) => effect.won!.mean)
    expect(Math.min(...shares)).toBeLessThan(0.4)
    expect(Math.max(...shares)).toBeGreaterThan(0.9)
    expect('most' in unknown).toBe(false)
    // All comes: nothing stays.
    expect(rowOf('left in the liquor', { won: { recorded: 1, planned: 1 } })).toBeUndefined()
  })
  it('hears the colour of the crystals where the forms differ in it', () => {
    const copper = factsOf(named('copper sulfate damp'))
    const seen = (of: string) => [{ sign: 'colour' as const, is: true, place: 'crystals' as const, of }]
    const strengths = (of: string): (string | number)[][] =>
      tableFor({ ...copper, seen: seen(of) })
        .filter(({ code, form }) => code === 'lighter hydrate' && form === 'CuSO4')
        .flatMap(({ heard }) => heard.map(one => [one.says, Number((one.with / one.without).toFixed(3))]))
    expect(strengths('white')).toEqual([['It was seen white, as {CuSO4} is.', 7]])
    expect(strengths('blue')).toEqual([['It was seen blue, as {CuSO4·5H2O} is.', 0.143]])
    expect(strengths('pink')).toEqual([])
  })
  it('says what the account lets come, where that is clearly less than the plan expects', () => {
    const why = (recorded: number) => rowOf('left in the liquor', { won: { recorded, planned: recorded } })!.usualWhy
    expect(why(0.79)).toContain('only 79')
    expect(why(0.82)).toContain('seldom boiled down')
    expect(why(0.88)).toContain('seldom boiled down')
  })
  it('tells by ions how a reagent ages', () => {
    expect([ageingOf('Na2SO3'), ageingOf('NaHSO3')]).toEqual(Array(2).fill('sulfites oxidise to sulfate'))
    expect(ageingOf('NH3')).toContain('flat')
    expect(ageingOf('KOH')).toContain('carbon dioxide')
    expect(ageingOf('NaCl')).toBeUndefined()
    expect(ageingOf('Na2SO4')).toBeUndefined()
  })
})
