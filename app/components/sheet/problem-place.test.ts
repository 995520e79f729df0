import { describe, expect, it } from 'vitest'
import { readAsFar } from '#core/sheet'
import { fieldName, fieldPlace } from './problem-place'

describe('the place of a problem on the sheet', () => {
  const { problems } = readAsFar({
    ambient: { pressure: 'high' },
    stages: [
      {
        id: 's1',
        equation: 'CuO + H2SO4 -> CuSO4 + H2O',
        reagents: [
          { species: 'CuO', supply: { kind: 'solid', assay: 'pure' }, charge: { mass: '8 grams' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '2 mol/L' }, charge: { volume: 'a cup' } },
        ],
        product: { species: 'CuSO4', form: 'CuSO4.5H2O' },
        solvent: '300 mL methanol',
        addition: 'slowly',
        bath: 'ice',
        yield: 'good',
      },
    ],
  })
  const species = (i: number): string => ['CuO', 'H2SO4'][i] ?? '?'

  it('is found for every text that does not read', () => {
    expect(problems.map(({ path }) => [fieldName(path, species), fieldPlace(path)] as const).sort()).toEqual(
      [
        ['Bath', { panel: 'heat' }],
        ['Charge of {CuO}', { panel: 'table' }],
        ['Charge of {H2SO4}', { panel: 'table' }],
        ['Expected yield', { panel: 'product' }],
        ['Room', { panel: 'gas' }],
        ['Supply of {CuO}', { panel: 'supply', reagent: 0 }],
        ['Time of the addition', { panel: 'gas' }],
        ['Water as solvent', { panel: 'water' }],
      ].sort(),
    )
  })
})
