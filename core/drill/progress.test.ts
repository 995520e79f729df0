import { describe, expect, it } from 'vitest'
import { nextOf, standingsOf, type Answered, type Outcome } from './progress'

const START = Date.UTC(2026, 0, 5, 9)
const DAY = 86_400_000
const answers = (family: string, outcomes: readonly Outcome[], step = 60_000): Answered[] =>
  outcomes.map((outcome, i) => ({
    family,
    level: 1,
    seed: i,
    outcome,
    slips: outcome === 'slip' ? ['waters left out'] : [],
    at: START + i * step,
  }))
const of = (family: string, all: readonly Answered[]) => standingsOf(all).find(one => one.family.id === family)!

describe('how somebody stands', () => {
  it('goes a step up after two right in a row, and down after two slips', () => {
    expect(of('weigh', answers('weigh', ['right'])).level).toBe(1)
    expect(of('weigh', answers('weigh', ['right', 'right'])).level).toBe(2)
    expect(of('weigh', answers('weigh', ['right', 'slip', 'right'])).level).toBe(1)
    const up = answers('weigh', ['right', 'right', 'slip', 'wrong']).map((one, i) => ({
      ...one,
      level: i < 2 ? (1 as const) : (2 as const),
    }))
    expect(of('weigh', up).level).toBe(1)
  })

  it('puts off what is known for longer each time, and what is not for a minute', () => {
    const known = [0, 1, 2, 3].map(n => {
      let at = START
      const given: Answered[] = []
      for (let i = 0; i <= n; i++) {
        given.push({ ...answers('weigh', ['right'])[0]!, at })
        at = of('weigh', given).due!
      }
      return at - given.at(-1)!.at
    })
    expect(known).toEqual(known.toSorted((a, b) => a - b))
    expect(known.at(-1)!).toBeGreaterThan(5 * DAY)
    const lapsed = of('weigh', answers('weigh', ['slip']))
    expect(lapsed.due! - START).toBeLessThanOrEqual(120_000)
  })

  it('asks after a slip at once, then what is due, then what is new', () => {
    const slip = standingsOf([...answers('yield', ['right']), ...answers('weigh', ['slip'])])
    expect(nextOf(slip, START + 1000).family.id).toBe('weigh')
    expect(nextOf(slip, START + 1000).open).toBe('waters left out')
    const two = standingsOf([...answers('yield', ['slip']), ...answers('weigh', ['slip'])])
    expect(nextOf(two, START + 1000, { just: 'weigh' }).family.id).toBe('weigh')
    expect(nextOf(two, START + 1000, { just: 'yield' }).family.id).toBe('yield')
    expect(nextOf(standingsOf([]), START).family.id).toBe('formula')
    expect(nextOf(standingsOf(answers('formula', ['right'])), START + 1000).family.id).toBe('name')
    expect(nextOf(standingsOf(answers('formula', ['right'])), START + 30 * DAY).family.id).toBe('formula')
    expect(nextOf(standingsOf([]), START, { only: new Set(['curve']) }).family.id).toBe('curve')
  })

  it('counts the slips, and what was right of the last ten', () => {
    const standing = of('weigh', answers('weigh', ['slip', 'slip', 'right', 'too short']))
    expect(standing.slips.get('waters left out')).toBe(2)
    expect(standing.right).toBe(0.25)
    expect(standing.open).toBeUndefined()
  })
})
