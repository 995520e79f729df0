import { bench, describe } from 'vitest'
import { monteCarlo, seeded } from '#core/quantity'
import { computeReadPlan, readPlan, type Plan, type StagePlan } from '#core/sheet'

const solid = (species: string, excess = '5 %') =>
  ({ species, supply: { kind: 'solid', assay: '98 %' }, charge: { excess } }) as const
const from = (species: string, stage: string) => ({ species, supply: { kind: 'stage', from: stage } }) as const
const stage = (
  id: string,
  equation: string,
  reagents: StagePlan['reagents'],
  product: StagePlan['product'],
): StagePlan => ({ id, equation, reagents, product, yield: '85 %', solvent: '40 mL', at: '60 °C' })

const long = (id: string): StagePlan =>
  stage(
    id,
    'K4Fe(CN)6 + KMnO4 + H2SO4 -> KHSO4 + Fe2(SO4)3 + MnSO4 + HNO3 + CO2 + H2O',
    [solid('K4Fe(CN)6'), solid('KMnO4'), solid('H2SO4')],
    { species: 'KHSO4' },
  )

/** Six stages with forty species, worked out backwards from a target. */
const plan: Plan = {
  stages: [
    long('s1'),
    long('s2'),
    stage('s3', 'KHSO4 + K2CO3 -> K2SO4 + H2O + CO2', [from('KHSO4', 's1'), solid('K2CO3')], { species: 'K2SO4' }),
    stage(
      's4',
      'KHSO4 + KMnO4 + Fe -> MnSO4 + Fe2(SO4)3 + K2SO4 + H2O',
      [from('KHSO4', 's2'), solid('KMnO4'), solid('Fe')],
      {
        species: 'Fe2(SO4)3',
      },
    ),
    stage(
      's5',
      'Fe2(SO4)3 + NH4HCO3 + H2SO4 -> NH4Fe(SO4)2 + H2O + CO2',
      [from('Fe2(SO4)3', 's4'), solid('NH4HCO3'), solid('H2SO4')],
      {
        species: 'NH4Fe(SO4)2',
        form: 'NH4Fe(SO4)2·12H2O',
      },
    ),
    {
      ...stage(
        's6',
        'NH4Fe(SO4)2 + K2SO4 + H2O -> KFe(SO4)2 + (NH4)2SO4',
        [from('NH4Fe(SO4)2', 's5'), from('K2SO4', 's3')],
        {
          species: 'KFe(SO4)2',
          form: 'KFe(SO4)2·12H2O',
        },
      ),
      equation: 'NH4Fe(SO4)2 + K2SO4 -> KFe(SO4)2 + (NH4)2SO4',
      target: { mass: '25 g' },
    },
  ],
}
const read = readPlan(plan)
if (!read.ok) throw new Error(`${read.problem.path.join('.')}: ${read.problem.problem.code}`)
const computed = computeReadPlan(read.value)
if (!computed.ok) throw new Error(computed.problem.problem.code)
const species = read.value.stages.flatMap(({ reaction }) => [...reaction.reactants, ...reaction.products]).length
const figure = computed.value.overall.expected

describe(`a route of six stages and ${species} species`, () => {
  bench('from its texts: read, balanced, computed', () => {
    const again = readPlan(plan)
    if (again.ok) computeReadPlan(again.value)
  })
  bench('from the plan as read: recomputed', () => {
    computeReadPlan(read.value)
  })
})

describe('a million draws', () => {
  bench('of the expected mass of that route', () => void monteCarlo(figure, 1_000_000, seeded(1)), {
    iterations: 3,
    time: 100,
    warmupIterations: 0,
    warmupTime: 0,
  })
  bench(
    'of the theoretical mass of its first stage',
    () => void monteCarlo(computed.value.stages[0]!.products[0]!.theoretical, 1_000_000, seeded(1)),
    { iterations: 3, time: 100, warmupIterations: 0, warmupTime: 0 },
  )
})
