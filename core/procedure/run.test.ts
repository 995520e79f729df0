import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import { elapsed, foldJournal, remaining, rings, timersOf, type Entry, type Step } from '#core/journal'
import { forgottenBefore, laneOf, rescuesFor, runOf } from '.'
import { operationNames } from '#core/journal'

const steps: readonly Step[] = [
  { id: 'weigh-1', do: 'weigh', words: 'Weigh {Zn}', about: { what: 'charge', species: 'Zn' } },
  { id: 'add-1', do: 'add', words: 'Add {Zn} in 8 portions', repeat: { times: 3, every: '3 min' } },
  { id: 'tare-1', do: 'weigh', words: 'Weigh the empty paper', about: { what: 'product', crop: 1, empty: true } },
  { id: 'filter-1', do: 'filter', words: 'Filter' },
  { id: 'wash-1', do: 'wash', words: 'Wash', repeat: { times: 2 } },
  { id: 'dry-1', do: 'dry', words: 'Dry: air, on paper', wait: '2 h' },
  { id: 'weigh-2', do: 'weigh', words: 'Weigh {ZnSO4·7H2O}', about: { what: 'product', crop: 1 } },
]
let count = 0
const at = (minute: number): string => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString()
const written = (minute: number) => ({ id: `e${++count}`, at: at(minute), by: 'p1', stage: 's1' })
const took = (step: string, what: 'begun' | 'done' | 'skipped' | 'opened', minute = 0, why?: string): Entry => ({
  kind: 'step',
  ...written(minute),
  step,
  what,
  words: step,
  ...(why && { why }),
})
const run = (...entries: Entry[]) => runOf(steps, foldJournal(entries), 's1')

describe('runOf', () => {
  it('counts repeats, and a step is done when all of them are', () => {
    const half = run(took('add-1', 'done', 1), took('add-1', 'done', 4))
    expect(half.steps[1]).toMatchObject({ status: 'begun', times: 2, begunAt: at(1) })
    expect(half.next?.step.id).toBe('add-1')
    expect(run(...[1, 4, 7].map(minute => took('add-1', 'done', minute))).steps[1]).toMatchObject({
      status: 'done',
      doneAt: at(7),
    })
  })
  it('is done as a whole without journalling portions that nobody ticked off', () => {
    const entry = { ...took('add-1', 'done', 5), whole: true } as Entry
    expect(run(took('add-1', 'done', 1), entry).steps[1]).toMatchObject({ status: 'done', times: 1, doneAt: at(5) })
  })
  it('goes on at the first open step, also when one was done out of order, skipped or opened again', () => {
    expect(run(took('filter-1', 'done')).next?.step.id).toBe('weigh-1')
    const skipped = run(took('weigh-1', 'skipped', 1, 'weighed yesterday'))
    expect(skipped.next?.step.id).toBe('add-1')
    expect(skipped.steps[0]).toMatchObject({ status: 'skipped', why: 'weighed yesterday' })
    expect(run(took('weigh-1', 'done'), took('weigh-1', 'opened')).next?.step.id).toBe('weigh-1')
  })
  it('puts steps in after the one at which something happened, once', () => {
    const deviation: Entry = {
      kind: 'deviation',
      ...written(5),
      step: 'add-1',
      text: 'It foams up',
      steps: [{ id: 'x1', do: 'wait', words: 'Let the foam fall' }],
    }
    const after = run(deviation, { ...deviation, id: 'again' })
    expect(after.steps.map(({ step }) => step.id).slice(0, 4)).toEqual(['weigh-1', 'add-1', 'x1', 'tare-1'])
    expect(after.steps[2]).toMatchObject({ inserted: true, status: 'open' })
  })
  it('forgets what was struck out, and other stages', () => {
    const slip = took('weigh-1', 'done')
    expect(
      run(slip, { kind: 'correction', id: 'c', at: at(2), by: 'p1', corrects: slip.id, why: 'wrong batch' }).next?.step
        .id,
    ).toBe('weigh-1')
    expect(run({ ...took('weigh-1', 'done'), stage: 's2' } as Entry).next?.step.id).toBe('weigh-1')
  })
  it('never loses a step, whatever is pressed in whatever order', () => {
    const press = fc.record({
      step: fc.constantFrom(...steps.map(({ id }) => id), 'nowhere'),
      what: fc.constantFrom('begun', 'done', 'skipped', 'opened' as const),
    })
    fc.assert(
      fc.property(fc.array(press, { maxLength: 40 }), presses => {
        const after = run(...presses.map(({ step, what }) => took(step, what as 'done', 0, 'so')))
        expect(after.steps.map(({ step }) => step.id)).toEqual(steps.map(({ id }) => id))
        expect(after.next === undefined).toBe(
          after.steps.every(({ status }) => status === 'done' || status === 'skipped'),
        )
      }),
    )
  })
})

describe('timers', () => {
  const turn = (what: 'start' | 'pause' | 'resume' | 'add' | 'stop', minute: number, more: object = {}): Entry => ({
    kind: 'timer',
    ...written(minute),
    timer: 't1',
    what,
    name: 'oven dish 2',
    ...more,
  })
  const timer = (...entries: Entry[]) => timersOf(foldJournal(entries))[0]!
  const ms = (minute: number): number => Date.parse(at(minute))

  it('counts down, stands still while paused, and takes more time', () => {
    // 20 min from 9:00, paused 9:05 to 9:15, five more minutes: it rings at 9:35.
    const one = timer(
      turn('start', 0, { seconds: 1200 }),
      turn('pause', 5),
      turn('resume', 15),
      turn('add', 16, { seconds: 300 }),
    )
    expect(remaining(one, ms(10))).toBe(1500 - 300)
    expect(remaining(one, ms(20))).toBe(900)
    expect(remaining(one, ms(36))).toBe(-60)
    expect([rings(one, ms(34)), rings(one, ms(35))]).toEqual([0, 1])
    const lane = laneOf(runOf(steps, [], 's1'), [{ ...one, step: 'dry-1' }], 's1')
    expect(lane.find(({ id }) => id === 'dry-1')?.rings).toBe(at(35))
  })
  it('rings at every interval', () => {
    const one = timer(turn('start', 0, { every: 180 }))
    expect(remaining(one, ms(4))).toBe(120)
    expect(rings(one, ms(10))).toBe(3)
  })
  it('is a stopwatch with neither, and holds its time once stopped', () => {
    const one = timer(turn('start', 0), turn('stop', 7), turn('pause', 9))
    expect(elapsed(one, ms(60))).toBe(420)
    expect(remaining(one, ms(60))).toBeUndefined()
  })
})

describe('forgottenBefore', () => {
  it('does not ask for the empty vessel on the step that weighs it', () => {
    expect(forgottenBefore(run(took('weigh-1', 'done', 1)), 'tare-1', false)).toEqual([])
  })
  const codes = (step: string, hasTare: boolean, ...entries: Entry[]) =>
    forgottenBefore(run(...entries), step, hasTare).map(({ code }) => code)

  it('asks for the wash before drying, until all portions are done or it is skipped', () => {
    const filtered = took('filter-1', 'done', 20)
    expect(forgottenBefore(run(filtered), 'dry-1', true)).toEqual([
      { code: 'wash', ask: 'Wash, before you dry: 2 portions are not done.', open: 'wash-1' },
    ])
    expect(forgottenBefore(run(filtered, took('wash-1', 'done', 21)), 'dry-1', true)[0]?.ask).toContain(
      'one portion is',
    )
    expect(codes('dry-1', true, filtered, took('wash-1', 'done', 21), took('wash-1', 'done', 22))).toEqual([])
    expect(codes('dry-1', true, filtered, took('wash-1', 'skipped', 21, 'it dissolves'))).toEqual([])
  })
  it('asks for a wash that nobody planned, and offers the step', () => {
    const unwashed = steps.filter(step => step.do !== 'wash')
    const found = forgottenBefore(runOf(unwashed, foldJournal([took('filter-1', 'done')]), 's1'), 'dry-1', true)
    expect(found[0]?.put).toMatchObject({ do: 'wash' })
  })
  it('asks for the empty vessel, and for cooling after heat', () => {
    expect(codes('weigh-2', false)).toEqual(['tare'])
    expect(codes('weigh-2', true)).toEqual([])
    const ignited = runOf(
      [{ id: 'ignite-1', do: 'ignite', words: 'Ignite' }, steps[6]!],
      foldJournal([took('ignite-1', 'done')]),
      's1',
    )
    expect(forgottenBefore(ignited, 'weigh-2', true)).toMatchObject([
      { code: 'cool', put: { do: 'cool in desiccator' } },
    ])
  })
})

describe('rescuesFor', () => {
  it('always has something to offer, and its steps are operations we know', () => {
    for (const name of operationNames) {
      const rescues = rescuesFor(name)
      expect(rescues.length).toBeGreaterThan(1)
      for (const { steps: put } of rescues) for (const step of put) expect(operationNames).toContain(step.do)
    }
    expect(rescuesFor('filter').map(({ trouble }) => trouble)).toContain('The filtrate is cloudy')
  })
})
