import { waitEach } from './lane'
import type { StepState } from './run'

export type Press = 'next' | 'wait' | 'count' | 'done'

/**
 * What the large key does with a step: a wait begins, once or with each repeat that is not on a clock of its own; a repeat is counted; the step
 * is done; or it was, and the next comes. `isWaiting` where a clock of the step runs or has rung.
 */
export function pressOf({ step, status, times }: StepState, isWaiting: boolean): Press {
  if (status === 'done' || status === 'skipped') return 'next'
  const repeats = step.repeat?.times ?? 1
  if (repeats === 1) return waitEach(step) > 0 && status === 'open' ? 'wait' : 'done'
  const waits = step.wait !== undefined && step.repeat?.every === undefined && waitEach(step) > 0
  if (waits && !isWaiting) return 'wait'
  return times + 1 < repeats ? 'count' : 'done'
}
