import { describe, expect, it } from 'vitest'
import { madeStrength, toTake, type Comes, type MadeRefused } from '#core/shelf'
import { standardUncertainty } from '#core/quantity'
import type { Checked } from '#core/problem'

const solid = (assay?: string): Comes => ({ kind: 'solid', ...(assay !== undefined && { assay }) })
const value = <T>(checked: Checked<T, MadeRefused>): T => {
  if (!checked.ok) throw new Error(checked.problem.why)
  return checked.value
}
const refused = (checked: Checked<unknown, MadeRefused>): MadeRefused['at'] | undefined =>
  checked.ok ? undefined : checked.problem.at

describe('madeStrength', () => {
  it('8.16 g of caustic of 98 ± 1 % in 100.0 ± 0.1 mL are 2.00 mol/L, as unsure as the caustic', () => {
    /* 8.16 × 0.98 / 40.00 = 0.19992 mol in 0.1 L; relative: 1/98 = 1.02 %, 0.1/100 = 0.1 %, 0.0029/8.16 = 0.04 %: 1.03 % in all. */
    const made = value(madeStrength({ formula: 'NaOH', comes: solid('98 ± 1 %') }, 'NaOH', '8.16 g', '100.0 ± 0.1 mL'))
    expect(made.value).toBeCloseTo(1.9995, 3)
    expect(standardUncertainty(made) / made.value).toBeCloseTo(0.01026, 4)
  })
  it('counts the salt in a hydrate, and both sodiums of none: 12.48 g of CuSO4·5H2O in 500 mL are 0.1000 mol/L', () => {
    // 12.48 / 249.68 = 0.04998 mol.
    const made = value(madeStrength({ formula: 'CuSO4·5H2O', comes: solid() }, 'CuSO4', '12.48 g', '500.0 mL'))
    expect(made.value).toBeCloseTo(0.09997, 4)
  })
  it('dilutes by volume: 10.00 mL of 2.000 mol/L in 250.0 mL are 0.0800', () => {
    const source = { formula: 'H2SO4', comes: { kind: 'solution', concentration: '2.000 mol/L' } as const }
    expect(value(madeStrength(source, 'H2SO4', '10.00 mL', '250.0 mL')).value).toBeCloseTo(0.08, 6)
  })
  it('takes acid of the trade by mass: 50.0 g of 37 % hydrochloric acid in 1.000 L are 0.507 mol/L', () => {
    // 50.0 × 0.37 / 36.461 = 0.5074 mol.
    const source = { formula: 'HCl', comes: { kind: 'solution', concentration: '37 % w/w' } as const }
    expect(value(madeStrength(source, 'HCl', '50.0 g', '1000 mL')).value).toBeCloseTo(0.5074, 3)
  })
  it('weighs a pure liquid, and does not measure it without its density', () => {
    // 6.005 g of acetic acid (60.05 g/mol) in 100 mL: 1.000 mol/L.
    const acid = (density?: string) => ({
      formula: 'CH3COOH',
      comes: { kind: 'liquid', ...(density !== undefined && { density }) } as Comes,
    })
    expect(value(madeStrength(acid(), 'CH3COOH', '6.005 g', '100.0 mL')).value).toBeCloseTo(1.0, 3)
    expect(refused(madeStrength(acid(), 'CH3COOH', '5.72 mL', '100.0 mL'))).toBe('taken')
    expect(value(madeStrength(acid('1.049 g/mL'), 'CH3COOH', '5.724 mL', '100.0 mL')).value).toBeCloseTo(1.0, 3)
  })
  it('takes moisture off: 10 % of water in the salt makes it a tenth weaker', () => {
    const wet: Comes = { kind: 'solid', moisture: '10 %' }
    const dry = value(madeStrength({ formula: 'KCl', comes: solid() }, 'KCl', '7.455 g', '100.0 mL'))
    expect(value(madeStrength({ formula: 'KCl', comes: wet }, 'KCl', '7.455 g', '100.0 mL')).value).toBeCloseTo(
      0.9 * dry.value,
      6,
    )
  })
  it('refuses another substance, and what does not read, at its place', () => {
    const source = { formula: 'NaOH', comes: solid() }
    expect(refused(madeStrength(source, 'KOH', '8 g', '100 mL'))).toBe('from')
    expect(refused(madeStrength(source, 'NaOH', 'a spoon', '100 mL'))).toBe('taken')
    expect(refused(madeStrength(source, 'NaOH', '8 g', '100 g'))).toBe('volume')
  })
})

describe('toTake', () => {
  it('is the same the other way round', () => {
    const caustic = { formula: 'NaOH', comes: solid('98 %') }
    // 0.200 mol × 40.00 / 0.98
    expect(value(toTake(caustic, 'NaOH', '2.00 mol/L', '100 mL')).mass!.value).toBeCloseTo(8.163, 2)
    const acid = { formula: 'H2SO4', comes: { kind: 'solution', concentration: '2.00 mol/L' } as const }
    expect(value(toTake(acid, 'H2SO4', '0.0800 mol/L', '250 mL')).volume!.value).toBeCloseTo(10.0, 6)
  })
  it('refuses what is stronger than the bottle', () => {
    const acid = { formula: 'H2SO4', comes: { kind: 'solution', concentration: '2.00 mol/L' } as const }
    expect(refused(toTake(acid, 'H2SO4', '3.00 mol/L', '100 mL'))).toBe('strength')
  })
})
