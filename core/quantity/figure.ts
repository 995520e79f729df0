import { functions, type FunctionName } from './functions'
import { fixedUnit, type Kind } from './units'

/**
 * A number that remembers where it came from: typed, tabulated, or worked out from other figures.
 * Its uncertainty, its working and a redraw with other inputs are all read off this one graph, so they cannot disagree.
 */
export interface Figure {
  readonly value: number
  readonly kind: Kind
  /** What a working calls it; formulas stand in braces, `amount of {CuO}`. */
  readonly name: string
  readonly made: Given | Sum | Product | Applied
  /** Decimals, in the fixed unit, that were written or that a sum of written values keeps. */
  readonly decimals?: number | undefined
  /** What it is told in where its kind has no unit of its own: a square root of a molar volume. */
  readonly unit?: string | undefined
}

interface Given {
  readonly how: 'given'
  /** Two givens with one source are one source of error, however often it is used. */
  readonly source: string
  readonly uncertainty: number
  /** Spread evenly between bounds, as the last digit of a reading is, or bell-shaped; the latter where nothing is said. */
  readonly shape?: 'even' | undefined
  /** As a working prints it. */
  readonly written?: string | undefined
}
interface Sum {
  readonly how: 'sum'
  readonly terms: readonly (readonly [weight: number, of: Figure])[]
}
interface Product {
  readonly how: 'product'
  readonly over: readonly Figure[]
  readonly under: readonly Figure[]
  /** Exact conversion between units, left out of the working: mL × mol/L is mmol. */
  readonly conversion: number
}

interface Applied {
  readonly how: 'function'
  readonly is: FunctionName
  readonly of: Figure
}

export const given = (
  value: number,
  kind: Kind,
  name: string,
  from: {
    source: string
    uncertainty: number
    written?: string | undefined
    decimals?: number | undefined
    shape?: 'even' | undefined
  },
): Figure => ({
  value,
  kind,
  name,
  decimals: from.decimals,
  made: { how: 'given', source: from.source, uncertainty: from.uncertainty, written: from.written, shape: from.shape },
})

/** A number that is exact by definition or by decision: a coefficient, a chosen excess. */
export const exact = (value: number, kind: Kind = 'number', name = '', written?: string): Figure => ({
  value,
  kind,
  name,
  made: { how: 'given', source: 'exact', uncertainty: 0, written },
})

export const renamed = (figure: Figure, name: string): Figure => ({ ...figure, name })

/** A weighted sum of figures of one kind. */
export function sum(name: string, terms: readonly (readonly [number, Figure])[]): Figure {
  let value = 0
  let decimals: number | undefined = Infinity
  for (const [weight, of] of terms) {
    value += weight * of.value
    if (of.decimals === undefined) decimals = undefined
    else if (decimals !== undefined) decimals = Math.min(decimals, of.decimals)
  }
  return {
    value,
    kind: terms[0]![1].kind,
    name,
    decimals: decimals === Infinity ? undefined : decimals,
    made: { how: 'sum', terms },
  }
}

export const difference = (name: string, whole: Figure, part: Figure): Figure =>
  sum(name, [
    [1, whole],
    [-1, part],
  ])

/** Over divided by under, brought to the fixed unit of `kind` by the exact `conversion`. */
export function product(
  name: string,
  kind: Kind,
  over: readonly Figure[],
  under: readonly Figure[] = [],
  conversion = 1,
): Figure {
  let value = conversion
  for (const { value: factor } of over) value *= factor
  for (const { value: divisor } of under) value /= divisor
  return { value, kind, name, made: { how: 'product', over, under, conversion } }
}

/** A function of one figure, such as its square root; the value is not a number where the function has none. */
export const applied = (name: string, kind: Kind, is: FunctionName, of: Figure): Figure => ({
  value: functions[is].value(of.value),
  kind,
  name,
  made: { how: 'function', is, of },
})

export const unitOf = (figure: Figure): string => figure.unit ?? fixedUnit[figure.kind]
