import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { parseFormula } from '#core/formula'
import { operationNames, readWait } from '#core/journal'
import { NO_TABLES } from '#core/solution'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import { dryingAdvice, procedureOf as proposed } from '#core/procedure'
import { briefOf } from '.'

const procedureOf = (plan: Plan, at = 0) => {
  const read = readPlan(plan)
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error('the plan does not read')
  return proposed(read.value, computed.value)[at]!.steps
}
const demo = demoBatches(new Date('2026-05-04T09:00:00Z'))
const planOf = (code: string): Plan => demo.find(one => one.code === code)!.document.plan

describe('the proposed procedure', () => {
  it('of zinc sulfate: zinc in portions, filtered from the excess, boiled down, two crops, dried in air', () => {
    /* 66.0 mL of 2.00 mol/L acid are 0.132 mol, with 5 % excess 0.1386 mol Zn: 9.063 g, at 99.5 % 9.108 g. 0.132 mol of
       hydrogen are 3.2 L: at most twelve portions. */
    const steps = procedureOf(planOf('ZN-021'))
    expect(steps.map(step => step.do)).toEqual([
      'weigh',
      'measure',
      'add',
      'add',
      'stir',
      'observe',
      'filter hot',
      'heat',
      'evaporate',
      'ice',
      'weigh',
      'filter',
      'wash',
      'evaporate',
      'ice',
      'weigh',
      'filter',
      'dry',
      'weigh',
      'weigh',
      'weigh',
      'quench',
      'clean',
    ])
    expect(steps[0]).toMatchObject({ target: '9.11 g', about: { what: 'charge', species: 'Zn' } })
    expect(steps[1]).toMatchObject({ target: '66.0 mL', tolerance: '1 %' })
    expect(steps[3]).toMatchObject({ repeat: { times: 12, every: '3 min' }, until: 'it no longer fizzes' })
    expect(steps[3]!.needs).toContain('hood')
    expect(steps[8]).toMatchObject({ target: '32 mL' })
    expect(steps.find(step => step.do === 'wash')!.words).toContain('4 mL of water at 0 °C')
  })

  it('sets up the trap before nitrogen dioxide comes', () => {
    const steps = procedureOf(planOf('NI-015'))
    const trap = steps.findIndex(({ words }) => words.startsWith('Set up the trap'))
    expect(trap).toBeGreaterThan(0)
    expect(steps.findIndex(step => step.do === 'add')).toBeGreaterThan(trap)
  })

  it('isolates nothing where the pot goes on', () => {
    const steps = procedureOf(planOf('CU-010'), 1)
    expect(steps.some(step => step.do === 'filter' || step.do === 'dry')).toBe(false)
  })

  it('never dries before it washes, and always weighs the empty vessel before the product, for every demo stage', () => {
    let seen = 0
    for (const { document } of demo)
      for (const [i, stage] of document.plan.stages.entries()) {
        if (stage.inPot) continue
        const steps = procedureOf(document.plan, i)
        const at = (test: (step: (typeof steps)[number]) => boolean) => steps.findIndex(test)
        expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length)
        for (const step of steps) expect(operationNames).toContain(step.do)
        const washed = at(step => step.do === 'wash')
        if (washed >= 0) expect(washed).toBeLessThan(at(step => step.do === 'dry' || step.do === 'desiccate'))
        const isProduct = (isEmpty: boolean) =>
          at(({ about }) => about?.what === 'product' && (about.empty === true) === isEmpty)
        expect(isProduct(true)).toBeGreaterThanOrEqual(0)
        expect(isProduct(true)).toBeLessThan(isProduct(false))
        seen += 1
      }
    expect(seen).toBeGreaterThan(8)
  })
})

describe('the proposed procedure of other ways', () => {
  const of = (equation: string, product: string, reagents: [string, string?][], more: object = {}) =>
    procedureOf({
      stages: [
        {
          id: 's1',
          equation,
          reagents: reagents.map(([species, mass]) => ({
            species,
            supply: { kind: 'solid' as const },
            ...(mass && { charge: { mass } }),
          })),
          product: { species: product },
          ...more,
        },
      ],
    })
  const doing = (steps: ReturnType<typeof of>): string[] => steps.map(step => step.do)
  it('burns, calcines and dehydrates in a crucible, to constant mass, and dissolves nothing', () => {
    for (const [equation, product, reagents] of [
      ['Mg(OH)2 -> MgO + H2O', 'MgO', [['Mg(OH)2', '5.83 g']]],
      ['NaHCO3 -> Na2CO3 + H2O + CO2', 'Na2CO3', [['NaHCO3', '8.40 g']]],
      ['CuSO4·5H2O -> CuSO4 + H2O', 'CuSO4', [['CuSO4·5H2O', '25.0 g']]],
    ] as const) {
      const steps = of(
        equation,
        product,
        reagents.map(([species, mass]) => [species, mass]),
      )
      expect(doing(steps), equation).toEqual(expect.arrayContaining(['ignite', 'cool in desiccator', 'weigh']))
      expect(doing(steps).filter(name => ['dissolve', 'filter', 'wash', 'evaporate', 'ice'].includes(name))).toEqual([])
      const tare = steps.findIndex(step => step.about?.what === 'product')
      expect(tare).toBeLessThan(steps.findIndex(step => step.do === 'add'))
    }
  })
  it('takes to dryness what a chemist chose so, salts out, and leaves an own way to its chemist', () => {
    const salt = (way: string) =>
      of('NaNO3 + KCl -> KNO3 + NaCl', 'KNO3', [['NaNO3', '8.5 g'], ['KCl']], { solvent: '20 mL', way })
    expect(doing(salt('take to dryness'))).toContain('evaporate to dryness')
    const out = salt('salt out')
    expect(out.some(step => step.words.includes('ethanol') && step.do === 'add' && step.needs?.includes('hood'))).toBe(
      true,
    )
    const own = salt('own')
    expect(own.some(step => step.words.includes('steps of your own'))).toBe(true)
    expect(doing(own).filter(name => ['ice', 'evaporate', 'filter'].includes(name))).toEqual([])
  })
})

describe('briefOf', () => {
  it('tells what a batch wants next, by its step once the run has begun', () => {
    const { document, entries } = demo.find(one => one.code === 'ZN-021')!
    const brief = briefOf({ title: document.title, plan: document.plan }, entries, NO_TABLES)
    expect(brief).toMatchObject({ product: 'ZnSO4·7H2O', isDone: false })
    const begun = briefOf(
      { title: document.title, plan: document.plan },
      [
        ...entries,
        {
          kind: 'step',
          id: 'x',
          at: '2026-05-04T09:00:00Z',
          by: 'p',
          stage: 's1',
          step: 'weigh-1',
          what: 'done',
          words: 'Weigh',
        },
      ],
      NO_TABLES,
    )
    expect(begun.want).toBe('Measure {H2SO4}, 2.00 mol/L')
    expect(begun.lane[0]).toMatchObject({ status: 'done' })
  })
  it('names the first stage’s charge for a batch of two that is not begun', () => {
    const { document } = demo.find(one => one.code === 'NI-015')!
    expect(briefOf(document, [], NO_TABLES).want).toMatch(/^Weigh .* of \{Ni\}$/)
  })
  it('says of a plan without a scale what it lacks, and draws no lane', () => {
    const { stages } = planOf('CU-009')
    const { target: _, ...stage } = stages[0]!
    expect(briefOf({ title: 'x', plan: { stages: [stage] } }, [], NO_TABLES)).toMatchObject({ lane: [], page: 'sheet' })
  })
})

describe('the proposed procedure of a precipitate', () => {
  const solution = (species: string, concentration: string) => ({
    species,
    supply: { kind: 'solution', concentration } as const,
  })
  const washOf = (equation: string, product: string, reagents: Plan['stages'][number]['reagents']) =>
    procedureOf({
      stages: [{ id: 's1', equation, product: { species: product }, reagents, target: { mass: '5 g' } }],
    } as Plan).find(step => step.do === 'wash')!
  // Qualitative analysis, common practice: what is washed out decides the drop test, not what stays.
  it.each([
    // NaCl is left: chloride by silver; the sulfate is the product’s own.
    ['BaCl2 + Na2SO4 -> BaSO4 + NaCl', 'BaSO4', 'silver nitrate'],
    ['CuSO4 + NaOH -> Cu(OH)2 + Na2SO4', 'Cu(OH)2', 'barium chloride'],
    ['CaCl2 + Na2C2O4 -> CaC2O4 + NaCl', 'CaC2O4', 'silver nitrate'],
    // Silver chloride holds the chloride itself: what is left is sodium nitrate, which nothing shows.
    ['AgNO3 + NaCl -> AgCl + NaNO3', 'AgCl', 'watch glass'],
  ])('%s is washed until the test that fits says so', (equation, product, test) => {
    const species = equation.split(' -> ')[0]!.split(' + ')
    const wash = washOf(
      equation,
      product,
      species.map(one => solution(one, '1 mol/L')),
    )
    expect(wash.until).toContain(test)
    expect(wash.until).not.toContain('litmus')
  })

  it('gives the drying the time that the advice beside it gives', () => {
    let seen = 0
    for (const { document } of demo)
      for (const [i, stage] of document.plan.stages.entries()) {
        if (stage.inPot) continue
        for (const step of procedureOf(document.plan, i)) {
          if (step.do !== 'dry' && step.do !== 'desiccate') continue
          const form = parseFormula(stage.product.form ?? stage.product.species)
          if (!form.ok) throw new Error('the product does not read')
          const times = dryingAdvice(form.value).options.map(({ takes }) => takes?.least)
          expect(times).toContain(step.wait)
          expect(readWait(step.wait!)).toBeDefined()
          seen += 1
        }
      }
    expect(seen).toBeGreaterThan(5)
  })
})
