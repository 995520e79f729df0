import { describe, expect, it } from 'vitest'
import { causeCodes, type Cause, type CauseCode, type TestName } from './cause'
import { dividing, settleWords, tests } from './settle'

const cause = (code: CauseCode, test: TestName, on?: string): Cause => ({
  code,
  title: code,
  usual: 0.1,
  usualWhy: '',
  sizes: [],
  heard: [],
  test,
  ...(on !== undefined && { on }),
})

describe('what settles a cause', () => {
  it('is asked for with what it is done to, and how long it takes', () =>
    expect(settleWords(cause('weak reagent', 'assay the bottle', 'NH3'))).toBe(
      'Titrate or assay {NH3} from the same bottle (forty minutes).',
    ))
  it('has a test that shows it, for every code but a test of memory', () => {
    for (const code of causeCodes)
      expect(
        Object.values(tests).some(({ shows }) => shows[code] !== undefined),
        code,
      ).toBe(true)
  })
  it('tells times in minutes that fit their words', () => {
    const minutes: Readonly<Record<string, number>> = {
      'five minutes': 5,
      'ten minutes': 10,
      'twenty minutes': 20,
      'forty minutes': 40,
      'an hour': 60,
      'an hour and a half': 90,
    }
    for (const one of Object.values(tests)) expect(minutes[one.takes]).toBe(one.minutes)
  })
})

describe('the test that divides two causes', () => {
  const by = (a: Cause, b: Cause) => dividing(a, b, 'ZnSO4·7H2O')
  it('is one that both show, each in its own way, before one that shows one of them', () => {
    const found = by(cause('wet', 'dry on'), cause('by-product', 'wash again', 'KCl'))!
    expect(found.ifFirst).not.toBe(found.ifSecond)
    expect(found.words.length).toBeGreaterThan(10)
  })
  it('is a weighing in five minutes for hot against wet', () => {
    const found = by(cause('hot vessel', 'weigh again'), cause('wet', 'dry on'))!
    expect(found).toMatchObject({
      takes: 'five minutes',
      ifFirst: 'it is heavier cold',
      ifSecond: 'it is lighter again',
    })
  })
  it('says nothing of the kind where only one shows', () => {
    const found = by(cause('left in the liquor', 'boil the liquor down'), cause('transfer loss', 'remember'))!
    expect([found.ifFirst, found.ifSecond]).toContain('nothing of the kind')
  })
  it('names what it is done to: the cause’s own, else the product', () => {
    expect(by(cause('wet', 'dry on'), cause('heavier hydrate', 'heat a sample', 'CuSO4·5H2O'))!.words).toContain(
      '{CuSO4·5H2O}',
    )
    expect(by(cause('wet', 'dry on'), cause('heavier hydrate', 'heat a sample'))!.words).toContain('{ZnSO4·7H2O}')
  })
  it('is none where no test tells them apart', () =>
    expect(
      by(cause('left in the liquor', 'boil the liquor down'), cause('crop not taken', 'boil the liquor down')),
    ).toBeUndefined())
})
