import { describe, expect, it } from 'vitest'
import { formatFigure, standardUncertainty } from '#core/quantity'
import {
  checkEntry,
  cropsOf,
  explainEntry,
  foldJournal,
  productMass,
  weighingOf,
  type About,
  type Entry,
  type Measure,
} from '.'

const crop: About = { what: 'product', stage: 's1', crop: 1 }
const carbonate: About = { what: 'charge', stage: 's1', species: 'CoCO3' }
let count = 0
const written = () => ({ id: `e${++count}`, at: '2026-05-04T09:00:00Z', by: 'p1' })
const reading = (about: About, measure: Measure, value: string): Entry => ({
  kind: 'reading',
  ...written(),
  about,
  measure,
  value,
  typed: true,
})
const correction = (corrects: Entry, why: string, instead?: string): Entry => ({
  kind: 'correction',
  ...written(),
  corrects: corrects.id,
  why,
  ...(instead === undefined ? {} : { instead }),
})

describe('weighingOf', () => {
  it('takes the tare from the gross, with both errors', () => {
    // 88.437 g − 68.902 g = 19.535 g; u = √2 · 0.001 g/√12 = 0.00041 g.
    const { net } = weighingOf(
      foldJournal([reading(crop, 'tare', '68.902 g'), reading(crop, 'gross', '88.437 g')]),
      crop,
    )
    expect(net!.value).toBeCloseTo(19.535, 10)
    expect(standardUncertainty(net!)).toBeCloseTo(0.000408, 6)
    expect(formatFigure(net!)).toBe('19.535\u202fg')
  })

  it('counts the last gross, as drying goes on', () => {
    const lines = foldJournal([
      reading(crop, 'tare', '10.00 g'),
      reading(crop, 'gross', '15.00 g'),
      reading(crop, 'gross', '14.00 g'),
    ])
    expect(weighingOf(lines, crop).net!.value).toBeCloseTo(4, 10)
  })

  it('counts a net of a crop that was read last', () => {
    const lines = foldJournal([
      reading(crop, 'tare', '10.00 g'),
      reading(crop, 'gross', '15.00 g'),
      reading(crop, 'net', '5.02 g'),
    ])
    expect(weighingOf(lines, crop).net!.value).toBe(5.02)
    expect(weighingOf(foldJournal([reading(carbonate, 'volume', '40.0 mL')]), carbonate).net).toMatchObject({
      kind: 'volume',
      value: 40,
    })
  })

  describe('of a charge', () => {
    const weighing = (...readings: (readonly [Measure, string])[]) =>
      weighingOf(foldJournal(readings.map(([measure, value]) => reading(carbonate, measure, value))), carbonate)
    it.each([
      [
        'two nets',
        [
          ['net', '5.00 g'],
          ['net', '3.40 g'],
        ],
        8.4,
      ],
      [
        'a volume and what was added to it',
        [
          ['volume', '200 mL'],
          ['volume', '20 mL'],
        ],
        220,
      ],
      [
        'two vessels',
        [
          ['tare', '10.00 g'],
          ['gross', '15.00 g'],
          ['tare', '11.00 g'],
          ['gross', '14.40 g'],
        ],
        8.4,
      ],
      [
        'one vessel that more was put into',
        [
          ['tare', '10.00 g'],
          ['gross', '15.00 g'],
          ['gross', '18.40 g'],
        ],
        8.4,
      ],
      [
        'two bottles, weighed before and after',
        [
          ['gross', '50.0 g'],
          ['tare', '45.0 g'],
          ['gross', '45.0 g'],
          ['tare', '41.6 g'],
        ],
        8.4,
      ],
      [
        'a bottle that more was taken from',
        [
          ['gross', '50.0 g'],
          ['tare', '45.0 g'],
          ['tare', '41.6 g'],
        ],
        8.4,
      ],
      [
        'a vessel and a net',
        [
          ['tare', '10.00 g'],
          ['gross', '15.00 g'],
          ['net', '3.40 g'],
        ],
        8.4,
      ],
      [
        'a vessel whose tare was read twice',
        [
          ['tare', '9.00 g'],
          ['tare', '10.00 g'],
          ['gross', '18.40 g'],
        ],
        8.4,
      ],
    ] as [string, [Measure, string][], number][])('adds %s', (_, readings, net) => {
      expect(weighing(...readings).net!.value).toBeCloseTo(net, 10)
    })

    it('counts a corrected reading in place of the first', () => {
      const first = reading(carbonate, 'net', '5.00 g')
      const lines = foldJournal([first, reading(carbonate, 'net', '3.40 g'), correction(first, 'misread', '5.20 g')])
      expect(weighingOf(lines, carbonate).net!.value).toBeCloseTo(8.6, 10)
    })

    it('says what is still open beside what counts', () => {
      expect(weighing(['net', '5.00 g'], ['tare', '10.00 g'])).toMatchObject({
        problem: 'gross-missing',
        net: { value: 5 },
      })
    })

    it('does not add grams to millilitres', () => {
      const mixed = weighing(['volume', '20 mL'], ['net', '5.00 g'])
      expect(mixed.net).toBeUndefined()
      expect(mixed.problem).toBe('mixed-kinds')
      expect(mixed.portions).toHaveLength(2)
    })
  })

  it.each([
    [[['gross', '10 g']], 'tare-missing'],
    [[['tare', '10 g']], 'gross-missing'],
    [
      [
        ['gross', '9 g'],
        ['tare', '10 g'],
      ],
      'gross-below-tare',
    ],
    [[], undefined],
  ] as [[Measure, string][], string | undefined][])('gives no mass from %j', (readings, problem) => {
    const weighing = weighingOf(foldJournal(readings.map(([measure, value]) => reading(crop, measure, value))), crop)
    expect(weighing.net).toBeUndefined()
    expect(weighing.problem).toBe(problem)
  })

  it('keeps charges and crops apart, and adds the crops', () => {
    const second: About = { ...crop, crop: 2 }
    const lines = foldJournal([
      reading(carbonate, 'net', '8.40 g'),
      reading(crop, 'net', '9.00 g'),
      reading(second, 'net', '1.50 g'),
    ])
    expect(cropsOf(lines, 's1')).toEqual([1, 2])
    expect(productMass(lines, 's1')!.value).toBeCloseTo(10.5, 10)
    expect(productMass(lines, 's2')).toBeUndefined()
  })
})

describe('corrections', () => {
  it('leave the old entry standing beside the new value and the reason', () => {
    const slip = reading(crop, 'gross', '30.33 g')
    const lines = foldJournal([
      slip,
      correction(slip, 'digits swapped', '33.03 g'),
      correction(slip, 'no, 33.30', '33.30 g'),
    ])
    expect(lines).toHaveLength(1)
    expect(lines[0]).toMatchObject({ entry: slip, current: '33.30 g' })
    expect(lines[0]!.corrections.map(entry => entry.kind === 'correction' && entry.why)).toEqual([
      'digits swapped',
      'no, 33.30',
    ])
  })

  it('may strike an entry out, so that it no longer counts', () => {
    const wrong = reading(crop, 'net', '5 g')
    expect(weighingOf(foldJournal([wrong, correction(wrong, 'wrong vessel')]), crop).net).toBeUndefined()
  })
})

describe('checkEntry', () => {
  const kept = reading(crop, 'gross', '20 g')
  const lines = foldJournal([kept])
  it.each([
    [reading(crop, 'gross', '20 mL'), 'journal.value'],
    [reading(crop, 'volume', '20 g'), 'journal.value'],
    [reading(crop, 'gross', '-2 g'), 'journal.value'],
    [correction({ ...kept, id: 'nobody' }, 'why', '2 g'), 'journal.nothing-to-correct'],
    [correction(kept, '  ', '2 g'), 'journal.no-reason'],
    [correction(kept, 'why', 'two'), 'journal.value'],
    [{ kind: 'note', ...written(), stage: 's1', text: ' ' } as Entry, 'journal.empty'],
  ])('refuses %j', (entry, code) => {
    const checked = checkEntry(entry, lines)
    if (checked.ok) throw new Error('it was kept')
    expect(checked.problem.code).toBe(code)
    expect(explainEntry(checked.problem).fix).not.toBe('')
  })
  it('keeps readings, also of zero, and corrections of what is there', () => {
    for (const entry of [
      reading(crop, 'tare', '0.00 g'),
      correction(kept, 'misread', '21 g'),
      correction(kept, 'wrong row'),
    ])
      expect(checkEntry(entry, lines).ok).toBe(true)
  })
})
