import { fail, ok, type Advice, type Checked, type Span } from '#core/problem'
import { given, type Figure } from './figure'
import { findUnit, unitsOf, type Kind } from './units'

export type QuantityProblem =
  | { code: 'quantity.empty'; span: Span; kinds: readonly Kind[] }
  | { code: 'quantity.unreadable'; span: Span; kinds: readonly Kind[] }
  | { code: 'quantity.comma'; span: Span }
  | { code: 'quantity.no-unit'; span: Span; kinds: readonly Kind[] }
  | { code: 'quantity.unknown-unit'; span: Span; unit: string; kinds: readonly Kind[] }
  | { code: 'quantity.wrong-kind'; span: Span; unit: string; kind: Kind; kinds: readonly Kind[] }
  | { code: 'quantity.negative'; span: Span }
  | { code: 'quantity.zero'; span: Span }
  | { code: 'quantity.over-whole'; span: Span }
  | { code: 'quantity.out-of-range'; span: Span }

const NUMBER =
  /^\s*([+\-−]?(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?)(?:\((\d+)\)|\s*(?:±|\+\/?-)\s*((?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?))?\s*/

/** Below this nothing on a bench is told; a product of two solubilities still is. An exponent beyond the steepest reads as 0 or infinity. */
const LEAST = 1e-20
const STEEPEST = 40

export interface Reading {
  readonly kinds: readonly Kind[]
  readonly name: string
  /** What the value's error is called; two values with one source are one error. */
  readonly source: string
  readonly zero?: boolean
  /** Lets a percentage pass 100: an excess, not a part of a whole. */
  readonly aboveWhole?: boolean
  /** Lets a reading lie below zero: an absorbance of a blank. */
  readonly negative?: boolean
}

/**
 * Reads a measured value of one of `kinds`: `5.214 g`, `5.214(2) g`, `5.214 ± 0.002 g`. The value comes in the fixed unit.
 * Written digits are the resolution d, a standard uncertainty of d/√12 (GUM, F.2.2.1); what stands in brackets or after ±
 * is taken as the standard uncertainty (GUM, 7.2.2). Refuses negative values but for temperatures, and zero unless allowed.
 */
export function parseQuantity(
  text: string,
  { kinds, name, source, zero = false, aboveWhole = false, negative = false }: Reading,
): Checked<Figure, QuantityProblem> {
  const whole: Span = [0, text.length]
  if (text.trim() === '') return fail({ code: 'quantity.empty', span: whole, kinds })
  if (text.length > 60) return fail({ code: 'quantity.unreadable', span: whole, kinds })

  const comma = /\d,\d/.exec(text)
  if (comma) return fail({ code: 'quantity.comma', span: [comma.index + 1, comma.index + 2] })

  const match = NUMBER.exec(text)
  if (!match) return fail({ code: 'quantity.unreadable', span: whole, kinds })
  const [matched, digits, bracket, plusMinus] = match as unknown as [string, string, string?, string?]
  const at: Span = [text.length - text.trimStart().length, matched.trimEnd().length]

  const unitText = text.slice(matched.length).trim()
  const unitAt: Span = [matched.length, matched.length + unitText.length]
  const unit = findUnit(unitText)
  if (!unit) return fail({ code: 'quantity.unknown-unit', span: unitAt, unit: unitText, kinds })
  if (!kinds.includes(unit.kind)) {
    return unitText === ''
      ? fail({ code: 'quantity.no-unit', span: at, kinds })
      : fail({ code: 'quantity.wrong-kind', span: unitAt, unit: unitText, kind: unit.kind, kinds })
  }

  const typed = Number(digits.replace('−', '-'))
  const value = typed * unit.size + ('offset' in unit ? unit.offset! : 0)
  const isTooSmall = Math.abs(typed * unit.size) < LEAST && /[1-9]/.test(digits.split(/e/i)[0] ?? '')
  const isSteep = Math.abs(Number(/e(.+)$/i.exec(digits)?.[1] ?? 0)) > STEEPEST
  if (!Number.isFinite(value) || Math.abs(value) > 1e12 || isTooSmall || isSteep)
    return fail({ code: 'quantity.out-of-range', span: at })
  if (unit.kind === 'temperature' ? value < -273.15 : value < 0 && !negative)
    return fail({ code: 'quantity.negative', span: at })
  if (value === 0 && !zero && unit.kind !== 'temperature') return fail({ code: 'quantity.zero', span: at })
  if (unit.kind === 'mass fraction' && !aboveWhole && value > 1 + 1e-12)
    return fail({ code: 'quantity.over-whole', span: at })

  const resolution = resolutionOf(digits)
  const uncertainty =
    unit.size * (bracket ? Number(bracket) * resolution : plusMinus ? Number(plusMinus) : resolution / Math.sqrt(12))
  const decimals = Math.max(0, Math.round(-Math.log10(resolution * unit.size)))
  return ok(
    given(value, unit.kind, name, {
      source,
      uncertainty,
      written: written(matched, unit.symbol),
      decimals,
      shape: bracket || plusMinus ? undefined : 'even',
    }),
  )
}

/** A measured text in two: the number as it was written, and its unit as the table spells it; undefined where it does not read. */
export function partsOfMeasured(text: string): { readonly number: string; readonly unit: string } | undefined {
  const match = text.length > 60 || /\d,\d/.test(text) ? null : NUMBER.exec(text)
  const unit = match ? findUnit(text.slice(match[0].length)) : undefined
  return match?.[1] !== undefined && unit ? { number: match[1].replace('−', '-'), unit: unit.symbol } : undefined
}

/** A bare number with the unit that its field prints; anything else as it is. */
export function completed(text: string, unit: string | undefined): string {
  const parts = unit ? partsOfMeasured(text) : undefined
  return parts?.unit === '' ? `${text.trim()} ${unit}` : text
}

/** What one step of the last written digit is worth, in the fixed unit of its kind: 0.001 for `12 mg`, 0.1 for `5.2e3 mg`. */
export function stepOf(text: string): number | undefined {
  const parts = partsOfMeasured(text)
  const unit = parts && findUnit(parts.unit)
  return parts && unit ? resolutionOf(parts.number) * unit.size : undefined
}

const written = (number: string, unit: string): string => (unit === '' ? number.trim() : `${number.trim()} ${unit}`)

/** The place of the last written digit: 5.214 is known to 0.001, 2.0e3 to 100. */
function resolutionOf(digits: string): number {
  const [mantissa, exponent] = digits.toLowerCase().split('e') as [string, string?]
  const decimals = mantissa.includes('.') ? mantissa.length - mantissa.indexOf('.') - 1 : 0
  return 10 ** (Number(exponent ?? 0) - decimals)
}

const example: Partial<Record<Kind, string>> = {
  mass: '5.214 g',
  volume: '40.0 mL',
  amount: '0.120 mol',
  concentration: '3.00 mol/L',
  'mass fraction': '98 %',
  'mass per volume': '10 % w/v',
  density: '1.18 g/mL',
  temperature: '25 °C',
  time: '20 min',
  pressure: '101.3 kPa',
  power: '100 W',
  conductivity: '0.431 mS/cm',
}

const wanted = (kinds: readonly Kind[]): string =>
  `${kinds.join(' or ')}, such as ${kinds.map(kind => example[kind] ?? '1.2').join(' or ')}`

export function explainQuantity(problem: QuantityProblem): Advice {
  switch (problem.code) {
    case 'quantity.empty':
      return { why: 'There is nothing here.', fix: `Give a ${wanted(problem.kinds)}.` }
    case 'quantity.unreadable':
      return { why: 'This cannot be understood as a number with a unit.', fix: `Give a ${wanted(problem.kinds)}.` }
    case 'quantity.comma':
      return {
        why: 'A comma could be a decimal sign or a thousands sign.',
        fix: 'Use a point for decimals and nothing for thousands: 1.25 g, 1250 g.',
      }
    case 'quantity.no-unit':
      return { why: 'The unit is missing.', fix: `Give a ${wanted(problem.kinds)}.` }
    case 'quantity.unknown-unit':
      return {
        why: `“${problem.unit}” is not a unit read here.`,
        fix: `Use ${unitsOf(problem.kinds).join(', ') || 'a plain number'}.`,
      }
    case 'quantity.wrong-kind':
      return {
        why: `${problem.unit} measures ${problem.kind}; this wants ${problem.kinds.join(' or ')}.`,
        fix: `Give a ${wanted(problem.kinds)}.`,
      }
    case 'quantity.negative':
      return { why: 'This is below zero, which cannot be.', fix: 'Check the sign.' }
    case 'quantity.zero':
      return { why: 'Zero leaves nothing to work with.', fix: 'Give a value above zero.' }
    case 'quantity.over-whole':
      return { why: 'A part of a whole is 100 % at most.', fix: 'Give a percentage up to 100 %.' }
    case 'quantity.out-of-range':
      return { why: 'This number is too large or too small for a bench.', fix: 'Check the digits and the exponent.' }
  }
}
