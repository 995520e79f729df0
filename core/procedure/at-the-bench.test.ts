import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import { judgeDryness, judgeSpots, spotWords, toleranceOf } from '#core/journal'
import type { Calendar } from '#core/journal'
import { clashesOf, dueAt, layOut, nextHands, usualHours, type LaneStep } from '.'

describe('dry to constant mass', () => {
  it('takes two weighings with drying between them, and not two in one go', () => {
    const series = (minutes: number) =>
      judgeDryness(
        [
          { hours: 0, mass: 12.34 },
          { hours: 1, mass: 12.01 },
          { hours: 1 + minutes / 60, mass: 12.01 },
        ],
        0.02,
      ).isConstant
    expect(series(1)).toBe(false)
    expect(series(9)).toBe(false)
    expect(series(10)).toBe(true)
    expect(series(60)).toBe(true)
  })
})

describe('judgeSpots', () => {
  const saw = (added: string, result: 'cloud' | 'clear') => ({ added, result })
  it.each([
    // The liquor of {BaCl2} and {Na2SO4}: a drop of chloride clouds it, so sulfate was left, and barium was used up.
    [[saw('BaCl2', 'cloud'), saw('Na2SO4', 'clear')], { says: 'excess', of: 'Na2SO4', by: 'BaCl2' }],
    [[saw('BaCl2', 'clear'), saw('Na2SO4', 'cloud')], { says: 'excess', of: 'BaCl2', by: 'Na2SO4' }],
    [[saw('BaCl2', 'clear'), saw('Na2SO4', 'clear')], { says: 'equal' }],
    [[saw('BaCl2', 'cloud'), saw('Na2SO4', 'cloud')], { says: 'contradictory' }],
    [[saw('BaCl2', 'cloud')], { says: 'half', missing: 'Na2SO4' }],
    [
      [saw('BaCl2', 'cloud'), saw('Na2SO4', 'cloud'), saw('BaCl2', 'clear')],
      { says: 'excess', of: 'BaCl2', by: 'Na2SO4' },
    ],
  ])('%j', (tests, verdict) => expect(judgeSpots(tests, 'BaCl2', 'Na2SO4')).toEqual(verdict))
  it('names the limiting reagent in words', () => {
    expect(spotWords({ says: 'excess', of: 'Na2SO4', by: 'BaCl2' })).toBe(
      '{BaCl2} gives a cloud: {Na2SO4} was in excess, {BaCl2} was the limiting reagent.',
    )
  })
})

describe('judgeDryness', () => {
  const tolerance = toleranceOf(0.01)
  it('is constant when two weighings agree within two steps of the balance', () => {
    expect(
      judgeDryness(
        [
          { hours: 0, mass: 20.51 },
          { hours: 1, mass: 20.5 },
        ],
        tolerance,
      ),
    ).toMatchObject({ isConstant: true })
    expect(
      judgeDryness(
        [
          { hours: 0, mass: 20.55 },
          { hours: 1, mass: 20.5 },
        ],
        tolerance,
      ),
    ).toMatchObject({ isConstant: false })
  })
  it('predicts from three points, as on paper', () => {
    /* 22.00, 21.00, 20.50 g an hour apart: the loss halves each hour, so 0.50 more is to come: the end is 20.00 g, A = 2 g,
       τ = 1/ln 2 h. No more than 0.02 g is left when 2·2^(−t) = 0.02: t = log2(100) = 6.64 h. */
    const { expected } = judgeDryness(
      [
        { hours: 0, mass: 22 },
        { hours: 1, mass: 21 },
        { hours: 2, mass: 20.5 },
      ],
      tolerance,
    )
    expect(expected!.end).toBeCloseTo(20, 3)
    expect(expected!.hours).toBeCloseTo(Math.log2(100), 2)
    expect(expected!.from).toBeLessThan(expected!.hours)
    expect(expected!.to).toBeGreaterThan(expected!.hours)
  })
  it('widens its range by the balance’s own noise, where the weighings scatter more than their rounding', () => {
    const at = (noise: number) =>
      judgeDryness(
        [0, 1, 2, 3, 4].map((hours, i) => ({ hours, mass: 20 + 2 * 0.5 ** hours + noise * [1, -1, 1, -1, 1][i]! })),
        0.02,
      ).expected!
    const [quiet, noisy] = [at(0), at(0.02)]
    expect(noisy.to - noisy.from).toBeGreaterThan(1.5 * (quiet.to - quiet.from))
  })
  it('does not predict from two points, from a rising mass, or from a straight line', () => {
    expect(
      judgeDryness(
        [
          { hours: 0, mass: 22 },
          { hours: 1, mass: 21 },
        ],
        tolerance,
      ).expected,
    ).toBeUndefined()
    const rising = [22, 21, 21.5].map((mass, hours) => ({ hours, mass }))
    expect(judgeDryness(rising, tolerance)).toMatchObject({ isRising: true })
    expect(judgeDryness(rising, tolerance).expected).toBeUndefined()
    expect(
      judgeDryness(
        [22, 21, 20].map((mass, hours) => ({ hours, mass })),
        tolerance,
      ).expected,
    ).toBeUndefined()
  })
  it('finds the end of any exponential drying it was given, to within its own range', () => {
    let predicted = 0
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 3, noNaN: true }),
        fc.double({ min: 0.3, max: 4, noNaN: true }),
        fc.integer({ min: 3, max: 6 }),
        (tau, water, count) => {
          const points = Array.from({ length: count }, (_, i) => ({
            hours: i * 0.8 * tau,
            mass: Math.round((20 + water * Math.exp(-i * 0.8)) * 100) / 100,
          }))
          const { expected } = judgeDryness(points, tolerance)
          const real = tau * Math.log(water / tolerance)
          if (!expected || expected.hours === points.at(-1)!.hours) return
          predicted += 1
          const half = Math.max(expected.to - expected.hours, 0.02 * real)
          expect(Math.abs(expected.hours - real)).toBeLessThan(3 * half)
        },
      ),
      { numRuns: 200 },
    )
    // Most series are predicted; a property that skips them all would say nothing.
    expect(predicted).toBeGreaterThan(60)
  })
})

const utc: Calendar = {
  dayOfWeek: ms => new Date(ms).getUTCDay(),
  hourOfDay: ms => new Date(ms).getUTCHours() + new Date(ms).getUTCMinutes() / 60,
  startOfDay: ms => Math.floor(ms / 86_400_000) * 86_400_000,
}
/** Monday 4 May 2026. */
const monday = (hour: number, minute = 0): number => Date.UTC(2026, 4, 4, hour, minute)
const step = (id: string, more: Partial<LaneStep>): LaneStep => ({
  id,
  stage: 's1',
  do: 'wait',
  words: id,
  hands: 0,
  wait: 0,
  needs: [],
  status: 'open',
  ...more,
})

describe('layOut', () => {
  it('lays hands end to end in working hours, and lets waits run over night', () => {
    // At 16:00: 30 min of hands, 15 h of standing (to 7:30), and hands again when the day begins, at 8:00.
    const spans = layOut(
      [step('boil', { hands: 30 }), step('stand', { hands: 0, wait: 900 }), step('filter', { hands: 20 })],
      monday(16),
      usualHours,
      utc,
    )
    expect(spans.map(({ kind, from, to }) => [kind, from, to])).toEqual([
      ['hands', monday(16), monday(16, 30)],
      ['wait', monday(16, 30), monday(31, 30)],
      ['hands', monday(32), monday(32, 20)],
    ])
  })
  it('waits for Monday with what falls on a weekend', () => {
    expect(nextHands(Date.UTC(2026, 4, 8, 18), usualHours, utc)).toBe(Date.UTC(2026, 4, 11, 8))
    expect(nextHands(monday(12), usualHours, utc)).toBe(monday(12))
    expect(nextHands(monday(20), { ...usualHours, days: [] }, utc)).toBe(monday(20))
  })
  it('says what is due and what is late', () => {
    const drying = step('dry', { status: 'begun', begunAt: new Date(monday(9)).toISOString(), hands: 5, wait: 115 })
    expect(dueAt(drying)).toBe(monday(11))
    expect(layOut([drying], monday(10), usualHours, utc).map(({ kind }) => kind)).toEqual(['hands', 'wait', 'due'])
    const late = layOut([drying], monday(12), usualHours, utc)
    expect(late.at(-1)).toMatchObject({ kind: 'late', from: monday(11) })
  })
  it('keeps a step that was moved until its time', () => {
    const [moved] = layOut(
      [step('weigh', { hands: 5, at: new Date(monday(14)).toISOString() })],
      monday(9),
      usualHours,
      utc,
    )
    expect(moved!.from).toBe(monday(14))
  })
  it('never lets the next step begin before the one before it is over', () => {
    const steps = fc.array(
      fc.record({ hands: fc.integer({ min: 0, max: 90 }), wait: fc.integer({ min: 0, max: 3000 }) }),
      {
        maxLength: 12,
      },
    )
    fc.assert(
      fc.property(steps, fc.integer({ min: 0, max: 6 * 86_400_000 }), (list, offset) => {
        const spans = layOut(
          list.map((one, i) => step(`s${i}`, one)),
          monday(0) + offset,
          usualHours,
          utc,
        )
        spans.slice(1).forEach(({ from }, i) => expect(from).toBeGreaterThanOrEqual(spans[i]!.to))
      }),
    )
  })
})

describe('clashesOf', () => {
  const use = (from: number, to: number, needs: LaneStep['needs']) => ({
    step: step('x', { needs }),
    kind: 'hands' as const,
    from: monday(from),
    to: monday(to),
  })
  const lanes = [
    { batch: 'ZN-021', spans: [use(9, 11, ['hood'])] },
    { batch: 'CU-009', spans: [use(10, 12, ['hood', 'hotplate'])] },
  ]
  it('finds where two batches want the one hood', () => {
    expect(clashesOf(lanes)).toEqual([
      { equipment: 'hood', batches: ['CU-009', 'ZN-021'], from: monday(10), to: monday(11) },
    ])
  })
  it('and none where the lab has two', () => expect(clashesOf(lanes, { hood: 2 })).toEqual([]))
})
