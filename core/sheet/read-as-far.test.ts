import { describe, expect, it } from 'vitest'
import { computeReadPlan, explainPlan, hasUnread, readAsFar, readPlan, withShare, type Plan, type StagePlan } from '.'

const copper: StagePlan = {
  id: 's1',
  equation: 'CuO + H2SO4 -> CuSO4 + H2O',
  reagents: [
    { species: 'CuO', supply: { kind: 'solid' }, charge: { mass: '8.00 g' } },
    { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { equivalents: 1.05 } },
  ],
  product: { species: 'CuSO4', form: 'CuSO4.5H2O' },
}
const codes = (plan: Plan): string[] =>
  readAsFar(plan).problems.map(({ path, problem }) => `${path.join('.')} ${problem.code}`)

describe('a plan with texts that do not read', () => {
  it('is computed but for what hangs on them', () => {
    const plan = { stages: [{ ...copper, solvent: '300 mL methanol' }] }
    const reading = readAsFar(plan)
    expect(codes(plan)).toEqual(['stages.0.solvent quantity.unknown-unit'])
    expect(reading.whole).toBe(true)
    const sheet = computeReadPlan(reading.plan)
    // 8.00 g / 79.545 g/mol = 0.10057 mol; 249.68 g/mol of the pentahydrate: 25.11 g.
    expect(sheet.ok && sheet.value.stages[0]!.products[0]!.theoretical.value).toBeCloseTo(25.11, 2)
    const stage = reading.plan.stages[0]!
    expect(hasUnread(stage, reading.plan.room, 'solvent')).toBe(true)
    expect(hasUnread(stage, reading.plan.room, 'bath')).toBe(false)
  })

  it('tells all of them, each at its place', () => {
    const [oxide, acid] = copper.reagents as [StagePlan['reagents'][number], StagePlan['reagents'][number]]
    expect(
      codes({
        ambient: { temperature: 'warm' },
        stages: [
          {
            ...copper,
            solvent: 'some',
            at: '60',
            yield: '120 %',
            trap: { reagent: 'NaOH', volume: '100', concentration: '2 mol/L' },
            reagents: [
              { ...oxide, supply: { kind: 'solid', assay: 'pure' }, charge: { mass: '8,00 g' } },
              { ...acid, charge: { volume: 'a cup' } },
            ],
          },
        ],
      }),
    ).toEqual([
      'ambient.temperature quantity.unreadable',
      'stages.0.yield quantity.over-whole',
      'stages.0.solvent quantity.unreadable',
      'stages.0.at quantity.no-unit',
      'stages.0.trap.volume quantity.no-unit',
      'stages.0.reagents.0.supply.assay quantity.unreadable',
      'stages.0.reagents.0.charge.mass quantity.comma',
      'stages.0.reagents.1.charge.volume quantity.unreadable',
    ])
  })

  it('keeps the stages that do not take from a broken one, and blames no stage for another', () => {
    const later = (from: StagePlan['reagents'][number]['supply']): StagePlan => ({
      id: 's2',
      equation: 'CuSO4 + NaOH -> Cu(OH)2 + Na2SO4',
      reagents: [
        { species: 'CuSO4', supply: from, ...(from.kind === 'solid' && { charge: { mass: '10 g' } }) },
        { species: 'NaOH', supply: { kind: 'solid' } },
      ],
      product: { species: 'Cu(OH)2' },
    })
    const broken = { ...copper, equation: 'CuO + H2SO4 -> CuSO4 + ' }
    const alone = readAsFar({ stages: [broken, later({ kind: 'solid' })] })
    expect(alone.plan.stages.map(({ id }) => id)).toEqual(['s2'])
    expect(alone.whole).toBe(false)
    expect(computeReadPlan(alone.plan).ok).toBe(true)
    const fed = readAsFar({ stages: [broken, later({ kind: 'stage', from: 's1' })] })
    expect(fed.plan.stages).toEqual([])
    expect(fed.problems.every(({ path }) => path[1] === 0)).toBe(true)
  })

  it('does not measure a gas in a room whose pressure does not read', () => {
    const plan: Plan = {
      ambient: { pressure: 'low' },
      stages: [
        {
          id: 's1',
          equation: 'NH3 + HCl -> NH4Cl',
          reagents: [
            { species: 'NH3', supply: { kind: 'gas' }, charge: { volume: '2 L' } },
            { species: 'HCl', supply: { kind: 'solution', concentration: '1 mol/L' } },
          ],
          product: { species: 'NH4Cl' },
        },
      ],
    }
    expect(readAsFar(plan).plan.stages).toEqual([])
    expect(codes(plan)).toEqual(['ambient.pressure quantity.unreadable'])
  })
})

describe('shares of reactions that run side by side', () => {
  const reactions = ['3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O', 'Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O'] as const
  const stage: StagePlan = {
    id: 's1',
    equation: 'Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O',
    reagents: [
      { species: 'Cu', supply: { kind: 'solid' }, charge: { mass: '6.3546 g' } },
      { species: 'HNO3', supply: { kind: 'solution', concentration: '6 mol/L' } },
    ],
    product: { species: 'Cu(NO3)2' },
  }
  const mixed = (...shares: string[]): Plan => ({
    stages: [{ ...stage, mix: shares.map((share, i) => ({ equation: reactions[i]!, share })) }],
  })

  it('are a problem where they make no whole, and never normalised in silence', () => {
    const read = readPlan(mixed('100 %', '40 %'))
    expect(read).toMatchObject({ ok: false, problem: { path: ['stages', 0, 'mix', 1, 'share'] } })
    expect(!read.ok && explainPlan(read.problem).why).toBe('The shares come to 140 %.')
    expect(readPlan(mixed('60 %', '40 %')).ok).toBe(true)
    expect(readPlan(mixed('66.7 %', '33.3 %')).ok).toBe(true)
  })

  it('may be a ratio of plain numbers, but not half of each', () => {
    const nitrogen = (plan: Plan): number => {
      const read = readPlan(plan)
      const sheet = read.ok ? computeReadPlan(read.value) : read
      if (!sheet.ok) throw new Error('not read')
      return sheet.value.stages[0]!.reagents[1]!.amount.value
    }
    // 0.1 mol Cu: a share x of it takes 8/3 HNO3, the rest 4.
    expect(nitrogen(mixed('3', '2'))).toBeCloseTo(0.1 * (0.6 * (8 / 3) + 0.4 * 4), 9)
    expect(readPlan(mixed('60 %', '2'))).toMatchObject({ problem: { problem: { code: 'sheet.mix-mixed' } } })
  })

  it('fill up of themselves where there are two', () => {
    const alone = { ...stage, mix: [{ equation: reactions[0], share: '100 %' }] }
    expect(withShare(alone, reactions, reactions[1], '40 %').mix).toEqual([
      { equation: reactions[0], share: '60 %' },
      { equation: reactions[1], share: '40 %' },
    ])
    expect(withShare(alone, reactions, reactions[0], '').mix).toBeUndefined()
  })
})
