import { acidIons } from '#core/reference'
import { equilibrium, type Problem } from '#core/activity'
import { ionsFor } from './ions-for'
import type { Standing } from './alone'
import type { Component } from './components'
import type { Curve } from './curve'
import type { PotState } from './pot'
import { saltingOut } from './salting-out'
import { solidsFor, sparingFor, WATER_MOLAR, type Candidates, type Solid } from './solids'

/** Why a model’s answer is less sure than usual. */
export interface Doubts {
  /** The liquor is stronger than the parameters reach. */
  readonly isBeyond: boolean
  /** Pairs of plentiful ions that take the parameters of a relative. */
  readonly borrowed: readonly string[]
}

export interface Together {
  readonly standing: Standing
  /** Moles of each ion in the liquor, the last traces too. */
  readonly dissolved?: ReadonlyMap<string, number>
  readonly dry: boolean
  readonly isAtRest: boolean
  readonly doubts?: Doubts
  /** Nothing stands, and nothing is near to it. */
  readonly isClear?: boolean
}

/**
 * All solids that the pot's ions can make beside each other, by their activities, and acid ions with what they are made of. Where an alcohol or acetone is there, each solid keeps the share of its solubility that it would keep
 * alone, in the water and the other together.
 */
export function together(pot: PotState, own: readonly Curve[]): Together & Pick<Candidates, 'solids' | 'leftOut'> {
  const { totals, acids } = fallenApart(pot.totals)
  const keys = [...totals.keys()]
  const amounts = [...totals.values()]
  const { spirit } = pot
  const thinned = (components: readonly Component[]): number =>
    spirit ? saltingOut(components, spirit.grams / (spirit.grams + pot.water), spirit.is) : 1
  const ions = ionsFor(keys, pot.celsius, amounts)
  const { solids: asTabled, leftOut } = solidsFor(new Set(keys), pot.celsius, own, ions, thinned)
  const solids = asTabled.map(solid => inParts(solid, acids, pot.celsius))
  const found = equilibrium({
    ions,
    totals: amounts,
    water: (pot.water + (spirit?.grams ?? 0)) / 1000,
    solids: [...solids.map(solid => asLimit(solid, keys)), ...acids.map(acid => formationOf(acid, keys, pot.celsius))],
  })
  const dissolved = foldedBack(pot.totals, keys, found.dissolved, acids)
  return {
    standing: solids.map((solid, i) => ({ solid, amount: found.amounts[i] ?? 0 })),
    dissolved,
    dry: found.isDry,
    isAtRest: found.isAtRest,
    isClear: found.nearest < FAR && found.isAtRest && !found.isBeyond,
    doubts: { isBeyond: found.isBeyond, borrowed: ions.borrowed.filter(pair => isPlentiful(pair, totals)) },
    solids,
    leftOut,
  }
}

/** Ions of less than this share of the most plentiful one hardly act on the others; a judgement. */
const PLENTIFUL = 0.05
function isPlentiful(pair: string, totals: ReadonlyMap<string, number>): boolean {
  const most = Math.max(...totals.values())
  return pair.split(' ').every(key => (totals.get(key) ?? 0) > PLENTIFUL * most)
}

/** A product this far below its limit (a third of it) is below it whatever the model’s error: the published liquors are met within 15 % an ion. */
const FAR = -1

const asLimit = ({ components, waters, logK }: Solid, keys: readonly string[]): Problem['solids'][number] => ({
  counts: keys.map(key => components.find(one => one.key === key)?.count ?? 0),
  hydration: (waters * WATER_MOLAR) / 1000,
  logK,
})

/** What is dissolved, with acid ions told as their parts again. */
function foldedBack(
  before: ReadonlyMap<string, number>,
  keys: readonly string[],
  found: readonly number[],
  acids: readonly AcidIon[],
): Map<string, number> {
  const dissolved = new Map(keys.map((key, i) => [key, found[i] ?? 0]))
  for (const { ion, parts } of acids) {
    for (const part of parts) dissolved.set(part, (dissolved.get(part) ?? 0) + (dissolved.get(ion) ?? 0))
    dissolved.delete(ion)
    if (before.has(ion)) dissolved.set(ion, 0)
  }
  return dissolved
}

export interface ThrownDown {
  readonly solids: readonly { readonly solid: Solid; readonly amount: number }[]
  readonly dissolved: ReadonlyMap<string, number>
}

/** The sparingly soluble solids that come down from ions in so many g of water, all beside each other; undefined where none does. */
export function throwDown(
  ionsThere: ReadonlyMap<string, number>,
  water: number,
  celsius: number,
): ThrownDown | undefined {
  const solids = sparingFor(new Set(ionsThere.keys()))
  if (solids.length === 0 || !(water > 0)) return undefined
  const { totals, acids } = fallenApart(ionsThere)
  const keys = [...totals.keys()]
  const amounts = [...totals.values()]
  const found = equilibrium({
    ions: ionsFor(keys, celsius, amounts),
    totals: amounts,
    water: water / 1000,
    solids: [...solids.map(solid => asLimit(solid, keys)), ...acids.map(acid => formationOf(acid, keys, celsius))],
  })
  const standing = solids.flatMap((solid, i) => {
    const amount = found.amounts[i] ?? 0
    return amount > 0 ? [{ solid, amount }] : []
  })
  return standing.length > 0
    ? { solids: standing, dissolved: foldedBack(ionsThere, keys, found.dissolved, acids) }
    : undefined
}

type AcidIon = (typeof acidIons)[number]

/** Totals with every acid ion told as its parts, where all of them are there; the ion itself then begins at nothing. */
function fallenApart(totals: ReadonlyMap<string, number>): {
  readonly totals: ReadonlyMap<string, number>
  readonly acids: readonly AcidIon[]
} {
  const most = Math.max(0, ...totals.values())
  const present = new Map([...totals].filter(([, amount]) => amount > TRACE_SHARE * most && amount > 0))
  const acids = acidIons.filter(({ parts }) => parts.every(part => present.has(part)))
  for (const { ion, parts } of acids) {
    const bound = present.get(ion) ?? 0
    for (const part of parts) present.set(part, (present.get(part) ?? 0) + bound)
    present.set(ion, 0)
  }
  return { totals: present, acids }
}

/** Traces below this share of the most plentiful ion make no solid of their own. */
export const TRACE_SHARE = 1e-9

const KELVIN = 273.15
const GAS = 8.314_46

function formationOf(
  { ion, parts, pK, heat }: AcidIon,
  keys: readonly string[],
  celsius: number,
): Problem['solids'][number] {
  return {
    counts: keys.map(key => (key === ion ? -1 : parts.includes(key) ? 1 : 0)),
    hydration: 0,
    logK: dissociation({ pK, heat }, celsius),
    isDissolved: true,
  }
}

/** ln of an acid ion’s constant of dissociation. */
const dissociation = ({ pK, heat }: Pick<AcidIon, 'pK' | 'heat'>, celsius: number): number =>
  -pK * Math.LN10 - (heat / GAS) * (1 / (celsius + KELVIN) - 1 / (25 + KELVIN))

/** A solid of an acid ion, told as what that ion is made of, and its limit with it: of the ion itself there is nothing to begin with, and the liquor is told so too. */
function inParts(solid: Solid, acids: readonly AcidIon[], celsius: number): Solid {
  const components = solid.components.flatMap(({ key, count }) => {
    const acid = acids.find(({ ion }) => ion === key)
    return acid ? acid.parts.map(part => ({ key: part, count })) : [{ key, count }]
  })
  if (components.length === solid.components.length) return solid
  const logK = solid.components.reduce((sum, { key, count }) => {
    const acid = acids.find(({ ion }) => ion === key)
    return acid ? sum + count * dissociation(acid, celsius) : sum
  }, solid.logK)
  const sums = new Map<string, number>()
  for (const { key, count } of components) sums.set(key, (sums.get(key) ?? 0) + count)
  return { ...solid, logK, components: [...sums].map(([key, count]) => ({ key, count })) }
}
