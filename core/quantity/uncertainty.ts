import type { Figure } from './figure'
import { functions } from './functions'

export interface Share {
  readonly source: string
  readonly uncertainty: number
}

/**
 * Standard uncertainty of a figure by source, in its fixed unit and to first order; a source that enters twice is added
 * with its signs before it is squared. GUM (JCGM 100:2008), 5.1.2 and 5.2.2.
 */
export function shares(figure: Figure): Share[] {
  const bySource = new Map<string, number>()
  collect(figure, 1, bySource)
  return [...bySource]
    .map(([source, signed]) => ({ source, uncertainty: Math.abs(signed) }))
    .filter(share => share.uncertainty > 0)
    .sort((a, b) => b.uncertainty - a.uncertainty)
}

/** Combined standard uncertainty of a figure, in its fixed unit. GUM (JCGM 100:2008), equation 10. */
export const standardUncertainty = (figure: Figure): number =>
  Math.hypot(...shares(figure).map(share => share.uncertainty))

function collect(figure: Figure, partial: number, into: Map<string, number>): void {
  const made = figure.made
  switch (made.how) {
    case 'given':
      if (made.uncertainty > 0) into.set(made.source, (into.get(made.source) ?? 0) + partial * made.uncertainty)
      return
    case 'sum':
      for (const [weight, of] of made.terms) collect(of, partial * weight, into)
      return
    case 'function':
      collect(made.of, partial * functions[made.is].slope(made.of.value), into)
      return
    case 'product':
      made.over.forEach((factor, i) => collect(factor, partial * partialOf(made, i), into))
      for (const divisor of made.under) collect(divisor, (-partial * figure.value) / divisor.value, into)
  }
}

/** The product without its i-th factor: right also where that factor is 0. */
function partialOf(made: { over: readonly Figure[]; under: readonly Figure[]; conversion: number }, i: number): number {
  let rest = made.conversion
  made.over.forEach((factor, j) => {
    if (j !== i) rest *= factor.value
  })
  for (const divisor of made.under) rest /= divisor.value
  return rest
}
