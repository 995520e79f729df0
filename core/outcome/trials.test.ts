import { describe, expect, it } from 'vitest'
import { compareTrials, type Trial } from './trials'

const trial = (code: string, percent: number, more: Partial<Trial> = {}): Trial => ({
  code,
  percent: percent / 100,
  spread: 0.001,
  ...more,
})
/* On paper: 82.0, 83.0, 84.0 have mean 83.0 and s 1.0; t(95 %, 2) = 4.303, so another lies within 4.303 × √(1 + 1/3) = 4.97 of the mean (with 0.1 of its own, 4.98). */
const three = [trial('A', 82), trial('B', 83), trial('C', 84)]

describe('compareTrials', () => {
  it('has nothing to say of one', () => expect(compareTrials(trial('D', 70), [])).toBeUndefined())

  it.each([
    [78.1, false],
    [77.9, true],
    [87.9, false],
    [88.1, true],
  ])('of three others, %d %% differs: %s', (percent, differs) =>
    expect(compareTrials(trial('D', percent), three)!.here.differs).toBe(differs),
  )

  it('tells mean, spread and the interval of all', () => {
    const { mean, deviation, expanded, count } = compareTrials(trial('D', 83), three)!
    // 82, 83, 83, 84: s = √(2/3) = 0.816; t(95 %, 3) = 3.182; 3.182 × 0.816 ÷ 2 = 1.30.
    expect(count).toBe(4)
    expect(mean).toBeCloseTo(83, 9)
    expect(deviation).toBeCloseTo(0.8165, 4)
    expect(expanded).toBeCloseTo(1.299, 2)
  })

  it('sets two against each other by their readings alone', () => {
    // √(0.1² + 0.1²) = 0.141, times 1.96: 0.28.
    expect(compareTrials(trial('D', 83.2), [trial('B', 83)])!.here.differs).toBe(false)
    const apart = compareTrials(trial('D', 83.4), [trial('B', 83)])!
    expect(apart.here.differs).toBe(true)
    expect(apart.here.words).toContain('a third trial')
    expect(apart.deviation).toBeCloseTo(0.4 / Math.SQRT2, 9)
  })

  it('names the one that lies apart', () => {
    const many = [81, 82, 82.5, 83, 83.5, 84].map((percent, i) => trial(`T${i}`, percent))
    expect(compareTrials(trial('D', 40), many)!.outlier).toBe('D')
    expect(compareTrials(trial('D', 82.2), many)!.outlier).toBeUndefined()
  })

  it('does not know how trials scatter that all agree', () =>
    expect(compareTrials(trial('D', 70), [trial('A', 82), trial('B', 82)])!.here.differs).toBeUndefined())

  it('compares groups by their means', () => {
    const group = (name: string, ...percents: number[]): Trial[] =>
      percents.map((percent, i) => trial(`${name}${i}`, percent, { group: name }))
    const [here, ...rest] = [...group('ice', 82, 83, 84), ...group('room', 70, 71, 72)]
    expect(compareTrials(here!, rest)!.groups.join()).toContain('the means differ')
    const [other, ...same] = [...group('ice', 82, 83, 84), ...group('room', 82.5, 83.5, 83)]
    expect(compareTrials(other!, same)!.groups.join()).toContain('the means agree')
  })
})
