import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { exact, scaleText } from '#core/quantity'
import { enthalpies, exposureLimits, heatsOfSolution } from '#core/reference'
import {
  compareSupply,
  computeReadPlan,
  dilute,
  elementUse,
  excessRange,
  formationEnthalpy,
  gasFacts,
  heatOf,
  makeUpFromSolid,
  portionsFor,
  potOf,
  readPlan,
  scalePlan,
  substitutesFor,
  vesselFor,
  warmthOfDilution,
  type Plan,
  type ReadPlan,
  type StagePlan,
} from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const readOf = (plan: Plan): ReadPlan => {
  const read = readPlan(plan)
  if (!read.ok) throw new Error(`${read.problem.path.join('.')}: ${read.problem.problem.code}`)
  return read.value
}
const computed = (plan: Plan, weighed?: ReadonlyMap<string, ReturnType<typeof exact>>) => {
  const read = readOf(plan)
  const sheet = computeReadPlan(read, weighed)
  if (!sheet.ok) throw new Error(sheet.problem.problem.code)
  return { read, sheet: sheet.value, stage: read.stages[0]!, first: sheet.value.stages[0]! }
}
const one = (stage: Omit<StagePlan, 'id'>, more: Partial<Plan> = {}): Plan => ({
  stages: [{ id: 's1', ...stage }],
  ...more,
})

const cobalt: Omit<StagePlan, 'id'> = {
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  reagents: [
    { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
    { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
  ],
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
}

describe('gas', () => {
  /* MnO2 + 4 HCl → MnCl2 + Cl2 + 2 H2O, 1.739 g of 100 % MnO2: 20.0 mmol Cl2, 0.4893 L. In a 60 m³ room 8.2 ppm, over the limit of
     0.5. A trap of 100 mL 1.0 mol/L NaOH takes 50 mmol, 2.5 times what comes; in 10 min the gas comes at 48.9 mL/min. */
  const chlorine = one(
    {
      equation: 'MnO2 + HCl -> MnCl2 + Cl2 + H2O',
      reagents: [
        { species: 'MnO2', supply: { kind: 'solid' }, charge: { mass: '1.7387 g' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '37 % w/w' } },
      ],
      product: { species: 'MnCl2', form: 'MnCl2·4H2O' },
      addition: '10 min',
      trap: { reagent: 'NaOH', volume: '100 mL', concentration: '1.0 mol/L' },
    },
    { room: { volume: '60 m3' } },
  )
  it('tells rate, trap and room from the moles', () => {
    const { stage, first, read } = computed(chlorine)
    const [gas] = gasFacts(stage, first, read.room)
    expect(gas!.amount.value).toBeCloseTo(0.02, 5)
    expect(gas!.rate!.value).toBeCloseTo(48.93, 1)
    expect(gas!.trap!.margin!.value).toBeCloseTo(2.5, 3)
    expect(gas!.verdict).toBe('trap holds')
    expect(gas!.inRoom!.value).toBeCloseTo(8.155, 2)
    expect(gas!.limit!.short).toBe(0.5)
    expect(gas!.trap!.wants.value).toBeCloseTo(40, 2)
  })

  it('says which trap is missing, wrong or small', () => {
    const verdict = (trap: StagePlan['trap']): string => {
      const { trap: _, ...stage } = chlorine.stages[0]!
      const { stage: read, first, read: plan } = computed({ stages: [{ ...stage, ...(trap && { trap }) }] })
      return gasFacts(read, first, plan.room)[0]!.verdict
    }
    expect(verdict(undefined)).toBe('trap missing')
    expect(verdict({ reagent: 'HCl', volume: '100 mL', concentration: '1 mol/L' })).toBe('trap wrong')
    expect(verdict({ reagent: 'NaOH', volume: '50 mL', concentration: '1 mol/L' })).toBe('trap small')
    expect(verdict({ reagent: 'KOH', volume: '100 mL', concentration: '1 mol/L' })).toBe('trap holds')
  })

  it('lets carbon dioxide go, and wants a hood for hydrogen', () => {
    const { stage, first, read } = computed(one(cobalt))
    expect(gasFacts(stage, first, read.room)[0]!.verdict).toBe('harmless')
    const zinc = computed(
      one({
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [{ species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '6.5 g' } }],
        product: { species: 'ZnSO4' },
      }),
    )
    expect(gasFacts(zinc.stage, zinc.first, zinc.read.room)[0]).toMatchObject({
      verdict: 'hood',
      limit: { explosive: 4 },
    })
  })

  it('has limits that are positive, short-term above the eight-hour mean, with a source', () => {
    expect(exposureLimits.length).toBeGreaterThan(20)
    for (const { formula, eightHours, short, explosive, source } of exposureLimits) {
      expect(parseFormula(formula).ok, formula).toBe(true)
      expect(source).not.toBe('')
      expect(Math.min(eightHours ?? 1, short ?? 1, explosive ?? 1)).toBeGreaterThan(0)
      if (eightHours && short) expect(short).toBeGreaterThan(eightHours)
    }
  })
})

describe('heat', () => {
  it('neutralises at −55.8 kJ/mol (CODATA key values, from memory)', () => {
    /* 50 mL of 1.00 mol/L each: 50 mmol × −55.8 = −2.79 kJ. */
    const { stage, first } = computed(
      one({
        equation: 'NaOH + HCl -> NaCl + H2O',
        reagents: [
          { species: 'NaOH', supply: { kind: 'solution', concentration: '1.00 mol/L' }, charge: { volume: '50.0 mL' } },
          { species: 'HCl', supply: { kind: 'solution', concentration: '1.00 mol/L' }, charge: { volume: '50.0 mL' } },
        ],
        product: { species: 'NaCl' },
      }),
    )
    const heat = heatOf(stage, first)
    if (!heat.known) throw new Error(heat.missing.join())
    expect(heat.enthalpy.value / 0.05).toBeCloseTo(-55.8, 1)
    expect(heat.rise.value).toBeGreaterThan(6)
    expect(heat.rise.value).toBeLessThan(7)
  })

  it('adds Hess’s law up on paper for the carbonate', () => {
    /* Co²⁺ −58.2, H2O −285.83, CO2 −393.51, less CoCO3 −713.0: −24.54 kJ/mol; 60.0 mmol: −1.472 kJ. The acid is 10.4 %, so its heat of
       dilution counts too: HCl in 17.5 waters, −92.31 − 71.7 = −164.0 against −167.08, twice: −6.2 kJ/mol more. */
    const { stage, first } = computed(one({ ...cobalt, bath: '10 W' }))
    const heat = heatOf(stage, first)
    if (!heat.known) throw new Error(heat.missing.join())
    expect(heat.enthalpy.value / 0.06).toBeGreaterThan(-32)
    expect(heat.enthalpy.value / 0.06).toBeLessThan(-29)
    expect(heat.coolingTime!.value * 3600).toBeCloseTo(-heat.enthalpy.value * 100, 6)
  })

  it('names what the table lacks', () => {
    const { stage, first } = computed(
      one({
        equation: 'NiCO3 + H2SO4 -> NiSO4 + H2O + CO2',
        reagents: [{ species: 'NiCO3', supply: { kind: 'solid' }, charge: { mass: '5 g' } }],
        product: { species: 'NiSO4', form: 'NiSO4·6H2O' },
      }),
    )
    expect(heatOf(stage, first)).toEqual({ known: false, missing: ['NiCO3'] })
  })

  it('has 200 formation enthalpies that read, none twice', () => {
    expect(enthalpies.length).toBeGreaterThanOrEqual(200)
    const keys = enthalpies.map(([formula, phase]) => `${formula} ${phase}`)
    expect(new Set(keys).size).toBe(keys.length)
    for (const [formula, phase] of enthalpies) {
      const read = parseFormula(formula)
      expect(read.ok && formationEnthalpy(read.value, phase), `${formula} ${phase}`).toBeTruthy()
    }
    for (const { rows } of heatsOfSolution)
      for (let i = 1; i < rows.length; i++) expect(rows[i]![0]).toBeGreaterThan(rows[i - 1]![0])
  })

  it('binds waters with a little heat: no hydrate of the table lies above its anhydrous salt and liquid water', () => {
    // Anhydrite and half a water are level to 0.3 kJ, so the bound is 1.

    let checked = 0
    for (const [formula, phase, value] of enthalpies) {
      const match = /^(.*)·([\d.]*)H2O$/.exec(formula)
      const dry = match && enthalpies.find(one => one[0] === match[1] && one[1] === phase)
      if (!match || !dry) continue
      const perWater = (value - dry[2]) / Number(match[2] || 1) + 285.83
      expect(perWater, formula).toBeLessThan(1)
      expect(perWater, formula).toBeGreaterThan(-50)
      checked++
    }
    expect(checked).toBeGreaterThan(25)
  })
})

describe('pot', () => {
  /* 50 g KNO3 at 40 °C (63.9 g / 100 g) wants 78.2 g of water, 104 g with a third more. */
  const salt = (solvent: string, vessel: string): Omit<StagePlan, 'id'> => ({
    equation: 'KNO3 + NaClO4 -> KClO4 + NaNO3',
    reagents: [
      { species: 'KNO3', supply: { kind: 'solid' }, charge: { mass: '50.0 g' } },
      { species: 'NaClO4', supply: { kind: 'solid' } },
    ],
    product: { species: 'KClO4' },
    solvent,
    at: '40 °C',
    vessel,
  })
  it('tells the least water for each reagent, and whether there is enough', () => {
    const { stage, first } = computed(one(salt('100 mL', '500 mL')))
    const pot = potOf(stage, first)
    const need = pot.needs.find(({ formula }) => formula === 'KNO3')!
    expect(need.least!.value).toBeCloseTo(78.25, 1)
    expect(need.advised!.value).toBeCloseTo(104.3, 1)
    expect(need.enough).toBe(true)
    expect(potOf(stage, computed(one(salt('70 mL', '500 mL'))).first).needs[0]!.enough).toBe(false)
  })
  it('warns of a vessel that is too small, and of foam from a carbonate', () => {
    const small = computed(one(salt('100 mL', '150 mL')))
    expect(potOf(small.stage, small.first).tooSmall).toBe(true)
    const foaming = computed(one({ ...cobalt, vessel: '100 mL' }))
    const pot = potOf(foaming.stage, foaming.first)
    expect(pot.most).toBeCloseTo(1 / 3, 9)
    expect(pot.tooSmall).toBe(true)
    expect(vesselFor(pot.liquid.value)).toBe(100)
  })
  it('counts solvent, boiled-off and carried water in the pot', () => {
    const plain = computed(one(cobalt)).first.water.total.value
    const wet = computed(one({ ...cobalt, solvent: '20 g', evaporate: '30 g' })).first.water.total.value
    expect(wet).toBeCloseTo(plain - 10, 9)
  })
})

describe('supplies', () => {
  const caustic = (supply: StagePlan['reagents'][number]['supply']): Plan =>
    one({
      equation: 'NaOH + HCl -> NaCl + H2O',
      reagents: [
        { species: 'NaOH', supply, charge: { mass: '10.0 g' } },
        { species: 'HCl', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'NaCl' },
    })
  it('takes moisture off, counts its water, and tells the residue', () => {
    /* 10.0 g at 90 % with 6 % water: 9.00 g NaOH, 0.225 mol; 0.60 g of water; 0.40 g neither. */
    const { first } = computed(caustic({ kind: 'solid', assay: '90 %', moisture: '6 %', rest: 'residue' }))
    expect(first.reagents[0]!.amount.value).toBeCloseTo(9 / 39.997, 5)
    expect(first.water.fromReagents.value).toBeCloseTo(0.6, 9)
    expect(first.reagents[0]!.residue!.value).toBeCloseTo(0.4, 9)
    const dry = computed(caustic({ kind: 'solid', moisture: '12 %' }))
    expect(dry.first.reagents[0]!.amount.value).toBeCloseTo(8.8 / 39.997, 5)
    expect(readPlan(caustic({ kind: 'solid', assay: '95 %', moisture: '9 %' }))).toMatchObject({
      problem: { problem: { code: 'sheet.over-whole' } },
    })
  })

  it('reads a dilution by volumes: 1 + 3 of 37 % hydrochloric acid', () => {
    /* One volume at 1.1837 g/mL and three of water at 0.9982: 4.178 g with 0.438 g HCl, 10.48 %, 1.0498 g/mL, 3.018 mol/L. */
    const { read } = computed(
      one({
        ...cobalt,
        reagents: [
          cobalt.reagents[0]!,
          { species: 'HCl', supply: { kind: 'solution', concentration: '1 + 3' }, charge: { volume: '40 mL' } },
        ],
      }),
    )
    const { strength } = read.stages[0]!.reagents[1]!.supply
    expect(strength!.massFraction!.value).toBeCloseTo(0.1048, 3)
    expect(strength!.molarity!.value).toBeCloseTo(3.02, 1)
  })

  it('reads drops as a twentieth of a mL (common practice)', () => {
    const { first } = computed(
      one({
        ...cobalt,
        reagents: [
          cobalt.reagents[0]!,
          { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '20 drops' } },
        ],
      }),
    )
    expect(first.reagents[1]!.amount.value).toBeCloseTo(0.003, 9)
  })

  it('offers what could stand in, and tells the difference in water', () => {
    expect(substitutesFor(f('H2SO4'), { kind: 'solid' }).map(({ label }) => label)).not.toContain('{SO3}')
    const offers = substitutesFor(f('Na2CO3'), { kind: 'solid' }).map(({ label }) => label)
    expect(offers).toEqual(expect.arrayContaining(['{Na2CO3·H2O}', '{Na2CO3·10H2O}']))
    expect(substitutesFor(f('NaHSO3'), { kind: 'solid' }).map(({ label }) => label)).toContain('{Na2S2O5}')
    expect(
      substitutesFor(f('HCl'), { kind: 'solution', concentration: '37 % w/w' }).map(({ label }) => label),
    ).toContain('25 % w/w')
    /* 5.00 g Na2CO3 is 47.18 mmol: 13.50 g of decahydrate, which brings 471.8 mmol = 8.50 g of water. */
    const plan = one({
      equation: 'Na2CO3 + CaCl2 -> CaCO3 + NaCl',
      reagents: [{ species: 'Na2CO3', supply: { kind: 'solid' }, charge: { mass: '5.00 g' } }],
      product: { species: 'CaCO3' },
    })
    const changed = compareSupply(plan, 's1', 'Na2CO3', { kind: 'solid', formula: 'Na2CO3·10H2O' })!
    expect(changed.after.mass!.value).toBeCloseTo(13.5, 2)
    expect(changed.water.value).toBeCloseTo(8.5, 2)
  })
})

describe('excess', () => {
  it('tells what more would cost, and which school fits', () => {
    const { stage, first } = computed(one(cobalt))
    const range = excessRange(stage, first, 'CoCO3')!
    expect(range.wayOut).toBe('filtered off')
    const ten = range.cases.find(({ percent }) => percent === 10)!
    /* 60.0 mmol × 1.1 × 118.94 ÷ 0.97 = 8.093 g to weigh; 6.00 mmol left, 0.7136 g. */
    expect(ten.mass!.value).toBeCloseTo(8.093, 3)
    expect(ten.leftover.value).toBeCloseTo(0.7136, 4)
    expect(range.schools.find(({ fits }) => fits)!.name).toContain('filter')
  })
})

describe('routes', () => {
  const route: Plan = {
    stages: [
      {
        id: 's1',
        equation: 'NiCO3 + H2SO4 -> NiSO4 + H2O + CO2',
        reagents: [
          { species: 'NiCO3', supply: { kind: 'solid', assay: '98 %' }, charge: { excess: '5 %' } },
          {
            species: 'H2SO4',
            supply: { kind: 'solution', concentration: '2.00 mol/L' },
            charge: { volume: '36.0 mL' },
          },
        ],
        product: { species: 'NiSO4', form: 'NiSO4·6H2O' },
        yield: '80 %',
      },
      {
        id: 's2',
        equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2',
        reagents: [
          { species: 'NiSO4', supply: { kind: 'stage', from: 's1' } },
          { species: '(NH4)2SO4', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
        ],
        product: { species: '(NH4)2Ni(SO4)2', form: '(NH4)2Ni(SO4)2·6H2O' },
        yield: '75 %',
      },
    ],
  }
  it('takes what was really weighed of an intermediate into the next stage', () => {
    /* Planned: 72.0 mmol × 0.8 = 57.6 mmol. Weighed 13.142 g ÷ 262.85 g/mol = 50.0 mmol. */
    expect(computed(route).sheet.stages[1]!.extent.value).toBeCloseTo(0.0576, 6)
    const { sheet } = computed(route, new Map([['s1', exact(13.1425, 'mass')]]))
    expect(sheet.stages[1]!.extent.value).toBeCloseTo(0.05, 5)
    expect(sheet.stages[0]!.extent.value).toBeCloseTo(0.072, 9)
  })

  it('keeps an unisolated product in the pot, with its water', () => {
    const inPot: Plan = { stages: [{ ...route.stages[0]!, inPot: true, yield: '100 %' }, route.stages[1]!] }
    const { sheet } = computed(inPot)
    expect(sheet.stages[0]!.products[0]).toMatchObject({ form: 'NiSO4', wayOut: 'stays in the pot' })
    expect(sheet.stages[1]!.water.carried!.value).toBeCloseTo(sheet.stages[0]!.water.total.value, 9)
    expect(sheet.stages[1]!.extent.value).toBeCloseTo(0.072, 9)
  })

  it('tells the overall yield on the element that limits', () => {
    /* Sulfate limits nothing twice over: nickel 75.6 mmol charged, 43.2 mmol in the product: 57.1 %. Nitrogen 115.2 mmol, 86.4 mmol: 75 %. */
    const { read, sheet } = computed(route)
    const use = elementUse(read, sheet, sheet.overall.expected)
    const share = (element: string) => use.find(one => one.element === element)!.share.value
    expect(share('Ni')).toBeCloseTo((0.8 * 0.75) / 1.05, 4)
    expect(share('N')).toBeCloseTo(0.75, 6)
  })

  it('keeps the target’s charges once the first stage is weighed', () => {
    const [first, second] = route.stages as [StagePlan, StagePlan]
    const targeted: Plan = {
      stages: [
        { ...first, reagents: [first.reagents[0]!, { ...first.reagents[1]!, charge: { equivalents: 1 } }] },
        { ...second, target: { mass: '15 g' } },
      ],
    }
    const planned = computed(targeted).sheet
    const real = computed(targeted, new Map([['s1', exact(10, 'mass')]])).sheet
    expect(real.stages[0]!.extent.value).toBeCloseTo(planned.stages[0]!.extent.value, 12)
    expect(real.stages[1]!.extent.value).toBeCloseTo(10 / 262.84, 4)
  })

  it('chooses among several reactions, in the shares given', () => {
    const stage: Omit<StagePlan, 'id'> = {
      equation: 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O',
      reagents: [
        { species: 'Cu', supply: { kind: 'solid' }, charge: { mass: '6.3546 g' } },
        { species: 'HNO3', supply: { kind: 'solution', concentration: '65 % w/w' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'Cu(NO3)2', form: 'Cu(NO3)2·3H2O' },
    }
    expect(readPlan(one(stage))).toMatchObject({ problem: { problem: { code: 'sheet.several-reactions' } } })
    const mix = [
      { equation: '3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O', share: '60 %' },
      { equation: 'Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O', share: '40 %' },
    ]
    const { first } = computed(one({ ...stage, mix }))
    expect(first.reagents[1]!.amount.value).toBeCloseTo(0.32, 9)
    expect(first.gases.map(({ formula, amount }) => [formula, Math.round(amount.value * 1e6) / 1e6])).toEqual([
      ['NO', 0.04],
      ['NO2', 0.08],
    ])
  })
})

describe('scaling', () => {
  it.each([
    ['8.40 g', 2, '16.80 g'],
    ['36.0 mL', 12, '432.0 mL'],
    ['0.25 g', 0.5, '0.125 g'],
    ['5 g', 3, '15 g'],
    ['1.2 mol', 10, '12.0 mol'],
    ['nonsense', 2, 'nonsense'],
    ['5.214(2) g', 2, '5.214(2) g'],
  ])('%s × %d is %s', (text, factor, grown) => expect(scaleText(text, factor)).toBe(grown))

  it('counts portions for a class', () => {
    expect(portionsFor(24, 2)).toBe(12)
    expect(portionsFor(25, 2)).toBe(13)
  })

  it('scales every amount by the same factor', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 40 }), factor => {
        const small = computed(one({ ...cobalt, solvent: '12.0 g' })).first
        const large = computed(scalePlan(one({ ...cobalt, solvent: '12.0 g' }), factor)).first
        large.reagents.forEach((line, i) =>
          expect(line.amount.value / small.reagents[i]!.amount.value).toBeCloseTo(factor, 9),
        )
        large.products.forEach((line, i) =>
          expect(line.theoretical.value / small.products[i]!.theoretical.value).toBeCloseTo(factor, 9),
        )
        expect(large.water.total.value / small.water.total.value).toBeCloseTo(factor, 9)
      }),
    )
  })
})

describe('making up', () => {
  it('weighs a solid for a volume: 250 mL of 0.100 mol/L CuSO4 from the pentahydrate is 6.242 g', () => {
    const made = makeUpFromSolid({
      form: 'CuSO4·5H2O',
      solute: 'CuSO4',
      concentration: '0.100 mol/L',
      volume: '250 mL',
    })
    expect(made.ok && made.value.weigh.value).toBeCloseTo(6.2419, 4)
  })
  it('tells how warm sulfuric acid gets', () => {
    /* 96 % has 0.227 waters a mole (7.9 kJ), 2 mol/L about 25 (71.9 kJ): 0.5 mol × 64 kJ = 32 kJ in about 0.25 kg: some 33 K. */
    const plan = {
      from: { reagent: 'H2SO4', concentration: '96 % w/w' },
      to: { concentration: '2 mol/L', volume: '250 mL' },
    }
    const made = dilute(plan)
    if (!made.ok) throw new Error('no')
    const warmth = warmthOfDilution(plan, made.value)!
    expect(warmth.heat.value).toBeGreaterThan(30)
    expect(warmth.heat.value).toBeLessThan(34)
    expect(warmth.rise.value).toBeGreaterThan(25)
    expect(warmth.rise.value).toBeLessThan(40)
    expect(warmth.boils).toBe(false)
  })
})

describe('heat of crystal water and of what is heated dry', () => {
  const heats = (...stages: StagePlan[]): [kilojoule: number, rise: number | undefined][] => {
    const read = readPlan({ stages })
    const sheets = read.ok ? computeReadPlan(read.value) : read
    if (!read.ok || !sheets.ok) throw new Error('not read')
    return read.value.stages.map((stage, i) => {
      const heat = heatOf(stage, sheets.value.stages[i]!)
      if (!heat.known) throw new Error(`${stage.id}: ${heat.missing.join()}`)
      return [heat.enthalpy.value, heat.rise?.value]
    })
  }
  const solid = (species: string, amount?: string): StagePlan['reagents'][number] => ({
    species,
    supply: { kind: 'solid' },
    ...(amount && { charge: { amount } }),
  })
  const alone = (equation: string, species: string, amount: string, product: string): StagePlan => ({
    id: 's1',
    equation,
    reagents: [solid(species, amount)],
    product: { species: product },
  })

  // 8.0 g CuO / 79.545 g/mol = 0.1006 mol. CuSO4·5H2O(s) + 2 NaOH(s) → Cu(OH)2(s) + 2 Na+ + SO4^2− + 5 H2O(l), kJ/mol:
  // −449.8 + 2 × −240.34 − 909.34 + 5 × −285.83 + 2279.65 + 2 × 425.61 = −138.1; × 0.1006 = −13.9 kJ, some 16 K in 200 mL.
  it('is the same whether a hydrate comes from the bottle or from the stage before', () => {
    const hydroxide = (reagent: StagePlan['reagents'][number]): StagePlan => ({
      id: 's2',
      equation: 'CuSO4.5H2O + NaOH -> Cu(OH)2 + Na2SO4 + H2O',
      solvent: '200 mL',
      reagents: [reagent, solid('NaOH')],
      product: { species: 'Cu(OH)2' },
    })
    const made: StagePlan = {
      id: 's1',
      equation: 'CuO + H2SO4 -> CuSO4 + H2O',
      reagents: [
        { ...solid('CuO'), charge: { mass: '8.0 g' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2 mol/L' } },
      ],
      product: { species: 'CuSO4', form: 'CuSO4.5H2O' },
    }
    const fed = heats(made, hydroxide({ species: 'CuSO4.5H2O', supply: { kind: 'stage', from: 's1' } }))[1]!
    const bottled = heats(hydroxide(solid('CuSO4.5H2O', '0.10057 mol')))[0]!
    expect(fed[0]).toBeCloseTo(-13.9, 1)
    expect(fed[0]).toBeCloseTo(bottled[0], 3)
    expect(fed[1]).toBeCloseTo(16, 0)
  })

  // CaCO3: −634.92 − 393.51 + 1206.92 = 178.5 kJ (CODATA). 2 NaHCO3: −1130.68 − 241.83 − 393.51 + 2 × 950.81 = 135.6 kJ.
  // CuSO4·5H2O to the anhydrous salt and steam: 299 kJ; FeCl2·4H2O: 240 kJ (NBS tables, from memory).
  it.each([
    ['CaCO3 -> CaO + CO2', 'CaCO3', 'CaO', 178.5],
    ['NaHCO3 -> Na2CO3 + H2O + CO2', 'NaHCO3', 'Na2CO3', 67.8],
    ['CuSO4.5H2O -> CuSO4 + H2O', 'CuSO4.5H2O', 'CuSO4', 299],
    ['FeCl2.4H2O -> FeCl2 + H2O', 'FeCl2.4H2O', 'FeCl2', 240],
  ])('%s takes heat, and warms no liquid', (equation, species, product, kilojoule) => {
    const [heat, rise] = heats(alone(equation, species, '1 mol', product))[0]!
    expect(Math.abs(heat - kilojoule)).toBeLessThan(0.6)
    expect(rise).toBeUndefined()
  })
})

describe('the liquid in the pot', () => {
  const liquid = (stage: StagePlan): number => {
    const read = readPlan({ stages: [stage] })
    const sheets = read.ok ? computeReadPlan(read.value) : read
    if (!read.ok || !sheets.ok) throw new Error('not read')
    return potOf(read.value.stages[0]!, sheets.value.stages[0]!).liquid.value
  }
  const barium = (solvent?: string): StagePlan => ({
    id: 's1',
    equation: 'BaCl2 + Na2SO4 -> BaSO4 + NaCl',
    reagents: [
      { species: 'BaCl2', supply: { kind: 'solution', concentration: '0.25 mol/L' }, charge: { volume: '25 mL' } },
      { species: 'Na2SO4', supply: { kind: 'solid' } },
    ],
    product: { species: 'BaSO4' },
    ...(solvent && { solvent }),
  })
  // 25 mL of solution as it stands, whatever its density; 50 mL water; 6.25 mmol Na2SO4, 0.89 g, take some 0.36 mL.
  it('counts a solution of unknown density with its volume', () => {
    expect(liquid(barium())).toBeCloseTo(25.36, 1)
    expect(liquid(barium('50 mL'))).toBeCloseTo(75.4, 0)
  })
  it('counts a hydrate’s water as water', () => {
    // 24.97 g CuSO4·5H2O: 9.01 g water take 9.03 mL, 15.96 g salt some 6.4 mL; 100 mL water.
    const copper: StagePlan = {
      id: 's1',
      equation: 'CuSO4 + NH3 -> [Cu(NH3)4]SO4',
      reagents: [
        { species: 'CuSO4', supply: { kind: 'solid', formula: 'CuSO4.5H2O' }, charge: { mass: '24.97 g' } },
        { species: 'NH3', supply: { kind: 'gas' } },
      ],
      product: { species: '[Cu(NH3)4]SO4' },
      solvent: '100 mL',
    }
    // 0.4 mol NH3, 6.81 g, take some 2.7 mL once dissolved.
    expect(liquid(copper)).toBeCloseTo(100.1 + 9.03 + 6.4 + 2.7, 0)
  })
})

describe('water for what goes by reacting', () => {
  const needs = (stage: Omit<StagePlan, 'id'>): string[] => {
    const read = readPlan({ stages: [{ id: 's1', ...stage }] })
    const sheets = read.ok ? computeReadPlan(read.value) : read
    if (!read.ok || !sheets.ok) throw new Error('not read')
    return potOf(read.value.stages[0]!, sheets.value.stages[0]!)
      .needs.filter(({ role }) => role === 'reagent')
      .map(({ formula }) => formula)
  }
  it('is not asked for a carbonate that the acid dissolves, but for a salt whose anion stays', () => {
    expect(
      needs({
        equation: 'Na2CO3 + HCl -> NaCl + CO2 + H2O',
        reagents: [
          { species: 'Na2CO3', supply: { kind: 'solid' }, charge: { mass: '20 g' } },
          { species: 'HCl', supply: { kind: 'solution', concentration: '6 mol/L' } },
        ],
        product: { species: 'NaCl' },
      }),
    ).toEqual([])
    expect(
      needs({
        equation: 'Na2CO3 + CaCl2 -> CaCO3 + NaCl',
        solvent: '100 mL',
        reagents: [
          { species: 'Na2CO3', supply: { kind: 'solid' }, charge: { mass: '20 g' } },
          { species: 'CaCl2', supply: { kind: 'solid' } },
        ],
        product: { species: 'CaCO3' },
      }),
    ).toEqual(['Na2CO3', 'CaCl2'])
  })
})
