import { bench, describe } from 'vitest'
import { formatFigure } from '#core/quantity'
import { computePlan, computeReadPlan, readPlan, type Plan } from '#core/sheet'

/** Nine species: three charged, six made. */
const plan: Plan = {
  stages: [
    {
      id: 's1',
      equation: 'K4Fe(CN)6 + KMnO4 + H2SO4 -> KHSO4 + Fe2(SO4)3 + MnSO4 + HNO3 + CO2 + H2O',
      reagents: [
        {
          species: 'K4Fe(CN)6',
          supply: { kind: 'solid', formula: 'K4Fe(CN)6·3H2O', assay: '99.5 %' },
          charge: { mass: '4.22 g' },
        },
        { species: 'KMnO4', supply: { kind: 'solid', assay: '99 %' }, charge: { excess: '5 %' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '96 % w/w' }, charge: { equivalents: 1.2 } },
      ],
      product: { species: 'MnSO4', form: 'MnSO4·H2O' },
      yield: '80 %',
    },
  ],
}

const read = readPlan(plan)
if (!read.ok) throw new Error(read.problem.problem.code)

describe('a stage recomputed', () => {
  bench('from its texts: read, balanced, computed', () => {
    if (!computePlan(plan).ok) throw new Error('refused')
  })
  bench('from the plan as read: computed', () => {
    if (!computeReadPlan(read.value).ok) throw new Error('refused')
  })
  bench('from its texts to every figure on the screen', () => {
    const computed = computePlan(plan)
    if (!computed.ok) throw new Error('refused')
    const [sheet] = computed.value.stages
    for (const line of sheet!.reagents)
      for (const figure of [line.mass, line.amount, line.equivalents, line.leftover.mass])
        if (figure) formatFigure(figure)
    for (const line of sheet!.products) formatFigure(line.theoretical)
    formatFigure(sheet!.water.total)
  })
})
