import { describe, expect, it } from 'vitest'
import { foldJournal, type Entry } from '#core/journal'
import { readPlan, type StagePlan } from '#core/sheet'
import { judgeBatch } from './actual'
import { judgeLeftovers } from '#core/cause'

/** 0.1320 mol of acid; 9.12 g of zinc of 99.5 % are 0.1388 mol: 0.445 g should be left. */
const zinc: StagePlan = {
  id: 's1',
  equation: 'Zn + H2SO4 -> ZnSO4 + H2',
  reagents: [
    { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %' }, charge: { mass: '9.12 g' } },
    { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66.0 mL' } },
  ],
  product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
}
/** The carbonate limits: 8.40 g of 100 % are 0.0706 mol. */
const cobalt: StagePlan = {
  id: 's1',
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  reagents: [
    { species: 'CoCO3', supply: { kind: 'solid' }, charge: { mass: '8.40 g' } },
    { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '60.0 mL' } },
  ],
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
}

function judge(stage: StagePlan, readings: Readonly<Record<string, string>>) {
  const entries = Object.entries(readings).map(([species, value], i): Entry => ({
    kind: 'reading',
    id: `r${i}`,
    at: `2026-05-04T09:0${i}:00Z`,
    by: 'p',
    about:
      species === 'product' ? { what: 'product', stage: 's1', crop: 1 } : { what: 'recovered', stage: 's1', species },
    measure: 'net',
    value,
    typed: true,
  }))
  const read = readPlan({ stages: [stage] })
  const judged = read.ok ? judgeBatch(read.value, foldJournal(entries)) : read
  if (!judged.ok) throw new Error('no')
  return judged.value
}

describe('recovered reagents', () => {
  it('credits the limiting reagent that came back', () => {
    /* 1.19 g of the 8.40 g came back: 14.2 %. 16.80 g at most, 14.42 g on what was used up; 12.0 g are 71.4 % and 83.2 %. */
    const { result, credited, settled } = judge(cobalt, { product: '12.00 g', CoCO3: '1.19 g' })
    expect(result!.percent.value).toBeCloseTo(0.714, 2)
    expect(settled.products[0]!.theoretical.value).toBeCloseTo(14.42, 1)
    expect(credited!.value).toBeCloseTo(0.832, 2)
  })
  it('leaves more of the other reagents, and less of the by-products, where the limiting one came back', () => {
    /* 60.0 mL × 3.00 = 180 mmol of acid less 2 × 70.6 are 38.7 mmol; with 10.0 mmol of carbonate back 20.0 more are left. The gas is 60.6 mmol, not 70.6. */
    const { sheet, settled, used } = judge(cobalt, { CoCO3: '1.19 g' })
    const acid = ({ reagents }: typeof sheet) => reagents.find(({ species }) => species === 'HCl')!.leftover
    expect(acid(sheet).amount.value).toBeCloseTo(0.03874, 3)
    expect(acid(settled).amount.value).toBeCloseTo(0.05875, 3)
    expect(acid(settled).mass.value).toBeCloseTo(0.05875 * 36.46, 1)
    expect(used!.value).toBeCloseTo(0.858, 2)
    expect(settled.products.find(({ species }) => species === 'CO2')!.amount.value).toBeCloseTo(0.0606, 3)
  })
  it('credits nothing where nothing of it came back, or more than was charged', () => {
    expect(judge(cobalt, { product: '12.00 g' }).credited).toBeUndefined()
    expect(judge(cobalt, { product: '12.00 g', CoCO3: '9.00 g' }).credited).toBeUndefined()
    expect(judge(zinc, { product: '30.00 g', Zn: '0.44 g' }).credited).toBeUndefined()
  })
  it('finds an excess that came back as it should', () => {
    const { sheet, recovered } = judge(zinc, { Zn: '0.44 g' })
    expect(judgeLeftovers(sheet, recovered)).toMatchObject([{ kind: 'as it should be', causes: [] }])
  })
  it('explains too little by what it would take', () => {
    /* 0.445 − 0.10 = 0.345 g too little, 5.28 mmol of 132: 4.0 %. */
    const { sheet, recovered } = judge(zinc, { Zn: '0.10 g' })
    const [found] = judgeLeftovers(sheet, recovered)
    expect(found).toMatchObject({ kind: 'too little' })
    expect(found!.difference).toBeCloseTo(-0.345, 1)
    expect(found!.causes[0]!.title).toContain('side reaction')
    expect(found!.causes[1]!.needs).toMatch(/By (3\.9|4\.0|4\.1)/)
  })
  it('expects more of an excess where the limiting reagent came back too', () => {
    /* Calcium carbonate 10.00 g, 99.91 mmol, limits; oxalic acid of 12.60 g holds 139.9 mmol, 40.0 too much: 3.60 g. With 1.00 g of carbonate back, 9.99 mmol, 0.90 g more. */
    const stage: StagePlan = {
      id: 's1',
      equation: 'CaCO3 + H2C2O4 -> CaC2O4 + H2O + CO2',
      reagents: [
        { species: 'CaCO3', supply: { kind: 'solid' }, charge: { mass: '10.00 g' } },
        { species: 'H2C2O4', supply: { kind: 'solid' }, charge: { mass: '12.60 g' } },
      ],
      product: { species: 'CaC2O4', form: 'CaC2O4·H2O' },
    }
    const alone = judge(stage, { H2C2O4: '3.60 g' })
    expect(judgeLeftovers(alone.settled, alone.recovered)[0]).toMatchObject({ kind: 'as it should be' })
    const both = judge(stage, { CaCO3: '1.00 g', H2C2O4: '4.50 g' })
    expect(judgeLeftovers(both.settled, both.recovered)[0]).toMatchObject({ kind: 'as it should be' })
  })
  it('explains too much, and leaves the limiting reagent to the yield', () => {
    const { sheet, recovered } = judge(zinc, { Zn: '2.00 g' })
    const [found] = judgeLeftovers(sheet, recovered)
    expect(found).toMatchObject({ kind: 'too much' })
    expect(found!.causes.map(({ title }) => title).join(' ')).toContain('not finished')
    const limiting = judge(cobalt, { CoCO3: '1.00 g' })
    expect(judgeLeftovers(limiting.sheet, limiting.recovered)).toEqual([])
  })
})
