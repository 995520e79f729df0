import { describe, expect, it } from 'vitest'
import { exact } from '#core/quantity'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { plannedAccounts, residuesOf, type Residues } from '.'
import { Tape } from './tape'

function residues(stage: Omit<StagePlan, 'id'>, weighed = 0): Residues {
  const read = readPlan({ stages: [{ id: 's1', ...stage }] })
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error(stage.equation)
  const [account] = plannedAccounts(read.value, computed.value, () => undefined)
  return residuesOf(new Tape(account!, computed.value.stages[0]!), exact(weighed, 'mass'))
}
const solid = (species: string, charge: object) =>
  ({ species, supply: { kind: 'solid' }, charge }) as StagePlan['reagents'][number]
const solution = (species: string, charge: object) =>
  ({ species, supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge }) as StagePlan['reagents'][number]

describe('residuesOf', () => {
  it('neutralises the acid left over, then throws the metal down', () => {
    /* 8.138 g ZnO = 0.1000 mol; a fifth more than 0.2 mol of acid leaves 0.0400 mol: × 84.01 × 1.1 = 3.70 g of hydrogencarbonate. With nothing weighed
       0.1000 mol of zinc are in the liquor: × 105.99 × 1.1 = 11.66 g of carbonate. */
    const { treatments, ask } = residues({
      equation: 'ZnO + HCl -> ZnCl2 + H2O',
      reagents: [solid('ZnO', { mass: '8.138 g' }), { ...solution('HCl', { excess: '20 %' }), wayOut: 'washed out' }],
      product: { species: 'ZnCl2' },
    })
    expect(treatments.map(({ of, reagent }) => [of, reagent])).toEqual([
      ['HCl', 'NaHCO3'],
      ['ZnCl2', 'Na2CO3'],
    ])
    expect(treatments[0]!.mass.value).toBeCloseTo(3.697, 2)
    expect(treatments[1]!.mass.value).toBeCloseTo(11.66, 2)
    expect(ask).toEqual([])
  })
  it('takes what came as crystals off what is left', () => {
    // 13.63 g ZnCl2 at most; 12.27 g weighed leave 0.0100 mol: 1.17 g of carbonate.
    const { treatments } = residues(
      {
        equation: 'ZnO + HCl -> ZnCl2 + H2O',
        reagents: [solid('ZnO', { mass: '8.138 g' }), { ...solution('HCl', { excess: '20 %' }), wayOut: 'washed out' }],
        product: { species: 'ZnCl2' },
      },
      12.267,
    )
    expect(treatments[1]!.mass.value).toBeCloseTo(1.17, 1)
  })
  it.each([
    ['HgCl2', 'HgCl2 + KI -> HgI2 + KCl', 'KI', 'mercury'],
    ['KCN', 'KCN + HCl -> KCl + HCN', 'HCl', 'cyanide: acid sets hydrogen cyanide free'],
  ])('leaves %s to those who know, and says for what', (species, equation, other, why) => {
    const { ask } = residues({
      equation,
      reagents: [solid(species, { mass: '5 g' }), solution(other, { equivalents: 0.5 })],
      product: { species: 'KCl' },
    })
    expect(ask.find(({ of }) => of === species)?.why).toBe(why)
  })
  it('reduces an oxidant before anything else', () => {
    /* Half again as much peroxide as 0.1000 mol of sulfite takes: 0.0500 mol left, two electrons each; a hydrogensulfite gives two: 0.0500 × 104.06 × 1.1 = 5.72 g. */
    const { treatments } = residues({
      equation: 'Na2SO3 + H2O2 -> Na2SO4 + H2O',
      reagents: [solid('Na2SO3', { mass: '12.604 g' }), solution('H2O2', { excess: '50 %' })],
      product: { species: 'Na2SO4', form: 'Na2SO4·10H2O' },
    })
    expect(treatments[0]).toMatchObject({ of: 'H2O2', reagent: 'NaHSO3' })
    expect(treatments[0]!.mass.value).toBeCloseTo(5.723, 2)
    expect(treatments[0]!.cautions.join(' ')).toContain('sulfur dioxide')
  })
  it('counts five electrons to a permanganate', () => {
    /* 1.580 g KMnO4 = 10.0 mmol left of twice as much: 50 meq ÷ 2 × 104.06 × 1.1 = 2.86 g. */
    const { treatments } = residues({
      equation: 'H2C2O4 + KMnO4 + H2SO4 -> MnSO4 + K2SO4 + CO2 + H2O',
      reagents: [
        solid('H2C2O4', { mass: '2.2509 g' }),
        solid('KMnO4', { excess: '100 %' }),
        solution('H2SO4', { excess: '10 %' }),
      ],
      product: { species: 'MnSO4' },
    })
    expect(treatments.find(({ of }) => of === 'MnO4^-')!.mass.value).toBeCloseTo(2.86, 2)
  })
  it('treats a base with citric acid, three to one', () => {
    /* MoO3 7.197 g = 0.0500 mol takes 0.1000 mol of NaOH; a tenth more leaves 0.0100 mol: ÷ 3 × 210.14 × 1.1 = 0.771 g. */
    const { treatments } = residues({
      equation: 'MoO3 + NaOH -> Na2MoO4 + H2O',
      reagents: [solid('MoO3', { mass: '7.1975 g' }), solid('NaOH', { excess: '10 %' })],
      product: { species: 'Na2MoO4', form: 'Na2MoO4·2H2O' },
    })
    expect(treatments[0]).toMatchObject({ of: 'NaOH', reagent: 'C6H8O7·H2O' })
    expect(treatments[0]!.mass.value).toBeCloseTo(0.7705, 2)
  })
  it('treats no cyanide by a rule: someone who knows is asked', () => {
    const { treatments, ask } = residues({
      equation: 'NiSO4 + KCN -> K2[Ni(CN)4] + K2SO4',
      reagents: [solid('NiSO4', { mass: '15.5 g' }), solid('KCN', { excess: '10 %' })],
      product: { species: 'K2[Ni(CN)4]' },
    })
    expect(ask.some(({ of, why }) => of === 'KCN' && why.includes('hydrogen cyanide'))).toBe(true)
    expect(treatments.some(({ of }) => /CN/.test(of))).toBe(false)
  })
})
