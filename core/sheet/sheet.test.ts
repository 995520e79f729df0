import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { computePlan, explainPlan, spanOf, type Plan, type PlanSheet, type StagePlan, type StageSheet } from '.'

const answer = (plan: Plan): PlanSheet => {
  const computed = computePlan(plan)
  if (!computed.ok) throw new Error(`${computed.problem.path.join('.')}: ${computed.problem.problem.code}`)
  return computed.value
}
const stageOf = (stage: Omit<StagePlan, 'id'>): StageSheet => answer({ stages: [{ id: 's1', ...stage }] }).stages[0]!
const reagent = (sheet: StageSheet, species: string) => sheet.reagents.find(line => line.species === species)!

const cobalt: Omit<StagePlan, 'id'> = {
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  reagents: [
    { species: 'CoCO3', supply: { kind: 'solid', formula: 'CoCO3', assay: '97 %' }, charge: { mass: '8.40 g' } },
    { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
  ],
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
}

describe('one stage, worked out by hand', () => {
  /*
   * 8.40 g × 0.97 ÷ 118.941 g/mol = 68.504 mmol CoCO3; 40.0 mL × 3.00 mol/L = 120.0 mmol HCl, enough for 60.0 mmol: the acid limits.
   * Left over: 8.504 mmol × 118.941 = 1.0115 g, pure. Product: 60.0 mmol × 237.923 g/mol = 14.2754 g.
   * Gas: 60.0 mmol × 24.465 L/mol = 1.4679 L. Water: the acid of 3.00 mol/L is 10.4 % at 1.0495 g/mL (CRC table, from memory),
   * so 41.98 g − 4.375 g = 37.61 g with it, 1.081 g made, 6.485 g into the crystals: 32.20 g stay.
   */
  const sheet = stageOf(cobalt)

  it('finds what limits, what is left over and the theoretical yield', () => {
    expect(sheet.limiting).toEqual(['HCl'])
    expect(sheet.extent.value).toBeCloseTo(0.06, 12)
    expect(reagent(sheet, 'CoCO3')).toMatchObject({
      weighAs: 'CoCO3',
      limits: false,
      leftover: { wayOut: 'filtered off' },
    })
    expect(reagent(sheet, 'CoCO3').amount.value).toBeCloseTo(0.068504, 6)
    expect(reagent(sheet, 'CoCO3').equivalents.value).toBeCloseTo(1.14174, 5)
    expect(reagent(sheet, 'CoCO3').leftover.mass.value).toBeCloseTo(1.0115, 4)
    expect(reagent(sheet, 'HCl').equivalents.value).toBe(1)
    expect(reagent(sheet, 'HCl').leftover.amount.value).toBe(0)
    expect(sheet.products.map(({ species, form }) => [species, form])).toEqual([
      ['CoCl2', 'CoCl2·6H2O'],
      ['H2O', 'H2O'],
      ['CO2', 'CO2'],
    ])
    expect(sheet.products[0]!.theoretical.value).toBeCloseTo(14.2754, 4)
  })

  it('tells the gas at 25 °C and 101.325 kPa: 24.465 L/mol (CODATA R)', () => {
    expect(sheet.gases).toHaveLength(1)
    expect(sheet.gases[0]!.volume.value / sheet.gases[0]!.amount.value / 1000).toBeCloseTo(24.465, 3)
    const cold = answer({ stages: [{ id: 's1', ...cobalt }], ambient: { temperature: '0 °C', pressure: '1 atm' } })
      .stages[0]!
    expect(cold.gases[0]!.volume.value / cold.gases[0]!.amount.value / 1000).toBeCloseTo(22.414, 3)
  })

  it('balances the water of the pot', () => {
    const { fromReagents, fromReaction, intoProduct, total, estimated } = sheet.water
    expect(fromReagents.value).toBeCloseTo(37.61, 1)
    expect(fromReaction.value).toBeCloseTo(1.0809, 4)
    expect(intoProduct.value).toBeCloseTo(6.4854, 4)
    expect(total.value).toBeCloseTo(fromReagents.value + fromReaction.value - intoProduct.value, 10)
    expect(estimated).toBe(false)
  })
})

describe('supplies', () => {
  it('counts the water of a hydrate that is weighed', () => {
    // 50.0 g of Na2CO3·10H2O (286.138 g/mol) is 174.74 mmol with 31.48 g of water.
    const sheet = stageOf({
      equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
      product: { species: 'NaCl' },
      reagents: [{ species: 'Na2CO3', supply: { kind: 'solid', formula: 'Na2CO3.10H2O' }, charge: { mass: '50.0 g' } }],
    })
    expect(reagent(sheet, 'Na2CO3').amount.value).toBeCloseTo(0.17474, 5)
    expect(sheet.water.fromReagents.value).toBeCloseTo(31.48, 2)
  })

  it('takes one disulfite for two hydrogensulfites, and a water out of the pot', () => {
    // 9.505 g of Na2S2O5 (190.099 g/mol) is 50.0 mmol, so 100.0 mmol of NaHSO3, less 0.901 g of water.
    const sheet = stageOf({
      equation: 'NaHSO3 + HCl -> NaCl + H2O + SO2',
      product: { species: 'NaCl' },
      reagents: [{ species: 'NaHSO3', supply: { kind: 'solid', formula: 'Na2S2O5' }, charge: { mass: '9.505 g' } }],
    })
    expect(reagent(sheet, 'NaHSO3').amount.value).toBeCloseTo(0.1, 4)
    expect(sheet.water.fromReagents.value).toBeCloseTo(-0.901, 3)
  })

  it('weighs the double salt by its own unit: 1.0343 g of aluminium gives 18.18 g of potash alum (common practice, no source)', () => {
    const made = (form: string) =>
      stageOf({
        equation: 'Al + KOH + H2SO4 -> KAl(SO4)2 + H2 + H2O',
        product: { species: 'KAl(SO4)2', form },
        reagents: [{ species: 'Al', supply: { kind: 'solid' }, charge: { mass: '1.0343 g' } }],
      }).products[0]!
    expect(made('KAl(SO4)2·12H2O').theoretical.value).toBeCloseTo(18.18, 1)
    expect(made('K2SO4·Al2(SO4)3·24H2O').theoretical.value).toBeCloseTo(made('KAl(SO4)2·12H2O').theoretical.value, 6)
  })

  it('weighs 50.3 g of Na2CO3 and 116.9 g of MgSO4·7H2O for 40 g of MgCO3 (common practice, no source)', () => {
    const sheet = stageOf({
      equation: 'MgSO4 + Na2CO3 -> MgCO3 + Na2SO4',
      product: { species: 'MgCO3' },
      target: { mass: '40 g' },
      reagents: [{ species: 'MgSO4', supply: { kind: 'solid', formula: 'MgSO4.7H2O' } }],
    })
    expect(reagent(sheet, 'Na2CO3').mass!.value).toBeCloseTo(50.3, 1)
    expect(reagent(sheet, 'MgSO4').mass!.value).toBeCloseTo(116.9, 1)
    expect(sheet.limiting).toEqual(['MgSO4', 'Na2CO3'])
  })

  it('leaves 1.8 g of sulfur from 11.1 g at 20 % excess over 0.288 mol of sulfite (common practice, no source)', () => {
    const sheet = stageOf({
      equation: 'Na2SO3 + S -> Na2S2O3',
      product: { species: 'Na2S2O3', form: 'Na2S2O3·5H2O' },
      reagents: [
        { species: 'Na2SO3', supply: { kind: 'solid' }, charge: { amount: '0.288 mol' } },
        { species: 'S', supply: { kind: 'solid' }, charge: { excess: '20 %' } },
      ],
    })
    expect(reagent(sheet, 'S').mass!.value).toBeCloseTo(11.1, 1)
    expect(reagent(sheet, 'S').leftover.mass.value).toBeCloseTo(1.8, 1)
  })

  it('makes ZnCl2 of 0.88 g of zinc that took up 1.00 g of chlorine: nearly all of both (common practice, no source)', () => {
    const sheet = stageOf({
      equation: 'Zn + Cl2 -> ZnCl2',
      product: { species: 'ZnCl2' },
      reagents: [
        { species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '0.88 g' } },
        { species: 'Cl2', supply: { kind: 'gas' }, charge: { mass: '1.00 g' } },
      ],
    })
    expect(Math.max(...sheet.reagents.map(({ equivalents }) => equivalents.value))).toBeLessThan(1.06)
  })

  it('measures a solution by % w/w through its density, given or from the table', () => {
    // 100 mmol × 36.458 g/mol = 3.6458 g; ÷ 0.37 = 9.8535 g; ÷ 1.18 g/mL = 8.3504 mL.
    const sheet = stageOf({
      equation: 'Zn + HCl -> ZnCl2 + H2',
      product: { species: 'ZnCl2' },
      reagents: [
        { species: 'Zn', supply: { kind: 'solid' }, charge: { amount: '50.0 mmol' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '37 %', density: '1.18 g/mL' } },
      ],
    })
    expect(reagent(sheet, 'HCl').volume!.value).toBeCloseTo(8.3504, 4)
    expect(reagent(sheet, 'HCl').mass!.value).toBeCloseTo(9.8535, 4)
  })

  it('knows neither volume nor exact water where no density is known, and says so', () => {
    const copper = (concentration: string) =>
      stageOf({
        equation: 'CuSO4 + NaOH -> Cu(OH)2 + Na2SO4',
        product: { species: 'Cu(OH)2' },
        reagents: [
          { species: 'CuSO4', supply: { kind: 'solution', concentration } },
          { species: 'NaOH', supply: { kind: 'solid' }, charge: { mass: '4.00 g' } },
        ],
      })
    const byMass = copper('10 % w/w')
    expect(reagent(byMass, 'CuSO4').volume).toBeUndefined()
    expect(reagent(byMass, 'CuSO4').mass!.value).toBeCloseTo(79.81, 1)
    expect(byMass.warnings.map(({ code }) => code)).toContain('density.unknown')
    const byVolume = copper('0.500 mol/L')
    expect(reagent(byVolume, 'CuSO4').mass).toBeUndefined()
    expect(byVolume.water.estimated).toBe(true)
    expect(byVolume.water.fromReagents.value).toBeCloseTo(99.7, 0)
  })
})

describe('the scale', () => {
  it('runs backwards from a target over its yield', () => {
    // 40 g ÷ 0.90 = 44.444 g of CuSO4·5H2O is 178.01 mmol: 14.160 g of CuO.
    const { stages, overall } = answer({
      stages: [
        {
          id: 's1',
          equation: 'CuO + H2SO4 -> CuSO4 + H2O',
          product: { species: 'CuSO4', form: 'CuSO4·5H2O' },
          target: { mass: '40 g', yield: '90 %' },
          reagents: [
            { species: 'CuO', supply: { kind: 'solid' } },
            {
              species: 'H2SO4',
              supply: { kind: 'solution', concentration: '96 % w/w' },
              charge: { equivalents: 1.05 },
            },
          ],
        },
      ],
    })
    expect(reagent(stages[0]!, 'CuO').mass!.value).toBeCloseTo(14.16, 3)
    expect(stages[0]!.limiting).toEqual(['CuO'])
    expect(overall.expected.value).toBeCloseTo(40, 9)
    expect(overall.theoretical.value).toBeCloseTo(44.444, 3)
  })

  it('lets a reagent below one equivalent limit', () => {
    const sheet = stageOf({
      ...cobalt,
      reagents: [cobalt.reagents[0]!, { ...cobalt.reagents[1]!, charge: { equivalents: 0.5 } }],
    })
    expect(sheet.limiting).toEqual(['HCl'])
    expect(sheet.extent.value).toBeCloseTo(0.068504 / 2, 6)
    expect(reagent(sheet, 'CoCO3').equivalents.value).toBeCloseTo(2, 9)
  })

  it('names every species that ties, in the order of the equation', () => {
    const sheet = stageOf({
      ...cobalt,
      reagents: [
        { species: 'HCl', supply: { kind: 'gas' }, charge: { amount: '0.2 mol' } },
        { species: 'CoCO3', supply: { kind: 'solid' }, charge: { amount: '0.1 mol' } },
      ],
    })
    expect(sheet.limiting).toEqual(['CoCO3', 'HCl'])
  })
})

describe('routes', () => {
  const route = (first: Partial<StagePlan>, second: Partial<StagePlan>): Plan => ({
    stages: [
      {
        id: 'a',
        equation: 'NiCO3 + H2SO4 -> NiSO4 + H2O + CO2',
        reagents: [{ species: 'NiCO3', supply: { kind: 'solid' } }],
        product: { species: 'NiSO4', form: 'NiSO4·6H2O' },
        yield: '80 %',
        ...first,
      },
      {
        id: 'b',
        equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2',
        reagents: [{ species: 'NiSO4', supply: { kind: 'stage', from: 'a' } }],
        product: { species: '(NH4)2Ni(SO4)2', form: '(NH4)2Ni(SO4)2·6H2O' },
        yield: '75 %',
        ...second,
      },
    ],
  })
  const forwards = route(
    { reagents: [{ species: 'NiCO3', supply: { kind: 'solid' }, charge: { amount: '0.100 mol' } }] },
    {},
  )

  it('hands on what a stage makes at its yield', () => {
    // 0.100 mol × 80 % = 0.0800 mol; double salt 394.98 g/mol: 31.60 g at best, 23.70 g expected, 39.50 g at 100 % throughout.
    const { stages, overall } = answer(forwards)
    expect(reagent(stages[1]!, 'NiSO4').amount.value).toBeCloseTo(0.08, 9)
    expect(reagent(stages[1]!, 'NiSO4').weighAs).toBe('NiSO4·6H2O')
    expect(overall.expected.value).toBeCloseTo(23.7, 1)
    expect(overall.theoretical.value).toBeCloseTo(39.5, 1)
  })

  it('comes back to the same charges from the target', () => {
    const { expected } = answer(forwards).overall
    const back = answer(route({}, { target: { mass: `${expected.value} g` } }))
    expect(reagent(back.stages[0]!, 'NiCO3').amount.value).toBeCloseTo(0.1, 9)
    expect(back.overall.theoretical.value).toBeCloseTo(answer(forwards).overall.theoretical.value, 6)
  })
})

describe('problems', () => {
  const problemOf = (stage: Partial<StagePlan>) => {
    const computed = computePlan({ stages: [{ id: 's1', ...cobalt, ...stage }] })
    if (computed.ok) throw new Error('it computed')
    return computed.problem
  }
  const [carbonate, acid] = cobalt.reagents as [StagePlan['reagents'][0], StagePlan['reagents'][0]]

  it.each([
    [{ reagents: [{ ...carbonate, charge: { equivalents: 1 } }] }, 'sheet.no-scale', 'stages.0'],
    [{ target: { mass: '10 g' } }, 'sheet.two-scales', 'stages.0'],
    [{ equation: 'CoCO3 + HCl -> CoCl2 + H2O' }, 'equation.impossible', 'stages.0.equation'],
    [{ equation: 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O' }, 'sheet.several-reactions', 'stages.0.equation'],
    [{ equation: 'Co^2+ + 2e- -> Co', product: { species: 'Co' } }, 'sheet.electron', 'stages.0.equation'],
    [
      { equation: 'Tc2O7 + HCl -> TcCl4 + H2O + Cl2', product: { species: 'TcCl4' } },
      'formula.no-standard-weight',
      'stages.0.equation',
    ],
    [{ reagents: [{ ...carbonate, species: 'NiCO3' }] }, 'sheet.unknown-species', 'stages.0.reagents.0.species'],
    [{ reagents: [carbonate, carbonate] }, 'sheet.repeated-reagent', 'stages.0.reagents.1.species'],
    [{ product: { species: 'CoCl2', form: 'CoSO4.7H2O' } }, 'sheet.form-mismatch', 'stages.0.product.form'],
    [
      { reagents: [{ ...carbonate, supply: { kind: 'solid', formula: 'NiCO3' } }] },
      'sheet.form-mismatch',
      'stages.0.reagents.0.supply.formula',
    ],
    [
      { reagents: [{ ...carbonate, charge: { mass: '-3 g' } }] },
      'quantity.negative',
      'stages.0.reagents.0.charge.mass',
    ],
    [
      { reagents: [{ ...carbonate, charge: { mass: '3 mL' } }] },
      'quantity.wrong-kind',
      'stages.0.reagents.0.charge.mass',
    ],
    [
      { reagents: [{ ...carbonate, charge: { volume: '3 mL' } }] },
      'sheet.not-by-volume',
      'stages.0.reagents.0.charge.volume',
    ],
    [
      { reagents: [{ ...carbonate, charge: { equivalents: -1 } }] },
      'sheet.bad-equivalents',
      'stages.0.reagents.0.charge.equivalents',
    ],
    [{ reagents: [{ ...acid, supply: { kind: 'liquid' } }] }, 'sheet.no-density', 'stages.0.reagents.0.charge.volume'],
    [
      { reagents: [{ ...acid, supply: { kind: 'stage', from: 'x' } }] },
      'sheet.unknown-stage',
      'stages.0.reagents.0.supply.from',
    ],
    [
      { reagents: [{ ...acid, supply: { kind: 'solution', concentration: '1.2 kg' } }] },
      'quantity.wrong-kind',
      'stages.0.reagents.0.supply.concentration',
    ],
  ] as [Partial<StagePlan>, string, string][])('%j', (stage, code, path) => {
    const problem = problemOf(stage)
    expect(problem.problem.code).toBe(code)
    expect(problem.path.join('.')).toBe(path)
    expect(explainPlan(problem).fix).not.toBe('')
    const span = spanOf(problem)
    if (span) expect(span[0]).toBeLessThanOrEqual(span[1])
  })

  it('refuses an acid stronger than the pure one', () => {
    const computed = computePlan({
      stages: [
        {
          id: 's',
          equation: 'Zn + H2SO4 -> ZnSO4 + H2',
          product: { species: 'ZnSO4' },
          reagents: [
            { species: 'H2SO4', supply: { kind: 'solution', concentration: '30 mol/L' }, charge: { volume: '1 mL' } },
          ],
        },
      ],
    })
    expect(computed).toMatchObject({ ok: false, problem: { problem: { code: 'sheet.too-strong' } } })
  })
})

describe('laws', () => {
  const grams = fc.double({ min: 0.01, max: 500, noNaN: true }).map(value => value.toFixed(3))

  it('scaling every charge scales every amount', () => {
    fc.assert(
      fc.property(grams, grams, fc.integer({ min: 2, max: 24 }), (carbonate, acid, times) => {
        const at = (n: number) =>
          stageOf({
            ...cobalt,
            reagents: [
              { ...cobalt.reagents[0]!, charge: { mass: `${Number(carbonate) * n} g` } },
              { ...cobalt.reagents[1]!, charge: { volume: `${Number(acid) * n} mL` } },
            ],
          })
        const one = at(1)
        const many = at(times)
        expect(many.limiting).toEqual(one.limiting)
        expect(many.products[0]!.theoretical.value / one.products[0]!.theoretical.value).toBeCloseTo(times, 6)
        expect(many.water.total.value / one.water.total.value).toBeCloseTo(times, 6)
      }),
    )
  })

  it('mass in is mass out: what reacts weighs what is made', () => {
    const molar = { CoCO3: 118.941194, HCl: 36.458, CoCl2: 129.833194, H2O: 18.015, CO2: 44.009 } as Record<
      string,
      number
    >
    fc.assert(
      fc.property(grams, grams, (carbonate, acid) => {
        const sheet = stageOf({
          ...cobalt,
          product: { species: 'CoCl2' },
          reagents: [
            { ...cobalt.reagents[0]!, charge: { mass: `${carbonate} g` } },
            { ...cobalt.reagents[1]!, charge: { volume: `${acid} mL` } },
          ],
        })
        const eaten = sheet.reagents.reduce((sum, { species, consumed }) => sum + consumed.value * molar[species]!, 0)
        const made = sheet.products.reduce((sum, { theoretical }) => sum + theoretical.value, 0)
        expect(made / eaten).toBeCloseTo(1, 9)
      }),
    )
  })

  it('any texts in a plan end in an answer or a problem', () => {
    const text = fc.oneof(
      fc.string({ maxLength: 12 }),
      fc.constantFrom('5 g', '-1 g', '1e9 g', '3 mol/L', '37 %', 'CuO', 'H2O', ''),
    )
    fc.assert(
      fc.property(text, text, text, text, (formula, assay, mass, concentration) => {
        const computed = computePlan({
          stages: [
            {
              id: 's1',
              equation: cobalt.equation,
              product: cobalt.product,
              reagents: [
                { species: 'CoCO3', supply: { kind: 'solid', formula, assay }, charge: { mass } },
                { species: 'HCl', supply: { kind: 'solution', concentration } },
              ],
            },
          ],
        })
        if (!computed.ok) expect(explainPlan(computed.problem).why.length).toBeGreaterThan(3)
      }),
      { numRuns: 1000 },
    )
  })
})
