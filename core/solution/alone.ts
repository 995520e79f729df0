import { findSubstance, molarMass } from '#core/formula'
import { componentsOf } from './components'
import type { Curve } from './curve'
import type { PotState, Present } from './pot'
import { saltingOut } from './salting-out'
import { solidOf, solidsFor, solidWith, WATER_MOLAR, type Solid, type StandingSolid } from './solids'

/**
 * Each salt with the solid of its own curve, where the pot holds one salt in its own proportions (a double salt alone answers by its own curve), or several of which no two share an ion and beside which nothing else can come down;
 * undefined where one would change what the other does, or ions are there that are no part of them.
 */
export function rowsAlone(pot: PotState, present: readonly Present[]): Row[] | undefined {
  if (present.length === 0 || !isMadeOf(pot, present)) return undefined
  if (present.length > 1) {
    const { solids } = solidsFor(new Set(pot.totals.keys()), pot.celsius)
    const isOther = ({ salt, source }: Solid): boolean =>
      source !== 'curve' || !present.some(one => one.salt.text === salt.text)
    if (solids.some(isOther)) return undefined
  }
  const shared = new Set<string>()
  const rows: Row[] = []
  for (const { salt, curve, amount } of present) {
    const solid = curve && solidOf(curve, pot.celsius)
    if (!curve || solid?.alone === undefined) return undefined
    for (const { key } of componentsOf(salt)) {
      if (shared.has(key)) return undefined
      shared.add(key)
    }
    rows.push({ solid, curve, amount, limit: solid.alone / 100 / molarMass(salt) })
  }
  return rows
}

/** Ions beside the salts' own proportions, as a share of the salt, that are no more than rounding. */
const SAME_SHARE = 1e-6

function isMadeOf({ totals }: PotState, present: readonly Present[]): boolean {
  const parts = new Map<string, number>()
  for (const { salt, amount } of present)
    for (const { key, count } of componentsOf(salt)) parts.set(key, (parts.get(key) ?? 0) + count * amount)
  const least = Math.min(...present.map(({ amount }) => amount))
  return [...totals].every(([key, amount]) => Math.abs(amount - (parts.get(key) ?? 0)) <= SAME_SHARE * least)
}

export interface Row {
  readonly solid: Solid
  readonly curve: Curve
  readonly amount: number
  /** Moles that a gram of water holds. */
  readonly limit: number
}

export type Standing = readonly { readonly solid: StandingSolid; readonly amount: number }[]

/** Each salt by its own curve in the water that all share; crystals with water leave less of it. Bisection on the free water. */
export function eachAlone(pot: PotState, rows: readonly Row[]): { standing: Standing; dry: boolean } {
  const wanted = rows.reduce((sum, { solid, amount }) => sum + amount * solid.waters * WATER_MOLAR, 0)
  if (rows.length > 0 && pot.water <= wanted * (1 + 1e-9))
    return { standing: dryOf(rows, pot.water / wanted), dry: true }
  const { spirit } = pot
  const holds = (solid: Solid, limit: number, water: number): number =>
    spirit
      ? limit * (water + spirit.grams) * saltingOut(solid.components, spirit.grams / (spirit.grams + water), spirit.is)
      : limit * water
  const crystalsAt = (water: number): { solid: Solid; amount: number }[] =>
    rows.map(({ solid, amount, limit }) => ({ solid, amount: Math.max(0, amount - holds(solid, limit, water)) }))
  const leftAt = (water: number): number =>
    pot.water - crystalsAt(water).reduce((sum, { solid, amount }) => sum + amount * solid.waters * WATER_MOLAR, 0)
  let low = 0
  let high = pot.water
  if (leftAt(high) < high - 1e-12) {
    for (let i = 0; i < 200; i++) {
      const middle = (low + high) / 2
      if (leftAt(middle) > middle) low = middle
      else high = middle
    }
  }
  return { standing: crystalsAt(high), dry: false }
}

/**
 * A pot whose crystals want more water than there is: each salt gets the same share of what it wants, and stands as the two of its
 * forms between which that falls, by the lever rule.
 */
function dryOf(rows: readonly Row[], share: number): Standing {
  return rows.flatMap(({ solid, curve, amount }): { solid: StandingSolid; amount: number }[] => {
    if (solid.waters === 0) return [{ solid, amount }]
    const waters = solid.waters * Math.min(1, share)
    const forms = formsBelow(curve, solid.waters)
    const upper = forms.findLast(one => one >= waters - 1e-12) ?? solid.waters
    const lower = forms.find(one => one < upper - 1e-12 && one <= waters) ?? 0
    const ofUpper = upper > lower ? (amount * (waters - lower)) / (upper - lower) : amount
    return [
      { solid: solidWith(curve.salt, upper), amount: ofUpper },
      { solid: solidWith(curve.salt, lower), amount: amount - ofUpper },
    ]
  })
}

/** Waters of the forms of a salt from the one that stands downwards: those of its curve, those of the tables, none. */
function formsBelow({ salt, phases }: Curve, most: number): number[] {
  const ofTables = (findSubstance(salt)?.row.forms ?? []).map(([waters]) => waters)
  return [...new Set([most, ...phases.map(({ waters }) => waters), ...ofTables, 0])]
    .filter(waters => waters >= 0 && waters <= most)
    .sort((a, b) => b - a)
}
