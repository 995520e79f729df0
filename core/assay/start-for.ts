import type { Formula } from '#core/formula'
import { partsOf } from '#core/species'
import type { Worksheet, WorksheetKind } from './worksheet-kind'

/** What a worksheet of a batch can be filled in with beforehand: the batch's product, as its kind asks for it. */
export function startFor(kind: WorksheetKind, product: Formula | undefined): Worksheet['given'] {
  if (!product) return {}
  switch (kind) {
    case 'hydrate':
      return { salt: withoutWater(product) }
    case 'titration':
    case 'back titration':
    case 'thermogram':
      return { form: product.text }
    case 'absorbance':
    case 'conductance':
    case 'magnetic':
    case 'ion exchange':
      return { salt: product.text }
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
