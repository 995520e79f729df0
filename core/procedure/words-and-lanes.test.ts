import { describe, expect, it } from 'vitest'
import {
  clockWords,
  dryingSeries,
  durationWords,
  entryText,
  foldJournal,
  operationNames,
  operationOf,
  timersOf,
  type About,
  type Entry,
  type Step,
} from '#core/journal'
import { laneOf, ringsAt, runOf, pressOf, timesOf } from '.'

const at = (minute: number): string => new Date(Date.UTC(2026, 4, 4, 9, minute)).toISOString()
let count = 0
const written = (minute = 0) => ({ id: `w${++count}`, at: at(minute), by: 'p', stage: 's1' })
type Worded = Exclude<Entry, { kind: 'correction' }>

describe('entryText', () => {
  it.each([
    [{ kind: 'step', ...written(), step: 'a', what: 'done', words: 'Wash {ZnSO4}' }, 'done: Wash {ZnSO4}'],
    [
      { kind: 'step', ...written(), step: 'a', what: 'skipped', words: 'Wash', why: 'it dissolves' },
      'skipped: Wash, because it dissolves',
    ],
    [{ kind: 'timer', ...written(), timer: 't', what: 'start', name: 'dish', seconds: 605 }, 'started dish, 10:05'],
    [{ kind: 'timer', ...written(), timer: 't', what: 'stop', name: 'dish' }, 'ended dish'],
    [{ kind: 'test', ...written(), added: 'BaCl2', result: 'cloud' }, 'BaCl2: cloud'],
    [{ kind: 'deviation', ...written(), text: 'It foams up', steps: [] }, 'It foams up'],
    [{ kind: 'note', ...written(), text: 'as it was' }, 'as it was'],
  ] as [Worded, string][])('%j reads %j', (entry, text) => expect(entryText(entry)).toBe(text))
})

it.each([
  [0, '0:00'],
  [59.6, '1:00'],
  [61, '1:01'],
  [3723, '1:02:03'],
  [-5, '0:00'],
])('%d s on a clock are %s', (seconds, text) => expect(clockWords(seconds)).toBe(text))

it.each([
  [4, '4 min'],
  [119, '119 min'],
  [720, '12 h'],
  [2880, '2 days'],
])('%d minutes are %s', (minutes, text) => expect(durationWords(minutes)).toBe(text))

describe('dryingSeries', () => {
  const crop: About = { what: 'product', stage: 's1', crop: 1 }
  const read = (measure: 'tare' | 'gross' | 'net', value: string, minute: number): Entry => ({
    kind: 'reading',
    id: `r${++count}`,
    at: at(minute),
    by: 'p',
    about: crop,
    measure,
    value,
    typed: true,
  })
  it('takes the vessel off, and begins anew when the vessel is weighed again', () => {
    const lines = foldJournal([
      read('gross', '50.00 g', 0),
      read('tare', '41.27 g', 1),
      read('gross', '54.10 g', 2),
      read('gross', '53.61 g', 62),
    ])
    const { weighings, resolution } = dryingSeries(lines, crop)
    expect(weighings.map(({ grams }) => Number(grams.toFixed(2)))).toEqual([12.83, 12.34])
    expect(resolution).toBe(0.01)
  })
  it('goes by the coarsest display, and leaves out what was struck out', () => {
    const wrong = read('net', '1.0 g', 5)
    const lines = foldJournal([
      read('net', '1.2345 g', 0),
      wrong,
      { kind: 'correction', id: 'c', at: at(6), by: 'p', corrects: wrong.id, why: 'wrong vessel' },
      read('net', '1230 mg', 7),
    ])
    expect(dryingSeries(lines, crop)).toMatchObject({
      resolution: 0.001,
      weighings: [{ grams: 1.2345 }, { grams: 1.23 }],
    })
  })
  it('of a crop without a reading is empty', () => expect(dryingSeries([], crop).weighings).toEqual([]))
})

describe('a lane', () => {
  const steps: readonly Step[] = [
    { id: 'add-1', do: 'add', words: 'Add', repeat: { times: 5, every: '3 min' } },
    { id: 'dry-1', do: 'dry', words: 'Dry', hands: '90 s', wait: '1.5 h', needs: [] },
    { id: 'wash-1', do: 'wash', words: 'Wash', wait: 'no time' },
  ]
  it('takes a step’s own times, the operation’s where it has none or what it has does not read', () => {
    // Five portions of 10 min each; 1.5 min and 90 min; the usual 3 min of a wash.
    expect(timesOf(steps[0]!)).toEqual({ hands: 50, wait: 0 })
    expect(timesOf(steps[1]!)).toEqual({ hands: 1.5, wait: 90 })
    expect(timesOf(steps[2]!)).toEqual({ hands: 3, wait: 0 })
  })
  it('waits as often as it is repeated, but not beside a clock that repeats by itself', () => {
    const twice: Step = { id: 'w', do: 'wash', words: 'Let stand', wait: '20 min', repeat: { times: 2 } }
    expect(timesOf(twice).wait).toBe(40)
    expect(timesOf({ ...twice, repeat: { times: 2, every: '5 min' } }).wait).toBe(20)
    const state = { step: twice, status: 'open', times: 0, inserted: false } as const
    // Begin, wait, count; begin, wait, done.
    expect(pressOf(state, false)).toBe('wait')
    expect(pressOf({ ...state, status: 'begun' }, true)).toBe('count')
    expect(pressOf({ ...state, status: 'begun', times: 1 }, false)).toBe('wait')
    expect(pressOf({ ...state, status: 'begun', times: 1 }, true)).toBe('done')
    expect(pressOf({ ...state, status: 'done', times: 2 }, false)).toBe('next')
    expect(pressOf({ ...state, step: steps[0]! }, false)).toBe('count')
    expect(pressOf({ ...state, step: steps[1]! }, false)).toBe('wait')
    expect(pressOf({ ...state, step: steps[1]!, status: 'begun' }, false)).toBe('done')
  })
  it('holds every step with its state and what it needs', () => {
    const lines = foldJournal([{ kind: 'step', ...written(5), step: 'dry-1', what: 'begun', words: 'Dry' }])
    const lane = laneOf(runOf(steps, lines, 's1'), [], 's1')
    expect(lane.map(({ id, status }) => [id, status])).toEqual([
      ['add-1', 'open'],
      ['dry-1', 'begun'],
      ['wash-1', 'open'],
    ])
    expect(lane[1]).toMatchObject({ begunAt: at(5), needs: [] })
    expect(lane[2]!.needs).toEqual(['vacuum'])
  })
  it('knows when a countdown rings, and that one that stands still does not', () => {
    const start: Entry = { kind: 'timer', ...written(0), timer: 't', what: 'start', name: 'x', seconds: 600 }
    const pause: Entry = { kind: 'timer', ...written(5), timer: 't', what: 'pause', name: 'x' }
    expect(ringsAt(timersOf(foldJournal([start]))[0])).toBe(at(10))
    expect(ringsAt(timersOf(foldJournal([start, pause]))[0])).toBeUndefined()
    expect(ringsAt(undefined)).toBeUndefined()
  })
})

describe('the operations', () => {
  it('are many, each named once, with times that are not negative and something to look for', () => {
    expect(operationNames.length).toBeGreaterThan(25)
    expect(new Set(operationNames).size).toBe(operationNames.length)
    for (const name of operationNames) {
      const { hands, wait, look } = operationOf(name)
      expect(hands).toBeGreaterThanOrEqual(0)
      expect(wait).toBeGreaterThanOrEqual(0)
      expect(hands + wait).toBeGreaterThan(0)
      expect(look.length).toBeGreaterThan(5)
    }
  })
})
