import { ligands, type LigandRow } from '#core/reference'
import type { Composition } from './formula'

interface Ligand extends LigandRow {
  readonly composition: Composition
}

/** Ligand formulas hold plain elements and counts only, so that reading them needs no formula parser. */
function compositionOf(formula: string): Composition {
  const counts = new Map<string, number>()
  for (const [, symbol, count] of formula.matchAll(/([A-Z][a-z]?)(\d*)/g))
    counts.set(symbol!, (counts.get(symbol!) ?? 0) + Number(count || 1))
  return counts
}

export const ligandRows: ReadonlyMap<string, Ligand> = new Map(
  (ligands as readonly LigandRow[]).map(row => [row.abbreviation, { ...row, composition: compositionOf(row.formula) }]),
)

const LONGEST = Math.max(...[...ligandRows.keys()].map(({ length }) => length))

/** The ligand whose abbreviation stands alone in the round bracket at `at`; (Y) is EDTA only on a complex, in square brackets. */
export function ligandAt(text: string, at: number, end: number, inside: string | undefined): Ligand | undefined {
  const close = text.indexOf(')', at)
  if (close < 0 || close >= end || close - at - 1 > LONGEST) return undefined
  const ligand = ligandRows.get(text.slice(at + 1, close))
  return ligand?.abbreviation === 'Y' && inside !== '[' ? undefined : ligand
}

/** The abbreviation that a text starts with, for a hint; only those that cannot be elements. */
export const ligandNamed = (text: string): string | undefined =>
  [...ligandRows.keys()]
    .filter(name => /^[a-z]/.test(name) && text.startsWith(name))
    .sort((a, b) => b.length - a.length)[0]
