/** The words of the pages are English: days are too, in the order of the reader's country. */
const locale = navigator.languages.find(one => one.startsWith('en')) ?? 'en-GB'
const part = (options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat => new Intl.DateTimeFormat(locale, options)
const weekday = part({ weekday: 'short' })
const weekdayDay = part({ weekday: 'short', day: 'numeric' })
const day = part({ weekday: 'short', day: 'numeric', month: 'short' })
/** A day has 24 hours at a bench, whatever the language. */
const time = part({ hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })

export const isToday = (ms: number): boolean => new Date(ms).toDateString() === new Date().toDateString()
/** Local time of a device: `08:13`. */
export const clockText = (ms: number): string => time.format(ms)
/** `Mon`. */
export const weekdayText = (ms: number): string => weekday.format(ms)
/** `Mon 4`. */
export const weekdayDayText = (ms: number): string => weekdayDay.format(ms)
/** `Mon 08:13`. */
export const weekdayClockText = (ms: number): string => `${weekday.format(ms)} ${time.format(ms)}`
/** The clock alone today, with its weekday on other days. */
export const nearClockText = (ms: number): string => (isToday(ms) ? clockText(ms) : weekdayClockText(ms))
/** `Mon 4 May 08:13` on other days. */
export const dayClockText = (ms: number): string => (isToday(ms) ? clockText(ms) : `${day.format(ms)} ${clockText(ms)}`)
