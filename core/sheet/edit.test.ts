import { describe, expect, it } from 'vitest'
import {
  chargeFromText,
  computePlan,
  countHeld,
  draftStage,
  equivalentsFromText,
  findReagent,
  hold,
  isHeld,
  release,
  withCharge,
  withEquation,
  withForm,
  withSupply,
  withTarget,
  withYield,
  type StagePlan,
  type StageSheet,
} from '.'

const stage: StagePlan = {
  id: 's1',
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
  reagents: [
    { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
    { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
  ],
}
const sheetOf = (plan: StagePlan): StageSheet => {
  const computed = computePlan({ stages: [plan] })
  if (!computed.ok) throw new Error(computed.problem.problem.code)
  return computed.value.stages[0]!
}

describe('what is typed into a charge', () => {
  it.each([
    ['8.40 g', { mass: '8.40 g' }],
    ['40 mL', { volume: '40 mL' }],
    ['0.12 mol', { amount: '0.12 mol' }],
    ['1.2 eq', { equivalents: 1.2 }],
    ['', undefined],
    ['8.4', { mass: '8.4' }],
    ['8..4 g', { mass: '8..4 g' }],
    ['-3 mL', { mass: '-3 mL' }],
  ])('%j', (text, charge) => {
    expect(chargeFromText(text, { kind: 'solid' })).toEqual(charge)
  })
  it('goes to the volume of a solution where the unit does not say', () => {
    expect(chargeFromText('40', { kind: 'solution', concentration: '1 M' })).toEqual({ volume: '40' })
  })
  it.each([
    ['1.2', { equivalents: 1.2 }],
    ['20 %', { excess: '20 %' }],
    ['', undefined],
    ['lots', { equivalents: Number.NaN }],
  ])('equivalents %j', (text, charge) => {
    expect(equivalentsFromText(text)).toEqual(charge)
  })
})

describe('what sets the scale', () => {
  it('is released at the equivalents it has, and held at the charge it comes to', () => {
    const released = release(stage, 'CoCO3', sheetOf(stage))
    expect(findReagent(released, 'CoCO3')?.charge).toEqual({ equivalents: 1.142 })
    expect([isHeld(released, 'CoCO3'), isHeld(released, 'HCl'), countHeld(released)]).toEqual([false, true, 1])
    // 0.0600 mol × 1.142 × 118.941 ÷ 0.97 = 8.402 g
    expect(findReagent(hold(released, 'CoCO3', sheetOf(released)), 'CoCO3')?.charge).toEqual({ mass: '8.402 g' })
  })

  it('is one target or charges, never both', () => {
    const aimed = withTarget(stage, '20 g', sheetOf(stage))
    expect(aimed.target).toEqual({ mass: '20 g' })
    expect(countHeld(aimed)).toBe(0)
    expect(sheetOf(aimed).products[0]!.theoretical.value).toBeCloseTo(20, 9)
    expect(sheetOf(aimed).limiting).toEqual(['HCl'])

    const charged = withCharge(aimed, 'HCl', { volume: '10 mL' })
    expect(charged.target).toBeUndefined()
    const given = withTarget(aimed, '', sheetOf(aimed))
    expect(given.target).toBeUndefined()
    expect(isHeld(given, 'HCl')).toBe(true)
  })
})

describe('what a reagent comes as', () => {
  it('keeps the charge where it still can be measured so', () => {
    expect(findReagent(withSupply(stage, 'CoCO3', { kind: 'solid', formula: 'CoCO3·6H2O' }), 'CoCO3')?.charge).toEqual({
      mass: '8.40 g',
    })
    expect(findReagent(withSupply(stage, 'HCl', { kind: 'solid' }), 'HCl')?.charge).toBeUndefined()
  })
  it('finds a reagent however its formula is typed, and adds one that is not planned', () => {
    const typed: StagePlan = {
      ...stage,
      equation: 'CuCO3.Cu(OH)2 + HCl -> CuCl2 + CO2 + H2O',
      reagents: [{ species: 'CuCO3.Cu(OH)2', supply: { kind: 'solid' } }],
    }
    expect(withCharge(typed, 'CuCO3·Cu(OH)2', { mass: '1 g' }).reagents).toHaveLength(1)
    expect(withCharge(typed, 'HCl', { mass: '1 g' }).reagents).toHaveLength(2)
  })
})

describe('other edits', () => {
  it('keep what the new equation still has', () => {
    const changed = withEquation(stage, 'CoCO3 + H2SO4 -> CoSO4 + H2O + CO2')
    expect(changed.reagents.map(({ species }) => species)).toEqual(['CoCO3', 'H2SO4'])
    expect(changed.reagents[0]).toEqual(stage.reagents[0])
    expect(withEquation(stage, 'CoCO3 +').reagents).toBe(stage.reagents)
  })
  it('set the form and the yield', () => {
    expect(withForm(stage, 'CoCl2·2H2O').product.form).toBe('CoCl2·2H2O')
    expect(withYield(stage, '85 %').yield).toBe('85 %')
    expect('yield' in withYield(withYield(stage, '85 %'), '')).toBe(false)
  })
})

describe('draftStage', () => {
  it('begins with what reacts and what is made', () => {
    expect(draftStage('K2[Cu(C2O4)2].2H2O', 'CuSO4 + K2C2O4 + H2O -> K2[Cu(C2O4)2] + K2SO4 + H2')).toMatchObject({
      ok: false,
    })
    expect(draftStage('ZnSO4.7H2O', 'Zn + H2SO4 -> ZnSO4 + H2')).toEqual({
      ok: true,
      value: {
        id: 's1',
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
        reagents: [
          { species: 'Zn', supply: { kind: 'solid' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '96 % w/w' } },
        ],
      },
    })
  })
  // Common practice: none of these is on a shelf but in water, whatever it is when pure.
  it.each([
    ['NaCl', 'NaClO + HCl -> NaCl + Cl2 + H2O', 'NaClO', '12 % w/w'],
    ['NiBr2', 'NiCO3 + HBr -> NiBr2 + H2O + CO2', 'HBr', '48 % w/w'],
    ['Zn(ClO4)2', 'ZnO + HClO4 -> Zn(ClO4)2 + H2O', 'HClO4', '70 % w/w'],
  ])('takes what is sold in water as a solution: %s by %s', (product, equation, species, concentration) => {
    const drafted = draftStage(product, equation)
    expect(drafted.ok && drafted.value.reagents.find(one => one.species === species)!.supply).toEqual({
      kind: 'solution',
      concentration,
    })
  })
  it('takes the first of several reactions until the chemist chooses', () => {
    const drafted = draftStage('Cu(NO3)2.3H2O', 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O')
    expect(drafted).toMatchObject({ ok: true, value: { mix: [{ share: '100 %' }] } })
  })
  it('says that a product is not made', () => {
    expect(draftStage('NiSO4.6H2O', 'Zn + H2SO4 -> ZnSO4 + H2')).toMatchObject({
      ok: false,
      problem: { path: ['product'], problem: { code: 'sheet.unknown-species', among: ['ZnSO4', 'H2'] } },
    })
  })
})
