import { parseFormula } from '#core/formula'
import type { SolubilityRow, SubstanceRow } from '#core/reference'
import { curveOf, type Curve } from './curve'

/** A curve of the lab's own as it is kept: plain data, that may travel. */
export interface OwnCurve {
  readonly salt: string
  readonly phases: SolubilityRow['phases']
  readonly source: string
  readonly grade: SolubilityRow['grade']
}
/** The lab's own tables, which come before the shipped ones, as plain data. */
export interface OwnTables {
  readonly substances: readonly SubstanceRow[]
  readonly curves: readonly OwnCurve[]
}
export const NO_TABLES: OwnTables = { substances: [], curves: [] }

/** The curves of the lab's own tables, ready to be read off; one whose salt does not read is left out. */
export const ownCurves = (rows: readonly OwnCurve[]): Curve[] =>
  rows.flatMap(({ salt, phases, source, grade }) => {
    const read = parseFormula(salt)
    return read.ok ? [curveOf(read.value, phases, source, grade, true)] : []
  })
