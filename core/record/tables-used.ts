import { findElement, findSubstance, formsOf, parseFormula, type Formula } from '#core/formula'
import { solubilities, type ElementRow, type SolubilityRow, type SubstanceRow } from '#core/reference'
import { dryOf } from '#core/vessel'
import type { RecordSource } from './source'

/** The rows of the tables, shipped and the lab's own, that a record's figures come from. */
export interface TablesUsed {
  readonly elements: readonly ElementRow[]
  readonly substances: readonly SubstanceRow[]
  readonly solubilities: readonly SolubilityRow[]
  readonly own: RecordSource['tables']
}

/** What the tables say of every species that the plan names, and of the elements in them. */
export function tablesUsed({ document, tables }: Pick<RecordSource, 'document' | 'tables'>): TablesUsed {
  const named = document.plan.stages.flatMap(({ reagents, product }) => [
    ...reagents.flatMap(({ species, supply }) => [
      species,
      ...('formula' in supply && supply.formula ? [supply.formula] : []),
    ]),
    product.species,
    ...(product.form ? [product.form] : []),
  ])
  const formulas = [...new Set(named)].flatMap((text): Formula[] => {
    const read = parseFormula(text)
    return read.ok ? [read.value] : []
  })
  const all = [
    ...formulas,
    ...formulas.flatMap(one =>
      formsOf(one, tables.substances).flatMap(text => {
        const read = parseFormula(text)
        return read.ok ? [read.value] : []
      }),
    ),
  ]
  const symbols = new Set(all.flatMap(({ composition }) => [...composition.keys()]))
  const salts = new Set(all.map(one => dryOf(one).dry.text))
  const rows = new Set(formulas.flatMap(one => findSubstance(one, tables.substances)?.row ?? []))
  return {
    elements: [...symbols].sort().flatMap(symbol => findElement(symbol) ?? []),
    substances: [...rows],
    solubilities: solubilities.filter(({ salt }) => salts.has(salt)),
    own: tables,
  }
}
