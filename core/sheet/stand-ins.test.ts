import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { ionsOf, solvateOf } from '#core/species'
import { computePlan, heatOf, readPlan, type Plan, type StagePlan } from '.'

const of = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const planOf = (stage: Omit<StagePlan, 'id'>): Plan => ({ stages: [{ id: 's1', ...stage }] })
const computed = (plan: Plan) => {
  const answer = computePlan(plan)
  if (!answer.ok) throw new Error(answer.problem.problem.code)
  return answer.value.stages[0]!
}

describe('a basic carbonate weighed for the carbonate', () => {
  /*
   * Epsom salt, 50.0 mmol = 12.32 g, from Mg5(CO3)4(OH)2·4H2O, 467.64 g/mol: 10.0 mmol of it are 4.676 g and hold 50.0 mmol of Mg.
   * 50.0 mmol of sulfuric acid take them up: 5 MgCO3 − CO2 + 5 H2O, so 40.0 mmol of gas and not 50.0,
   * and 100.0 mmol of water: 50.0 come of the equation, 50.0 with the solid. By hand.
   */
  const plan = (form: string): Plan =>
    planOf({
      equation: 'MgCO3 + H2SO4 -> MgSO4 + H2O + CO2',
      reagents: [
        { species: 'MgCO3', supply: { kind: 'solid', formula: form } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { amount: '50 mmol' } },
      ],
      product: { species: 'MgSO4', form: 'MgSO4.7H2O' },
    })

  it('brings five of the metal, takes as much acid, and gives less gas', () => {
    const basic = computed(plan('Mg5(CO3)4(OH)2.4H2O'))
    const plain = computed(plan('MgCO3'))
    expect(basic.reagents[0]!.mass!.value).toBeCloseTo(4.676, 3)
    expect(basic.reagents[1]!.volume!.value).toBeCloseTo(25.0, 3)
    expect(basic.gases[0]!.amount.value).toBeCloseTo(0.04, 6)
    expect(basic.products.find(({ species }) => species === 'CO2')!.amount.value).toBeCloseTo(0.04, 6)
    expect(plain.gases[0]!.amount.value).toBeCloseTo(0.05, 6)
    expect(basic.water.fromReagents.value - plain.water.fromReagents.value).toBeCloseTo(0.05 * 18.015, 4)
  })

  it('conserves carbon: what is weighed is what leaves', () => {
    for (const [form, carbonPerMetal] of [
      ['Mg5(CO3)4(OH)2.4H2O', 4 / 5],
      ['(MgCO3)4.Mg(OH)2.5H2O', 4 / 5],
      ['MgCO3.3H2O', 1],
      ['Mg2(CO3)(OH)2.3H2O', 1 / 2],
    ] as const)
      expect(computed(plan(form)).gases[0]!.amount.value).toBeCloseTo(0.05 * carbonPerMetal, 6)
  })

  it('does so for zinc, copper and lead, and is refused where no carbon dioxide leaves, and for what holds none', () => {
    for (const [carbonate, basic, metals] of [
      ['ZnCO3', 'Zn5(CO3)2(OH)6', 5],
      ['CuCO3', 'Cu2(OH)2CO3', 2],
      ['PbCO3', 'Pb3(CO3)2(OH)2', 3],
    ] as const) {
      const metal = carbonate.slice(0, 2)
      const sheet = computed(
        planOf({
          equation: `${carbonate} + HNO3 -> ${metal}(NO3)2 + H2O + CO2`,
          reagents: [
            { species: carbonate, supply: { kind: 'solid', formula: basic }, charge: { amount: '0.1 mol' } },
            { species: 'HNO3', supply: { kind: 'solution', concentration: '2 mol/L' } },
          ],
          product: { species: `${metal}(NO3)2` },
        }),
      )
      expect(sheet.reagents[0]!.weighAs).toBe(of(basic).text)
      expect(sheet.gases[0]!.amount.value).toBeCloseTo((0.1 * (of(basic).composition.get('C') ?? 0)) / metals, 9)
    }
    expect(computePlan(plan('MgO'))).toMatchObject({ ok: false, problem: { problem: { code: 'sheet.form-mismatch' } } })
    const kept = planOf({
      equation: 'CaCl2 + MgCO3 -> CaCO3 + MgCl2',
      reagents: [{ species: 'MgCO3', supply: { kind: 'solid', formula: 'Mg5(CO3)4(OH)2.4H2O' } }],
      product: { species: 'CaCO3' },
      target: { mass: '1 g' },
    })
    expect(computePlan(kept)).toMatchObject({ ok: false, problem: { problem: { code: 'sheet.form-mismatch' } } })
  })

  it('tells no heat, which the equation’s carbon dioxide would make wrong', () => {
    const read = readPlan(plan('Mg5(CO3)4(OH)2.4H2O'))
    if (!read.ok) throw new Error()
    expect(heatOf(read.value.stages[0]!, computed(plan('Mg5(CO3)4(OH)2.4H2O'))).known).toBe(false)
  })
})

describe('a solvate weighed for what it holds', () => {
  it('counts the molecules that come along, and weighs them', () => {
    // TiCl3(C4H8O)3: 154.226 + 3 × 72.107 = 370.55 g/mol, so 10.0 mmol are 3.7055 g.
    const sheet = computed(
      planOf({
        equation: 'TiCl3 + NaOH -> Ti(OH)3 + NaCl',
        reagents: [
          { species: 'TiCl3', supply: { kind: 'solid', formula: 'TiCl3(C4H8O)3' }, charge: { amount: '10.0 mmol' } },
          { species: 'NaOH', supply: { kind: 'solution', concentration: '1 mol/L' } },
        ],
        product: { species: 'Ti(OH)3' },
      }),
    )
    expect(sheet.reagents[0]!.mass!.value).toBeCloseTo(3.7055, 3)
  })
  it.each([
    ['LiN(C12H18).C4H10O', 'LiN(C12H18)', { units: 1, waters: 0 }],
    ['CrCl3(C4H8O)3.2H2O', 'CrCl3', { units: 1, waters: 2 }],
    ['LiAlH4.C4H10O', 'LiAlH4', { units: 1, waters: 0 }],
    // An acetate, a cyclopentadienide and an oxalate are no molecules that could leave.
    ['Cu(CH3COO)2', 'Cu', undefined],
    ['Fe(C5H5)2', 'Fe', undefined],
    ['CuC2O4', 'Cu', undefined],
    ['TiCl3(C4H8O)3', 'TiCl4', undefined],
  ])('%s as %s', (weighed, species, relation) => {
    expect(solvateOf(of(weighed), of(species))).toEqual(relation)
  })
})

describe('an acid written with its hydrogen last', () => {
  it('has its ions, and ammonia and an alcohol have none', () => {
    const texts = (text: string) => ionsOf(of(text))?.map(({ text, charge, count }) => [text, charge, count])
    expect(texts('NH2SO3H')).toEqual([
      ['NH2SO3', -1, 1],
      ['H', 1, 1],
    ])
    expect(texts('NH3')).toBeUndefined()
    expect(texts('CH3OH')).toBeUndefined()
  })
})
