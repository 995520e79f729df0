import { spawnSync } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { beforeAll, describe, expect, it } from 'vitest'

const zl = (args: string[], input = '') => {
  const run = spawnSync(fileURLToPath(new URL('../bin/zl', import.meta.url)), args, { input, encoding: 'utf8' })
  return { status: run.status, out: run.stdout, err: run.stderr }
}
const answerOf = (args: string[], input?: unknown) => {
  const run = zl(args, input === undefined ? '' : JSON.stringify(input))
  expect(run.err).toBe('')
  expect(run.status).toBe(0)
  return JSON.parse(run.out)
}
const errorOf = (args: string[], input?: unknown) => {
  const run = zl(args, typeof input === 'string' ? input : input === undefined ? '' : JSON.stringify(input))
  expect(run.out).toBe('')
  expect(run.status).toBe(1)
  expect(run.err.trim().split('\n')).toHaveLength(1)
  return JSON.parse(run.err).error
}

beforeAll(() => {
  zl(['--help'])
}, 30_000)

const plan = {
  stages: [
    {
      id: 's1',
      equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
      reagents: [
        { species: 'CoCO3', supply: { kind: 'solid', formula: 'CoCO3', assay: '97 %' }, charge: { mass: '8.40 g' } },
        { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
      ],
      product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
    },
  ],
}

describe('bin/zl', () => {
  it('says nothing where nobody reads what it answers', () => {
    const path = fileURLToPath(new URL('../bin/zl', import.meta.url))
    const { stderr } = spawnSync('sh', ['-c', '"$0" procedure - | true', path], {
      input: JSON.stringify(plan),
      encoding: 'utf8',
    })
    expect(stderr).toBe('')
  })
})

describe('bin/zl procedure', () => {
  it('answers as the contract says: way, steps, what is charged, what leaves, what stands, and the product', () => {
    const { stages } = answerOf(['procedure', '-'], plan)
    const [stage] = stages
    expect(stage).toMatchObject({ id: 's1', way: 'crystallise', proposed: true, product: { form: 'CoCl2·6H2O' } })
    const charged = stage.steps.filter((step: { charge?: { species?: string } }) => step.charge?.species === 'CoCO3')
    expect(charged.length).toBeGreaterThan(1)
    expect(charged[0].out[0]).toMatchObject({ to: 'gas', matter: [{ form: 'CO2' }] })
    expect(charged[0].after).toMatchObject({ celsius: 25, estimated: false })
    const mass = charged.reduce((sum: number, step: { charge: { mass: number } }) => sum + step.charge.mass, 0)
    // 97 % of 8.40 g.
    expect(mass).toBeCloseTo(8.148, 3)
    expect(stage.product.mass).toBeGreaterThan(3)
    expect(stage.why).not.toContain('{')
  })
  it('refuses a way and a solvent that it does not know, and lists its operations', () => {
    const [stage] = plan.stages
    const with_ = (more: object) => ({ stages: [{ ...stage, ...more }] })
    expect(errorOf(['procedure', '-'], with_({ way: 'boil it' })).message).toContain('way')
    expect(errorOf(['procedure', '-'], with_({ solvents: [{ name: 'gin', volume: '1 mL' }] }))).toMatchObject({
      code: 'sheet.unknown-solvent',
    })
    expect(zl(['procedure', '--help']).out).toContain('take to dryness')
  })
})

describe('bin/zl plan', () => {
  it('goes from a name to routes that are ready to plan, best first', () => {
    const { routes } = answerOf(['plan', '-'], { product: 'nickel ammonium sulfate', from: ['nickel turnings'] })
    expect(routes[0]).toMatchObject({
      stages: [
        { equation: 'Ni + H2SO4 → NiSO4 + H2', product: { species: 'NiSO4' }, way: 'leave in the pot' },
        { product: { species: '(NH4)2Ni(SO4)2', form: '(NH4)2Ni(SO4)2·6H2O' }, way: 'crystallise' },
      ],
      needs: ['Ni', 'H2SO4', '(NH4)2SO4'],
    })
    expect(JSON.stringify(routes)).not.toMatch(/[{]\w+[}]/)
    expect(routes.map(({ score }: { score: number }) => score)).toEqual(
      routes.map(({ score }: { score: number }) => score).toSorted((a: number, b: number) => b - a),
    )
  })
  it('says why there is none', () => {
    const { routes } = answerOf(['plan', '-'], { product: 'CuSO4.5H2O', from: ['Cu'], have: ['CH3COOH'] })
    expect(routes).toEqual([])
    const acid = answerOf(['plan', '-'], { product: 'Cu(CH3COO)2.H2O', from: ['Cu'], have: ['CH3COOH', 'HCl'] })
    expect(JSON.stringify(acid)).not.toContain('H2"')
    for (const { stages } of acid.routes)
      for (const { equation } of stages) expect(equation.split(' → ')[1]).not.toMatch(/\bH2$/)
    expect(answerOf(['plan', '-'], { product: 'Al2(CO3)3', from: ['Al'] })).toMatchObject({ routes: [] })
    expect(answerOf(['plan', '-'], { product: '[Cu(NH3)4](ClO4)2', from: ['CuO'] })).toEqual({
      routes: [],
      why: expect.stringContaining('explode'),
    })
  })
  it('refuses names that it does not know, and keys', () => {
    expect(errorOf(['plan', '-'], { product: 'moonlight', from: ['Cu'] })).toMatchObject({ code: 'plan.unknown-name' })
    expect(errorOf(['plan', '-'], { product: 'CuO', from: ['Cu', 'stardust'] }).message).toContain('from[1]')
    expect(errorOf(['plan', '-'], { product: 'CuO', form: 'CuO' })).toMatchObject({ code: 'input.unknown-key' })
  })
})

describe('bin/zl', () => {
  it('mass', () => {
    const answer = answerOf(['mass', 'CuSO4.5H2O'])
    expect(Object.keys(answer)).toEqual(['formula', 'hill', 'charge', 'molarMass', 'uncertainty', 'elements'])
    expect(answer).toMatchObject({
      formula: 'CuSO4·5H2O',
      hill: 'CuH10O9S',
      charge: 0,
      elements: { Cu: { count: 1, mass: 63.546 } },
    })
    expect(answer.molarMass).toBeCloseTo(249.677, 3)
    expect(zl(['mass', '-'], 'MnO4-\n').out).toContain('"formula": "MnO4^-"')
  })

  it('balance', () => {
    expect(answerOf(['balance', 'Cu + HNO3 = Cu(NO3)2 + NO + H2O'])).toEqual({
      equation: '3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O',
      unique: true,
      reactants: [
        { formula: 'Cu', coefficient: 3 },
        { formula: 'HNO3', coefficient: 8 },
      ],
      products: [
        { formula: 'Cu(NO3)2', coefficient: 3 },
        { formula: 'NO', coefficient: 2 },
        { formula: 'H2O', coefficient: 4 },
      ],
    })
    expect(answerOf(['balance', 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O'])).toMatchObject({
      unique: false,
      basis: [expect.any(String), expect.any(String)],
    })
    expect(errorOf(['balance', 'Zn + HCl -> ZnCl2'])).toMatchObject({
      code: 'equation.impossible',
      message: expect.stringContaining('H cannot balance'),
    })
  })

  it('sheet', () => {
    const answer = answerOf(['sheet', '-'], plan)
    expect(Object.keys(answer.stages[0])).toEqual([
      'id',
      'equation',
      'limiting',
      'extent',
      'reagents',
      'products',
      'water',
      'gases',
      'warnings',
    ])
    expect(answer.stages[0]).toMatchObject({
      limiting: ['HCl'],
      reagents: [
        { weighAs: 'CoCO3', volume: null },
        { volume: 40, equivalents: 1 },
      ],
      products: [{ form: 'CoCl2·6H2O' }, {}, {}],
    })
    expect(answer.overall.theoretical).toBeCloseTo(14.2754, 4)
    expect(
      errorOf(['sheet', '-'], { stages: [{ ...plan.stages[0], equation: 'CoCO3 + HCx -> CoCl2' }] }),
    ).toMatchObject({
      code: 'formula.unknown-element',
      at: [9, 11],
      message: expect.stringContaining('stages[0].equation'),
    })
    expect(errorOf(['sheet', '-'], { stages: [{ ...plan.stages[0], target: { mass: '5 g' } }] })).toMatchObject({
      code: 'sheet.two-scales',
    })
  })

  it('yield', () => {
    const question = {
      product: 'ZnSO4·7H2O',
      from: { formula: 'Zn', mass: '5.214 g', perProduct: 1 },
      weighed: { gross: '88.437 g', tare: '68.902 g' },
      forms: ['ZnSO4·7H2O', 'ZnSO4·6H2O', 'ZnSO4'],
    }
    const answer = answerOf(['yield', '-'], question)
    expect(Object.keys(answer)).toEqual(['theoretical', 'actual', 'percent', 'uncertainty', 'forms'])
    expect(answer.percent).toBeCloseTo(85.19, 2)
    expect(answerOf(['yield', '-'], { ...question, weighed: { net: '15.55 g' } }).actual).toBe(15.55)
    expect(errorOf(['yield', '-'], { ...question, weighed: { gross: '60 g', tare: '68.902 g' } })).toMatchObject({
      code: 'yield.gross-below-tare',
    })
    expect(errorOf(['yield', '-'], { ...question, forms: ['CuO'] })).toMatchObject({ code: 'yield.form-mismatch' })
  })

  it('dilute', () => {
    const answer = answerOf(['dilute', '-'], {
      from: { reagent: 'H2SO4', concentration: '98 % w/w' },
      to: { concentration: '2 mol/L', volume: '250 mL' },
    })
    expect(Object.keys(answer)).toEqual(['takeVolume', 'takeMass', 'water', 'order'])
    expect(
      errorOf(['dilute', '-'], {
        from: { reagent: 'HCl', concentration: '10 %' },
        to: { concentration: '20 %', mass: '1 g' },
      }),
    ).toMatchObject({ code: 'dilute.stronger-than-stock' })
  })

  it('dissolves: 50 g of KNO3 at 70 °C wants 36.2 g of water', () => {
    const held = answerOf(['dissolve', '-'], { form: 'KNO3', mass: '50 g', at: '70 °C' })
    expect(held).toMatchObject({
      saturated: { anhydrousPer100gWater: 138 },
      phase: 'KNO3',
      source: expect.stringContaining('Linke'),
    })
    expect(held.water).toBeCloseTo(36.23, 2)
    expect(errorOf(['dissolve', '-'], { form: 'BaSO4', mass: '1 g', at: '20 °C' })).toMatchObject({
      code: 'solubility.unknown',
    })
    expect(errorOf(['dissolve', '-'], { form: 'KNO3', mass: '1 g', at: '120 °C' })).toMatchObject({
      code: 'solubility.out-of-range',
    })
    expect(errorOf(['dissolve', '-'], { form: 'KNO3', mass: '1 mL', at: '20 °C' })).toMatchObject({
      code: 'quantity.wrong-kind',
    })
  })

  it('crystallises, filters and washes as on paper', () => {
    const steps = [
      { heatTo: '70 °C' },
      { coolTo: '10 °C' },
      { filter: { retained: '0 %' } },
      { wash: { with: 'water', volume: '10 mL', at: '0 °C' } },
    ]
    const course = answerOf(['crystallise', '-'], { water: '100 g', solutes: [{ form: 'KNO3', mass: '90 g' }], steps })
    expect(course.steps).toHaveLength(4)
    expect(course.steps[1]).toMatchObject({ temperature: 10, estimated: false })
    expect(course.steps[1].solid[0].mass).toBeCloseTo(69.1, 6)
    expect(course.crops[0]).toMatchObject({ form: 'KNO3', entrained: 0 })
    expect(course.crops[0].mass).toBeCloseTo(67.77, 2)
    expect(course.liquor.dissolved[0].mass).toBeCloseTo(20.9, 6)
    expect(
      errorOf(['crystallise', '-'], {
        water: '100 g',
        solutes: [{ form: 'KNO3', mass: '90 g' }],
        steps: [{ coolTo: '-10 °C' }],
      }),
    ).toMatchObject({ code: 'solubility.out-of-range' })
    expect(
      errorOf(['crystallise', '-'], {
        water: '100 g',
        solutes: [{ form: 'KNO3', mass: '90 g' }],
        steps: [{ boil: '1' }],
      }),
    ).toMatchObject({ code: 'input.wrong-shape' })
    expect(
      errorOf(['crystallise', '-'], {
        water: '100 g',
        solutes: [{ form: 'KNO3', mass: '90 g' }],
        steps: [{ coolTo: 'x' }],
      }),
    ).toMatchObject({ code: 'quantity.unreadable', message: expect.stringContaining('steps[0].coolTo') })
  })

  it('assays by ions and ligands, aliquots and volumes', () => {
    const counted = (analyte: string, weighedAs: string, by?: string): number =>
      answerOf(['gravimetric', '-'], {
        analyte,
        weighedAs,
        ...(by && { by }),
        replicates: [{ sample: '1.0000 g', precipitate: { net: '0.1000 g' } }],
      }).factor
    expect(counted('NaCl', 'AgCl')).toBeCloseTo(0.40777, 4)
    expect(counted('CaC2O4·H2O', 'CaCO3')).toBeCloseTo(1.45986, 4)
    expect(counted('CaC2O4·H2O', 'CaCO3', 'C')).toBeCloseTo(0.72993, 4)
    expect(
      errorOf(['gravimetric', '-'], {
        analyte: 'Na2SO4',
        weighedAs: 'BaSO4',
        by: 'Cu',
        replicates: [{ sample: '1 g', precipitate: { net: '1 g' } }],
      }),
    ).toMatchObject({ code: 'gravimetric.not-held' })
    /* 25.00 mL of 0.02000 mol/L permanganate take 2.500 mmol of iron(II) in a tenth of 9.900 g: 25.00 mmol × 392.13 ÷ 9.900 g = 99.02 %. */
    const iron = {
      equation: 'MnO4^- + Fe^2+ + H^+ -> Mn^2+ + Fe^3+ + H2O',
      titrant: { species: 'MnO4^-', concentration: '0.02000 mol/L', volume: '25.00 mL' },
      sample: { species: 'Fe^2+', mass: '9.900 g', forms: ['(NH4)2Fe(SO4)2·6H2O'] },
      aliquot: { of: '250.0 mL', taken: '25.00 mL' },
    }
    expect(answerOf(['titrate', '-'], iron).forms[0].purityPercent).toBeCloseTo(99.02, 2)
    expect(errorOf(['titrate', '-'], { ...iron, sample: { ...iron.sample, forms: ['FeCl3'] } })).toMatchObject({
      code: 'titrate.form-mismatch',
    })
    expect(errorOf(['titrate', '-'], { ...iron, aliquot: { of: '25 mL', taken: '250 mL' } })).toMatchObject({
      code: 'titrate.aliquot-over',
    })
    expect(errorOf(['titrate', '-'], { ...iron, sample: { species: 'Fe^2+' } })).toMatchObject({
      code: 'titrate.sample-size',
    })
    /* 30.00 mL of 0.1000 mol/L acid for 10.00 mL of ammonia: 0.3 mol/L, 5.11 g/L of NH3, 4.20 g/L of N. */
    const ammonia = answerOf(['titrate', '-'], {
      equation: 'NH3 + HCl -> NH4Cl',
      titrant: { species: 'HCl', concentration: '0.1000 mol/L', volume: '30.00 mL' },
      sample: { species: 'NH3', volume: '10.00 mL', forms: ['NH3', 'N'] },
    })
    expect(ammonia.forms.map(({ gramsPerLitre }: { gramsPerLitre: number }) => gramsPerLitre.toFixed(2))).toEqual([
      '5.11',
      '4.20',
    ])
    expect(ammonia.forms[0].purityPercent).toBeNull()
  })
  it('assays: gravimetric, hydrate, empirical, titrate', () => {
    const nickel = answerOf(['gravimetric', '-'], {
      analyte: 'Ni',
      weighedAs: 'Ni(C4H7N2O2)2',
      replicates: [
        { sample: '0.2561 g', precipitate: { gross: '24.3187 g', tare: '24.1311 g' } },
        { sample: '0.2498 g', precipitate: { net: '0.1826 g' } },
      ],
    })
    expect(nickel.factor).toBeCloseTo(0.20315, 4)
    expect(nickel.replicates[0].percent).toBeCloseTo(14.88, 2)
    expect(nickel.confidence95).toBeCloseTo((12.706 * nickel.standardDeviation) / Math.SQRT2, 2)
    const one = answerOf(['gravimetric', '-'], {
      analyte: 'Ni',
      weighedAs: 'Ni(C4H7N2O2)2',
      replicates: [{ sample: '0.2561 g', precipitate: { net: '0.1876 g' } }],
    })
    expect(one).toMatchObject({ standardDeviation: null, relativeStandardDeviationPercent: null, confidence95: null })
    expect(
      errorOf(['gravimetric', '-'], {
        analyte: 'Ni',
        weighedAs: 'NiO',
        replicates: [{ sample: '1 g', precipitate: { gross: '1 g', tare: '2 g' } }],
      }),
    ).toMatchObject({ code: 'gravimetric.gross-below-tare' })

    const waters = answerOf(['hydrate', '-'], { salt: 'CuSO4', hydrated: '1.2510 g', anhydrous: '0.7998 g' })
    expect(waters).toMatchObject({ nearest: 5, formula: 'CuSO4·5H2O' })
    expect(waters.waters).toBeCloseTo(4.998, 3)
    expect(answerOf(['empirical', '-'], { masses: { Mo: '0.640 g', O: '0.321 g' } })).toMatchObject({
      ratios: { Mo: 1 },
      formula: 'MoO3',
    })

    const soda = answerOf(['titrate', '-'], {
      equation: 'Na2CO3 + HCl -> NaCl + H2O + CO2',
      titrant: { species: 'HCl', concentration: '0.1000 mol/L', volume: '31.20 mL', blank: '0.05 mL' },
      sample: { species: 'Na2CO3', mass: '0.4510 g', forms: ['Na2CO3·10H2O', 'Na2CO3·H2O'] },
    })
    expect(soda.amount).toBeCloseTo(1.5575e-3, 9)
    expect(soda.forms[0].purityPercent).toBeCloseTo(98.82, 2)
    /* Back: 50.00 mL of 0.1000 mol/L HCl on 0.2100 g of chalk, 9.10 mL of 0.1000 mol/L NaOH for what is left: 4.090 mmol used, 2.045 mmol CaCO3, 97.47 %. */
    const chalk = answerOf(['titrate', '-'], {
      equation: 'CaCO3 + HCl -> CaCl2 + H2O + CO2',
      titrant: { species: 'NaOH', concentration: '0.1000 mol/L', volume: '9.10 mL' },
      sample: { species: 'CaCO3', mass: '0.2100 g' },
      back: { species: 'HCl', concentration: '0.1000 mol/L', volume: '50.00 mL', equation: 'HCl + NaOH -> NaCl + H2O' },
    })
    expect(chalk.forms[0].purityPercent).toBeCloseTo(97.47, 1)
  }, 30_000)

  it('explains a yield over everything: water that two weighings show leaving, and every mole booked', () => {
    /* 0.1000 mol of zinc make 28.75 g of heptahydrate; 31.90 and then 31.20 g were weighed: at least 2.45 g too much. */
    const by = '6f1c1c62-8a53-4b5e-9d21-0d6a3b1f1a02'
    const weighed = (value: string, minute: number) => ({
      kind: 'reading',
      id: `6f1c1c62-8a53-4b5e-9d21-0d6a3b1f1a${minute}`,
      at: `2026-05-04T09:${minute}:00Z`,
      by,
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'net',
      value,
      typed: true,
    })
    const document = {
      format: 'zip-ledger/batch',
      version: 2,
      title: 'Zinc sulfate',
      plan: {
        stages: [
          {
            id: 's1',
            equation: 'Zn + H2SO4 -> ZnSO4 + H2',
            reagents: [
              { species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '6.540 g' } },
              { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '50.0 mL' } },
            ],
            product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
          },
        ],
      },
    } // prettier-ignore
    const told = answerOf(['explain', '-'], { document, entries: [weighed('31.90 g', 10), weighed('31.20 g', 40)] })
    expect(told).toMatchObject({ stage: 's1', form: 'ZnSO4·7H2O', actual: 31.2 })
    expect(told.percent).toBeCloseTo(108.5, 1)
    expect(told.causes[0]).toMatchObject({ code: 'wet', sufficient: true })
    expect(told.causes[0].for.join(' ')).toContain('falling')
    expect(told.causes.reduce((sum: number, { belief }: { belief: number }) => sum + belief, 0)).toBeCloseTo(1, 9)
    // The same twice, minutes apart, is neither falling nor constant.
    const soon = answerOf(['explain', '-'], { document, entries: [weighed('31.20 g', 10), weighed('31.20 g', 12)] })
    const wet = soon.causes.find(({ code }: { code: string }) => code === 'wet')
    expect([...wet.for, ...wet.against].join(' ')).not.toMatch(/falling|agree/)
    const [zinc] = told.ledger
    expect(zinc.out.crystals).toBeCloseTo(31.2 / 287.56, 4)
    const out = Object.values(zinc.out as Record<string, number>).reduce((sum, one) => sum + one, 0)
    expect(zinc.in - out).toBeCloseTo(zinc.open, 9)
    expect(errorOf(['explain', '-'], { document, entries: [] })).toMatchObject({ code: 'explain.not-weighed' })
    expect(errorOf(['explain', '-'], { document, entries: [], stage: 's9' })).toMatchObject({
      code: 'explain.no-stage',
    })
    expect(errorOf(['explain', '-'], { document: { format: 'x' } })).toMatchObject({ code: 'input.unreadable' })
  }, 30_000)

  it('tells what it can do, and refuses the rest in one line of JSON', () => {
    expect(zl([]).out).toContain('balance EQUATION')
    expect(zl(['--help']).status).toBe(0)
    for (const command of ['mass', 'sheet', 'crystallise', 'titrate', 'gravimetric', 'hydrate', 'empirical'])
      expect(zl([command, '--help']).out).toContain('bin/zl')
    expect(errorOf(['nope'])).toMatchObject({ code: 'input.unknown-command' })
    expect(errorOf(['mass'])).toMatchObject({ code: 'input.arguments' })
    expect(errorOf(['mass', 'SO42-'])).toMatchObject({
      code: 'formula.ambiguous-charge',
      at: [2, 5],
      hint: expect.stringContaining('SO4^2-'),
    })
    expect(errorOf(['sheet', '/nowhere.json'])).toMatchObject({ code: 'input.no-file' })
    expect(errorOf(['sheet', '-'], '{"stages":')).toMatchObject({ code: 'input.not-json' })
    expect(errorOf(['sheet', '-'], { ...plan, colour: 1 })).toMatchObject({ code: 'input.unknown-key' })
    expect(errorOf(['sheet', '-'], { stages: [{ id: 'a' }] })).toMatchObject({ code: 'input.missing-key' })
    expect(errorOf(['mass', 'H'.repeat(100_000)])).toMatchObject({ code: 'formula.too-long' })
  }, 30_000)
})
