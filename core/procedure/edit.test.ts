import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import { compareWays, operationsIn, procedureOf, withWinning } from '.'

const zinc: Plan = demoBatches(new Date('2026-05-04T09:00:00Z')).find(({ code }) => code === 'ZN-021')!.document.plan
function read(plan: Plan) {
  const made = readPlan(plan)
  const sheet = made.ok ? computeReadPlan(made.value) : made
  if (!made.ok || !sheet.ok) throw new Error('the plan does not read')
  return { plan: made.value, sheet: sheet.value }
}
const { plan, sheet } = read(zinc)
const [told] = procedureOf(plan, sheet)
const steps = told!.steps
const operations = operationsIn(steps).map(({ operation }) => operation)

describe('the operations of a procedure', () => {
  it('are those of the plan, in order', () => {
    expect(operations).toEqual(zinc.stages[0]!.operations)
  })
  it('put back as they are change nothing', () => {
    expect(withWinning(steps, operations, 'ZnSO4·7H2O')).toEqual(steps)
  })
  it('changed in one keep all other steps and their ids, and the charges', () => {
    const warmer = operations.map(one => ('heatTo' in one ? { heatTo: '70 °C' } : one))
    const changed = withWinning(steps, warmer, 'ZnSO4·7H2O')
    expect(changed.map(({ id }) => id)).toEqual(steps.map(({ id }) => id))
    const other = changed.filter((step, i) => JSON.stringify(step) !== JSON.stringify(steps[i]))
    expect(other).toHaveLength(1)
    expect(other[0]).toMatchObject({ do: 'heat', target: '70 °C', does: { heatTo: '70 °C' } })
  })
  it('without a second crop lose its steps, tare and all; with a third wash count it', () => {
    const once = operations.slice(0, 5)
    const changed = withWinning(steps, once, 'ZnSO4·7H2O')
    expect(changed.filter(step => step.do === 'filter')).toHaveLength(1)
    expect(changed.filter(({ about }) => about?.what === 'product' && about.crop === 2 && true).length).toBeLessThan(
      steps.filter(({ about }) => about?.what === 'product' && about.crop === 2).length,
    )
    const thrice = withWinning(steps, [...once, once[4]!, once[4]!], 'ZnSO4·7H2O')
    expect(thrice.find(step => step.do === 'wash')!.repeat).toEqual({ times: 3 })
  })
  it('folded from the kept steps give the account that they were proposed with', () => {
    const [kept] = procedureOf(plan, sheet, [], () => ({ steps }))
    expect(kept!.product.mass).toBeCloseTo(told!.product.mass!, 9)
    expect(kept!.events.map(({ id }) => id)).toEqual(told!.events.map(({ id }) => id))
    expect(kept!.warnings).toEqual(told!.warnings)
  })
})

describe('the ways side by side', () => {
  it('tell what each would bring of zinc sulfate: dryness the most, and not the purest', () => {
    const all = compareWays(plan, sheet, 's1')
    expect(all.map(({ way }) => way)).not.toEqual(
      expect.arrayContaining(['leave in the pot', 'heat dry', 'throw down']),
    )
    expect(all.map(({ way }) => way)).toContain('salt out')
    const of = (way: string) => all.find(one => one.way === way)!
    // All 0.132 mol as heptahydrate: 37.96 g.
    expect(of('take to dryness').mass).toBeCloseTo(37.96, 1)
    expect(of('crystallise').mass!).toBeLessThan(37.96)
    expect(of('own').mass).toBeUndefined()
    for (const one of all) expect(one.hands + one.wait).toBeGreaterThan(0)
  })
})
