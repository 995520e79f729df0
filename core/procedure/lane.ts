import type { Run } from './run'
import type { LaneStep } from './schedule'
import { operationOf, type Step } from '#core/journal'
import type { Timer } from '#core/journal'
import { readWait } from '#core/journal'

/** Until when a wait lasts is known once it begins; before that it counts as a day, since it is told by a day's hour. */
const A_DAY = 1440

/** Minutes that a step's own text gives, or that its operation usually takes. */
export function minutesOf(text: string | undefined, usual: number): number {
  const wait = text === undefined ? undefined : readWait(text)
  if (!wait) return usual
  return 'minutes' in wait ? wait.minutes : A_DAY
}

/** Minutes that a step waits each time it is done. */
export const waitEach = (step: Step): number => minutesOf(step.wait, operationOf(step.do).wait)

/** Chemist's time and time that passes by itself, min, with the repeats counted in. */
export function timesOf(step: Step): { hands: number; wait: number } {
  const usual = operationOf(step.do)
  const { times = 1, every } = step.repeat ?? {}
  const each = step.hands === undefined ? usual.hands * times : minutesOf(step.hands, usual.hands)
  return {
    hands: Math.max(each, every === undefined ? 0 : (times - 1) * minutesOf(every, 0)),
    wait: waitEach(step) * (step.wait === undefined || every !== undefined ? 1 : times),
  }
}

/** A run as the bench's lanes draw it. */
export function laneOf(run: Run, timers: readonly Timer[], stage: string): LaneStep[] {
  return run.steps.map(({ step, status, begunAt, doneAt, at }): LaneStep => {
    const rings = ringsAt(
      timers.filter(timer => timer.step === step.id && timer.stage === stage && !timer.stoppedAt).at(-1),
    )
    return {
      id: step.id,
      stage,
      do: step.do,
      words: step.words,
      ...timesOf(step),
      needs: step.needs ?? operationOf(step.do).needs,
      status,
      ...(begunAt && { begunAt }),
      ...(doneAt && { doneAt }),
      ...(at && { at }),
      ...(rings && { rings }),
    }
  })
}

/** When a running countdown will ring; undefined for one that stands still, has no end, or ends past any calendar. */
export function ringsAt(timer: Timer | undefined): string | undefined {
  if (!timer || timer.seconds === undefined || timer.paused.some(({ to }) => to === undefined)) return undefined
  const still = timer.paused.reduce(
    (sum, { from, to }) => sum + Math.max(0, Date.parse(to ?? from) - Date.parse(from)),
    0,
  )
  const at = new Date(Date.parse(timer.startedAt) + timer.seconds * 1000 + still)
  return Number.isNaN(at.getTime()) ? undefined : at.toISOString()
}
