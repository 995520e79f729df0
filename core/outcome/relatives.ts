import { findSubstance, formsOf, parseFormula, relate, type Formula } from '#core/formula'
import { metalCharges, substances, type SubstanceRow } from '#core/reference'
import type { StageSheet } from '#core/sheet'
import { ionsOf } from '#core/species'

export interface Relative {
  readonly form: Formula
  readonly kind: 'basic' | 'double'
  /** Atoms of the product's metal in one formula of it, over those in one of the product. */
  readonly metals: number
}

const COUNTER_IONS = new Set(['Li', 'Na', 'K', 'Rb', 'Cs'])

/** The metal that a product is made for: not the alkali that comes along with it, where there is another. */
export function metalOf({ composition }: Formula): string | undefined {
  const metals = [...composition.keys()].filter(symbol => metalCharges[symbol])
  return metals.find(symbol => !COUNTER_IONS.has(symbol)) ?? metals[0]
}

/** Ions of everything that a stage has in its pot, hydroxide and oxide with them: water and air bring those. */
export function ionsInPot(sheet: StageSheet): ReadonlySet<string> {
  const found = new Set(['OH', 'O'])
  const texts = [
    ...sheet.reagents.filter(({ planned }) => planned).flatMap(({ species, weighAs }) => [species, weighAs]),
    ...sheet.products.map(({ species }) => species),
  ]
  for (const text of texts) {
    const read = parseFormula(text)
    for (const { text: ion } of (read.ok && ionsOf(read.value)) || []) if (ion !== 'H') found.add(ion)
  }
  return found
}

/** Basic and double salts of the tables that hold the product's metal and are made of this pot's ions alone. */
export function relativesOf(product: Formula, pot: ReadonlySet<string>, own: readonly SubstanceRow[] = []): Relative[] {
  const metal = metalOf(product)
  const base = findSubstance(product, own)?.row.formula
  if (!metal) return []
  return [...own, ...substances].flatMap(row => {
    const read = parseFormula(row.formula)
    if (row.state !== 'solid' || row.formula === base || !read.ok || !read.value.composition.has(metal)) return []
    const ions = ionsOf(read.value)
    if (!ions || relate(read.value, product) || !ions.every(({ text }) => pot.has(text))) return []
    const kind = kindOf(ions, product)
    if (!kind) return []
    return (row.forms ? formsOf(read.value, own) : [row.formula]).flatMap(text => {
      const form = parseFormula(text)
      if (!form.ok) return []
      const metals = (form.value.composition.get(metal) ?? 0) / (product.composition.get(metal) ?? Infinity)
      return [{ form: form.value, kind, metals }]
    })
  })
}

/** With hydroxide or oxide beside another anion it is basic, with two cations double; a plain salt of another anion is neither. */
function kindOf(ions: readonly { text: string; charge: number }[], product: Formula): Relative['kind'] | undefined {
  const anions = ions.filter(({ charge }) => charge < 0).map(({ text }) => text)
  const cations = ions.filter(({ charge }) => charge > 0)
  const own = new Set((ionsOf(product) ?? []).filter(({ charge }) => charge < 0).map(({ text }) => text))
  const isBase = anions.includes('OH') || anions.includes('O')
  if (isBase) return anions.length > 1 || anions.includes('OH') ? 'basic' : undefined
  return cations.length > 1 && anions.some(text => own.has(text)) ? 'double' : undefined
}
