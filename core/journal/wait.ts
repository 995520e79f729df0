import { parseQuantity } from '#core/quantity'

/** A day of the local calendar at an hour; told by the caller, since the core knows no time zone. */
export interface Calendar {
  readonly dayOfWeek: (ms: number) => number
  readonly hourOfDay: (ms: number) => number
  readonly startOfDay: (ms: number) => number
}

/** How long something waits: so many minutes, or until an hour of a day of the week (0 for Sunday), or of the next day that has it. */
export type Wait =
  { readonly minutes: number } | { readonly until: { readonly day: number | undefined; readonly hour: number } }

/** Minutes of the words that a bench uses for a time; a night is what lies between two working days, a month thirty days. */
const WORDS: Readonly<Record<string, number>> = {
  second: 1 / 60,
  minute: 1,
  hour: 60,
  day: 1440,
  night: 900,
  week: 7 * 1440,
  fortnight: 14 * 1440,
  month: 30 * 1440,
}
const SHORT: Readonly<Record<string, string>> = { sec: 'second', mins: 'minute', hr: 'hour', hrs: 'hour', wk: 'week' }
const DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'] as const
const MORNING = 9

/** Reads a wait: `20 min`, `overnight`, `a day`, `4 weeks`, `1 month`, `until Thursday 9:00`; undefined for what is none of these. */
export function readWait(text: string): Wait | undefined {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ')
  const quantity = parseQuantity(text, { kinds: ['time'], name: 'wait', source: 'wait', zero: true })
  if (quantity.ok) return { minutes: quantity.value.value * 60 }
  if (plain === 'overnight' || plain === 'over night') return { minutes: WORDS.night! }
  if (plain.startsWith('until ')) return until(plain.slice('until '.length))
  const [count, word = '', ...more] = plain.split(' ')
  const unit = WORDS[word] ?? WORDS[SHORT[word] ?? ''] ?? WORDS[word.replace(/s$/, '')]
  const number = count === 'a' || count === 'an' || count === 'one' ? 1 : Number(count)
  return more.length > 0 || unit === undefined || !(number > 0) ? undefined : { minutes: number * unit }
}

function until(words: string): Wait | undefined {
  const [first = '', second] = words.split(' ')
  const day = DAYS.findIndex(name => first.length >= 3 && name.startsWith(first))
  const hour = hourOf(day < 0 ? first : (second ?? ''))
  if (day < 0) return hour === undefined ? undefined : { until: { day: undefined, hour } }
  return second !== undefined && hour === undefined ? undefined : { until: { day, hour: hour ?? MORNING } }
}

function hourOf(text: string): number | undefined {
  const [, hours, minutes = '0'] = /^(\d{1,2})(?:[:.](\d{2}))?$/.exec(text) ?? []
  const hour = Number(hours) + Number(minutes) / 60
  return hours !== undefined && hour < 24 && Number(minutes) < 60 ? hour : undefined
}

const HOUR = 3_600_000

/** Minutes from a moment (ms) to the end of a wait that begins then; the calendar is the caller's. */
export function minutesFrom(wait: Wait, begun: number, calendar: Calendar): number {
  if ('minutes' in wait) return wait.minutes
  const { day, hour } = wait.until
  let start = calendar.startOfDay(begun)
  for (let i = 0; i < 9; i++) {
    const at = start + hour * HOUR
    if (at > begun && (day === undefined || calendar.dayOfWeek(start) === day)) return (at - begun) / 60_000
    // Noon of the next day, then back to its start: a day may have 23 or 25 hours.
    start = calendar.startOfDay(start + 36 * HOUR)
  }
  return 0
}
