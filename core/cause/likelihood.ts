import { molarMass, relate, type Formula } from '#core/formula'
import { ionsOf } from '#core/species'
import { formulaOf } from '#core/vessel'
import type { Effect } from './cause'

/** A reagent that came back and was weighed, all in mol. */
export interface CameBack {
  readonly species: string
  readonly found: number
  readonly charged: number
  readonly consumed: number
  readonly limits: boolean
  readonly spread: number
}
export interface Assayed {
  /** As the named form, and how far that is known (95 %). */
  readonly purity: number
  readonly spread: number
  /** What was counted: an element or an ion; left out where the whole is told. */
  readonly of?: string
}
/** Every reading of a batch that a cause must answer for. Masses in g, shares of one. */
export interface Readings {
  readonly product: Formula
  readonly theoretical: number
  readonly actual: number
  /** How well the percent is known: of balance, labels and glass. */
  readonly spread: number
  /** What a run without a fault gives: several opinions, each with its weight. */
  readonly usual: readonly Opinion[]
  readonly back: readonly CameBack[]
  readonly assays: readonly Assayed[]
  readonly liquors?: readonly LiquorRead[]
}
/** An ion that was titrated in the mother liquor, mol in all of it. */
export interface LiquorRead {
  readonly found: number
  readonly spread: number
  /** mol of it in a g of the product, and mol that come from elsewhere. */
  readonly perGram: number
  readonly beside: number
}
export interface Opinion {
  readonly mean: number
  readonly spread: number
  readonly weight: number
}

/** A crop may be over the theory by no more than labels and glass are off, as a share; a judgement, where the readings say less. */
const EDGE = 0.008
/** What clings to filter and glass of a leftover, as a share of it; a judgement. */
const STICKS = 0.05
/** A leftover is weighed wet, rinsed off or lost in part: known to so much of what was charged; a judgement. */
const WEIGHED_BACK = 0.02
/** In so many of a hundred leftovers and assays something of their own went wrong; a judgement, so that one of them alone never rules a cause out. */
const OWN_FAULT = { leftover: 0.1, assay: 0.05, liquor: 0.05 }
/** A usual assay, half of whose spread at the least; a judgement. */
const ASSAY = 0.006

const normal = (x: number, mean: number, spread: number): number =>
  Math.exp(-(((x - mean) / spread) ** 2) / 2) / (spread * Math.sqrt(2 * Math.PI))
/** The normal distribution function, to 1e-7 (Abramowitz and Stegun 26.2.17, from memory). */
function cumulative(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    normal(z, 0, 1) * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z > 0 ? 1 - tail : tail
}

/** How likely every reading is, were this the effect: density of the mass (a g), times those of what came back and of the assays. */
export function likelihood(effect: Effect, readings: Readings): number {
  const { made = 1, kept = 1, factor = 1, add = 0, misread = 1, offset = 0, won } = effect
  const { theoretical, actual } = readings
  const full = made * kept * theoretical * factor
  const mass = (actual - offset) / misread
  if (!(full > 0) || !(mass > 0)) return 0
  const share = (mass - add) / full
  if (share <= 0) return 0
  const density =
    usualDensity(share, won ? [{ ...won, weight: 1 }] : readings.usual, readings.spread) / (full * Math.abs(misread))
  if (!(density > 0)) return 0
  return (
    density *
    leftovers(effect, readings) *
    assays(effect, share * made * kept, mass, readings) *
    liquors(share, effect, readings)
  )
}

/** Standard uncertainties beyond which a share is as good as impossible: e^(−18) of the top. */
const FAR = 6

/** True where two causes together put the share won so far off that no opinion of a run reaches it: told without putting their effect together. */
export function isFar(a: Effect, b: Effect, { theoretical, actual, usual }: Readings): boolean {
  const full =
    (a.made ?? 1) * (b.made ?? 1) * (a.kept ?? 1) * (b.kept ?? 1) * (a.factor ?? 1) * (b.factor ?? 1) * theoretical
  const mass = (actual - (a.offset ?? 0) - (b.offset ?? 0)) / ((a.misread ?? 1) * (b.misread ?? 1))
  const share = (mass - (a.add ?? 0) - (b.add ?? 0)) / full
  if (!(share > 0)) return true
  if (a.won || b.won) return false
  return usual.every(({ mean, spread }) => Math.abs(share - mean) > FAR * spread)
}

/** Density of the share that is won: the opinions, none of them beyond all there is. */
function usualDensity(share: number, opinions: readonly Opinion[], spread: number): number {
  const edge = Math.max(spread, EDGE)
  const within = cumulative((1 - share) / edge)
  if (within < 1e-9) return 0
  return opinions.reduce((sum, one) => {
    const most = cumulative((1 - one.mean) / Math.hypot(one.spread, edge))
    return most > 1e-9 ? sum + (one.weight * normal(share, one.mean, one.spread) * within) / most : sum
  }, 0)
}

function leftovers({ made = 1, back = {} }: Effect, readings: Readings): number {
  return readings.back.reduce((all, one) => {
    const told = (one.limits ? one.charged * (1 - made) : one.charged - one.consumed * made) + (back[one.species] ?? 0)
    const should = Math.max(0, told)
    const spread = Math.hypot(one.spread, STICKS * should, WEIGHED_BACK * one.charged)
    const wild = 1 / (1.2 * one.charged)
    return (all * ((1 - OWN_FAULT.leftover) * normal(one.found, should, spread) + OWN_FAULT.leftover * wild)) / wild
  }, 1)
}

function assays({ added = {}, instead }: Effect, share: number, mass: number, readings: Readings): number {
  const { product, theoretical } = readings
  return readings.assays.reduce((all, { purity, spread, of }) => {
    const held = instead === undefined ? share * theoretical : mass * standsFor(instead, product, of)
    const more = Object.entries(added).reduce((sum, [form, g]) => sum + g * standsFor(form, product, of), 0)
    const told = (held + more) / mass
    const off = Math.hypot(spread / 2, ASSAY)
    return all * ((1 - OWN_FAULT.assay) * normal(purity, told, off) + OWN_FAULT.assay / 1.3) * 1.3
  }, 1)
}

/**
 * What a liquor should hold. Where the cause is that more stayed in it, all that is missing; else what a usual run leaves, for then what is missing went elsewhere.
 */
function liquors(share: number, { made = 1, won }: Effect, readings: Readings): number {
  const { liquors: all = [], theoretical, usual } = readings
  const left = made * (1 - (won ? share : usual[0]!.mean))
  const unsure = won ? STICKS : Math.max(STICKS, usual[0]!.spread)
  return all.reduce((product, { found, spread, perGram, beside }) => {
    const most = perGram * theoretical
    if (!(most > 0)) return product
    const told = Math.max(0, left * most) + beside
    const off = Math.hypot(spread, unsure * most)
    const wild = 1 / (1.2 * (most + beside))
    return (product * ((1 - OWN_FAULT.liquor) * normal(found, told, off) + OWN_FAULT.liquor * wild)) / wild
  }, 1)
}

/** g of the product that a g of this form passes for, where only `of` is counted; 0 for what holds none. */
export function standsFor(form: string, product: Formula, of: string | undefined): number {
  if (form === 'H2O') return 0
  const other = formulaOf(form)
  const same = relate(other, product)
  if (same) return (same.units * molarMass(product)) / molarMass(other)
  if (of === undefined || of === 'H2O') return 0
  const here = countOf(of, product)
  return here > 0 ? ((countOf(of, other) / here) * molarMass(product)) / molarMass(other) : 0
}
export function countOf(of: string, formula: Formula): number {
  if (of === 'charge')
    return (ionsOf(formula) ?? []).reduce((sum, { charge, count }) => (charge > 0 ? sum + charge * count : sum), 0)
  const ion = ionsOf(formula)?.find(({ text }) => text === of)
  return ion?.count ?? formula.composition.get(of) ?? 0
}

/** None of the causes: a mass between nothing and half as much again, and leftovers and assays anyhow. The leftovers' and assays' densities are counted against a flat one everywhere. */
export const unknownLikelihood = ({ theoretical }: Readings): number => 1 / (1.5 * theoretical)
