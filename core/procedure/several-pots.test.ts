import { describe, expect, it } from 'vitest'
import { allDissolved } from '#core/vessel'
import { computeReadPlan, readAsFar, readPlan, type Plan } from '#core/sheet'
import { procedureOf } from '.'

const zincSulfate = {
  id: 's1',
  equation: 'ZnO + H2SO4 -> ZnSO4 + H2O',
  reagents: [
    { species: 'ZnO', supply: { kind: 'solid' }, charge: { mass: '8.138 g' } },
    { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.000 mol/L' }, charge: { equivalents: 1.2 } },
  ],
  product: { species: 'ZnSO4' },
  inPot: true,
} as const
const taking = (share?: string) => ({
  species: 'ZnSO4',
  supply: { kind: 'stage' as const, from: 's1', ...(share !== undefined && { share }) },
})
const twoTakers = (first?: string, second?: string): Plan => ({
  stages: [
    zincSulfate,
    {
      id: 's2',
      equation: 'ZnSO4 + Na2CO3 -> ZnCO3 + Na2SO4',
      reagents: [taking(first), { species: 'Na2CO3', supply: { kind: 'solid' }, charge: { equivalents: 1 } }],
      product: { species: 'ZnCO3' },
    },
    {
      id: 's3',
      equation: 'ZnSO4 + BaCl2 -> BaSO4 + ZnCl2',
      reagents: [taking(second), { species: 'BaCl2', supply: { kind: 'solid' }, charge: { equivalents: 1 } }],
      product: { species: 'BaSO4' },
    },
  ],
})
const codes = (plan: Plan): string[] => readAsFar(plan).problems.map(({ problem }) => problem.code)
function folded(plan: Plan) {
  const read = readPlan(plan)
  if (!read.ok) throw new Error(read.problem.problem.code)
  const sheet = computeReadPlan(read.value)
  if (!sheet.ok) throw new Error(sheet.problem.problem.code)
  return { sheet: sheet.value, stages: procedureOf(read.value, sheet.value) }
}

describe('two stages that take from one pot', () => {
  it('is asked for the shares, at the field where they are typed', () => {
    expect(readAsFar(twoTakers()).problems[0]).toMatchObject({
      path: ['stages', 1, 'reagents', 0, 'supply', 'share'],
      problem: { code: 'sheet.taken-twice', takers: 2 },
    })
    expect(codes(twoTakers('40 %'))).toEqual(['sheet.taken-twice'])
    expect(codes(twoTakers('40 %', '70 %'))).toEqual(['sheet.shares-over-whole'])
    expect(codes(twoTakers('40 %', '60 %'))).toEqual([])
    expect(codes(twoTakers('40 %', 'half'))).toContain('quantity.unreadable')
  })

  // On paper: 8.138 g ZnO is 0.1000 mol; 1.2 equivalents of acid leave 0.0200 mol. 40 % of the pot: 0.0400 mol zinc and 0.0080 mol acid, which takes as much carbonate: 0.0480 mol or 5.09 g Na2CO3.
  // 60 %: 0.0600 mol barium chloride for the zinc sulfate, 12.5 g.
  it('gives each its part, what was left over in it too', () => {
    const { sheet, stages } = folded(twoTakers('40 %', '60 %'))
    const line = (stage: number, species: string) => sheet.stages[stage]!.reagents.find(one => one.species === species)!
    expect(line(1, 'ZnSO4').amount.value).toBeCloseTo(0.04, 4)
    expect(line(1, 'Na2CO3').mass!.value).toBeCloseTo(0.048 * 105.99, 2)
    expect(line(2, 'ZnSO4').amount.value).toBeCloseTo(0.06, 4)
    expect(line(2, 'BaCl2').mass!.value).toBeCloseTo(0.06 * 208.23, 2)
    const zinc = stages
      .slice(1)
      .map(({ folding }) => folding.start.main.ions.get('Zn^2+') ?? 0)
      .reduce((a, b) => a + b, 0)
    expect(zinc).toBeCloseTo(stages[0]!.end.main.ions.get('Zn^2+')!, 12)
  })

  it('a dry product is divided by what is weighed of it, and never twice the whole', () => {
    const dry = (charge?: { mass: string }): Plan => {
      const { stages } = twoTakers()
      const { inPot: _, ...first } = { ...zincSulfate, product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' } }
      const fed = stages.slice(1).map(stage => ({
        ...stage,
        reagents: stage.reagents.map((one, i) => (i === 0 && charge ? { ...one, charge } : one)),
      }))
      return { stages: [first, ...fed] }
    }
    expect(codes(dry())).toEqual(['sheet.taken-twice'])
    expect(codes(dry({ mass: '10.0 g' }))).toEqual([])
    const short = folded(dry({ mass: '20.0 g' })).sheet.stages.map(({ warnings }) => warnings.map(({ code }) => code))
    expect(short[1]).not.toContain('stage.short')
    expect(short[2]).toContain('stage.short')
  })
})

// Two solutions made apart and poured together: 0.050 mol of each sulfate, and the acid that each kept.
it('a stage that two pots feed begins with both', () => {
  const plan: Plan = {
    stages: [
      {
        ...zincSulfate,
        reagents: [{ ...zincSulfate.reagents[0], charge: { mass: '4.069 g' } }, zincSulfate.reagents[1]],
      },
      {
        id: 's2',
        equation: 'K2CO3 + H2SO4 -> K2SO4 + H2O + CO2',
        reagents: [
          { species: 'K2CO3', supply: { kind: 'solid' }, charge: { mass: '6.910 g' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.000 mol/L' }, charge: { equivalents: 1 } },
        ],
        product: { species: 'K2SO4' },
        inPot: true,
      },
      {
        id: 's3',
        equation: 'ZnSO4 + K2SO4 + 6H2O -> K2Zn(SO4)2·6H2O',
        reagents: [
          { species: 'ZnSO4', supply: { kind: 'stage', from: 's1' } },
          { species: 'K2SO4', supply: { kind: 'stage', from: 's2' } },
        ],
        product: { species: 'K2Zn(SO4)2·6H2O' },
      },
    ],
  }
  const { sheet, stages } = folded(plan)
  const start = allDissolved(stages[2]!.folding.start.main)
  expect(start.ions.get('Zn^2+')).toBeCloseTo(0.05, 4)
  expect(start.ions.get('K^+')).toBeCloseTo(0.1, 4)
  expect(start.ions.get('SO4^2-')).toBeCloseTo(0.11, 4)
  expect(start.ions.get('H^+')).toBeCloseTo(0.02, 4)
  expect(start.solvents.get('water')).toBeCloseTo(
    stages.slice(0, 2).reduce((sum, { end }) => sum + allDissolved(end.main).solvents.get('water')!, 0),
    9,
  )
  expect(sheet.stages[2]!.products[0]!.amount.value).toBeCloseTo(0.05, 4)
})
