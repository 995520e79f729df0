import { parseFormula } from '#core/formula'
import { findByName, tidied } from './find-name'

/** What stands between the species of an equation: plus signs with spaces or the ends, and the arrow. */
const BETWEEN = /(\s*(?:->|→|⇌|=|-->|<=>)\s*|\s+\+\s+)/
const COEFFICIENT = /^(\d+\s+)?(.*)$/s
const ARROW = /->|→|⇌|=|-->|<=>/

/**
 * An equation as it is typed, written as the reader of equations takes it: names as their formulas (`zinc oxide + 2 acetic acid -> zinc acetate + water` becomes `ZnO + 2 CH3COOH -> Zn(CH3COO)2 + H2O`), bare ligands (`en`,
 * `phen`) as their molecules, `x 5H2O`, `(conc)`, `↑`, `↓` and `trans-` set right, and what stands the same on both sides, a catalyst or a salt that looks on, left out. What reads as a formula stays as it is, as does what
 * is no name either.
 */
export function writeOutNames(text: string): string {
  const parts = text.split(BETWEEN)
  const written = parts.map((part, i) => (i % 2 === 1 ? part : term(part)))
  return withoutLookers(written)
}

function term(part: string): string {
  const [, count = '', name = ''] = COEFFICIENT.exec(part.trim()) ?? []
  if (name === '' || parseFormula(name).ok) return part
  const plain = tidied(name)
  const formula = parseFormula(plain).ok ? plain : findByName(name)?.formula.text
  return formula === undefined ? part : part.replace(part.trim(), `${count}${formula}`)
}

/** Terms that stand on both sides as the same formula are left out of both; all of a side never is. */
function withoutLookers(parts: readonly string[]): string {
  const arrow = parts.findIndex((part, i) => i % 2 === 1 && ARROW.test(part))
  if (arrow < 0) return parts.join('')
  const formulaOf = (part: string): string | undefined => {
    const read = parseFormula((COEFFICIENT.exec(part.trim()) ?? [])[2] ?? '')
    return read.ok ? read.value.text : undefined
  }
  const sides = [parts.slice(0, arrow), parts.slice(arrow + 1)].map(side => side.filter((_, i) => i % 2 === 0))
  const [left, right] = sides.map(side => new Set(side.map(formulaOf).filter(one => one !== undefined)))
  const both = [...left!].filter(one => right!.has(one))
  if (both.length === 0) return parts.join('')
  const kept = sides.map(side => side.filter(part => !both.includes(formulaOf(part) ?? '')))
  return kept.some(side => side.length === 0)
    ? parts.join('')
    : `${kept[0]!.join(' + ').trim()}${parts[arrow]}${kept[1]!.join(' + ').trim()}`
}
