import { expect, it } from 'vitest'
import { amountGoingIn, readingAsked } from '.'
import { foldOf } from './fixtures/plans'

it('tells what goes in at a step, in all and by portion, with what the bottle says', () => {
  const { read, sheet, stages } = foldOf({
    id: 's1',
    equation: 'Zn + H2SO4 -> ZnSO4 + H2',
    product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
    reagents: [
      { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %' }, charge: { mass: '9.00 g' } },
      { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66 mL' } },
    ],
  } as never)
  const amounts = stages[0]!.steps.map(step => amountGoingIn(step, read.stages[0]!, sheet.stages[0]!))
  // 9.00 g in twelve portions are 0.75 g each.
  expect(amounts.filter(Boolean)).toEqual([
    { all: expect.stringMatching(/^66(\.0+)? mL$/), bottle: '2.00 mol/L' },
    { all: expect.stringMatching(/^9\.0+ g$/), each: '0.75 g', bottle: '99.5 %' },
  ])
})

it.each([
  [{ do: 'heat', target: '60 °C' }, 'temperature'],
  [{ do: 'evaporate', target: '32 mL' }, 'volume'],
  [{ do: 'evaporate', target: '48.2 g' }, 'net'],
  [{ do: 'evaporate' }, 'volume'],
  [{ do: 'ice' }, 'temperature'],
  [{ do: 'add', target: '10 g' }, 'none'],
  [{ do: 'heat', target: 'until it clears' }, 'temperature'],
  [{ do: 'observe' }, 'none'],
] as const)('of %j the pot’s %s is asked', (step, measure) =>
  expect(readingAsked({ id: 'a', words: '', ...step })).toBe(measure),
)
