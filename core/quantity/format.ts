import { unitOf, type Figure } from './figure'
import { standardUncertainty } from './uncertainty'
import { fixedUnit, type Kind } from './units'

const THIN = '\u202f'

/** How a kind is shown: the larger or smaller unit once the value asks for it. `from` is the least value shown in that unit. */
const shown: Partial<Record<Kind, readonly { unit: string; size: number; from: number }[]>> = {
  mass: [
    { unit: 'kg', size: 1000, from: 10_000 },
    { unit: 'g', size: 1, from: 0.01 },
    { unit: 'mg', size: 1e-3, from: 0 },
  ],
  volume: [
    { unit: 'L', size: 1000, from: 1000 },
    { unit: 'mL', size: 1, from: 0 },
  ],
  amount: [
    { unit: 'mol', size: 1, from: 1 },
    { unit: 'mmol', size: 1e-3, from: 0 },
  ],
  'mass fraction': [{ unit: '%', size: 0.01, from: 0 }],
}

const EXACT_DIGITS = 5

/**
 * How many decimals of `value` are known when its standard uncertainty is u: the last one shown is the first that the
 * interval of 2u (about 95 %, GUM 6.2.1) reaches. Exact values show five significant digits.
 */
export function knownDecimals(value: number, uncertainty: number): number {
  const place =
    uncertainty > 0
      ? Math.floor(Math.log10(2 * uncertainty) + 1e-6)
      : Math.floor(Math.log10(Math.abs(value) || 1)) - EXACT_DIGITS + 1
  return Math.min(12, Math.max(0, -place))
}

/**
 * The value in the unit people read it in, to as many digits as are known: `18.93 g`. A plan, whose target is a decision
 * without error, may ask for at `most` so many significant digits.
 */
export function formatFigure(figure: Figure, most = 12): string {
  if (figure.value === 0 && standardUncertainty(figure) === 0) return withUnit('0', unitOf(figure))
  const scale = scaleFor(figure)
  const value = figure.value / scale.size
  const known = knownDecimals(value, standardUncertainty(figure) / scale.size)
  const wanted = value === 0 ? known : significantDecimals(value, most)
  return withUnit(value.toFixed(Math.min(known, wanted, keptDecimals(figure, scale.size))), scale.unit)
}

/** The same with so many significant digits, as a step of a working; a sum keeps as many decimals as the longest of what was added, so that the line adds up as it is printed. */
export function formatStep(figure: Figure, digits: number): string {
  const scale = scaleFor(figure)
  const value = figure.value / scale.size
  return withUnit(
    value === 0
      ? '0'
      : value.toFixed(Math.min(significantDecimals(value, digits), writtenDecimals(figure, scale.size))),
    scale.unit,
  )
}

/** Decimals of what was written into a sum: the most of them. */
function writtenDecimals(figure: Figure, size: number): number {
  const most = mostDecimals(figure)
  return most === undefined ? 12 : Math.max(0, most + Math.round(Math.log10(size)))
}
function mostDecimals({ made, decimals }: Figure): number | undefined {
  if (made.how === 'product' || made.how === 'function') return undefined
  if (made.how === 'given') return decimals
  const all = made.terms.map(([weight, of]) => (Number.isInteger(weight) ? mostDecimals(of) : undefined))
  return all.includes(undefined) ? undefined : Math.max(...all.map(one => one ?? 0))
}

const keptDecimals = (figure: Figure, size: number): number =>
  figure.made.how === 'product' || figure.made.how === 'function' || figure.decimals === undefined
    ? 12
    : Math.max(0, figure.decimals + Math.round(Math.log10(size)))

/** A plain number of a kind, to so many significant digits, in the unit people read it in. */
export function formatValue(value: number, kind: Kind, digits = 4): string {
  const scale = scaleOf(kind, Math.abs(value))
  return withUnit(toSignificant(value / scale.size, digits), scale.unit)
}

/** Fixed notation with so many significant digits; never an exponent for what a bench weighs. */
export function toSignificant(value: number, digits: number): string {
  if (value === 0) return '0'
  return value.toFixed(significantDecimals(value, digits))
}

const significantDecimals = (value: number, digits: number): number =>
  Math.min(12, Math.max(0, digits - 1 - Math.floor(Math.log10(Math.abs(value)) + 1e-9)))

const scaleOf = (kind: Kind, size: number) =>
  shown[kind]?.find(scale => size >= scale.from) ?? { unit: fixedUnit[kind], size: 1 }

const scaleFor = (figure: Figure) =>
  figure.unit === undefined ? scaleOf(figure.kind, Math.abs(figure.value)) : { unit: figure.unit, size: 1 }

/** A minus as it is printed, and none before a zero. */
const signed = (number: string): string => (Number(number) === 0 ? number.replace('-', '') : number.replace('-', '−'))
const withUnit = (number: string, unit: string): string =>
  unit === '' ? signed(number) : `${signed(number)}${THIN}${unit}`
