import { describe, expect, it } from 'vitest'
import type { LaneStep } from '#core/procedure'
import { calendarOf, localCalendar } from './calendar'

const now = new Date(2026, 4, 4, 10).getTime()
const step = (id: string, more: Partial<LaneStep>): LaneStep => ({
  id,
  stage: 's1',
  do: 'dry',
  words: `Dry {ZnSO4·7H2O}, ${id}`,
  hands: 5,
  wait: 0,
  needs: [],
  status: 'open',
  ...more,
})
const unfold = (text: string): string => text.replace(/\r\n[ \t]/g, '')

describe('calendarOf', () => {
  const drying = step('dry-1', { status: 'begun', begunAt: new Date(now - 600_000).toISOString(), wait: 115 })
  const text = unfold(
    calendarOf('A lab', [{ code: 'ZN-021', title: 'Zinc sulfate', steps: [drying, step('weigh-2', {})] }], now),
  )

  it('is an iCalendar of what is due, with an alarm, lines ended and folded as RFC 5545 asks', () => {
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\nVERSION:2\.0\r\n/)
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(1)
    expect(text).toContain('BEGIN:VALARM')
    expect(text).toContain('UID:ZN-021-s1-dry-1@zip-ledger')
    // 9:50 and 5 + 115 min: due at 11:50.
    const due = new Date(2026, 4, 4, 11, 50).toISOString().replace(/[-:]|\.000/g, '')
    expect(text).toContain(`DTSTART:${due}`)
  })
  it('writes words without our braces, and escapes what iCalendar would read as its own', () => {
    expect(text).toContain('SUMMARY:ZN-021: Dry ZnSO4·7H2O\\, dry-1\\, due')
    expect(text).not.toContain('{')
  })
  it('keeps every line within 75 octets', () => {
    const raw = calendarOf('A lab', [{ code: 'ZN-021', title: 'x'.repeat(300), steps: [drying] }], now)
    for (const line of raw.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
  })
  it('tells of hands that come after a long wait, and not of every step', () => {
    const steps = [step('a', { wait: 0 }), step('b', { wait: 180 }), step('c', {}), step('d', {})]
    const events = unfold(calendarOf('A lab', [{ code: 'X-1', title: 't', steps }], now))
    expect(events.match(/UID:(\S+)@/g)).toEqual(['UID:X-1-s1-c@'])
  })
  it('of a lab where nothing waits is empty, and still a calendar', () => {
    expect(calendarOf('A lab', [], now)).not.toContain('VEVENT')
  })
})

it('the local calendar begins a day at midnight', () => {
  expect(localCalendar.startOfDay(now)).toBe(new Date(2026, 4, 4).getTime())
  expect(localCalendar.hourOfDay(now)).toBe(10)
  expect(localCalendar.dayOfWeek(now)).toBe(1)
})
