import { describe, expect, it } from 'vitest'
import { bottlesFromTable, shelfColumns, tableOf, type BottleRow, type Comes } from '#core/shelf'

const bottle = (
  code: string,
  formula: string,
  comes: Comes,
  amount: number,
  more: Partial<BottleRow> = {},
): BottleRow => ({
  code,
  version: 1,
  label: { formula, comes, known: 'label', lot: `L-${code}`, words: 'pellets' },
  name: '',
  place: 'Bases',
  unit: comes.kind === 'solid' ? 'g' : 'mL',
  amount,
  isEmpty: false,
  comes,
  known: 'label',
  ...more,
})

describe('tableOf', () => {
  it('is read again by what reads a table of bottles', () => {
    const shelf = [
      bottle('B-001', 'KOH', { kind: 'solid', assay: '87 ± 2 %' }, 465.8, { spread: 0.29 }),
      bottle('B-002', 'H2SO4', { kind: 'solution', concentration: '2.00 ± 0.01 mol/L' }, 802, { spread: 2.9 }),
      bottle('B-003', 'CoCO3', { kind: 'solid' }, 18.95),
    ]
    const read = bottlesFromTable([[...shelfColumns], ...tableOf(shelf)])
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    expect(read.bottles.map(({ label }) => label.comes)).toEqual(shelf.map(({ comes }) => comes))
    expect(read.bottles.map(({ label }) => [label.formula, label.lot, label.place, label.words])).toEqual(
      shelf.map(({ code, label }) => [label.formula, `L-${code}`, 'Bases', 'pellets']),
    )
    expect(read.bottles[0]!.amount).toMatch(/^465\.80 ± 0\.29\sg$/)
  })
})
