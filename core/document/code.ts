import { findElement, type Formula } from '#core/formula'

/** The letters of a batch's code: the heaviest element of the product, `CO` of CO-003. */
export function codePrefix(product: Formula): string {
  const symbols = [...product.composition.keys()]
  const heaviest = symbols.reduce((a, b) => ((findElement(b)?.number ?? 0) > (findElement(a)?.number ?? 0) ? b : a))
  return heaviest.toUpperCase()
}
