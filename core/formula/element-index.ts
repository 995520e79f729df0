import { elements, type ElementRow } from '#core/reference'

const rows: readonly ElementRow[] = elements
const A = 65
const a = 97

/** Rows by symbol in a flat array, so that the parser finds one from two character codes without making a text. */
const byLetters: (ElementRow | undefined)[] = new Array(26 * 27)
for (const row of rows) {
  byLetters[(row.symbol.charCodeAt(0) - A) * 27 + (row.symbol.length === 1 ? 0 : row.symbol.charCodeAt(1) - a + 1)] =
    row
}

export const elementOfOne = (capital: number): ElementRow | undefined => byLetters[(capital - A) * 27]

export const elementOfTwo = (capital: number, small: number): ElementRow | undefined =>
  byLetters[(capital - A) * 27 + small - a + 1]

const bySymbol: ReadonlyMap<string, ElementRow> = new Map(rows.map(row => [row.symbol, row]))

export const findElement = (symbol: string): ElementRow | undefined => bySymbol.get(symbol)
