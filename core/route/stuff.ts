import { findSubstance, parseFormula, type Formula } from '#core/formula'
import type { SubstanceRow } from '#core/reference'
import { ionsOf, type Ion } from '#core/species'
import { dryOf, standsAs, type Standing } from '#core/vessel'

/** A substance as routes speak of it: without water of crystallisation, by the formula that the tables write it with, and what is known of it. */
export interface Stuff {
  readonly text: string
  readonly formula: Formula
  /** The same for the same composition, however it was written. */
  readonly key: string
  readonly cations: readonly Ion[]
  readonly anions: readonly Ion[]
  readonly elements: ReadonlySet<string>
  readonly row: SubstanceRow | undefined
  readonly standing: Standing
}

const known = new Map<string, Stuff | undefined>()
/** More than the tables and all that can be put together from their ions. */
const MOST = 20_000

/** What a formula is to a route; undefined where it does not read or has a charge. */
export function stuffOf(text: string): Stuff | undefined {
  if (known.has(text)) return known.get(text)
  if (known.size > MOST) known.clear()
  const made = make(text)
  known.set(text, made)
  if (made && !known.has(made.text)) known.set(made.text, made)
  return made
}

/** One that is known to read: of a table, or put together from ions. */
export function mustBe(text: string): Stuff {
  const stuff = stuffOf(text)
  if (!stuff) throw new Error(`${text} does not read.`)
  return stuff
}

function make(text: string): Stuff | undefined {
  const read = parseFormula(text)
  if (!read.ok || read.value.charge !== 0) return undefined
  const row = findSubstance(read.value)?.row
  const plain = row ? parseFormula(row.formula) : undefined
  const formula = plain?.ok ? plain.value : dryOf(read.value).dry
  const ions = ionsOf(formula) ?? []
  return {
    text: formula.text,
    formula,
    key: keyOf(formula),
    cations: ions.filter(({ charge }) => charge > 0),
    anions: ions.filter(({ charge }) => charge < 0),
    elements: new Set(formula.composition.keys()),
    row: row ?? findSubstance(formula)?.row,
    standing: standsAs(formula),
  }
}

const keyOf = ({ composition }: Formula): string =>
  [...composition]
    .map(([symbol, count]) => symbol + count)
    .sort()
    .join('')
