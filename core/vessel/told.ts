import { chargeText, molarMass, type Formula } from '#core/formula'
import { protonDonors } from '#core/reference'
import { ionText } from '#core/species'
import { dissolvedParts } from './stands-as'
import { formulaOf, gathered, portionOf, TRACE, type Portion, type Vessel } from './state'

interface Ion {
  readonly key: string
  readonly body: string
  readonly charge: number
}
const ionOf = (key: string): Ion => {
  const { charge } = formulaOf(key)
  return { key, charge, body: charge === 0 ? key : key.slice(0, key.length - chargeText(charge).length) }
}

/**
 * What is dissolved, told as salts, acids and molecules: first those that are named, as far as their ions reach, then what is left in pairs. All matter is told, and once.
 */
export function toldAs(ions: ReadonlyMap<string, number>, named: readonly Formula[]): Portion[] {
  const left = new Map(ions)
  const portions: Portion[] = []
  const take = (formula: Formula, parts: readonly { key: string; count: number }[]): void => {
    const moles = Math.min(...parts.map(({ key, count }) => (left.get(key) ?? 0) / count))
    if (!(moles > TRACE)) return
    for (const { key, count } of parts) left.set(key, (left.get(key) ?? 0) - count * moles)
    portions.push(portionOf(formula, moles))
  }
  for (const formula of named) take(formula, dissolvedParts(formula))
  const all = [...left.keys()].map(ionOf)
  for (const cation of all.filter(({ charge }) => charge > 0))
    for (const anion of all.filter(({ charge }) => charge < 0)) {
      const pair = pairOf(cation, anion)
      if (pair) take(pair.formula, pair.parts)
    }
  for (const [key, moles] of left) if (moles > TRACE) portions.push(portionOf(formulaOf(key), moles))
  return gathered(portions)
}

function pairOf(cation: Ion, anion: Ion): { formula: Formula; parts: { key: string; count: number }[] } | undefined {
  const common = greatestCommon(cation.charge, -anion.charge)
  const [many, few] = [-anion.charge / common, cation.charge / common]
  const parts = [
    { key: cation.key, count: many },
    { key: anion.key, count: few },
  ]
  const acid =
    cation.key === 'H^+'
      ? protonDonors.find(one => one.leaves + chargeText(one.leavesCharge) === anion.key && one.charge === 0)
      : undefined
  const text =
    acid?.of ??
    (cation.body === 'H' && anion.body === 'OH' ? 'H2O' : ionText(cation.body, many) + ionText(anion.body, few))
  const formula = formulaOf(text)
  const mass = many * molarMass(formulaOf(cation.key)) + few * molarMass(formulaOf(anion.key))
  // A text that reads as something else is told as its ions.
  return Math.abs(molarMass(formula) - mass) < 1e-6 * mass ? { formula, parts } : undefined
}
const greatestCommon = (a: number, b: number): number => (b === 0 ? a : greatestCommon(b, a % b))

/** The dissolved part of a vessel, told. */
export const dissolvedOf = ({ ions }: Vessel, named: readonly Formula[]): Portion[] => toldAs(ions, named)
