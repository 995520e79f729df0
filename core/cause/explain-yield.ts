import { difference, type Figure } from '#core/quantity'
import { yieldFacts, type YieldFacts, type YieldSetting } from './yield-facts'
import type { Explanation } from './explanation'
import { heedAssays } from './heed-assays'
import { causesOfHigh } from './causes-of-high'
import { causesOfLow } from './causes-of-low'

export interface YieldJudgement {
  readonly facts: YieldFacts
  readonly kind: 'too high' | 'low' | 'as expected'
  /** Actual less what was possible (too high) or expected (else), g. */
  readonly difference: Figure
  /** Likeliest first. An order, not a probability. */
  readonly explanations: readonly Explanation[]
}

/** A yield this far under the plan is called low; a judgement, no source. */
const LOW = 0.1

/**
 * Judges a yield and ranks what could explain it: how much each cause needs, whether it suffices, what this batch's own plan and journal say for and
 * against it. Causes that they rule out are not offered. The order rests on how usual each is at the bench (common practice, no source).
 */
export function explainYield(setting: YieldSetting): YieldJudgement | undefined {
  const facts = yieldFacts(setting)
  if (!facts) return undefined
  const { percent, spread, planned } = facts
  const isHigh = percent > 1 + 2 * spread
  const isLow = !isHigh && percent < planned - LOW - 2 * spread
  const kind = isHigh ? 'too high' : isLow ? 'low' : 'as expected'
  const found = isHigh ? causesOfHigh(facts) : isLow ? causesOfLow(facts) : []
  return {
    facts,
    kind,
    difference: isHigh
      ? difference('weighed, over the theoretical', facts.weighed, facts.most)
      : difference('weighed, less what was expected', facts.weighed, facts.expected),
    explanations: heedAssays(found, facts).toSorted((a, b) => b.weight - a.weight),
  }
}
