import { difference, type Figure } from '#core/quantity'
import { yieldFacts, type YieldFacts, type YieldSetting } from './yield-facts'
import { heedAssays } from './heed-assays'
import { causesOfHigh } from './causes-of-high'
import { causesOfLow } from './causes-of-low'

export type CauseCode =
  | 'water'
  | 'heavier form'
  | 'by-product'
  | 'soluble excess'
  | 'undissolved solid'
  | 'digits'
  | 'factor of two'
  | 'waters left out'
  | 'left in the liquor'
  | 'lost in the wash'
  | 'spilled'
  | 'weak reagent'
  | 'not finished'
  | 'lighter form'
  | 'reagent was a hydrate'
  | 'second crop'
  | 'other salt'
  | 'side reaction'
  | 'wrong limiting reagent'

/** One cause that this batch's own data leave possible. */
export interface Explanation {
  readonly cause: CauseCode
  readonly title: string
  /** The form that the solid would be, where the cause is that. */
  readonly form?: string
  /** What it would have to amount to, in words with figures. */
  readonly needs: string
  /** The most that there can be of it by this batch's own data, g; undefined where nothing bounds it. */
  readonly most?: number
  readonly suffices: 'alone' | 'not alone' | 'not known'
  readonly speaksFor: readonly string[]
  readonly speaksAgainst: readonly string[]
  readonly settle: string
  /** For the order only: how usual it is, how far it goes, and what speaks for and against. */
  readonly weight: number
}

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
