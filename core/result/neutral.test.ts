import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { computeReadPlan, readPlan } from '#core/sheet'
import { neutralise } from './neutral'
import { proposeMoves } from './propose-crystals'
import { residuesOf } from './residues'
import { stagePot } from './stage-pot'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const held = (text: string, moles: number) => ({ formula: formula(text), moles })
const shown = (all: readonly { formula: { text: string }; moles: number }[]) =>
  Object.fromEntries(all.map(({ formula: { text }, moles }) => [text, Number(moles.toFixed(6))]))

describe('neutralise', () => {
  it('lets acid and base use each other up, and makes their salt', () => {
    /* 20.8 mmol of sulfuric acid are 41.6 meq, 17.0 mmol of caustic potash 17.0: 24.6 meq of acid, 12.3 mmol, are left, and 8.5 mmol of K2SO4. */
    const { left, salts } = neutralise([held('H2SO4', 0.0208), held('KOH', 0.017), held('NaCl', 0.1)])
    expect(shown(left)).toEqual({ H2SO4: 0.0123, KOH: 0, NaCl: 0.1 })
    expect(shown(salts)).toEqual({ K2SO4: 0.0085 })
  })
  it('writes salts of ions with other charges', () => {
    expect(shown(neutralise([held('HNO3', 0.2), held('Ca(OH)2', 0.1)]).salts)).toEqual({ 'Ca(NO3)2': 0.1 })
    expect(shown(neutralise([held('H2SO4', 0.1), held('NH3', 0.3)]).salts)).toEqual({ '(NH4)2SO4': 0.1 })
  })
  it('leaves alone what has no partner', () => {
    expect(neutralise([held('HCl', 0.1), held('NaCl', 0.1)])).toMatchObject({ salts: [] })
  })
})

describe('a pot with acid and base in excess: alum from foil', () => {
  const read = readPlan({
    stages: [
      {
        id: 's1',
        equation: 'Al + KOH + H2SO4 -> KAl(SO4)2 + H2O + H2',
        reagents: [
          { species: 'Al', supply: { kind: 'solid' }, charge: { mass: '1.0343 g' } },
          { species: 'KOH', supply: { kind: 'solid', assay: '85 %' }, charge: { mass: '3.60 g' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '6 mol/L' }, charge: { volume: '16 mL' } },
        ],
        product: { species: 'KAl(SO4)2', form: 'KAl(SO4)2·12H2O' },
      },
    ],
  })
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!computed.ok) throw new Error('no')
  const sheet = computed.value.stages[0]!
  it('has no hydroxide for the aluminium to meet, and a way to crystallise that a bench can follow', () => {
    const start = stagePot(sheet)!
    expect([...start.pot.totals.keys()].some(key => key.startsWith('OH'))).toBe(false)
    expect(start.leftOut.map(({ form }) => form)).toEqual(['H2SO4'])
    const added = proposeMoves(start.pot, formula('KAl(SO4)2·12H2O'))!.find(move => 'addWater' in move)
    expect(added ? Number.parseFloat((added as { addWater: string }).addWater) : 0).toBeLessThan(100)
  })
  it('treats only what is left of the acid', () => {
    /* 38.33 mmol of aluminium take 76.7 of 96.0 mmol of acid and 38.3 of 54.5 of potash: 19.3 × 2 − 16.2 = 22.5 meq: × 84.01 × 1.1 = 2.08 g. */
    const { treatments } = residuesOf(sheet, undefined)
    expect(treatments.map(({ of }) => of)).toEqual(['H2SO4', 'KAl(SO4)2·12H2O'])
    expect(treatments[0]!.mass.value).toBeCloseTo(2.08, 1)
    expect(treatments[0]!.how).toContain('taken off already')
  })
  it('asks for no sea of water where an insoluble hydroxide would have to dissolve', () => {
    const pot = stagePot(sheet)!.pot
    const alkaline = { ...pot, totals: new Map([...pot.totals, ['OH^-', 0.1]]) }
    expect(proposeMoves(alkaline, formula('KAl(SO4)2·12H2O'))).toBeUndefined()
  })
})
