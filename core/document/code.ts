import { findElement, type Formula } from '#core/formula'
import { counterIons, metalCharges } from '#core/reference'

/** The letters of a batch's code: the metal that the product is made for, `CO` of CO-003 and `LI` of lithium chloride; the heaviest element where it holds no metal. */
export function codePrefix(product: Formula): string {
  const all = [...product.composition.keys()]
  const metals = all.filter(symbol => metalCharges[symbol])
  const wanted = metals.filter(symbol => !counterIons.has(symbol))
  const symbols = [wanted, metals, all].find(({ length }) => length > 0) ?? all
  const heaviest = symbols.reduce((a, b) => ((findElement(b)?.number ?? 0) > (findElement(a)?.number ?? 0) ? b : a))
  return heaviest.toUpperCase()
}
