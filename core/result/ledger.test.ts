import { describe, expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { judgeBatch } from './actual'
import { explainYield } from './explain-yield'
import { ledgerOf } from './ledger'
import { batchOf, planted } from './planted-causes'

const ledger = (name: string, weighed?: string[]) => {
  const found = planted.find(one => one.name === name)!
  const { plan, steps, entries } = batchOf(weighed ? { ...found, weighed } : found)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(name)
  const lines = foldJournal(entries)
  const judged = explainYield({ plan: read.value, lines, stageId: 's1', steps, moves: found.stage.crystals?.moves })!
  const actual = judgeBatch(read.value, lines, 's1')
  if (!actual.ok) throw new Error(name)
  return ledgerOf(actual.value, judged.facts)
}

describe('ledgerOf', () => {
  it('books zinc as on paper', () => {
    /* 0.132 mol of acid, 5 % more zinc: 0.1386 mol in; 0.0066 mol are filtered off. 18.20 g of heptahydrate (287.6 g/mol) are
       0.0633 mol in crystals; of sulfur 0.132 mol went in and the same 0.0633 mol came out as crystals. */
    const rows = ledger('zinc sulfate never cooled in ice')
    const zinc = rows.find(({ element }) => element === 'Zn')!
    expect(zinc.into).toBeCloseTo(0.1386, 4)
    expect(zinc.out.find(({ where }) => where === 'filtered off')!.moles).toBeCloseTo(0.0066, 4)
    expect(zinc.out.find(({ where }) => where === 'crystals')!.moles).toBeCloseTo(18.2 / 287.56, 4)
    const sulfur = rows.find(({ element }) => element === 'S')!
    expect(sulfur.into).toBeCloseTo(0.132, 4)
    expect(sulfur.open).toBeCloseTo(zinc.open, 6)
    // What is not in the crystals, 0.0687 mol, is partly what the model leaves in liquor and wash; the rest is open.
    const byModel = sulfur.out.filter(({ where }) => where.endsWith('model')).reduce((sum, { moles }) => sum + moles, 0)
    expect(sulfur.open + byModel).toBeCloseTo(0.132 - 18.2 / 287.56, 4)
    expect(sulfur.open).toBeGreaterThan(0)
    expect(sulfur.closes).toBe(false)
  })
  it('adds up: in is out and open, for every planted batch', () => {
    for (const { name } of planted)
      for (const { into, out, open } of ledger(name))
        expect(out.reduce((sum, { moles }) => sum + moles, open)).toBeCloseTo(into, 9)
  })
  it('shows more out than in for what weighs too much', () => {
    expect(ledger('zinc sulfate weighed once, sticking').find(({ element }) => element === 'S')!.open).toBeLessThan(0)
  })
  it('keeps carbonate’s carbon as the gas it left as', () => {
    const carbon = ledger('cobalt chloride spilled').find(({ element }) => element === 'C')!
    expect(carbon.out.map(({ where }) => where).sort()).toEqual(['filtered off', 'gas'])
    expect(carbon.closes).toBe(true)
  })
})
