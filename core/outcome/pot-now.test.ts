import { describe, expect, it } from 'vitest'
import { foldJournal, type Entry, type Step } from '#core/journal'
import { runOf } from '#core/procedure'
import { computeReadPlan, readPlan } from '#core/sheet'
import { judgeBatch, plannedAccounts, potNow, realAccounts } from '.'

const read = readPlan({
  stages: [
    {
      id: 's1',
      equation: 'CuO + H2SO4 -> CuSO4 + H2O',
      reagents: [
        { species: 'CuO', supply: { kind: 'solid' }, charge: { mass: '8.00 g' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '52.0 mL' } },
      ],
      product: { species: 'CuSO4', form: 'CuSO4·5H2O' },
    },
  ],
})
const computed = read.ok ? computeReadPlan(read.value) : read
if (!read.ok || !computed.ok) throw new Error('the plan does not read')
const plan = read.value
const steps = plannedAccounts(plan, computed.value, () => undefined)[0]!.steps
let count = 0
const written = () => ({ id: `e${count++}`, at: '2026-05-04T09:00:00Z', by: 'p', stage: 's1' })
const done = ({ id, words, repeat }: Step): Entry => ({
  kind: 'step',
  ...written(),
  step: id,
  what: 'done',
  words,
  ...(repeat && { whole: true }),
})
const find = (name: Step['do']): Step => steps.find(step => step.do === name)!
const upTo = (name: Step['do']): Step[] => steps.slice(0, steps.findIndex(step => step.do === name) + 1)
const reading = (about: object, measure: string, value: string, step?: string): Entry =>
  ({ kind: 'reading', ...written(), about: { stage: 's1', ...about }, measure, value, typed: true, step }) as Entry
function now(entries: Entry[]) {
  const lines = foldJournal(entries)
  const run = runOf(steps, lines, 's1')
  const [account] = realAccounts({ plan, lines, stepsOf: () => steps })!
  const actual = judgeBatch(plan, lines, 's1')
  return { pot: potNow(account!, run, lines, actual.ok ? actual.value.unread : []), account: account!, actual }
}

describe('what is in the pot now', () => {
  it('is nothing before a step is done, and the acid once it is in', () => {
    expect(now([]).pot).toBeUndefined()
    const { pot } = now(upTo('add').map(done))
    // 52.0 mL of 2.00 mol/L are 0.104 mol: 10.2 g.
    expect(pot!.after.dissolved).toMatchObject([{ form: 'H2SO4', amount: expect.closeTo(0.104, 4) }])
    expect(pot!.look.litmus).toBe('acid')
    expect(pot!.isPlanned).toBe(true)
  })
  it('follows what was really weighed: 9.00 g of oxide are more than the acid takes', () => {
    const entries = [reading({ what: 'charge', species: 'CuO' }, 'net', '9.00 g'), ...upTo('stir').map(done)]
    const { pot } = now(entries)
    // 9.00 ÷ 79.545 = 0.1131 mol; 0.104 dissolve: 0.0091 mol, 0.727 g, are left. Copper sulfate is blue.
    expect(pot!.after.solid.find(({ form }) => form === 'CuO')!.mass).toBeCloseTo(0.727, 2)
    expect(pot!.look.liquor).toEqual([expect.stringContaining('blue')])
    expect(pot!.contradicts).toEqual([])
    const seen: Entry = { kind: 'observation', ...written(), step: find('stir').id, text: 'all dissolved' }
    expect(now([...entries, seen]).pot!.contradicts[0]).toContain('{CuO}')
  })
  it('hears how far the pot was really boiled, and how cold it was', () => {
    const boiled = upTo('evaporate').map(done)
    const planned = now(boiled).pot!.after.volume
    const { pot } = now([...boiled, reading({ what: 'pot' }, 'volume', '20 mL', find('evaporate').id)])
    const crystals = pot!.after.solid.reduce((sum, { mass }) => sum + mass, 0)
    expect(planned).toBeGreaterThan(30)
    // 20 mL of liquor, and 0.4 mL for each gram that stands in it.
    expect(pot!.after.volume - 0.4 * crystals).toBeCloseTo(20, 2)
    const iced = [...upTo('ice').map(done), reading({ what: 'pot' }, 'temperature', '12 °C', find('ice').id)]
    expect(now(iced).pot!.after.celsius).toBe(12)
  })
  it('adds what a rescue put in to the charge, in the pot and in the theory, and no label is blamed for it', () => {
    const rescue: Entry = {
      kind: 'deviation',
      ...written(),
      step: find('stir').id,
      text: 'solid left',
      code: 'solid left',
      steps: [
        {
          id: 'more',
          do: 'add',
          words: 'Add 5 mL more of {H2SO4}',
          about: { what: 'addition', species: 'H2SO4' },
          does: { addMore: { species: 'H2SO4', volume: '5 mL' } },
        },
      ],
    }
    const more = reading({ what: 'addition', species: 'H2SO4', step: 'more' }, 'volume', '6.0 mL', 'more')
    const entries = [
      reading({ what: 'charge', species: 'CuO' }, 'net', '9.00 g'),
      reading({ what: 'charge', species: 'H2SO4' }, 'volume', '52.0 mL'),
      ...upTo('stir').map(done),
      rescue,
      more,
      { kind: 'step', ...written(), step: 'more', what: 'done', words: 'more' } as Entry,
    ]
    const { actual, account } = now(entries)
    if (!actual.ok) throw new Error('no')
    // 52.0 + 6.0 mL are 0.116 mol of acid; the oxide, 0.1131 mol, limits now.
    const acid = actual.value.sheet.reagents.find(({ species }) => species === 'H2SO4')!
    expect(acid.amount.value).toBeCloseTo(0.116, 6)
    expect(actual.value.sheet.limiting).toEqual(['CuO'])
    const at = account.events.findLastIndex(({ step }) => step === 'more')
    // So much in so little water stands partly as crystals while it is cold; of the oxide nothing is left.
    const { lumps, ions } = account.events[at]!.after
    expect(lumps.map(({ form }) => form.text)).not.toContain('CuO')
    const standing = lumps.reduce((sum, { moles }) => sum + moles, 0)
    expect((ions.get('Cu^2+') ?? 0) + standing).toBeCloseTo(0.11314, 4)
    expect(account.events[at]!.after.ions.get('H^+')).toBeCloseTo(2 * (0.116 - 0.11314), 4)
  })
})
