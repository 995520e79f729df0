import type { Cause, CauseCode, Effect, Sized } from './cause'
import { together } from './effect'
import { isFar, likelihood, unknownLikelihood, type Readings } from './likelihood'

/** A cause with its share of belief. */
export interface Believed {
  readonly cause: Cause
  /** Share of one over all causes and none of them. */
  readonly belief: number
  /** The size that the readings speak for most. */
  readonly size: Sized
  /** How much likelier what was seen is with it than without. */
  readonly strength: number
  /** How likely the readings are with it alone, a density over g. */
  readonly fits: number
}
export interface Ranking {
  readonly causes: readonly Believed[]
  /** What is left for an ordinary run, and for what is not in the table. */
  readonly ordinary: number
  readonly other: number
  /** Two causes together that are believed more than each alone, with their share. */
  readonly pairs: readonly { readonly of: readonly [Believed, Believed]; readonly belief: number }[]
}

/** In so many batches of a hundred something happens that the table does not hold; a judgement. */
const UNKNOWN = 0.01
/** Pairs are tried of so many causes, the likeliest alone or by what was seen: others add nothing that would be told. */
const PAIRED = 14

export const strengthOf = ({ heard }: Cause): number =>
  heard.reduce((product, one) => product * (one.with / one.without), 1)
const odds = (share: number): number => share / (1 - share)

interface Alone {
  readonly cause: Cause
  readonly prior: number
  readonly strength: number
  readonly fits: number
  readonly size: Sized
}

/**
 * Ranks causes by Bayes' rule: how usual each is, times how likely every reading of the batch is with it (summed over the sizes it can have here), times how much likelier what was recorded is with
 * it than without. An ordinary run, something unknown, each cause alone and every two together stand beside each other; a pair's belief is shared between its two by how much of the mass
 * each moves.
 */
export function rank(causes: readonly Cause[], readings: Readings): Ranking {
  const alone = causes.map((cause): Alone => {
    const fit = fitOf(cause.sizes, readings)
    return { cause, prior: odds(cause.usual), strength: strengthOf(cause), ...fit }
  })
  const ordinary = likelihood({}, readings)
  const other = UNKNOWN * unknownLikelihood(readings)
  const weights = alone.map(one => one.prior * one.strength * one.fits)
  const pairs = pairsOf(alone, readings)
  const whole = [ordinary, other, ...weights, ...pairs.map(({ weight }) => weight)].reduce((sum, one) => sum + one, 0)
  if (!(whole > 0)) return { causes: [], ordinary: 0, other: 1, pairs: [] }
  const shares = weights.map(weight => weight / whole)
  for (const { of, share, weight } of pairs)
    of.forEach((i, side) => (shares[i] = shares[i]! + (weight / whole) * (side === 0 ? share : 1 - share)))
  const believed = alone.map(({ cause, size, strength, fits }, i): Believed => ({
    cause,
    belief: shares[i]!,
    size,
    strength,
    fits,
  }))
  return {
    causes: believed.toSorted((a, b) => b.belief - a.belief),
    ordinary: ordinary / whole,
    other: other / whole,
    pairs: pairs
      .filter(({ of, weight }) => of.every(i => weight > weights[i]!))
      .map(({ of: [i, j], weight }) => ({ of: [believed[i]!, believed[j]!] as const, belief: weight / whole }))
      .toSorted((a, b) => b.belief - a.belief),
  }
}

function fitOf(sizes: readonly Sized[], readings: Readings): { fits: number; size: Sized } {
  const told = sizes.map(size => ({ size, here: likelihood(size.effect, readings) }))
  return {
    fits: told.reduce((sum, { size, here }) => sum + size.weight * here, 0),
    size: told.reduce((best, one) => (one.here > best.here ? one : best)).size,
  }
}

interface Pair {
  readonly of: readonly [number, number]
  readonly weight: number
  /** The first one's part of what both move. */
  readonly share: number
}
function pairsOf(alone: readonly Alone[], readings: Readings): Pair[] {
  const order = alone
    .map((one, i) => ({ i, one }))
    .filter(({ one }) => one.prior > 0)
    .toSorted((a, b) => b.one.prior * b.one.strength - a.one.prior * a.one.strength)
    .slice(0, PAIRED)
  return order.flatMap((first, at) =>
    order.slice(at + 1).flatMap((second): Pair[] => {
      if (excludes(first.one.cause, second.one.cause)) return []
      const prior = first.one.prior * second.one.prior * first.one.strength * second.one.strength
      const fit = pairFit(thinned(first.one.cause.sizes), thinned(second.one.cause.sizes), readings)
      return fit.fits > 0 ? [{ of: [first.i, second.i], weight: prior * fit.fits, share: fit.share }] : []
    }),
  )
}

/** Of two causes together every so many sizes are tried that some ten of each remain: as many as the spread of a base yield can tell apart. */
function thinned(sizes: readonly Sized[]): readonly Sized[] {
  const step = Math.ceil(sizes.length / 12)
  if (step < 2) return sizes
  const kept = sizes.filter((_, i) => i % step === Math.floor(step / 2))
  const whole = kept.reduce((sum, { weight }) => sum + weight, 0)
  return kept.map(one => ({ ...one, weight: one.weight / whole }))
}

/** One code at two forms is one thing or the other; so are two forms, two ways to misread one number. */
const FORM: ReadonlySet<CauseCode> = new Set(['heavier hydrate', 'lighter hydrate', 'lost water', 'waters left out'])
const excludes = (a: Cause, b: Cause): boolean => {
  const isWhole = (one: Cause): boolean =>
    FORM.has(one.code) || one.sizes.some(({ effect }) => effect.instead !== undefined)
  return a.code === b.code || (isWhole(a) && isWhole(b))
}

function pairFit(a: readonly Sized[], b: readonly Sized[], readings: Readings): { fits: number; share: number } {
  let fits = 0
  let first = 0
  const moves = (one: readonly Sized[]): number[] => one.map(({ effect }) => moved(effect, readings))
  const [byA, byB] = [moves(a), moves(b)]
  a.forEach((one, i) =>
    b.forEach((two, j) => {
      if (isFar(one.effect, two.effect, readings)) return
      const here = one.weight * two.weight * likelihood(together(one.effect, two.effect), readings)
      if (!(here > 0)) return
      fits += here
      const both = byA[i]! + byB[j]!
      first += here * (both > 0 ? byA[i]! / both : 0.5)
    }),
  )
  return { fits, share: fits > 0 ? first / fits : 0.5 }
}

/** g by which an effect moves the mass of a usual run. */
export function moved(effect: Effect, { theoretical, usual }: Readings): number {
  return Math.abs(massWith(effect, theoretical, usual[0]!.mean) - usual[0]!.mean * theoretical)
}
/** The mass that would be weighed, where a run without it wins this share. */
export const massWith = (
  { made = 1, kept = 1, factor = 1, add = 0, misread = 1, offset = 0, won }: Effect,
  theoretical: number,
  share: number,
): number => ((won?.mean ?? share) * made * kept * theoretical * factor + add) * misread + offset
