import { findSubstance, formsOf, parseFormula, relate, type Formula } from '#core/formula'
import { ANHYDRIDE_FROM, anions, counterIons, metalCharges, substances, type SubstanceRow } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import { ionsOf } from '#core/species'

/** Another solid that the ions of a pot can make. */
export interface Relative {
  readonly form: Formula
  /** With hydroxide or oxide; with protons; of two cations; or a plain salt that shares one ion with the product. */
  readonly kind: 'basic' | 'acid' | 'double' | 'other'
  /** What it shares with the product: a metal or an ion. */
  readonly shared: string
  /** Of what is shared, so much in one formula of it, over that in one of the product. */
  readonly units: number
}

/** The metal that a product is made for: not the alkali that comes along with it, where there is another. */
export function metalOf({ composition }: Formula): string | undefined {
  const metals = [...composition.keys()].filter(symbol => metalCharges[symbol])
  return metals.find(symbol => !counterIons.has(symbol)) ?? metals[0]
}

/** An ion broken down to what a pot brings it from: an oxo-cation to its metal and oxide, an acid anion to its protons and the anion without. */
export interface Part {
  readonly text: string
  readonly charge: number
  readonly count: number
}
export function partsOfIons(formula: Formula): Part[] | undefined {
  return ionsOf(formula)?.flatMap(({ text, charge, count, complex }): Part[] => {
    if (complex) return [{ text, charge, count }]
    if (charge > 0) return oxo(text, charge, count)
    return acidic(text, charge, count)
  })
}

const read = new Map<string, Formula | undefined>()
function formulaIn(text: string): Formula | undefined {
  if (!read.has(text)) {
    const found = parseFormula(text)
    read.set(text, found.ok ? found.value : undefined)
  }
  return read.get(text)
}

function oxo(text: string, charge: number, count: number): Part[] {
  const composition = formulaIn(text)?.composition
  const oxides = composition?.get('O') ?? 0
  const metal = composition && [...composition.keys()].find(symbol => metalCharges[symbol])
  if (!composition || !metal || oxides === 0 || composition.size !== 2) return [{ text, charge, count }]
  return [
    { text: metal, charge: (charge + 2 * oxides) / composition.get(metal)!, count: count * composition.get(metal)! },
    { text: 'O', charge: -2, count: count * oxides },
  ]
}

function acidic(text: string, charge: number, count: number): Part[] {
  const mine = formulaIn(text)?.composition
  const protons = mine?.get('H') ?? 0
  if (!mine || protons === 0 || text === 'OH') return [{ text, charge, count }]
  for (let given = protons; given > 0; given--) {
    const base = anions.find(one => one.charge === charge - given && isWithout(mine, given, one.text))
    if (base)
      return [
        { text: base.text, charge: base.charge, count },
        { text: 'H', charge: 1, count: count * given },
      ]
  }
  return [{ text, charge, count }]
}

function isWithout(whole: Formula['composition'], protons: number, text: string): boolean {
  const part = formulaIn(text)?.composition
  if (!part) return false
  const symbols = new Set([...whole.keys(), ...part.keys()])
  return [...symbols].every(
    symbol => (whole.get(symbol) ?? 0) - (symbol === 'H' ? protons : 0) === (part.get(symbol) ?? 0),
  )
}

/** Ions of everything that a stage has in its pot, broken down; hydroxide and oxide with them: water and air bring those. Protons are there where an acid is. */
export function ionsInPot(sheet: StageSheet): ReadonlySet<string> {
  const found = new Set(['OH', 'O'])
  const texts = [
    ...sheet.reagents.filter(({ planned }) => planned).flatMap(({ species, weighAs }) => [species, weighAs]),
    ...sheet.products.map(({ species }) => species),
  ]
  for (const text of texts) {
    const formula = formulaIn(text)
    for (const { text: part } of (formula && partsOfIons(formula)) || []) found.add(part)
  }
  return found
}

/** Solids of the tables that these ions alone can make and that share the product's metal, or else its anion: every ion pair of the pot, and those of three. */
export function relativesOf(product: Formula, pot: ReadonlySet<string>, own: readonly SubstanceRow[] = []): Relative[] {
  const metal = metalOf(product)
  const base = findSubstance(product, own)?.row.formula
  const mine = partsOfIons(product) ?? []
  return [...own, ...substances].flatMap(row => {
    const formula = formulaIn(row.formula)
    if (row.state !== 'solid' || row.formula === base || !formula || relate(formula, product)) return []
    const parts = partsOfIons(formula)
    if (!parts?.every(({ text }) => pot.has(text))) return []
    const kind = kindOf(parts, mine, metal !== undefined && formula.composition.has(metal) ? metal : undefined, row)
    const shared = kind && sharedBy(formula, parts, product, mine, metal)
    if (!kind || !shared) return []
    return (row.forms ? formsOf(formula, own) : [row.formula]).flatMap(text => {
      const form = formulaIn(text)
      return form ? [{ form, kind, ...shared }] : []
    })
  })
}

const BASES: ReadonlySet<string> = new Set(['OH', 'O'])
const isAnion = ({ charge }: Part): boolean => charge < 0

/** Undefined for what shares nothing with the product, holds its metal (where it holds it) in another state, or is a base that dissolves. */
function kindOf(
  parts: readonly Part[],
  mine: readonly Part[],
  metal: string | undefined,
  { water }: SubstanceRow,
): Relative['kind'] | undefined {
  const stateOf = (list: readonly Part[]): number | undefined => list.find(({ text }) => text === metal)?.charge
  const [here, there] = [stateOf(parts), stateOf(mine)]
  if (here !== undefined && there !== undefined && here !== there) return undefined
  const isAnhydride = here !== undefined && here >= ANHYDRIDE_FROM
  const isOfMetal = metal !== undefined
  const own = new Set(mine.filter(isAnion).map(({ text }) => text))
  const sharesAnion = parts.some(one => isAnion(one) && own.has(one.text))
  if (parts.some(({ text }) => BASES.has(text)))
    return isOfMetal && water !== 'soluble' && !isAnhydride ? 'basic' : undefined
  if (parts.some(({ text }) => text === 'H'))
    return isOfMetal && sharesAnion && !mine.some(({ text }) => text === 'H') ? 'acid' : undefined
  if (parts.filter(one => one.charge > 0).length > 1) return sharesAnion ? 'double' : undefined
  return isOfMetal || sharesAnion ? 'other' : undefined
}

/** By the metal where both hold it, else by the anion. */
function sharedBy(
  form: Formula,
  parts: readonly Part[],
  product: Formula,
  mine: readonly Part[],
  metal: string | undefined,
): Pick<Relative, 'shared' | 'units'> | undefined {
  const here = metal === undefined ? 0 : (form.composition.get(metal) ?? 0)
  if (metal !== undefined && here > 0) return { shared: metal, units: here / product.composition.get(metal)! }
  const anion = mine.find(one => isAnion(one) && parts.some(({ text }) => text === one.text))
  const there = anion && parts.find(({ text }) => text === anion.text)
  return anion && there ? { shared: anion.text, units: there.count / anion.count } : undefined
}
