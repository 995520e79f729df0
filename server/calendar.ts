import ical, { ICalAlarmType, ICalCalendarMethod } from 'ical-generator'
import type { Calendar } from '#core/journal'
import { layOut, usualHours, type Hours, type LaneSpan, type LaneStep } from '#core/procedure'

/** The server's own calendar: hands work by the clock on its wall. */
export const localCalendar: Calendar = {
  dayOfWeek: ms => new Date(ms).getDay(),
  hourOfDay: ms => new Date(ms).getHours() + new Date(ms).getMinutes() / 60,
  startOfDay: ms => new Date(ms).setHours(0, 0, 0, 0),
}

interface Lane {
  readonly code: string
  readonly title: string
  readonly steps: readonly LaneStep[]
}

const LONG_WAIT = 3_600_000

/** What wants hands after a wait, and what is due, as an iCalendar (RFC 5545) with an alarm at each. */
export function calendarOf(name: string, lanes: readonly Lane[], now: number, hours: Hours = usualHours): string {
  const calendar = ical({
    name: `${name}: due at the bench`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: '//zip-ledger//bench//EN',
  })
  for (const { code, title, steps } of lanes) {
    for (const span of wanted(layOut(steps, now, hours, localCalendar))) {
      const event = calendar.createEvent({
        id: `${code}-${span.step.stage}-${span.step.id}@zip-ledger`,
        start: new Date(span.from),
        end: new Date(Math.max(span.to, span.from + 300_000)),
        summary: `${code}: ${plain(span.step.words)}${span.kind === 'hands' ? '' : ', due'}`,
        description: span.kind === 'hands' ? `${title}. Planned; an estimate.` : title,
      })
      event.createAlarm({ type: ICalAlarmType.display, trigger: 0 })
    }
  }
  return calendar.toString()
}

/** Due and late ones, and hands that come after a long wait. */
const wanted = (spans: readonly LaneSpan[]): LaneSpan[] =>
  spans.filter(({ kind, from }, i) => {
    const before = spans[i - 1]
    return (
      kind === 'due' ||
      kind === 'late' ||
      (kind === 'hands' && before?.kind === 'wait' && before.to - before.from >= LONG_WAIT && from >= before.to)
    )
  })

const plain = (words: string): string => words.replace(/[{}]/g, '')
