import { bench, describe } from 'vitest'
import { demoBatches } from '#demo'
import { procedureOf } from '#core/procedure'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'

const demo = demoBatches(new Date('2026-05-04T12:00:00Z'))
const read = (plan: Plan) => {
  const found = readPlan(plan)
  const sheet = found.ok ? computeReadPlan(found.value) : found
  if (!found.ok || !sheet.ok) throw new Error('the plan does not read')
  return { plan: found.value, sheet: sheet.value }
}
const planOf = (code: string) => demo.find(one => one.code === code)!.document.plan
const exchange: Plan = {
  stages: [
    {
      id: 's1',
      equation: 'NaNO3 + KCl -> KNO3 + NaCl',
      reagents: [
        { species: 'NaNO3', supply: { kind: 'solid' }, charge: { mass: '42.5 g' } },
        { species: 'KCl', supply: { kind: 'solid' }, charge: { mass: '37.3 g' } },
      ],
      product: { species: 'KNO3' },
      solvent: '75 mL',
    },
  ],
}

/** The whole account on a key: under 10 ms where no salts share ions, under 100 ms where a pot of four salts comes to rest at each step. */
describe('the vessel', () => {
  const zinc = read(planOf('ZN-021'))
  const four = read(exchange)
  bench('of zinc sulfate, zinc in twelve portions', () => void procedureOf(zinc.plan, zinc.sheet))
  bench('of potassium nitrate from a pot of four salts', () => void procedureOf(four.plan, four.sheet))
})
