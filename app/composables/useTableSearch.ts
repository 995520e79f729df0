import { parseFormula, relate } from '#core/formula'

const plain = (text: string): string => text.toLowerCase().replace(/[·.*\s-]/g, '')

/** Rows that hold the query in one of their texts, or that are the substance it means, with or without water. */
export function searchRows<T>(
  rows: readonly T[],
  query: string,
  meant: string | undefined,
  textsOf: (row: T) => readonly string[],
  formulaOf: (row: T) => string,
): T[] {
  const wanted = plain(query)
  if (wanted === '') return [...rows]
  const formula = meant === undefined ? undefined : parseFormula(meant)
  return rows.filter(row => {
    if (textsOf(row).some(text => plain(text).includes(wanted))) return true
    const read = formula?.ok ? parseFormula(formulaOf(row)) : undefined
    return !!(formula?.ok && read?.ok && relate(formula.value, read.value))
  })
}
