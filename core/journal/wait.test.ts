import { describe, expect, it } from 'vitest'
import { minutesFrom, offTarget, readWait } from '.'
import type { Calendar } from '#core/journal'

/** Greenwich, where no clock is put forward. */
const utc: Calendar = {
  dayOfWeek: ms => new Date(ms).getUTCDay(),
  hourOfDay: ms => new Date(ms).getUTCHours() + new Date(ms).getUTCMinutes() / 60,
  startOfDay: ms => new Date(ms).setUTCHours(0, 0, 0, 0),
}

describe('a wait', () => {
  it.each([
    ['20 min', 20],
    ['1.5 h', 90],
    ['overnight', 900],
    ['a day', 1440],
    ['an hour', 60],
    ['2 hours', 120],
    ['4 weeks', 40320],
    ['1 month', 43200],
    ['3 d', 4320],
  ])('%s is %d minutes', (text, minutes) => expect(readWait(text)).toEqual({ minutes }))

  it.each([
    '',
    'soon',
    'until',
    'until it is dry',
    'until Thursday 29:00',
    '5',
    '4 wombats',
    '-2 h',
    'a',
    '4 weeks more',
  ])('“%s” is none', text => expect(readWait(text)).toBeUndefined())

  // Wednesday 6 May 2026, 16:30.
  const begun = Date.UTC(2026, 4, 6, 16, 30)
  it.each([
    ['until Thursday 9:00', 16.5],
    ['until thu 9', 16.5],
    ['until Wednesday 17:00', 0.5],
    ['until Wednesday 16:00', 7 * 24 - 0.5],
    ['until Monday', 4 * 24 + 16.5],
    ['until 17:30', 1],
    ['until 8:00', 15.5],
  ])('%s lasts %d h from Wednesday 16:30', (text, hours) => {
    const wait = readWait(text)
    expect(wait && minutesFrom(wait, begun, utc) / 60).toBeCloseTo(hours, 9)
  })
})

describe('a reading against its target', () => {
  it('counts percent of the target, and a unit as it stands', () => {
    // 5.00 g wanted, 5.06 g read: 1.2 % over, 0.06 g over.
    expect(offTarget(5.06, 5, 'mass', '1 %').isFar).toBe(true)
    expect(offTarget(5.06, 5, 'mass', '2 %').isFar).toBe(false)
    expect(offTarget(5.06, 5, 'mass', '0.05 g').isFar).toBe(true)
    expect(offTarget(5.04, 5, 'mass', '0.05 g').isFar).toBe(false)
    expect(offTarget(5.04, 5, 'mass', '50 mg').isFar).toBe(false)
    expect(offTarget(5.06, 5, 'mass', '1 %').share).toBeCloseTo(0.012, 12)
  })
  it('takes degrees as a difference', () => {
    expect(offTarget(82.5, 80, 'temperature', '3 °C').isFar).toBe(false)
    expect(offTarget(84, 80, 'temperature', '3 K').isFar).toBe(true)
    expect(offTarget(84, 80, 'temperature', '3 K').share).toBeUndefined()
  })
  it('is not far where no tolerance reads', () => {
    expect(offTarget(9, 5, 'mass', undefined).isFar).toBe(false)
    expect(offTarget(9, 5, 'mass', 'roughly').isFar).toBe(false)
    expect(offTarget(9, 5, 'mass', '2 mL').isFar).toBe(false)
  })
})
