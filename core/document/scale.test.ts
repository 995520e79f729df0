import { expect, it } from 'vitest'
import { scaleDocument, type BatchDocument } from '.'

const document: BatchDocument = {
  format: 'zip-ledger/batch',
  version: 2,
  title: 'Zinc sulfate',
  plan: {
    stages: [
      {
        id: 's1',
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [
          { species: 'Zn', supply: { kind: 'solid', assay: '99 %' }, charge: { mass: '5.0 g' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.0 mol/L' }, charge: { equivalents: 1.1 } },
        ],
        product: { species: 'ZnSO4', form: 'ZnSO4.7H2O' },
        bath: '50 W',
        vessel: '250 mL',
        at: '60 °C',
        trap: { reagent: 'NaOH', volume: '100 mL', concentration: '2 mol/L' },
        operations: [
          { heatTo: '80 °C' },
          { evaporate: { water: '12 g' } },
          { evaporateTo: { volume: '30 mL' } },
          { filter: { retained: '20 %', liquor: 'liquor 1' } },
          { wash: { with: 'ethanol', strength: '50 %', volume: '4.0 mL', at: '0 °C' } },
          { evaporate: { water: '5.0 g' }, of: 'liquor 1' },
          { addSolvent: { name: 'ethanol', volume: '20 mL' } },
          { addMore: { species: 'H2SO4', volume: '1.5 mL' } },
          { seed: { form: 'ZnSO4.7H2O', mass: '0.1 g' } },
          { hold: '2 h' },
        ],
      },
    ],
  },
  procedures: [
    {
      stage: 's1',
      steps: [
        { id: 'a', do: 'weigh', words: 'Weigh {Zn}', target: '5.0 g', tolerance: '0.05 g' },
        { id: 'b', do: 'heat', words: 'Warm the pot to 60 °C', target: '60 °C', tolerance: '3 °C' },
        {
          id: 'c',
          do: 'wash',
          words: 'Wash with 4.0 mL of water at 0 °C, 3 times',
          why: '2 mol/L acid clings',
          target: '4.0 mL',
        },
        { id: 'd', do: 'wait', words: 'Wait', wait: '2 h', until: 'no more than 5 mL drip' },
      ],
    },
  ],
}

it('grows everything that is an amount, wherever it stands, and nothing else', () => {
  const { plan, procedures } = scaleDocument(document, 10)
  const [stage] = plan.stages
  expect(stage).toMatchObject({
    bath: '500 W',
    vessel: '2500 mL',
    at: '60 °C',
    trap: { volume: '1000 mL', concentration: '2 mol/L' },
  })
  expect(stage!.reagents.map(({ charge }) => charge)).toEqual([{ mass: '50.0 g' }, { equivalents: 1.1 }])
  expect(stage!.operations).toEqual([
    { heatTo: '80 °C' },
    { evaporate: { water: '120 g' } },
    { evaporateTo: { volume: '300 mL' } },
    { filter: { retained: '20 %', liquor: 'liquor 1' } },
    { wash: { with: 'ethanol', strength: '50 %', volume: '40.0 mL', at: '0 °C' } },
    { evaporate: { water: '50.0 g' }, of: 'liquor 1' },
    { addSolvent: { name: 'ethanol', volume: '200 mL' } },
    { addMore: { species: 'H2SO4', volume: '15.0 mL' } },
    { seed: { form: 'ZnSO4.7H2O', mass: '1.0 g' } },
    { hold: '2 h' },
  ])
  expect(procedures![0]!.steps).toEqual([
    { id: 'a', do: 'weigh', words: 'Weigh {Zn}', target: '50.0 g', tolerance: '0.50 g' },
    { id: 'b', do: 'heat', words: 'Warm the pot to 60 °C', target: '60 °C', tolerance: '3 °C' },
    {
      id: 'c',
      do: 'wash',
      words: 'Wash with 40.0 mL of water at 0 °C, 3 times',
      why: '2 mol/L acid clings',
      target: '40.0 mL',
    },
    { id: 'd', do: 'wait', words: 'Wait', wait: '2 h', until: 'no more than 50 mL drip' },
  ])
})
