import { chargeText, findSubstance, type Formula } from '#core/formula'
import { acidIons, solubilityRules } from '#core/reference'
import { findProduct, ownMolality } from '#core/solution'
import { ionsOf, partsOf } from '#core/species'
import { baseOf, donorOf } from './protons'
import { formulaOf } from './state'

export type Standing = 'gas' | 'solid' | 'dissolved'

/** Asked of the same few formulas thousands of times in a fold: each is worked out once for as long as it lives. */
function once<T>(of: (formula: Formula) => T): (formula: Formula) => T {
  const known = new WeakMap<Formula, { readonly is: T }>()
  return formula => {
    const before = known.get(formula)
    if (before) return before.is
    const is = of(formula)
    known.set(formula, { is })
    return is
  }
}

/** How a substance stands in water, by the tables: a gas, a solid that does not dissolve, or dissolved. An element that no table knows is a solid. */
export const standsAs = once(standing)
function standing(formula: Formula): Standing {
  if (formula.charge !== 0) return 'dissolved'
  const row = findSubstance(formula)?.row
  if (row?.state === 'gas') return isHeld(formula) ? 'dissolved' : 'gas'
  if (row?.water === 'insoluble') return 'solid'
  if (findProduct(formula) && row?.water !== 'soluble') return 'solid'
  if (row) return 'dissolved'
  return formula.composition.size > 1 && !isSparingByRule(formula) ? 'dissolved' : 'solid'
}

/** mol in a kg of water: of a tenth of a litre to a hundredth of a mole, the usual preparation, one part in a hundred. A judgement. */
const YIELDS_FROM = 1e-3
/** Whether a salt that comes down as it is made yet dissolves so much that the liquor and the washings hold a part of it that counts. */
export const yieldsToWater = once(
  (dry: Formula): boolean => standsAs(dry) === 'solid' && (ownMolality(dry) ?? 0) >= YIELDS_FROM,
)

/** By the rules of solubility, for a salt of one kind of cation and one of anion that no table has. */
function isSparingByRule(formula: Formula): boolean {
  const ions = ionsOf(formula) ?? []
  const cations = ions.filter(({ charge }) => charge > 0)
  const anions = ions.filter(({ charge }) => charge < 0)
  return (
    cations.length > 0 &&
    anions.some(({ text, charge }) => {
      const rule = solubilityRules.find(one => one.anion === text && one.charge === charge)
      if (!rule) return false
      return rule.onlyWith
        ? cations.every(one => rule.onlyWith?.includes(one.text))
        : !cations.some(one => rule.butWith?.includes(one.text))
    })
  )
}

/** The formula without its water of crystallisation, and how much that was. */
export const dryOf = once(withoutWater)
function withoutWater(formula: Formula): { readonly dry: Formula; readonly waters: number } {
  const { parts, waters } = partsOf(formula.text)
  if (waters === 0) return { dry: formula, waters: 0 }
  const text = parts.map(({ text, times }) => (times === 1 ? text : `${times}${text}`)).join('·')
  return { dry: formulaOf(text), waters }
}

/** A gas that gives or takes protons, such as hydrogen chloride or ammonia, stays in water. */
const isHeld = (formula: Formula): boolean => donorOf(formula) !== undefined || baseOf(formula) !== undefined

/** A gas by itself, out of water. */
export const isGasAlone = (formula: Formula): boolean => findSubstance(formula)?.row.state === 'gas'

export interface Part {
  readonly key: string
  readonly count: number
}
/** An acid that is stronger than this gives all its protons to water. */
const STRONG = 0.5

/**
 * What a dry substance is in solution: strong acids and salts as their ions (acid ions of strong acids as their parts), weak acids and molecules whole. A hydroxide of an alkali and another metal stands as the
 * hydroxo complex of that metal.
 */
export const dissolvedParts = once(partsInWater)
function partsInWater(dry: Formula): readonly Part[] {
  const acid = donorOf(dry)
  if (acid)
    return acid.pKa < STRONG
      ? [
          { key: 'H^+', count: acid.gives },
          { key: acid.leaves + chargeText(acid.leavesCharge), count: 1 },
        ]
      : [{ key: dry.text, count: 1 }]
  const ions = ionsOf(dry)
  if (!ions || ions.some(({ text }) => text === 'H')) return [{ key: dry.text, count: 1 }]
  const hydroxide = ions.find(({ text, charge }) => text === 'OH' && charge === -1)
  const cations = ions.filter(({ charge }) => charge > 0)
  const [metal] = cations.filter(({ charge }) => charge > 1)
  if (hydroxide && metal && cations.length > 1 && cations.length === ions.length - 1) {
    const charge = metal.charge - hydroxide.count / metal.count
    const count = hydroxide.count / metal.count
    return [
      ...cations
        .filter(one => one !== metal)
        .map(one => ({ key: one.text + chargeText(one.charge), count: one.count })),
      { key: `[${metal.text}(OH)${count}]${chargeText(charge)}`, count: metal.count },
    ]
  }
  return gatheredParts(
    ions.flatMap(({ text, charge, count }) => {
      const key = text + chargeText(charge)
      const acidIon = acidIons.find(({ ion }) => ion === key)
      return (acidIon?.parts ?? [key]).map(part => ({ key: part, count }))
    }),
  )
}

function gatheredParts(parts: readonly Part[]): Part[] {
  const sums = new Map<string, number>()
  for (const { key, count } of parts) sums.set(key, (sums.get(key) ?? 0) + count)
  return [...sums].map(([key, count]) => ({ key, count }))
}
