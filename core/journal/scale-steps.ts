import { scaleText, scaleWords } from '#core/quantity'
import { scaleOperation } from '#core/vessel'
import type { Step } from './steps'

/** A procedure for so many times as much: targets, tolerances and the amounts in its words grow; temperatures and times do not. */
export const scaleSteps = (steps: readonly Step[], factor: number): Step[] =>
  steps.map(step => ({
    ...step,
    words: scaleWords(step.words, factor),
    ...(step.why !== undefined && { why: scaleWords(step.why, factor) }),
    ...(step.until !== undefined && { until: scaleWords(step.until, factor) }),
    ...(step.does && { does: scaleOperation(step.does, factor) }),
    ...(step.target !== undefined && { target: scaleText(step.target, factor) }),
    ...(step.tolerance !== undefined && { tolerance: scaleText(step.tolerance, factor) }),
  }))
