import type { Run } from './page'

/** How times are told: in which zone, and in which language days are written. */
export interface Reader {
  readonly zone: string
  readonly locale: string
}
export const PLAIN_READER: Reader = { zone: 'UTC', locale: 'en-GB' }

const formats = new Map<string, Intl.DateTimeFormat>()
function format({ zone, locale }: Reader, options: Intl.DateTimeFormatOptions, key: string): Intl.DateTimeFormat {
  const place = `${zone} ${locale} ${key}`
  const known = formats.get(place)
  if (known) return known
  const made = new Intl.DateTimeFormat(locale, { timeZone: zone, ...options })
  formats.set(place, made)
  return made
}

export const dayText = (at: string, reader: Reader): string =>
  format(reader, { day: 'numeric', month: 'short', year: 'numeric' }, 'day').format(Date.parse(at))
export const clockText = (at: string, reader: Reader): string =>
  format(reader, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }, 'clock').format(Date.parse(at))

/** A run as a reader sees it: its text, its times in their zone. Formulas stay in braces. */
export function runText(run: Run, reader: Reader): string {
  if (typeof run === 'string') return run
  if ('text' in run) return run.text
  if (run.as === 'day') return dayText(run.at, reader)
  return run.as === 'clock' ? clockText(run.at, reader) : `${dayText(run.at, reader)}, ${clockText(run.at, reader)}`
}

/** True for a zone that this machine knows. */
export function isZone(zone: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: zone }).resolvedOptions().timeZone !== ''
  } catch {
    return false
  }
}
