import { substances, type SubstanceRow } from '#core/reference'
import type { Formula } from './formula'
import { parseFormula } from './parse'
import { relate } from './relate'

/** A row of the substance table, and how many waters per its formula this form has. */
export interface Known {
  readonly row: SubstanceRow
  readonly waters: number
  readonly units: number
}

interface Indexed {
  readonly row: SubstanceRow
  readonly formula: Formula
}

const index: ReadonlyMap<string, readonly Indexed[]> = (() => {
  const byKey = new Map<string, Indexed[]>()
  for (const row of substances as readonly SubstanceRow[]) {
    const read = parseFormula(row.formula)
    if (!read.ok) throw new Error(`The substance table holds ${row.formula}: ${read.problem.code}`)
    const key = keyOf(read.value)
    byKey.set(key, [...(byKey.get(key) ?? []), { row, formula: read.value }])
  }
  return byKey
})()

/** Elements other than hydrogen and oxygen: what a substance shares with its hydrates. */
function keyOf(formula: Formula): string {
  return [...formula.composition.keys()]
    .filter(symbol => symbol !== 'H' && symbol !== 'O')
    .sort()
    .join(' ')
}

/** The table's row for a substance or one of its hydrates; undefined where the table has neither. */
export function findSubstance(formula: Formula): Known | undefined {
  const candidates = (index.get(keyOf(formula)) ?? []).flatMap(({ row, formula: base }) => {
    const relation = relate(formula, base)
    return relation && relation.waters >= 0
      ? [{ row, waters: relation.waters / relation.units, units: relation.units }]
      : []
  })
  return (
    candidates.find(({ waters }) => waters === 0) ??
    candidates.find(({ row, waters }) => row.forms?.some(([known]) => Math.abs(known - waters) < 1e-9))
  )
}

/** The known forms of the product's substance as formula texts, fewest waters first; empty where the table has none. */
export function formsOf(formula: Formula): string[] {
  const known = findSubstance(formula)
  return (known?.row.forms ?? []).map(([waters]) =>
    waters === 0 ? known!.row.formula : `${known!.row.formula}·${waters === 1 ? '' : waters}H2O`,
  )
}

/** Word and swatch for the colour of this form; undefined where it is not known. */
export function colourOf(formula: Formula): { readonly word: string; readonly swatch: string } | undefined {
  const known = findSubstance(formula)
  const form = known?.row.forms?.find(([waters]) => Math.abs(waters - known.waters) < 1e-9)
  return form && { word: form[1], swatch: form[2] }
}
