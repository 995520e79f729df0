import { fail, ok, type Checked } from '#core/problem'
import type { FormulaProblem } from './problems'

/** The charge at the end of a text, and where the rest ends. */
export interface ChargeEnd {
  readonly charge: number
  readonly end: number
}

const PLAIN: Readonly<Record<string, string>> = {
  '⁰': '0',
  '¹': '1',
  '²': '2',
  '³': '3',
  '⁴': '4',
  '⁵': '5',
  '⁶': '6',
  '⁷': '7',
  '⁸': '8',
  '⁹': '9',
  '⁺': '+',
  '⁻': '-',
  '−': '-',
  '–': '-',
}
const RAISED_END = /[⁰¹²³⁴-⁹]*[⁺⁻]+$/
const SPACED_END = /\s+(\d*)([+\-−–]+)$/
const SIGNS_END = /[+\-−–]+$/
const CHARGE = /^(?:(\d{0,2})([+-])|([+-])(\d{1,2})|(\+{2,8}|-{2,8}))$/

/** Element or oxo ions where the digit before a sign is a count for some and a charge for others. */
const TWO_READINGS = new Set(['I3-', 'Br3-', 'Cl3-', 'F3-', 'N3-', 'VO2+', 'TiO2+', 'ZrO2+'])

/** Splits the charge off `text` up to `end`. A charge without ^ or space is read only where it can mean one thing. */
export function splitCharge(text: string, start: number, end: number): Checked<ChargeEnd, FormulaProblem> {
  const last = text.charCodeAt(end - 1)
  const caret = text.lastIndexOf('^', end - 1)
  if (caret >= start) return written(text, caret, caret + 1, end)
  // Letters, digits and brackets end a formula without a charge: nearly all of them.
  if (last !== 43 && last !== 45 && last < 128) return ok({ charge: 0, end })

  const body = text.slice(start, end)
  const raised = RAISED_END.exec(body)
  if (raised) return written(text, start + raised.index, start + raised.index, end)
  const spaced = SPACED_END.exec(body)
  if (spaced) return written(text, start + spaced.index, start + spaced.index, end)
  const signs = SIGNS_END.exec(body)
  return signs ? attached(body, signs[0], start) : ok({ charge: 0, end })
}

function written(text: string, bodyEnd: number, from: number, end: number): Checked<ChargeEnd, FormulaProblem> {
  const raw = text.slice(from, end)
  const charge = chargeOf(raw)
  if (charge === undefined) return fail({ code: 'formula.bad-charge', span: [bodyEnd, end], text: raw.trim() || '^' })
  return ok({ charge, end: bodyEnd })
}

/** `2-`, `-`, `+2`, `--`, in brackets or raised; undefined where it is none. */
function chargeOf(raw: string): number | undefined {
  const plain = raw
    .trim()
    .replace(/^[{(](.*)[})]$/, '$1')
    .replace(/[^\d+-]/g, sign => PLAIN[sign] ?? sign)
  const match = CHARGE.exec(plain)
  if (!match) return undefined
  const [, before, sign, signFirst, after, run] = match
  const size = run ? run.length : Number((sign ? before : after) || 1)
  const negative = (run ?? sign ?? signFirst)!.startsWith('-')
  return size === 0 ? undefined : negative ? -size : size
}

function attached(body: string, signs: string, start: number): Checked<ChargeEnd, FormulaProblem> {
  const end = start + body.length
  const stem = body.slice(0, -signs.length)
  const sign = PLAIN[signs[0]!] ?? signs[0]!
  const digits = /\d+$/.exec(stem)?.[0] ?? ''
  const before = stem.slice(0, stem.length - digits.length)
  const one = sign === '-' ? -1 : 1

  if (signs.length > 1) {
    const charge = chargeOf(signs)
    if (charge === undefined || digits.length > 0)
      return fail({ code: 'formula.bad-charge', span: [end - signs.length, end], text: signs })
    return ok({ charge, end: end - signs.length })
  }
  if (digits === '') return ok({ charge: one, end: end - 1 })

  const asCharge = { charge: one * Number(digits), end: end - 1 - digits.length }
  const asCount = { charge: one, end: end - 1 }
  if (isAmbiguous(before, digits, sign)) {
    return fail({
      code: 'formula.ambiguous-charge',
      span: [end - 1 - digits.length, end],
      readings: readingsOf(before, digits, sign),
    })
  }
  return ok(before.endsWith(']') || isElementAlone(before) ? asCharge : asCount)
}

const isElementAlone = (text: string): boolean => /^[A-Z][a-z]?$/.test(text)

const isAmbiguous = (before: string, digits: string, sign: string): boolean =>
  digits.length > 1 ||
  digits === '0' ||
  before.endsWith(')') ||
  before.endsWith('}') ||
  TWO_READINGS.has(before + digits + sign)

function readingsOf(before: string, digits: string, sign: string): string[] {
  const asSplit =
    digits.length > 1 ? `${before}${digits.slice(0, -1)}^${digits.slice(-1)}${sign}` : `${before}^${digits}${sign}`
  return [asSplit, `${before}${digits}^${sign}`]
}
