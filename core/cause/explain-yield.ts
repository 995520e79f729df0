import { difference, type Figure } from '#core/quantity'
import type { Cause, CauseCode, Heard } from './cause'
import type { Readings } from './likelihood'
import { massWith, rank, type Believed, type Ranking } from './rank'
import { dividing, settleWords, type Dividing } from './settle'
import { tableFor } from './table'
import { readingsFor, yieldFacts, type YieldFacts, type YieldSetting } from './yield-facts'

/** One cause that this batch's own data leave possible, with its share of belief. Words hold formulas in braces. */
export interface Explanation {
  readonly cause: CauseCode
  readonly title: string
  /** The form that the solid would be, or the reagent, where the cause is that. */
  readonly form?: string
  readonly belief: number
  /** What it would have to amount to. */
  readonly needs: string
  /** The most that there can be of it by this batch's own data, g; left out where nothing bounds it. */
  readonly most?: number
  readonly suffices: boolean
  readonly usual: number
  readonly usualWhy: string
  readonly speaksFor: readonly Heard[]
  readonly speaksAgainst: readonly Heard[]
  readonly settle: string
  /** A cause before it in the order that nothing recorded divides from it. */
  readonly tiedWith?: string
}

export interface YieldJudgement {
  readonly facts: YieldFacts
  readonly kind: 'too high' | 'low' | 'as expected'
  /** Actual less what was possible (too high) or expected (else), g. */
  readonly difference: Figure
  /** Likeliest first. */
  readonly explanations: readonly Explanation[]
  /** What is believed of none of them: an ordinary run, or something that the table does not hold. */
  readonly none: { readonly ordinary: number; readonly other: number }
  /** Two together, where that is likelier than each alone. */
  readonly together: readonly { readonly of: readonly [string, string]; readonly belief: number }[]
  /** The test that divides the leading two best. */
  readonly divide?: Dividing & { readonly first: string; readonly second: string }
}

/** A yield this far under the plan is called low; a judgement, no source. */
const LOW = 0.1
/** What is believed less than this is not told: the data rule it out, or leave it with nothing that speaks for it. */
const TOLD = 0.01

/**
 * Judges a yield: which causes could explain it, how much is believed of each, and what would settle it. Bayes' rule over the table of evidence: how usual each is, how likely every reading is with it in the
 * sizes that this batch allows, how strongly what was recorded speaks. Undefined while the product is not weighed. Priors and strengths are common practice and judgements, each with its reason.
 */
export function explainYield(setting: YieldSetting): YieldJudgement | undefined {
  const facts = yieldFacts(setting)
  if (!facts) return undefined
  const { percent, spread, planned } = facts
  const isHigh = percent > 1 + 2 * spread
  const isLow = !isHigh && percent < planned - LOW - 2 * spread
  const readings = readingsFor(facts)
  const ranking = rank(tableFor(facts), readings)
  return {
    facts,
    kind: isHigh ? 'too high' : isLow ? 'low' : 'as expected',
    difference: isHigh
      ? difference('weighed, over the theoretical', facts.weighed, facts.most)
      : difference('weighed, less what was expected', facts.weighed, facts.expected),
    ...told(ranking, readings),
  }
}

function told(
  ranking: Ranking,
  readings: Readings,
): Pick<YieldJudgement, 'explanations' | 'none' | 'together' | 'divide'> {
  const shown = ranking.causes.filter(({ belief }) => belief >= TOLD)
  const explanations = shown.map((one, i): Explanation => {
    const tied = shown.slice(0, i).find(before => isTied(before, one))
    return { ...explanationOf(one, readings), ...(tied && { tiedWith: tied.cause.title }) }
  })
  const [first, second] = leading(shown)
  const divide = first && second && dividing(first.cause, second.cause, readings.product.text)
  return {
    explanations,
    none: { ordinary: ranking.ordinary, other: ranking.other },
    together: ranking.pairs
      .filter(({ belief }) => belief >= 0.1)
      .slice(0, 2)
      .map(({ of, belief }) => ({ of: [of[0].cause.title, of[1].cause.title] as const, belief })),
    ...(divide && { divide: { ...divide, first: first.cause.title, second: second.cause.title } }),
  }
}

/** The first two that are not one cause in two forms. */
function leading(shown: readonly Believed[]): readonly (Believed | undefined)[] {
  const [first] = shown
  return [first, shown.find(one => one.cause.code !== first?.cause.code)]
}

function explanationOf({ cause, belief, size }: Believed, readings: Readings): Explanation {
  const { code, title, form, most, usual, usualWhy, heard } = cause
  const strength = (one: Heard): number => one.with / one.without
  return {
    cause: code,
    title,
    ...(form !== undefined && { form }),
    belief,
    needs: `It would take ${size.amount}.`,
    ...(most !== undefined && { most }),
    suffices: reaches(cause, readings),
    usual,
    usualWhy,
    speaksFor: heard.filter(one => strength(one) > 1),
    speaksAgainst: heard.filter(one => strength(one) < 1),
    settle: settleWords(cause),
  }
}

/** True where one of the sizes that are possible here reaches the mass, with a run within two standard uncertainties of the usual one. */
export function reaches({ sizes }: Pick<Cause, 'sizes'>, readings: Readings): boolean {
  const { theoretical, actual, spread, usual } = readings
  const give = Math.max(2 * spread * theoretical, 1e-9)
  return sizes.some(({ effect, weight }) => {
    if (!(weight > 0)) return false
    const between = (effect.won ? [effect.won] : usual).flatMap(({ mean, spread: s }) =>
      [mean - 2 * s, Math.min(1, mean + 2 * s)].map(share =>
        massWith({ ...effect, ...(effect.won && { won: { mean: share, spread: s } }) }, theoretical, share),
      ),
    )
    return Math.min(...between) - give <= actual && actual <= Math.max(...between) + give
  })
}

/** Nothing that was read or recorded speaks more for one than the other: they stand in this order only by how usual they are. */
const isTied = (a: Believed, b: Believed): boolean => {
  const times = (a.fits * a.strength) / (b.fits * b.strength)
  return a.cause.code !== b.cause.code && times > 1 / TIED && times < TIED
}
/** Evidence of less than this, for one against another, is worth no more than a bare mention (Jeffreys, Theory of Probability, from memory: below 10^½). */
const TIED = Math.sqrt(10)
