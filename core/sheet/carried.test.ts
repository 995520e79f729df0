import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { standardUncertainty, workingOf } from '#core/quantity'
import { computePlan, explainPlan, type Plan, type StagePlan } from '.'

const sheetOf = (...stages: StagePlan[]) => {
  const found = computePlan({ stages } as Plan)
  if (!found.ok) throw new Error(JSON.stringify(found.problem))
  return found.value
}
const solid = (species: string, mass: string) => ({
  species,
  supply: { kind: 'solid' as const, formula: species },
  charge: { mass },
})
const liquor = (species: string, concentration: string, volume?: string) => ({
  species,
  supply: { kind: 'solution' as const, concentration },
  ...(volume && { charge: { volume } }),
})
const pot = (species: string, from: string) => ({ species, supply: { kind: 'stage' as const, from } })

/** Aluminium in caustic, and the alum from it with sulfuric acid. */
const alum = (...acid: [volume?: string]) => [
  {
    id: 's1',
    equation: 'Al + KOH + H2O -> KAl(OH)4 + H2',
    reagents: [solid('Al', '1.0343 g'), liquor('KOH', '1.5 mol/L', '50.0 mL')],
    product: { species: 'KAl(OH)4' },
    inPot: true,
  },
  {
    id: 's2',
    equation: 'KAl(OH)4 + H2SO4 -> KAl(SO4)2 + H2O',
    reagents: [pot('KAl(OH)4', 's1'), liquor('H2SO4', '4.00 mol/L', ...acid)],
    product: { species: 'KAl(SO4)2', form: 'KAl(SO4)2·12H2O' },
  },
]
/** Chromium in hydrochloric acid, and the carbonate thrown down from it. */
const chromium = (charge?: { mass: string }) => [
  {
    id: 's1',
    equation: 'Cr + HCl -> CrCl3 + H2',
    reagents: [solid('Cr', '5.00 g'), liquor('HCl', '10 mol/L', '100 mL')],
    product: { species: 'CrCl3' },
    inPot: true,
  },
  {
    id: 's2',
    equation: 'CrCl3 + Na2CO3 + H2O -> Cr(OH)3 + NaCl + CO2',
    reagents: [
      pot('CrCl3', 's1'),
      { species: 'Na2CO3', supply: { kind: 'solid' as const, formula: 'Na2CO3' }, ...(charge && { charge }) },
    ],
    product: { species: 'Cr(OH)3' },
  },
]

describe('what a pot brings into the next stage', () => {
  it('makes the caustic of stage 1 take its share of the acid: 23.75 mL, not 19.2', () => {
    /* 1.0343 g of Al are 38.33 mmol; of 75.00 mmol of KOH 36.67 are left. (2 × 38.33 + 36.67 ÷ 2) ÷ 4.00 = 23.75 mL. */
    const acid = sheetOf(...alum()).stages[1]!.reagents[1]!
    expect(acid.volume!.value).toBeCloseTo(23.75, 2)
    expect(acid.eaten!.value).toBeCloseTo(36.67e-3 / 2, 5)
    expect(acid.eatenBy).toEqual([{ formula: 'KOH', from: 's1' }])
    expect(acid.equivalents.value).toBe(1)
    expect(acid.consumed.value).toBeCloseTo(95.0e-3, 4)
    expect(workingOf(acid.volume!).some(({ name }) => name.includes('for the {KOH} in the pot'))).toBe(true)
    // The error of the caustic is in the acid now.
    expect(standardUncertainty(acid.volume!)).toBeGreaterThan(0.05)
  })
  it('leaves 8.34 g of acid of 45 mL, not 10.1', () => {
    const acid = sheetOf(...alum('45.0 mL')).stages[1]!.reagents[1]!
    expect(acid.leftover.mass.value).toBeCloseTo(8.34, 1)
    expect(acid.equivalents.value).toBeCloseTo(180 / 95.0, 2)
  })
  it('lets carried caustic eat first where the acid does not reach: the alum is short by that', () => {
    const short = sheetOf(...alum('15.0 mL')).stages[1]!
    /* 60.0 mmol, 18.33 of it for the caustic: 41.67 ÷ 2 = 20.83 mmol of alum. */
    expect(short.limiting).toEqual(['H2SO4'])
    expect(short.products[0]!.amount.value).toBeCloseTo(20.83e-3, 4)
    expect(sheetOf(...alum('4.0 mL')).stages[1]!.products[0]!.amount.value).toBe(0)
  })
  it('remembers 711 mmol of acid: 53 g of carbonate, and half a mole of carbon dioxide in all', () => {
    /* 96.16 mmol of Cr take 288.5 of 1000 mmol of HCl; 144.2 + 711.5 ÷ 2 = 500.0 mmol of Na2CO3, 53.0 g, and as much CO2: 12.2 L. */
    const { reagents, gases } = sheetOf(...chromium()).stages[1]!
    expect(reagents[1]!.mass!.value).toBeCloseTo(53.0, 1)
    expect(gases[0]!.formula).toBe('CO2')
    expect(gases[0]!.amount.value).toBeCloseTo(0.5, 3)
    expect(gases[0]!.volume.value).toBeCloseTo(12_230, -1)
  })
  it('makes 15 g of carbonate give gas and no hydroxide at all', () => {
    /* 141.5 mmol of carbonate meet 711.5 of acid: as much CO2, 3.46 L, and 428 mmol of acid are left. */
    const { products, limiting, gases, reagents } = sheetOf(...chromium({ mass: '15.0 g' })).stages[1]!
    expect(limiting).toContain('Na2CO3')
    expect(gases[0]!.amount.value).toBeCloseTo(141.5e-3, 4)
    expect(reagents[1]!.consumed.value).toBeCloseTo(141.5e-3, 4)
    expect(products[0]!.amount.value).toBe(0)
  })
  it('takes off what of a reagent is in the pot already', () => {
    const copper = (charge?: { mass: string }): StagePlan[] => [
      {
        id: 's1',
        equation: 'CuO + H2SO4 -> CuSO4 + H2O',
        reagents: [solid('CuO', '8.00 g'), liquor('H2SO4', '3.00 mol/L', '50.0 mL')],
        product: { species: 'CuSO4' },
        inPot: true,
      },
      {
        id: 's2',
        equation: 'CuSO4 + H2SO4 + NH3 -> (NH4)2Cu(SO4)2',
        reagents: [
          pot('CuSO4', 's1'),
          liquor('H2SO4', '3.00 mol/L'),
          { ...liquor('NH3', '10 mol/L'), ...(charge && {}) },
        ],
        product: { species: '(NH4)2Cu(SO4)2', form: '(NH4)2Cu(SO4)2·6H2O' },
      },
    ]
    /* 100.6 mmol of CuO leave 150 − 100.6 = 49.4 mmol of acid: of 100.6 needed 51.1 are still to be put in. */
    const acid = sheetOf(...copper()).stages[1]!.reagents[1]!
    expect(acid.there!.value).toBeCloseTo(49.43e-3, 4)
    expect(acid.amount.value).toBeCloseTo(51.14e-3, 4)
    expect(acid.consumed.value).toBeCloseTo(100.57e-3, 4)
  })
  it('lets a metal that came along take its acid, with its hydrogen', () => {
    const first: StagePlan = {
      id: 's1',
      equation: 'Zn + CuSO4 -> ZnSO4 + Cu',
      reagents: [solid('Zn', '6.538 g'), liquor('CuSO4', '0.5 mol/L', '100 mL')],
      product: { species: 'ZnSO4' },
      inPot: true,
    }
    // 100 mmol of zinc, 50 of it for the copper: 50 are left, and 50 mmol of sulfuric acid would dissolve them.
    const second: StagePlan = {
      id: 's2',
      equation: 'ZnSO4 + H2SO4 + NH3 -> (NH4)2Zn(SO4)2',
      reagents: [pot('ZnSO4', 's1'), liquor('H2SO4', '2 mol/L'), liquor('NH3', '10 mol/L')],
      product: { species: '(NH4)2Zn(SO4)2' },
    }
    const sheet = sheetOf(first, second).stages[1]!
    expect(sheet.reagents[1]!.eaten!.value).toBeCloseTo(50e-3, 4)
    expect(sheet.gases).toMatchObject([{ formula: 'H2' }])
    expect(sheet.gases[0]!.amount.value).toBeCloseTo(50e-3, 4)
  })
  it('forgets what a chemist filters off, and what was isolated', () => {
    const isolated = alum().map(stage => ({ ...stage, inPot: false }))
    expect(sheetOf(...isolated).stages[1]!.reagents[1]!.eaten).toBeUndefined()
    const [first, second] = alum()
    const quenched = {
      ...first!,
      reagents: first!.reagents.map(one => (one.species === 'KOH' ? { ...one, wayOut: 'quenched' as const } : one)),
    }
    expect(sheetOf(quenched, second!).stages[1]!.reagents[1]!.eaten).toBeUndefined()
  })
  it('goes through a third stage what the second did not use', () => {
    const third: StagePlan[] = [
      { ...alum()[0]! },
      {
        id: 's2',
        equation: 'KAl(OH)4 + CO2 -> Al(OH)3 + KHCO3',
        reagents: [pot('KAl(OH)4', 's1'), { species: 'CO2', supply: { kind: 'gas' } }],
        product: { species: 'Al(OH)3' },
        inPot: true,
      },
      {
        id: 's3',
        equation: 'Al(OH)3 + H2SO4 -> Al2(SO4)3 + H2O',
        reagents: [pot('Al(OH)3', 's2'), liquor('H2SO4', '4.00 mol/L')],
        product: { species: 'Al2(SO4)3' },
      },
    ]
    expect(sheetOf(...third).stages[2]!.reagents[1]!.eaten!.value).toBeCloseTo(36.67e-3 / 2, 4)
  })
  it('scales: k times every charge gives k times every amount, carried ones too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 20, noNaN: true }),
        fc.double({ min: 0.3, max: 3, noNaN: true }),
        (k, more) => {
          const at = (times: number) => {
            const [first, second] = alum(`${(25 * more * times).toPrecision(12)} mL`)
            const [al, koh] = first!.reagents
            return sheetOf(
              {
                ...first!,
                reagents: [
                  { ...al!, charge: { mass: `${(1.0343 * times).toPrecision(12)} g` } },
                  { ...koh!, charge: { volume: `${(50 * times).toPrecision(12)} mL` } },
                ],
              },
              second!,
            ).stages[1]!
          }
          const [one, other] = [at(1), at(k)]
          expect(other.products[0]!.amount.value).toBeCloseTo(k * one.products[0]!.amount.value, 9)
          expect(other.reagents[1]!.leftover.amount.value).toBeCloseTo(k * one.reagents[1]!.leftover.amount.value, 9)
        },
      ),
      { numRuns: 60 },
    )
  })
})

describe('equivalents that are no number', () => {
  it('are told in words, not as NaN', () => {
    const told = (value: number): string =>
      explainPlan({ path: [], problem: { code: 'sheet.bad-equivalents', value } }).why
    expect(told(NaN)).toBe('This cannot be understood as a number of equivalents.')
    expect(told(-1)).toContain('-1 equivalents')
  })
})
