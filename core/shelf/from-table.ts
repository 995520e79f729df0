import { parseFormula } from '#core/formula'
import type { Advice } from '#core/problem'
import { parseQuantity } from '#core/quantity'
import { findByWords } from '#core/species'
import type { Comes, Label } from './label'

/** A bottle as a table tells it: what is written on it, and how much came. */
export interface FromRow {
  readonly label: Label
  readonly amount?: string
}
export interface RowProblem extends Advice {
  readonly line: number
  readonly column: number
}
export type BottlesFromTable =
  | { readonly ok: true; readonly bottles: readonly FromRow[] }
  | { readonly ok: false; readonly problems: readonly RowProblem[] }

/** Columns by the words that may head them, whichever way a lab writes them, in the order that is taken where none are named. */
const COLUMNS = {
  formula: ['formula', 'substance', 'what', 'reagent', 'chemical'],
  amount: ['amount', 'quantity', 'size', 'holds'],
  strength: ['strength', 'assay', 'concentration', 'purity'],
  lot: ['lot', 'batch', 'charge'],
  place: ['place', 'location', 'cabinet', 'where'],
  words: ['words', 'name', 'label', 'supplier', 'as'],
} as const
type Column = keyof typeof COLUMNS
const ORDER = Object.keys(COLUMNS) as Column[]
const columnNamed = (head: string): Column | undefined =>
  ORDER.find(column => (COLUMNS[column] as readonly string[]).includes(head.trim().toLowerCase()))

/**
 * Reads bottles from a table, a row each: formula or name, amount that came, strength, lot, place, its maker's words; or in another order, where the first line names its columns. A strength by mass is a solid's assay, or
 * that of a solution where the amount is a volume. Refuses the whole where one cell cannot be used, with the place of each.
 */
export function bottlesFromTable(rows: readonly (readonly string[])[]): BottlesFromTable {
  const heads = rows[0]?.map(columnNamed) ?? []
  const hasHeads = heads.includes('formula')
  const columns: readonly (Column | undefined)[] = hasHeads ? heads : ORDER
  const problems: RowProblem[] = []
  const bottles: FromRow[] = []
  rows.forEach((row, i) => {
    if ((i === 0 && hasHeads) || row.every(cell => cell.trim() === '')) return
    const cell = (column: Column): string => row[columns.indexOf(column)]?.trim() ?? ''
    const say = (column: Column, why: string, fix: string): void => {
      problems.push({ line: i + 1, column: columns.indexOf(column) + 1, why, fix })
    }
    const formula = formulaOf(cell('formula'))
    if (formula === undefined)
      say(
        'formula',
        `“${cell('formula')}” is no formula and no name of the tables.`,
        'Write the formula of what is in it.',
      )
    const amount = cell('amount')
    const read = amount === '' ? undefined : parseQuantity(amount, AMOUNT)
    if (read && !read.ok)
      say('amount', `“${amount}” is no amount.`, 'Give a mass or a volume with its unit, such as 500 g or 1.0 L.')
    const comes = comesOf(cell('strength'), read?.ok ? read.value.kind : undefined)
    if (!comes)
      say(
        'strength',
        `“${cell('strength')}” is no strength.`,
        'Give a share such as 97 %, or a concentration such as 2.00 mol/L.',
      )
    if (formula === undefined || !comes || (read && !read.ok)) return
    const [lot, place, words] = [cell('lot'), cell('place'), cell('words')]
    bottles.push({
      label: {
        formula,
        comes,
        known: 'label',
        ...(lot !== '' && { lot }),
        ...(place !== '' && { place }),
        ...(words !== '' && { words }),
      },
      ...(amount !== '' && { amount }),
    })
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, bottles }
}

const AMOUNT = { kinds: ['mass', 'volume'], name: 'amount', source: 'table' } as const

/** What is meant by a formula in any notation, or by a name. */
export function formulaOf(text: string): string | undefined {
  const read = parseFormula(text)
  return read.ok && read.value.charge === 0 ? read.value.text : findByWords(text)?.formula
}

/** How strong it is, by what was written and by how it is measured out; undefined where that does not read. */
export function comesOf(strength: string, measured: string | undefined): Comes | undefined {
  if (strength === '') return measured === 'volume' ? { kind: 'liquid' } : { kind: 'solid' }
  const read = parseQuantity(strength, {
    kinds: ['mass fraction', 'concentration', 'mass per volume'],
    name: 'strength',
    source: 'table',
  })
  if (!read.ok) return undefined
  return read.value.kind === 'mass fraction' && measured !== 'volume'
    ? { kind: 'solid', assay: strength }
    : { kind: 'solution', concentration: strength }
}
