import { describe, expect, it } from 'vitest'
import { computeWorksheet, type Worksheet } from '#core/assay'
import { foldJournal } from '#core/journal'
import { readPlan } from '#core/sheet'
import { batchOf } from './fixtures/planted-causes'
import { doubleSalt } from './fixtures/planted-stages'
import { verdictOf } from './verdict'

/*
 * On paper: 10.0 g of NiSO4·6H2O (262.85) are 38.04 mmol; 9.00 g of the double salt (394.99) hold 22.79 mmol, so 15.26 mmol of nickel are elsewhere. 5.00 mL of 45.0 mL liquor take 16.95 mL of 0.1000 mol/L
 * EDTA: 1.695 mmol, 15.26 mmol in all of it. The ledger closes, and nothing was spilled. With 3.00 mL there are 2.70 mmol, and 12.6 are lost.
 */
const byEdta = (millilitres: string): Worksheet => ({
  id: 'l1',
  kind: 'liquor',
  name: 'Nickel in the liquor',
  given: {
    equation: 'NiSO4 + Na2C10H14N2O8 -> Na2NiC10H12N2O8 + H2SO4',
    titrant: 'Na2C10H14N2O8',
    concentration: '0.1000 mol/L',
    species: 'NiSO4',
    whole: '45.0 mL',
  },
  rows: [{ sample: '5.00 mL', volume: millilitres }],
})
const judged = (assays: readonly Worksheet[], more: object = {}) => {
  const { plan, steps, entries } = batchOf({
    name: 'double salt at 60 %',
    cause: 'left in the liquor',
    stage: doubleSalt('0 %'),
    weighed: ['9.00 g', '9.00 g'],
    ...more,
  })
  const read = readPlan(plan)
  if (!read.ok) throw new Error('plan')
  return verdictOf({ plan: read.value, lines: foldJournal(entries), stageId: 's1', steps, assays })!
}

describe('a titrated liquor', () => {
  it('is told for all of it', () => expect(computeWorksheet(byEdta('16.95 mL')).mean!.value).toBeCloseTo(0.015255, 6))

  it('is read off a line of colours too', () => {
    // 0.339 mol/L of nickel in 45.0 mL: 15.26 mmol.
    const [slope, read] = [5.15, 0.3492]
    const line = [0, 0.02, 0.04, 0.06, 0.08].map(c => ({
      concentration: `${c.toFixed(4)} mol/L`,
      a1: (slope * c).toFixed(4),
    }))
    const sheet: Worksheet = {
      id: 'c',
      kind: 'absorbance',
      name: 'Nickel by its colour',
      given: { wavelengths: '395', whole: '45.0 mL' },
      rows: [...line, { label: 'Liquor', dilution: '5', a1: `${read}` }],
    }
    const nickel = judged([sheet]).ledger.find(({ element }) => element === 'Ni')!
    expect(nickel.out.find(({ place }) => place === 'liquor')!.moles.value).toBeCloseTo(0.015256, 5)
    expect(judged([sheet]).explanations[0]!.cause).toBe('left in the liquor')
    const without = judged([{ ...sheet, given: { wavelengths: '395' } }]).ledger.find(
      ({ element }) => element === 'Ni',
    )!
    expect(without.out.find(({ place }) => place === 'liquor')!.moles.value).not.toBeCloseTo(0.015256, 4)
  })

  it('refuses a part larger than the whole at its place', () => {
    const sheet = { ...byEdta('16.95 mL'), rows: [{ sample: '50 mL', volume: '16.95 mL' }] }
    expect(computeWorksheet(sheet).rows[0]!.problems.map(({ key, why }) => [key, why])).toEqual([
      ['sample', 'More was taken than there is liquor.'],
    ])
  })

  it('closes the ledger, in place of what the account says', () => {
    const nickel = judged([byEdta('16.95 mL')]).ledger.find(({ element }) => element === 'Ni')!
    expect(nickel.out.find(({ place }) => place === 'liquor')!.moles.value).toBeCloseTo(0.015255, 6)
    expect(Math.abs(nickel.open.value)).toBeLessThan(0.0002)
    expect(nickel.closes).toBe(true)
    const lost = judged([byEdta('3.00 mL')]).ledger.find(({ element }) => element === 'Ni')!
    expect(lost.closes).toBe(false)
    expect(lost.open.value).toBeCloseTo(0.01255, 3)
  })

  it('tells what stayed dissolved from what was lost', () => {
    const belief = (assays: readonly Worksheet[], cause: string) =>
      judged(assays).explanations.find(one => one.cause === cause)?.belief ?? 0
    // The account lets nine tenths crystallise: without a titration the liquor is one of several.
    expect(belief([], 'left in the liquor')).toBeLessThan(0.15)
    expect(judged([byEdta('16.95 mL')]).explanations[0]!.cause).toBe('left in the liquor')
    expect(belief([byEdta('16.95 mL')], 'left in the liquor')).toBeGreaterThan(0.6)
    expect(judged([byEdta('3.00 mL')]).explanations[0]!.cause).not.toBe('left in the liquor')
    expect(belief([byEdta('3.00 mL')], 'left in the liquor')).toBeLessThan(
      belief([byEdta('16.95 mL')], 'left in the liquor') / 4,
    )
  })
})
