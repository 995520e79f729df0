import { describe, expect, it } from 'vitest'
import { foldJournal } from '#core/journal'
import { difference, standardUncertainty } from '#core/quantity'
import { readPlan } from '#core/sheet'
import { judgeBatch } from '#core/outcome'
import { explainYield } from './explain-yield'
import { challengeOf } from '#core/outcome'
import { ledgerOf } from '#core/outcome'
import { batchOf, planted } from './fixtures/planted-causes'

const ledger = (name: string, weighed?: string[]) => {
  const found = planted.find(one => one.name === name)!
  const { plan, steps, entries } = batchOf(weighed ? { ...found, weighed } : found)
  const read = readPlan(plan)
  if (!read.ok) throw new Error(name)
  const lines = foldJournal(entries)
  const judged = explainYield({ plan: read.value, lines, stageId: 's1', steps })!
  const actual = judgeBatch(read.value, lines, 's1')
  if (!actual.ok) throw new Error(name)
  return ledgerOf(actual.value, judged.facts)
}

describe('ledgerOf', { timeout: 60_000 }, () => {
  it('books zinc as on paper, and challenges a crop that the liquor does not allow', () => {
    /* 0.132 mol of acid, 5 % more zinc: 0.1386 mol in; 0.0066 mol are filtered off. The ice was skipped: at 25 °C, boiled down by 30.5 g, 25.2 g of water hold 57.3 g of ZnSO4 to 100 g
       (CRC, from memory), 14.46 g; 12.20 g of heptahydrate can come. 18.20 g were weighed, 0.0633 mol: of sulfur 0.0206 mol more than there were. */
    const rows = ledger('zinc sulfate never cooled in ice')
    const zinc = rows.find(({ element }) => element === 'Zn')!
    expect(zinc.into.value).toBeCloseTo(0.1386, 4)
    expect(zinc.out.find(({ place }) => place === 'filtered off')!.moles.value).toBeCloseTo(0.0066, 4)
    expect(zinc.out.find(({ place }) => place === 'crystals')!.moles.value).toBeCloseTo(18.2 / 287.56, 4)
    const sulfur = rows.find(({ element }) => element === 'S')!
    expect(sulfur.into.value).toBeCloseTo(0.132, 4)
    expect(sulfur.open.value).toBeCloseTo(zinc.open.value, 6)
    const away = sulfur.out.filter(({ place }) => place === 'liquor' || place === 'washings')
    expect(away.reduce((sum, { moles }) => sum + moles.value, 0)).toBeCloseTo(0.132 - 12.28 / 287.56, 3)
    expect(sulfur.open.value).toBeCloseTo(-0.0206, 3)
    // A tenth of the 89 mmol in liquor and wash, and how far it was boiled down, which nobody read.
    expect(sulfur.spread).toBeGreaterThan(0.008)
    expect(sulfur.spread).toBeLessThan(0.014)
  })
  it('adds up: in is out and open, for every planted batch', () => {
    for (const { name } of planted)
      for (const { into, out, open } of ledger(name))
        expect(out.reduce((sum, { moles }) => sum + moles.value, open.value)).toBeCloseTo(into.value, 9)
  })
  it('counts a label once that stands on both sides', () => {
    /* The zinc filtered off is what the acid left of it, 1 × zinc − 1 × acid: with the zinc that went in, only the acid's label counts in the difference of the two.
       A bottle read to 66.0 mL and 2.00 mol/L is known to a sixth of a percent: some 0.2 mmol of 132. */
    const zinc = ledger('zinc sulfate never cooled in ice').find(({ element }) => element === 'Zn')!
    const off = zinc.out.find(({ place }) => place === 'filtered off')!.moles
    const used = difference('zinc that the acid took', zinc.into, off)
    expect(used.value).toBeCloseTo(0.132, 6)
    expect(standardUncertainty(used)).toBeLessThan(0.0004)
    expect(standardUncertainty(used)).toBeLessThan(Math.hypot(standardUncertainty(zinc.into), standardUncertainty(off)))
  })
  it('books what came back and was weighed in place of what the sheet leaves', () => {
    const zinc = ledger('zinc sulfate with weak acid, the zinc came back').find(({ element }) => element === 'Zn')!
    // 3.15 g ÷ 65.38 = 48.2 mmol.
    expect(zinc.out.find(({ place }) => place === 'recovered')!.moles.value).toBeCloseTo(0.0482, 4)
    expect(zinc.out.some(({ place }) => place === 'filtered off')).toBe(false)
  })
  it('reckons with what was used up where part of the limiting reagent came back', () => {
    // 7.00 g are 58.9 mmol; 2.10 g, 17.7 mmol, came back, and the 41.2 mmol that were used up are in 8.00 g of crystals, 33.6, or in the liquor; all their carbonate left as gas.
    const rows = ledger('cobalt chloride whose carbonate came back')
    const cobalt = rows.find(({ element }) => element === 'Co')!
    expect(cobalt.out.find(({ place }) => place === 'recovered')!.moles.value).toBeCloseTo(0.0177, 3)
    const carbon = rows.find(({ element }) => element === 'C')!
    expect(carbon.closes).toBe(true)
    expect(carbon.out.find(({ place }) => place === 'gas')!.moles.value).toBeCloseTo(0.0412, 3)
    const liquor = cobalt.out.find(({ place }) => place === 'liquor')!.moles
    // Nobody read how far it was boiled down: five percent of 40 g of water are a quarter of the 8 g that stay.
    expect(standardUncertainty(liquor) / liquor.value).toBeGreaterThan(0.15)
  })
  it('shows more out than in for what weighs too much', () => {
    expect(
      ledger('zinc sulfate weighed once, sticking').find(({ element }) => element === 'S')!.open.value,
    ).toBeLessThan(0)
  })
  it('keeps carbonate’s carbon as the gas it left as', () => {
    const carbon = ledger('cobalt chloride spilled').find(({ element }) => element === 'C')!
    expect(carbon.out.map(({ place }) => place).sort()).toEqual(['filtered off', 'gas'])
    expect(carbon.closes).toBe(true)
  })
})

describe('challengeOf', () => {
  const challenge = (name: string, weighed?: string[]) => {
    const found = planted.find(one => one.name === name)!
    const { plan, steps, entries } = batchOf(weighed ? { ...found, weighed } : found)
    const read = readPlan(plan)
    if (!read.ok) throw new Error(name)
    return challengeOf(explainYield({ plan: read.value, lines: foldJournal(entries), stageId: 's1', steps })!.facts)
  }
  it('tells of a yield of 94 % where the liquor keeps a third, with the numbers', () => {
    /* Not iced, at 25 °C: 12.2 g can come of 37.96; 35.7 g weighed are 94 %. */
    const words = challenge('zinc sulfate never cooled in ice', ['35.70 g', '35.70 g'])!
    expect(words).toContain('24.2')
    expect(words).toContain('35.7')
    expect(words).toContain('12.3')
  })
  it('says nothing of what is possible, and leaves what is over 100 % to the yield itself', () => {
    expect(challenge('zinc sulfate never cooled in ice', ['11.50 g', '11.50 g'])).toBeUndefined()
    expect(challenge('zinc sulfate never cooled in ice', ['40.00 g', '40.00 g'])).toBeUndefined()
  })
})
