import { describe, expect, it } from 'vitest'
import { computeReadPlan, readPlan } from '#core/sheet'
import { procedureOf } from '#core/procedure'
import { readDocument } from '.'
import { crystalsOne, plainOne, runOne } from './fixtures/version-1'

/* Documents as version 1 wrote them stay here for good: whoever has one must be able to open it. */
const newest = (stored: object) => {
  const read = readDocument(JSON.parse(JSON.stringify(stored)))
  if (!read.ok) throw new Error(`${read.problem.path.join('.')}: ${read.problem.why}`)
  return read.value
}

describe('version 1', () => {
  it('without crystals is the same, by another number', () => {
    expect(newest(plainOne)).toEqual({ ...plainOne, version: 2 })
  })
  it('gives its moves to the stage as operations, and the liquor between two crops a name', () => {
    const [stage] = newest(crystalsOne).plan.stages
    expect(stage).not.toHaveProperty('crystals')
    expect(stage!.operations).toEqual([
      { heatTo: '60 °C' },
      { evaporateTo: { volume: '32 mL' } },
      { coolTo: '5 °C' },
      { filter: { retained: '20 %', liquor: 'liquor 1' } },
      { wash: { with: 'water', volume: '4 mL', at: '0 °C' } },
      { evaporate: { water: '5 g' }, of: 'liquor 1' },
      { coolTo: '0 °C' },
      { filter: { retained: '20 %' } },
    ])
  })
  it('gives the steps of a run the operation that they stand for, by what they do and their target', () => {
    const steps = newest(runOne).procedures![0]!.steps
    expect(steps.map(({ id, words }) => [id, words])).toEqual(
      runOne.procedures[0]!.steps.map(({ id, words }) => [id, words]),
    )
    expect(steps.find(({ id }) => id === 'heat-1')!.does).toEqual({ heatTo: '60 °C' })
    expect(steps.find(({ id }) => id === 'filter-1')!.does).toMatchObject({ filter: { liquor: 'liquor 1' } })
    expect(steps.find(({ id }) => id === 'evaporate-2')!.does).toEqual({ evaporate: { water: '5 g' }, of: 'liquor 1' })
    // What it did to the vessel was only in its words: that is not guessed.
    expect(steps.find(({ id }) => id === 'add-1')).not.toHaveProperty('does')
  })
  it('keeps moves and steps where they do not match, and the account says where it loses sight', () => {
    const changed = {
      ...runOne,
      procedures: [{ stage: 's1', steps: runOne.procedures[0]!.steps.filter(({ id }) => id !== 'ice-1') }],
    }
    const read = newest(changed)
    expect(read.plan.stages[0]!.operations).toHaveLength(8)
    expect(read.procedures![0]!.steps.some(step => 'does' in step)).toBe(false)
    const plan = readPlan(read.plan)
    const sheet = plan.ok ? computeReadPlan(plan.value) : plan
    if (!plan.ok || !sheet.ok) throw new Error('no')
    const [account] = procedureOf(plan.value, sheet.value, [], () => ({ steps: read.procedures![0]!.steps }))
    expect(account!.isKnown).toBe(false)
    expect(account!.problems[0]).toMatchObject({ step: 'add-1' })
    expect(account!.warnings.map(({ code }) => code)).toContain('charge.missing')
  })
})

it('says of what does not parse where and why, and changes nothing in it', () => {
  expect(readDocument({ ...plainOne, version: 99 })).toMatchObject({ ok: false, problem: { path: ['version'] } })
  expect(readDocument('a text').ok).toBe(false)
  expect(readDocument(null).ok).toBe(false)
  expect(readDocument({ version: 1, plan: 7 }).ok).toBe(false)
  expect(readDocument({ ...plainOne, plan: { stages: [{ id: 's1' }] } })).toMatchObject({
    problem: { path: ['plan', 'stages', 0, 'equation'] },
  })
})
