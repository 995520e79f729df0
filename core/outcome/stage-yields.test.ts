import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { foldJournal } from '#core/journal'
import { shares } from '#core/quantity'
import { readPlan } from '#core/sheet'
import { routeYields } from '.'

const nickel = demoBatches(new Date('2026-05-04T12:00:00Z')).find(({ code }) => code === 'NI-014')!
const plan = readPlan(nickel.document.plan)
if (!plan.ok) throw new Error('no')
const weighed = {
  kind: 'reading' as const,
  id: 'last',
  at: '2026-05-04T11:59:00Z',
  by: 'p',
  about: { what: 'product' as const, stage: 's2', crop: 1 },
  measure: 'net' as const,
  value: '15.20 g',
  typed: false,
}

describe('routeYields', () => {
  it('says the yield of each stage and of the route, as on paper', () => {
    /* 36.0 mL × 2.00 = 72.0 mmol of acid limit the first stage: 20.22 g of NiSO4·7H2O (280.86) at most, 15.12 g weighed: 74.8 %. 15.12 g are 53.8 mmol:
       21.26 g of the double salt at most, 15.20 g weighed: 71.5 %. The route: 53.5 %. */
    const found = routeYields(plan.value, foldJournal([...nickel.entries, weighed]))!
    expect(found.stages.map(({ percent }) => percent!.value)).toEqual([
      expect.closeTo(0.748, 2),
      expect.closeTo(0.715, 2),
    ])
    expect(found.overall!.value).toBeCloseTo(0.535, 2)
    expect(found.isWeighed).toBe(true)
  })
  it('says it on the metal, from the bottle: 15.20 g hold 38.5 of the 79.3 mmol of nickel', () => {
    const found = routeYields(plan.value, foldJournal([...nickel.entries, weighed]))!
    const metal = found.uses.find(({ element }) => element === 'Ni')!
    expect(metal.inProduct.value).toBeCloseTo(0.03848, 4)
    expect(metal.share.value).toBeCloseTo(metal.inProduct.value / metal.charged.value, 9)
    expect(shares(metal.share).length).toBeGreaterThan(1)
  })
  it('has no overall yield while the last stage is not weighed', () => {
    const found = routeYields(plan.value, foldJournal(nickel.entries))!
    expect(found.overall).toBeUndefined()
    expect(found.stages[1]!.percent).toBeUndefined()
    expect(found.isWeighed).toBe(false)
  })
  it('counts what was recorded of a reagent, not what was planned', () => {
    /* 1.00 mol/L sulfuric acid: 52.5 mL planned, 48.0 mL recorded. 9.466 g CuSO4·5H2O (249.68 g/mol) hold 37.91 mmol S: 79.0 % of 48.0 mmol, and
       72.2 % of 52.5. */
    const read = readPlan({
      stages: [
        {
          id: 's1',
          equation: 'CuO + H2SO4 -> CuSO4 + H2O',
          reagents: [
            { species: 'CuO', supply: { kind: 'solid' }, charge: { mass: '5.00 g' } },
            {
              species: 'H2SO4',
              supply: { kind: 'solution', concentration: '1.00 mol/L' },
              charge: { volume: '52.5 mL' },
            },
          ],
          product: { species: 'CuSO4', form: 'CuSO4.5H2O' },
        },
      ],
    })
    if (!read.ok) throw new Error('no')
    const lines = foldJournal([
      {
        ...weighed,
        id: 'acid',
        about: { what: 'charge', stage: 's1', species: 'H2SO4' },
        measure: 'volume',
        value: '48.0 mL',
      },
      { ...weighed, about: { ...weighed.about, stage: 's1' }, value: '9.466 g' },
    ])
    const sulfur = routeYields(read.value, lines)!.uses.find(({ element }) => element === 'S')!
    expect(sulfur.share.value).toBeCloseTo(0.79, 3)
  })
})
