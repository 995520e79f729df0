import { fail, ok, type Checked, type Span } from '#core/problem'
import { splitCharge } from './charge'
import { caseReadings, doubtfulCase } from './doubtful-case'
import type { ElementRow } from '#core/reference'
import { elementOfOne, elementOfTwo } from './element-index'
import { everyday, groupsInFull } from './everyday'
import type { Formula } from './formula'
import { ligandAt, ligandNamed } from './ligand-index'
import type { FormulaProblem } from './problems'

const MAX_LENGTH = 400
const MAX_DEPTH = 16
const MAX_ATOMS = 1e7
const MAX_DENOMINATOR = 1e6

interface Group {
  readonly open: string
  readonly at: number
  readonly counts: Map<string, number>
}
interface Count {
  readonly value: number
  readonly denominator: number
  readonly end: number
  readonly text: string
}

class Refused extends Error {
  constructor(readonly problem: FormulaProblem) {
    super(problem.code)
  }
}
const refuse = (problem: FormulaProblem): never => {
  throw new Refused(problem)
}

/**
 * Reads a formula as chemists type it (`CuSO4.5H2O`, `[Co(NH3)5Cl]Cl2`, `MnO4-`, `SO4^2-`) and refuses what can be read in
 * two ways. Elements without a standard atomic weight are refused, since nothing here can weigh them.
 */
export const parseFormula = (text: string): Checked<Formula, FormulaProblem> => parse(text, true)

/** The same for an equation, where weights do not matter. */
export const parseUnweighed = (text: string): Checked<Formula, FormulaProblem> => parse(text, false)

function parse(text: string, weighed: boolean): Checked<Formula, FormulaProblem> {
  let start = 0
  let end = text.length
  while (start < end && isSpace(text.charCodeAt(start))) start++
  while (end > start && isSpace(text.charCodeAt(end - 1))) end--
  if (start === end) return fail({ code: 'formula.empty', span: [0, text.length] })
  const meant = everyday.get(text.slice(start, end))
  if (meant !== undefined) return parse(meant, weighed)
  const inFull = groupsInFull(text)
  if (inFull !== text) {
    const read = parse(inFull, weighed)
    if (read.ok) return read
  }
  if (end - start > MAX_LENGTH)
    return fail({ code: 'formula.too-long', span: [start + MAX_LENGTH, end], limit: MAX_LENGTH })

  let bodyEnd = end
  let charge = 0
  if (mayBeCharged(text, end)) {
    const charged = splitCharge(text, start, end)
    if (!charged.ok) return charged
    bodyEnd = charged.value.end
    charge = charged.value.charge
  }
  try {
    return ok(readBody(text, start, bodyEnd, charge, weighed))
  } catch (error) {
    if (error instanceof Refused) return fail(error.problem)
    throw error
  }
}

/** Nearly every formula ends in a letter, a digit or a bracket and has no ^; it is not worth looking further. */
function mayBeCharged(text: string, end: number): boolean {
  const last = text.charCodeAt(end - 1)
  return last === 43 || last === 45 || last >= 128 || last === 125 || text.includes('^')
}

function readBody(text: string, start: number, bodyEnd: number, charge: number, weighed: boolean): Formula {
  let end = bodyEnd
  while (end > start && isSpace(text.charCodeAt(end - 1))) end--
  if (start === end) refuse({ code: 'formula.empty', span: [start, bodyEnd] })
  const second = text.charCodeAt(start + 1)
  const doubt = second >= 65 && second <= 90 ? doubtfulCase(text, start, end) : undefined
  if (doubt) refuse(doubt)

  let total = new Map<string, number>()
  let canonical = ''
  let denominator = 1
  let decimalCounts = false
  let dotBetweenDigits: Span | undefined
  let at = start
  for (let part = 0; ; part++) {
    const times = mayCountPart(text.charCodeAt(at)) ? readPartCount(text, at, end, part) : undefined
    if (times) denominator *= times.denominator
    const from = times ? times.end : at
    const group = readGroup(text, from, end, start, weighed)
    if (group.text === 'H20') refuse({ code: 'formula.zero-for-oxygen', span: [from, group.end] })
    denominator *= group.denominator
    decimalCounts ||= group.denominator > 1
    canonical += part === 0 ? group.text : `·${times?.text ?? ''}${group.text}`
    total = part === 0 ? group.counts : added(total, group.counts, times?.value ?? 1)

    at = group.end
    if (at === end) break
    if (text[at] === '.' && isDigit(text.charCodeAt(at - 1)) && isDigit(text.charCodeAt(at + 1)))
      dotBetweenDigits ??= [at, at + 1]
    at = skipSpaces(text, at, end)
    const separator = at
    at = skipSpaces(text, at + 1, end)
    if (text[separator] === '.' && separator > group.end && at === separator + 1 && isDigit(text.charCodeAt(at))) {
      refuse({ code: 'formula.ambiguous-dot', span: [separator, separator + 1] })
    }
    if (
      at === end ||
      (isSeparator(text[at]!) && (text[at] !== '.' || text[separator] === '.' || !isDigit(text.charCodeAt(at + 1))))
    )
      refuse({ code: 'formula.empty-part', span: [separator, separator + 1] })
  }
  if (decimalCounts && dotBetweenDigits) refuse({ code: 'formula.ambiguous-dot', span: dotBetweenDigits })
  checkSize(total, denominator, text, start, end)
  return { text: canonical + chargeText(charge), composition: total, charge, denominator }
}

/** One part: elements and brackets with their counts, up to a separator or the end. */
function readGroup(text: string, from: number, end: number, start: number, weighed: boolean) {
  let open: Group[] | undefined
  let counts = new Map<string, number>()
  let canonical = ''
  let denominator = 1
  let i = from
  while (i < end) {
    const code = text.charCodeAt(i)
    if (code >= 65 && code <= 90) {
      const next = text.charCodeAt(i + 1)
      const two = next >= 97 && next <= 122 && i + 1 < end
      const element = two ? elementOfTwo(code, next) : elementOfOne(code)
      if (!element) return unknownElement(text, i, two ? i + 2 : i + 1, start, end)
      if (weighed && element.weight === undefined) noWeight(element, i)
      i += two ? 2 : 1
      canonical += element.symbol
      let times = 1
      if (i < end && mayCount(text.charCodeAt(i))) {
        const count = readCount(text, i, end)
        i = count.end
        denominator *= count.denominator
        canonical += count.text
        times = count.value
      }
      counts.set(element.symbol, (counts.get(element.symbol) ?? 0) + times)
    } else if (code === 40 && ligandAt(text, i, end, open?.at(-1)?.open)) {
      const ligand = ligandAt(text, i, end, open?.at(-1)?.open)!
      const close = i + ligand.abbreviation.length + 1
      const count = readCount(text, close + 1, end)
      i = count.end
      denominator *= count.denominator
      canonical += `(${ligand.abbreviation})${count.text}`
      counts = added(counts, ligand.composition, count.value)
    } else if (code === 40 || code === 91 || code === 123) {
      open ??= []
      if (open.length === MAX_DEPTH) refuse({ code: 'formula.too-deep', span: [i, i + 1], limit: MAX_DEPTH })
      open.push({ open: text[i]!, at: i, counts })
      counts = new Map()
      canonical += text[i]
      i++
    } else if (code === 41 || code === 93 || code === 125) {
      const closing = text[i]!
      const group = open?.pop() ?? refuse({ code: 'formula.unopened-bracket', span: [i, i + 1], text: closing })
      const wanted = closes[group.open]!
      if (closing !== wanted) refuse({ code: 'formula.wrong-bracket', span: [i, i + 1], text: closing, wanted })
      if (counts.size === 0) refuse({ code: 'formula.empty-bracket', span: [group.at, i + 1] })
      const count = readCount(text, i + 1, end)
      i = count.end
      denominator *= count.denominator
      canonical += closing + count.text
      counts = added(group.counts, counts, count.value)
    } else if (isSpace(code)) {
      const next = skipSpaces(text, i, end)
      if (!isSeparator(text[next]!)) refuse({ code: 'formula.space', span: [i, next] })
      break
    } else if (isSeparator(text[i]!)) {
      break
    } else if (code >= 97 && code <= 122) {
      return unknownElement(text, i, lowerRunEnd(text, i, end), start, end)
    } else {
      refuse({ code: 'formula.unexpected', span: [i, i + 1], text: text[i]! })
    }
  }
  const unclosed = open?.pop()
  if (unclosed) refuse({ code: 'formula.unclosed-bracket', span: [unclosed.at, unclosed.at + 1], text: unclosed.open })
  if (counts.size === 0)
    refuse(
      i > from || from === 0
        ? { code: 'formula.empty-part', span: [i, i + 1] }
        : { code: 'formula.number-alone', span: [Math.max(start, from - 1), from], text: text.slice(from - 1, from) },
    )
  return { counts, text: canonical, denominator, end: i }
}

const closes: Readonly<Record<string, string>> = { '(': ')', '[': ']', '{': '}' }

function noWeight({ symbol, name }: ElementRow, at: number): never {
  return refuse({ code: 'formula.no-standard-weight', span: [at, at + symbol.length], symbol, name })
}

function unknownElement(text: string, at: number, to: number, start: number, end: number): never {
  const ligand = ligandNamed(text.slice(at, lowerRunEnd(text, at + 1, end)))
  if (ligand) refuse({ code: 'formula.bare-ligand', span: [at, at + ligand.length], ligand })
  return refuse({
    code: 'formula.unknown-element',
    span: [at, to],
    text: text.slice(at, to),
    readings: caseReadings(text.slice(start, end)),
  })
}

/** The number before an added part: 5, 0.5, 1/2, ½, or nothing. In front of the whole formula it is a problem. */
function readPartCount(text: string, at: number, end: number, part: number): Count {
  const match = PART_COUNT.exec(text.slice(at, Math.min(end, at + 24)))
  if (!match) return noCount(at)
  const [written] = match
  const to = at + written.length
  if (part === 0) refuse({ code: 'formula.leading-number', span: [at, to], rest: text.slice(to, end).trim() })
  if (to === end) refuse({ code: 'formula.number-alone', span: [at, to], text: written })
  const count = countOf(written === '½' ? '1/2' : written, at, to)
  return { ...count, text: count.value === 1 ? '' : count.text, end: skipSpaces(text, to, end) }
}
const PART_COUNT = /^(?:½|\d*\.?\d+(?:\/\d+)?)/

/** The count after an element or bracket: whole, in plain or lowered digits, or a decimal below one such as 0.95. */
function readCount(text: string, at: number, end: number): Count {
  const first = text.charCodeAt(at)
  if (at >= end || !mayCount(first)) return noCount(at)
  let to = at
  if (isLowered(first)) {
    while (to < end && isLowered(text.charCodeAt(to))) to++
    return {
      ...countOf(
        text.slice(at, to).replace(/[₀-₉]/g, digit => String(digit.charCodeAt(0) - 0x2080)),
        at,
        to,
      ),
      end: to,
    }
  }
  while (to < end && isDigit(text.charCodeAt(to))) to++
  if (to === at + 1 && first === 48 && text[to] === '.' && isDigit(text.charCodeAt(to + 1))) {
    to++
    while (to < end && isDigit(text.charCodeAt(to))) to++
  }
  if (to - at === 1 && first > 49) return { value: first - 48, denominator: 1, end: to, text: text[at]! }
  return { ...countOf(text.slice(at, to), at, to), end: to }
}

function countOf(written: string, at: number, to: number): Omit<Count, 'end'> {
  const [top, bottom = '1'] = written.split('/') as [string, string?]
  const decimals = top.includes('.') ? top.length - top.indexOf('.') - 1 : 0
  const scaled = Math.round(Number(top) * 10 ** decimals)
  const common = greatestCommonDivisor(scaled, 10 ** decimals * Number(bottom))
  const denominator = (10 ** decimals * Number(bottom)) / common
  const value = scaled / common / denominator
  const leadingZero = /^0\d/.test(top) || /^0/.test(bottom)
  if (!(value > 0) || leadingZero || top.length > 7 || denominator > 10_000 || !Number.isFinite(value)) {
    refuse({ code: 'formula.bad-count', span: [at, to], text: written })
  }
  return { value, denominator, text: value === 1 ? '' : countText(scaled / common, denominator) }
}

/** Halves and tenths as decimals, thirds as fractions: what reads back to the same number. */
const countText = (top: number, bottom: number): string =>
  10_000 % bottom === 0 ? String(top / bottom) : `${top}/${bottom}`

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a || 1 : greatestCommonDivisor(b, a % b)
}

function added(into: Map<string, number>, counts: ReadonlyMap<string, number>, times: number): Map<string, number> {
  for (const [symbol, count] of counts) into.set(symbol, (into.get(symbol) ?? 0) + times * count)
  return into
}

function checkSize(
  counts: ReadonlyMap<string, number>,
  denominator: number,
  text: string,
  start: number,
  end: number,
): void {
  let atoms = 0
  for (const count of counts.values()) atoms += count
  if (atoms > MAX_ATOMS || denominator > MAX_DENOMINATOR)
    refuse({ code: 'formula.bad-count', span: [start, end], text: text.slice(start, Math.min(end, start + 40)) })
}

export const chargeText = (charge: number): string =>
  charge === 0 ? '' : `^${Math.abs(charge) === 1 ? '' : Math.abs(charge)}${charge > 0 ? '+' : '-'}`

const noCount = (end: number): Count => ({ value: 1, denominator: 1, end, text: '' })
const mayCountPart = (code: number): boolean => isDigit(code) || code === 46 || code === 0xbd
const mayCount = (code: number): boolean => isDigit(code) || isLowered(code)
const isDigit = (code: number): boolean => code >= 48 && code <= 57
const isLowered = (code: number): boolean => code >= 0x2080 && code <= 0x2089
const isSpace = (code: number): boolean =>
  code <= 32 ? code === 32 || (code >= 9 && code <= 13) : code === 0xa0 || code === 0x202f
const isSeparator = (character: string): boolean => '·.*•⋅∙'.includes(character)

function skipSpaces(text: string, at: number, end: number): number {
  let i = at
  while (i < end && isSpace(text.charCodeAt(i))) i++
  return i
}

function lowerRunEnd(text: string, at: number, end: number): number {
  let i = at
  while (i < end && text.charCodeAt(i) >= 97 && text.charCodeAt(i) <= 122) i++
  return i
}
