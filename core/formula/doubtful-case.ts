import { findElement } from './element-index'
import type { FormulaProblem } from './problems'

/** Pairs of capitals that read as two elements but, before another element, nearly always mean a metal typed in capitals. */
const METAL_IN_CAPITALS = new Set(['CO', 'CU', 'NI', 'PB', 'SN', 'SI'])

/** Carbonyl sulfide and urea are what they say. */
const MEANT = ['COS', 'CO(NH2)2', 'CONH']

/** `COSO4` is refused with both readings; `CO`, `CO2` and `NI3` are not in doubt. */
export function doubtfulCase(text: string, start: number, end: number): FormulaProblem | undefined {
  const next = text.charCodeAt(start + 2)
  if (start + 2 >= end || !(next === 40 || next === 91 || (next >= 65 && next <= 90))) return undefined
  const pair = text.slice(start, start + 2)
  if (!METAL_IN_CAPITALS.has(pair)) return undefined
  const whole = text.slice(start, end)
  if (MEANT.some(meant => whole === meant || (meant === 'CONH' && whole.startsWith(meant)))) return undefined
  return {
    code: 'formula.doubtful-case',
    span: [start, start + 2],
    readings: [pair[0]! + pair[1]!.toLowerCase() + whole.slice(2), whole],
  }
}

/** Readings of a text with other capitals, at most two: `coso4` could be CoSO4 or COSO4. */
export function caseReadings(text: string): string[] {
  if (text.length > 24 || !/^[A-Za-z0-9()[\]·.*]+$/.test(text)) return []
  const readings: string[] = []
  collect(text, 0, '', readings)
  return readings
    .filter(reading => reading !== text)
    .sort((a, b) => countUnusual(a) - countUnusual(b) || countCapitals(a) - countCapitals(b))
    .slice(0, 2)
}

function collect(text: string, at: number, read: string, into: string[]): void {
  if (into.length >= 64) return
  if (at === text.length) {
    into.push(read)
    return
  }
  const character = text[at]!
  if (!/[A-Za-z]/.test(character)) return collect(text, at + 1, read + character, into)

  const next = text[at + 1] ?? ''
  const two = character.toUpperCase() + next.toLowerCase()
  if (/[A-Za-z]/.test(next) && findElement(two)) collect(text, at + 2, read + two, into)
  if (findElement(character.toUpperCase())) collect(text, at + 1, read + character.toUpperCase(), into)
}

/** Elements a preparative bench is likely to mean; only to order suggestions. */
const USUAL = new Set(
  'H Li B C N O F Na Mg Al Si P S Cl K Ca Ti V Cr Mn Fe Co Ni Cu Zn As Br Sr Mo Ag Cd Sn Sb I Ba W Pt Au Hg Pb Bi Ce'.split(
    ' ',
  ),
)

const countUnusual = (text: string): number =>
  (text.match(/[A-Z][a-z]?/g) ?? []).filter(symbol => !USUAL.has(symbol)).length
const countCapitals = (text: string): number => text.replace(/[^A-Z]/g, '').length
