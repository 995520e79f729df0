import type { TimerTurned } from './entries'
import type { JournalLine } from './journal'

/** A clock as facts: when it was started, what it counts, and the stretches that it stood still. */
export interface Timer {
  readonly id: string
  readonly name: string
  readonly stage: string
  readonly step?: string
  readonly startedAt: string
  /** Counts down from here; undefined for a stopwatch or an interval. */
  readonly seconds?: number
  readonly every?: number
  readonly paused: readonly { readonly from: string; readonly to?: string }[]
  readonly stoppedAt?: string
}

/** The timers of a journal, in the order they were started. */
export function timersOf(lines: readonly JournalLine[]): Timer[] {
  const timers = new Map<string, Timer>()
  for (const { entry, current } of lines) {
    if (entry.kind !== 'timer' || current === undefined) continue
    const timer = timers.get(entry.timer)
    if (entry.what === 'start') {
      if (!timer) timers.set(entry.timer, started(entry))
    } else if (timer && !timer.stoppedAt) timers.set(entry.timer, turned(timer, entry))
  }
  return [...timers.values()]
}

const started = ({ timer, name, stage, step, at, seconds, every }: TimerTurned): Timer => ({
  id: timer,
  name,
  stage,
  ...(step && { step }),
  startedAt: at,
  ...(seconds !== undefined && { seconds }),
  ...(every !== undefined && { every }),
  paused: [],
})

function turned(timer: Timer, { what, at, seconds = 0 }: TimerTurned): Timer {
  const open = timer.paused.at(-1)
  const isPaused = open !== undefined && open.to === undefined
  switch (what) {
    case 'start':
      return timer
    case 'pause':
      return isPaused ? timer : { ...timer, paused: [...timer.paused, { from: at }] }
    case 'resume':
      return isPaused ? { ...timer, paused: [...timer.paused.slice(0, -1), { from: open.from, to: at }] } : timer
    case 'add':
      return timer.seconds === undefined ? timer : { ...timer, seconds: Math.max(0, timer.seconds + seconds) }
    case 'stop':
      return { ...timer, stoppedAt: at }
  }
}

export const isPaused = ({ paused }: Timer): boolean => paused.length > 0 && paused.at(-1)!.to === undefined

/** Seconds it has run at `now` (ms), pauses left out. */
export function elapsed({ startedAt, stoppedAt, paused }: Timer, now: number): number {
  const end = stoppedAt ? Date.parse(stoppedAt) : now
  const still = paused.reduce(
    (sum, { from, to }) => sum + Math.max(0, (to ? Math.min(Date.parse(to), end) : end) - Date.parse(from)),
    0,
  )
  return Math.max(0, (end - Date.parse(startedAt) - still) / 1000)
}

/** Seconds left of a countdown, below zero when it is over; of an interval, until it next rings; undefined for a stopwatch. */
export function remaining(timer: Timer, now: number): number | undefined {
  const run = elapsed(timer, now)
  if (timer.seconds !== undefined) return timer.seconds - run
  return timer.every === undefined ? undefined : timer.every - (run % timer.every)
}

/** How often it has rung by `now`: a countdown once, an interval each time. */
export function rings(timer: Timer, now: number): number {
  const run = elapsed(timer, now)
  if (timer.seconds !== undefined) return run >= timer.seconds ? 1 : 0
  return timer.every === undefined ? 0 : Math.floor(run / timer.every)
}
