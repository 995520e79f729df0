import { parseFormula, type Formula } from '#core/formula'
import { metalCharges, usualTitrations, weighingForms } from '#core/reference'
import { partsOf } from '#core/species'
import { carriersOf, unitsTitrated } from './carrier'
import type { Worksheet, WorksheetKind } from './worksheet-kind'

/** What a batch knows that a worksheet of it asks for. */
export interface BatchFacts {
  /** What it isolates. */
  readonly product?: Formula
  /** The reaction of its last stage. */
  readonly equation?: string
  /** Its reagents as they were weighed. */
  readonly reagents: readonly { readonly species: string; readonly form: string }[]
  /** The solid by-product or product that is thrown down, where the reaction makes one. */
  readonly precipitate?: string
  /** Of the spot tests: the reagent whose drop clouds the clear liquor, or that neither does. */
  readonly clouds?: string | 'neither'
}

/** What a worksheet of a batch can be filled in with beforehand, as its kind asks for it; what is written can be changed. */
export function startFor(kind: WorksheetKind, facts: BatchFacts): Worksheet['given'] {
  const { product } = facts
  if (kind === 'mixture') return mixtureOf(facts)
  if (kind === 'composition') return compositionOf(facts)
  if (!product) return {}
  switch (kind) {
    case 'hydrate':
      return { salt: withoutWater(product) }
    case 'gravimetric':
      return weighingOf(product)
    case 'titration':
      return { form: product.text, ...titrationOf(product) }
    case 'liquor':
      return titrationOf(product)
    case 'back titration':
    case 'thermogram':
      return { form: product.text }
    case 'absorbance':
    case 'conductance':
    case 'magnetic':
    case 'ion exchange':
      return { salt: product.text }
    case 'two salts':
    case 'two readings':
      return { first: product.text }
    case 'spectrum':
      return { sample: product.text }
    default:
      return {}
  }
}

const withoutWater = ({ text }: Formula): string =>
  partsOf(text)
    .parts.map(({ text, times }) => (times === 1 ? text : `${times}${text}`))
    .join('·')

/** The ion of the product that has the surest weighing form. */
function weighingOf(product: Formula): Worksheet['given'] {
  const row = weighingForms.find(({ analyte }) => {
    const read = parseFormula(analyte)
    return read.ok && carriersOf(read.value, product).length > 0
  })
  return row ? { analyte: row.analyte, weighedAs: row.weighedAs } : {}
}

function titrationOf(product: Formula): Worksheet['given'] {
  const row = usualTitrations.find(({ species }) => {
    const read = parseFormula(species)
    return read.ok && unitsTitrated(read.value, product) !== undefined
  })
  return row ? { species: row.species, titrant: row.titrant, equation: row.equation } : {}
}

/** Two solutions thrown together: the reaction, both salts as weighed, and what the spot tests of the journal say. */
function mixtureOf({ equation, reagents, precipitate, clouds }: BatchFacts): Worksheet['given'] {
  const [first, second, ...more] = reagents
  if (!equation || !first || !second || more.length > 0 || !precipitate) return {}
  const told =
    clouds === undefined
      ? undefined
      : clouds === first.species
        ? 'the one'
        : clouds === second.species
          ? 'the other'
          : 'neither'
  return { equation, precipitate, first: first.form, second: second.form, ...(told && { clouds: told }) }
}

/** A metal and an element that it takes up. */
function compositionOf({ reagents, product }: BatchFacts): Worksheet['given'] {
  const elements = reagents.flatMap(({ species }) => {
    const read = parseFormula(species)
    const [symbol, ...more] = read.ok ? [...read.value.composition.keys()] : []
    return symbol !== undefined && more.length === 0 ? [symbol] : []
  })
  const metal = elements.find(symbol => symbol in metalCharges)
  const other = elements.find(symbol => symbol !== metal)
  const isBoth = !!metal && !!other && !!product?.composition.has(metal) && product.composition.has(other)
  return reagents.length === 2 && isBoth ? { metal, other } : {}
}
