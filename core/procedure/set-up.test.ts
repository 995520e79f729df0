import { describe, expect, it } from 'vitest'
import type { StagePlan } from '#core/sheet'
import { gasFacts } from '#core/sheet'
import { foldOf } from './fixtures/plans'
import { setUpOf, setUpWords, type SetUp } from './set-up'

const solid = (species: string, mass: string, formula = species) => ({
  species,
  supply: { kind: 'solid' as const, formula },
  charge: { mass },
})
const liquor = (species: string, concentration: string, volume: string) => ({
  species,
  supply: { kind: 'solution' as const, concentration },
  charge: { volume },
})
/** The set-ups of a stage's steps, by their words. */
function setUps(stage: Omit<StagePlan, 'id'>): [string, SetUp | undefined][] {
  const { read, sheet, stages } = foldOf({ id: 's1', ...stage } as StagePlan)
  const traps = gasFacts(read.stages[0]!, sheet.stages[0]!, read.room).flatMap(({ formula, trap }) =>
    trap ? [{ gas: formula, reagent: trap.reagent }] : [],
  )
  const { steps, events, start } = stages[0]!
  return steps.map(step => [step.words, setUpOf({ step, events, start: start.main, traps })])
}
const found = (all: [string, SetUp | undefined][], words: string): SetUp | undefined =>
  all.find(([of]) => of.startsWith(words))?.[1]

describe('the set-up of a step', () => {
  const zinc = setUps({
    equation: 'Zn + H2SO4 -> ZnSO4 + H2',
    product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
    reagents: [solid('Zn', '9 g'), liquor('H2SO4', '2 mol/L', '66 mL')],
  })
  it('lets hydrogen off into the hood, the flask in ice', () =>
    expect(found(zinc, 'Add {Zn}')).toEqual({
      vessel: 'flask',
      over: 'powder funnel',
      under: 'ice',
      gas: { forms: ['H2'] },
    }))
  it('filters cold crystals by suction, in ice', () =>
    expect(found(zinc, 'Filter {ZnSO4·7H2O}')).toEqual({
      vessel: 'suction flask',
      over: 'suction funnel',
      under: 'ice',
    }))
  it('draws nothing for what needs no picture', () => {
    for (const words of ['Weigh', 'Measure', 'Put the', 'Stir', 'Heat', 'Boil down'])
      expect(found(zinc, words), words).toBeUndefined()
  })
  it('leads a gas with a limit into its trap', () => {
    const copper = setUps({
      equation: 'Cu + 4 HNO3 -> Cu(NO3)2 + 2 NO2 + 2 H2O',
      product: { species: 'Cu(NO3)2', form: 'Cu(NO3)2·3H2O' },
      reagents: [solid('Cu', '4 g'), liquor('HNO3', '5 mol/L', '60 mL')],
    })
    const setUp = found(copper, 'Add {Cu}')
    expect(setUp).toMatchObject({ over: 'stopper', gas: { into: 'NaOH' } })
    expect(setUpWords(setUp!)).toContain('goes into {NaOH} through a funnel just at its surface')
  })
  it('puts a crucible over the burner, and dries in the desiccator', () => {
    const lime = setUps({
      equation: 'CaCO3 -> CaO + CO2',
      product: { species: 'CaO' },
      reagents: [solid('CaCO3', '25 g')],
    })
    expect(found(lime, 'Heat by stages')).toEqual({ vessel: 'crucible', under: 'burner' })
    expect(found(lime, 'Let it cool in the desiccator')).toEqual({ vessel: 'desiccator' })
  })
  it('leads a gas in that is passed into the liquor', () => {
    const alkaline = setUps({
      equation: '2 NaOH + CO2 -> Na2CO3 + H2O',
      product: { species: 'Na2CO3', form: 'Na2CO3·10H2O' },
      reagents: [liquor('NaOH', '4 mol/L', '50 mL'), { species: 'CO2', supply: { kind: 'gas' } }],
    } as Omit<StagePlan, 'id'>)
    expect(found(alkaline, 'Pass in {CO2}')).toEqual({ vessel: 'flask', over: 'gas inlet', under: 'ice' })
  })
  it('pours strong acid from a funnel into what is there', () => {
    const nitrate = setUps({
      equation: 'NH3 + HNO3 -> NH4NO3',
      product: { species: 'NH4NO3' },
      reagents: [liquor('NH3', '25 % w/w', '20 mL'), liquor('HNO3', '65 % w/w', '18 mL')].map(one => ({
        ...one,
        supply: { ...one.supply, density: one.species === 'NH3' ? '0.91 g/mL' : '1.39 g/mL' },
      })),
    } as Omit<StagePlan, 'id'>)
    expect(found(nitrate, 'Add the {HNO3}')).toMatchObject({ vessel: 'flask', over: 'dropping funnel' })
  })
})
