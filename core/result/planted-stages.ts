import type { Worksheet } from '#core/assay'
import type { ReagentPlan, StagePlan } from '#core/sheet'

/* The stages and assays of the planted batches: invented numbers, salts of the demo station. For the test of the ranking only. */
export const solid = (species: string, charge: ReagentPlan['charge'], more: object = {}): ReagentPlan =>
  ({ species, supply: { kind: 'solid', ...more }, charge }) as ReagentPlan
export const solution = (species: string, concentration: string, charge: ReagentPlan['charge']): ReagentPlan =>
  ({ species, supply: { kind: 'solution', concentration }, charge }) as ReagentPlan

/** 0.132 mol of acid: 37.96 g of heptahydrate at most, 32.3 g expected. */
export const zinc = (form = 'ZnSO4·7H2O'): StagePlan => ({
  id: 's1',
  equation: 'Zn + H2SO4 -> ZnSO4 + H2',
  reagents: [
    solid('Zn', { excess: '5 %' }, { assay: '99.5 %' }),
    solution('H2SO4', '2.00 mol/L', { volume: '66.0 mL' }),
  ],
  product: { species: 'ZnSO4', form },
  yield: '85 %',
})
/** As the demo's ZN-021: two crops. */
export const zincTwice: StagePlan = {
  ...zinc(),
  crystals: {
    moves: [
      { heatTo: '60 °C' },
      { evaporateTo: { volume: '32 mL' } },
      { coolTo: '5 °C' },
      { filter: { retained: '20 %' } },
      { wash: { with: 'water', volume: '4 mL', at: '0 °C' } },
      { evaporate: { water: '5 g' } },
      { coolTo: '0 °C' },
      { filter: { retained: '20 %' } },
    ],
  },
}
/** 0.1252 mol of copper: 31.25 g of pentahydrate at most, 25 g expected; a quarter of the carbonate too much. */
export const copper = (form = 'CuSO4·5H2O', excess = '3 %'): StagePlan => ({
  id: 's1',
  equation: 'CuCO3.Cu(OH)2 + H2SO4 -> CuSO4 + CO2 + H2O',
  reagents: [solid('CuCO3·Cu(OH)2', { excess }, { assay: '96 %' }), solution('H2SO4', '25 % w/w', { mass: '49.1 g' })],
  product: { species: 'CuSO4', form },
  yield: '80 %',
})
/** 0.0600 mol: 14.28 g at most, 12.1 g expected. */
export const cobalt: StagePlan = {
  id: 's1',
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  reagents: [
    solid('CoCO3', { mass: '8.40 g' }, { assay: '97 %' }),
    solution('HCl', '3.00 mol/L', { volume: '40.0 mL' }),
  ],
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
  yield: '85 %',
}
/** 0.0495 mol: 11.98 g at most, 10.8 g expected. */
export const molybdate: StagePlan = {
  id: 's1',
  equation: 'MoO3 + NaOH -> Na2MoO4 + H2O',
  reagents: [solid('MoO3', { mass: '7.20 g' }, { assay: '99 %' }), solid('NaOH', { excess: '1 %' }, { assay: '98 %' })],
  product: { species: 'Na2MoO4', form: 'Na2MoO4·2H2O' },
  solvent: '20 mL',
  yield: '90 %',
}
/** 0.0380 mol: 15.03 g at most, 11.3 g expected. */
export const doubleSalt = (excess: string): StagePlan => ({
  id: 's1',
  equation: 'NiSO4 + (NH4)2SO4 -> (NH4)2Ni(SO4)2',
  reagents: [solid('NiSO4', { mass: '10.0 g' }, { formula: 'NiSO4·6H2O' }), solid('(NH4)2SO4', { excess }, {})],
  product: { species: '(NH4)2Ni(SO4)2', form: '(NH4)2Ni(SO4)2·6H2O' },
  solvent: '40 mL',
  yield: '75 %',
})
/** 0.0250 mol: 8.86 g at most, 7.5 g expected, with 4.36 g of potassium sulfate beside it. */
export const cuprate: StagePlan = {
  id: 's1',
  equation: 'CuSO4 + K2C2O4 -> K2[Cu(C2O4)2] + K2SO4',
  reagents: [
    solid('CuSO4', { mass: '6.25 g' }, { formula: 'CuSO4·5H2O' }),
    solid('K2C2O4', { excess: '5 %' }, { formula: 'K2C2O4·H2O' }),
  ],
  product: { species: 'K2[Cu(C2O4)2]', form: 'K2[Cu(C2O4)2]·2H2O' },
  solvent: '20 mL',
  yield: '85 %',
}
/** 0.0496 mol: 12.2 g at most, 9.7 g expected. */
export const ammine = (copperAs: string, mass: string, ammonia: ReagentPlan['charge']): StagePlan => ({
  id: 's1',
  equation: 'CuSO4 + NH3 + H2O -> [Cu(NH3)4]SO4.H2O',
  reagents: [solid('CuSO4', { mass }, { formula: copperAs }), solution('NH3', '25 % w/w', ammonia)],
  product: { species: '[Cu(NH3)4]SO4·H2O' },
  yield: '80 %',
})

/** 0.0800 mol: 13.6 g at most, 10.9 g expected; 13.9 g of potassium sulfate could come in its place. */
export const chloride: StagePlan = {
  id: 's1',
  equation: 'CuSO4 + KCl -> CuCl2 + K2SO4',
  reagents: [solid('CuSO4', { mass: '20.0 g' }, { formula: 'CuSO4·5H2O' }), solid('KCl', { equivalents: 1 })],
  product: { species: 'CuCl2', form: 'CuCl2·2H2O' },
  solvent: '40 mL',
  yield: '80 %',
}
/** Zinc by EDTA: 0.1150 g as heptahydrate are 0.4000 mmol, 40.00 mL. */
export const byEdta = (millilitres: string): Worksheet => ({
  id: 'a1',
  kind: 'titration',
  name: 'Zinc by EDTA',
  given: {
    equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
    titrant: 'Na2C10H14N2O8',
    concentration: '0.01000 mol/L',
    species: 'ZnSO4',
    form: 'ZnSO4·7H2O',
  },
  rows: [{ sample: '0.1150 g', volume: millilitres }],
})
/** Nickel in the double salt, which holds 14.86 %: 0.1876 g of precipitate from 0.2561 g. */
export const byDmg = (gross: string): Worksheet => ({
  id: 'a1',
  kind: 'gravimetric',
  name: 'Nickel with dimethylglyoxime',
  given: { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' },
  rows: [{ sample: '0.2561 g', tare: '24.0000 g', gross }],
})
