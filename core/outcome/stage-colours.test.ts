import { expect, it } from 'vitest'
import { readPlan, type StagePlan } from '#core/sheet'
import { coloursFor } from './stage-colours'

const coloursOf = (stage: Omit<StagePlan, 'id'>) => {
  const plan = readPlan({ stages: [{ id: 's1', ...stage }] })
  if (!plan.ok) throw new Error(stage.equation)
  return coloursFor(plan.value.stages[0]!)
}
const of = (equation: string, product: StagePlan['product']): Omit<StagePlan, 'id'> => ({
  equation,
  reagents: [],
  product,
})

it('tells the colours of a stage’s own compounds first, in every form, then those that would mean something else', () => {
  const all = coloursOf(of('CuO + H2SO4 -> CuSO4 + H2O', { species: 'CuSO4', form: 'CuSO4·5H2O' }))
  const blue = all.find(({ word }) => word === 'blue')!
  expect(blue.of).toContain('{CuSO4·5H2O}')
  expect(blue.means).toEqual([])
  expect(all.find(({ word }) => word === 'black')!.of).toContain('{CuO}')
  const brown = all.find(({ word }) => word === 'brown')!
  expect(brown.of).toEqual([])
  expect(brown.means.join()).toContain('oxide')
  const ranks = all.map(one => (one.of.length > 0 ? 0 : one.means.length > 0 ? 1 : 2))
  expect(ranks).toEqual(ranks.toSorted())
})
it.each([
  ['Na2SO3 + S -> Na2S2O3', 'Na2S2O3', 'orange', 'polysulfide'],
  ['Mg + O2 -> MgO', 'MgO', 'yellow', 'nitride, from the nitrogen of the air'],
  ['Fe + H2SO4 -> FeSO4 + H2', 'FeSO4', 'brown', 'iron(III), by air'],
  ['MnCO3 + H2SO4 -> MnSO4 + CO2 + H2O', 'MnSO4', 'brown', 'manganese(IV) oxide, by air'],
] as const)('%s: %s seen %s means %s', (equation, species, word, means) =>
  expect(coloursOf(of(equation, { species })).find(one => one.word === word)!.means).toEqual([means]),
)
it('means nothing where its ions are not there', () =>
  expect(
    coloursOf(of('BaCO3 + HCl -> BaCl2 + CO2 + H2O', { species: 'BaCl2' })).find(({ word }) => word === 'orange')!
      .means,
  ).toEqual([]))
