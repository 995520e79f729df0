import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldJournal, type Entry } from '#core/journal'
import { given, standardUncertainty } from '#core/quantity'
import {
  agedOf,
  bottlesFromTable,
  balanceOf,
  factSchema,
  holdingOf,
  labelSchema,
  notMeant,
  supplyFrom,
  takenBy,
  warningsOf,
  type BottleFact,
  type Label,
  type Taken,
} from '#core/shelf'

const BY = '00000000-0000-4000-8000-000000000001'
let count = 0
/** A fact on a day of November, in the order in which it is written here. */
function fact(day: number, rest: object): BottleFact {
  count += 1
  const id = `00000000-0000-4000-8000-${String(count).padStart(12, '0')}`
  return factSchema.parse({ id, at: `2026-11-${String(day).padStart(2, '0')}T09:00:00Z`, by: BY, ...rest })
}
const caustic: Label = labelSchema.parse({
  formula: 'KOH',
  comes: { kind: 'solid', assay: '87 ± 2 %' },
  known: 'label',
  lot: 'K-2231',
  place: 'Cabinet 2',
  received: '2026-05-02',
  empty: '238.1 g',
})
const grams = (amount: number, day: number): Taken => ({
  batch: 'NI-013',
  stage: 's1',
  species: 'KOH',
  at: `2026-11-${String(day).padStart(2, '0')}T09:00:00Z`,
  amount: given(amount, 'mass', 'mass', { source: `draw ${day}`, uncertainty: 0.01 }),
})

describe('what a bottle holds', () => {
  /* On paper: 500 g came; 12.35 g went on the 3rd and 8.10 g, by a batch, on the 5th: 479.55 g. */
  it('is what came, less what went', () => {
    const facts = [fact(1, { kind: 'came', amount: '500 g' }), fact(3, { kind: 'drawn', amount: '12.35 g' })]
    const { amount, unit, lines } = holdingOf(caustic, facts, [grams(8.1, 5)])
    expect(unit).toBe('g')
    expect(amount!.value).toBeCloseTo(479.55, 10)
    // The label's last digit 1/√12, the balance's 0.01/√12 and 0.01, in quadrature.
    expect(standardUncertainty(amount!)).toBeCloseTo(Math.hypot(1 / Math.sqrt(12), 0.01 / Math.sqrt(12), 0.01), 6)
    expect(lines.map(({ after }) => after?.value)).toEqual([500, 487.65, expect.closeTo(479.55, 10)])
  })

  /* Weighed full on the 7th: 712.4 g less 238.1 g is 474.3 g, whatever was thought before; then 4.3 g go: 470.0 g. */
  it('is set anew by weighing the bottle, and only the weighing’s uncertainty is left', () => {
    const facts = [
      fact(1, { kind: 'came', amount: '500 g' }),
      fact(7, { kind: 'weighed', gross: '712.4 g' }),
      fact(9, { kind: 'drawn', amount: '4.30 g' }),
    ]
    const { amount } = holdingOf(caustic, facts, [grams(8.1, 5)])
    expect(amount!.value).toBeCloseTo(470.0, 10)
    const d = 0.1 / Math.sqrt(12)
    expect(standardUncertainty(amount!)).toBeCloseTo(Math.hypot(d, d, 0.01 / Math.sqrt(12)), 6)
  })

  it('follows a correction, and keeps what was corrected', () => {
    const came = fact(1, { kind: 'came', amount: '500 g' })
    const drawn = fact(3, { kind: 'drawn', amount: '12.35 g' })
    const wrong = fact(4, { kind: 'correction', corrects: drawn.id, why: 'misread', instead: '21.35 g' })
    const corrected = holdingOf(caustic, [came, drawn, wrong])
    expect(corrected.amount!.value).toBeCloseTo(478.65, 10)
    expect(corrected.lines[1]).toMatchObject({ isStruck: false, corrections: [{ why: 'misread' }] })
    const struck = holdingOf(caustic, [
      came,
      drawn,
      fact(4, { kind: 'correction', corrects: drawn.id, why: 'not ours' }),
    ])
    expect(struck.amount!.value).toBe(500)
    expect(struck.lines[1]).toMatchObject({ isStruck: true, after: { value: 500 } })
  })

  /* 1.00 L of ammonia of 0.910 g/mL; 45.5 g weighed out are 50.0 mL: 950 mL. */
  it('brings mass and volume over by the density, and leaves what it cannot bring', () => {
    const ammonia: Label = labelSchema.parse({
      formula: 'NH3',
      comes: { kind: 'solution', concentration: '25 % w/w', density: '0.910 g/mL' },
      known: 'label',
    })
    const facts = [fact(1, { kind: 'came', amount: '1.00 L' }), fact(2, { kind: 'drawn', amount: '45.5 g' })]
    const { amount, unit } = holdingOf(ammonia, facts)
    expect(unit).toBe('mL')
    expect(amount!.value).toBeCloseTo(950, 6)
    const unknown = holdingOf({ ...ammonia, comes: { kind: 'solution', concentration: '25 % w/w' } }, facts)
    expect(unknown.amount!.value).toBe(1000)
    expect(unknown.lines[1]!.problem).toBe('no-density')
  })

  it('is told to be unknown while nobody said how much there is, and says why a fact counts for nothing', () => {
    expect(holdingOf(caustic, [], [grams(8, 5)]).amount).toBeUndefined()
    const { empty: _, ...bare } = caustic
    const came = fact(1, { kind: 'came', amount: '100 g' })
    expect(holdingOf(bare, [came, fact(2, { kind: 'weighed', gross: '300 g' })]).lines[1]!.problem).toBe(
      'no-empty-mass',
    )
    expect(holdingOf(caustic, [came, fact(2, { kind: 'weighed', gross: '200 g' })]).lines[1]!.problem).toBe(
      'below-empty',
    )
    expect(holdingOf(caustic, [came, fact(2, { kind: 'drawn', amount: 'a spoon' })]).lines[1]!.problem).toBe(
      'unreadable',
    )
  })

  it('knows when it was opened, where it stands, how strong it was found and that it is empty', () => {
    const facts = [
      fact(1, { kind: 'came', amount: '500 g' }),
      fact(2, { kind: 'opened' }),
      fact(3, { kind: 'moved', place: 'Glove box' }),
      fact(4, { kind: 'strength', comes: { kind: 'solid', assay: '84.1 ± 0.3 %' }, known: 'titration' }),
      fact(6, { kind: 'opened' }),
      fact(8, { kind: 'emptied' }),
    ]
    expect(holdingOf(caustic, facts)).toMatchObject({
      opened: '2026-11-02',
      place: 'Glove box',
      comes: { assay: '84.1 ± 0.3 %' },
      known: 'titration',
      strengthAt: '2026-11-04',
      isEmpty: true,
      amount: { value: 0 },
    })
    expect(holdingOf(caustic, [...facts, fact(9, { kind: 'came', amount: '250 g' })])).toMatchObject({
      isEmpty: false,
      amount: { value: 250 },
    })
  })

  it('is the same in whatever order facts came in, and adds up', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ day: fc.integer({ min: 2, max: 28 }), tenths: fc.integer({ min: 1, max: 90 }) }), {
          maxLength: 20,
        }),
        all => {
          const came = fact(1, { kind: 'came', amount: '500.0 g' })
          const draws = all.map(({ day, tenths }) =>
            fact(day, { kind: 'drawn', amount: `${(tenths / 10).toFixed(1)} g` }),
          )
          const sum = all.reduce((left, { tenths }) => left - tenths / 10, 500)
          const forth = balanceOf(holdingOf(caustic, [came, ...draws]))!
          const back = balanceOf(holdingOf(caustic, [...draws].reverse().concat(came)))!
          expect(forth.value).toBeCloseTo(sum, 9)
          expect(back.value).toBeCloseTo(forth.value, 9)
          expect(back.uncertainty).toBeCloseTo(forth.uncertainty, 9)
        },
      ),
    )
  })
})

describe('what a batch took', () => {
  let n = 0
  const reading = (value: string, bottle: string | undefined, measure = 'net', species = 'KOH'): Entry => ({
    id: `00000000-0000-4000-8000-${String((n += 1)).padStart(12, '0')}`,
    at: `2026-11-05T09:${String(n % 60).padStart(2, '0')}:00Z`,
    by: BY,
    kind: 'reading',
    about: { what: 'charge', stage: 's1', species },
    measure: measure as 'net',
    value,
    typed: true,
    ...(bottle !== undefined && { bottle }),
  })
  const gramsOf = (entries: readonly Entry[]): Record<string, number> =>
    Object.fromEntries(
      [...takenBy('NI-013', foldJournal(entries))].map(([bottle, all]) => [
        bottle,
        Number(all.reduce((whole, { amount }) => whole + amount.value, 0).toFixed(6)),
      ]),
    )

  /* The first bottle gives 6.10 g and is empty; 2.05 g come from the second, weighed as 34.17 g less the dish’s 32.12 g. */
  it('is told bottle by bottle, where one runs out and another is taken', () => {
    const entries = [
      reading('6.10 g', 'B-007'),
      reading('32.12 g', 'B-008', 'tare'),
      reading('34.17 g', 'B-008', 'gross'),
      reading('9.99 g', undefined),
    ]
    expect(gramsOf(entries)).toEqual({ 'B-007': 6.1, 'B-008': 2.05 })
  })
  it('follows the journal’s corrections', () => {
    const first = reading('6.10 g', 'B-007')
    const correction = (instead?: string): Entry => ({
      id: '00000000-0000-4000-8000-0000000000cc',
      at: '2026-11-05T10:00:00Z',
      by: BY,
      kind: 'correction',
      corrects: first.id,
      why: 'digits exchanged',
      ...(instead !== undefined && { instead }),
    })
    expect(gramsOf([first, correction('6.01 g')])).toEqual({ 'B-007': 6.01 })
    expect(gramsOf([first, correction()])).toEqual({})
  })
  it('is nothing while a weighing is only half done', () => {
    expect(gramsOf([reading('32.12 g', 'B-008', 'tare')])).toEqual({})
  })
})

describe('what ages', () => {
  /*
   * On paper: bleach of 12 % w/w, 60 days closed at half of it a year and 30 in use at 0.7: k·t = (0.5·60 + 0.7·30)/365.25
   * = 0.1396, e^−0.1396 = 0.870, 10.4 %. As uncertain as what was lost (0.130 of 0.870, 15.0 %), with the label's digit (0.29 of 12): 1.6 %.
   */
  it('is today what it was, less what goes by common practice', () => {
    const aged = agedOf(
      'NaClO',
      { kind: 'solution', concentration: '12 % w/w' },
      { since: '2026-08-01', opened: '2026-09-30' },
      '2026-10-30',
    )!
    expect(aged.left).toBeCloseTo(0.8697, 4)
    expect(aged.comes).toEqual({ kind: 'solution', concentration: '10.4 ± 1.6 % w/w' })
    expect(aged.days).toBe(90)
  })
  it('keeps an assay’s own uncertainty', () => {
    const aged = agedOf(
      'KOH',
      { kind: 'solid', assay: '87 ± 2 %' },
      { since: '2026-05-02', opened: '2026-05-12' },
      '2026-11-12',
    )!
    // 184 days in use at 0.03, ten closed at 0.005: left 0.98484, 85.7 %; 2.0 ⊕ 1.3.
    expect(aged.comes).toEqual({ kind: 'solid', assay: '85.7 ± 2.4 %' })
    expect(aged.how).toContain('carbon dioxide')
  })
  it('is not told of what keeps, of what has no date, or within a moment', () => {
    expect(agedOf('NaCl', { kind: 'solid' }, { since: '2001-01-01' }, '2026-11-12')).toBeUndefined()
    expect(agedOf('KOH', { kind: 'solid' }, {}, '2026-11-12')).toBeUndefined()
    expect(agedOf('KOH', { kind: 'solid' }, { since: '2026-11-10' }, '2026-11-12')).toBeUndefined()
    expect(agedOf('KOH', { kind: 'solid', assay: 'pure' }, { since: '2020-11-10' }, '2026-11-12')).toBeUndefined()
  })
  it('is told by charges and by what water dissolves, not by letters', () => {
    const ages = (formula: string): boolean =>
      agedOf(formula, { kind: 'solid' }, { since: '2020-01-01', opened: '2020-01-01' }, '2026-11-12') !== undefined
    const yes = ['NaOH', 'KOH', 'Na2SO3', 'Na2S', 'SnCl2', 'SnCl2·2H2O', 'NaNO2', 'CaO', 'Na2S2O4']
    const no = ['Cu(OH)2', 'CuCO3·Cu(OH)2', 'Sn', 'SnCl4', 'S', 'SO3', 'ZnS', 'Na2SO4', 'NaCl', 'Zn']
    expect(yes.filter(one => !ages(one))).toEqual([])
    expect(no.filter(ages)).toEqual([])
  })
  it('never gains strength, and loses the more the longer it is in use', () => {
    fc.assert(
      fc.property(fc.integer({ min: 30, max: 3000 }), fc.integer({ min: 0, max: 3000 }), (days, open) => {
        const at = (n: number): string => new Date(Date.UTC(2020, 0, 1) + n * 86_400_000).toISOString().slice(0, 10)
        const closed = agedOf('H2O2', { kind: 'solution', concentration: '30 % w/w' }, { since: at(0) }, at(days))
        const inUse = agedOf(
          'H2O2',
          { kind: 'solution', concentration: '30 % w/w' },
          { since: at(0), opened: at(Math.min(open, days)) },
          at(days),
        )
        expect(closed!.left).toBeLessThan(1)
        expect(inUse!.left).toBeLessThanOrEqual(closed!.left)
      }),
    )
  })
})

describe('bottles from a table', () => {
  it('are read row by row, in the table’s own order where it names its columns', () => {
    const plain = bottlesFromTable([
      ['KOH', '500 g', '87 ± 2 %', 'K-2231', 'Cabinet 2'],
      ['', ''],
      ['hydrochloric acid', '2.5 L', '37 % w/w', '', 'Acids'],
      ['CuSO4.5H2O'],
    ])
    expect(plain).toMatchObject({
      ok: true,
      bottles: [
        {
          label: { formula: 'KOH', comes: { kind: 'solid', assay: '87 ± 2 %' }, lot: 'K-2231', place: 'Cabinet 2' },
          amount: '500 g',
        },
        { label: { formula: 'HCl', comes: { kind: 'solution', concentration: '37 % w/w' }, place: 'Acids' } },
        { label: { formula: 'CuSO4·5H2O', comes: { kind: 'solid' } } },
      ],
    })
    const named = bottlesFromTable([
      ['Location', 'Substance', 'Concentration'],
      ['Shelf 3', 'H2SO4', '2.00 mol/L'],
    ])
    expect(named).toMatchObject({
      ok: true,
      bottles: [
        { label: { formula: 'H2SO4', comes: { kind: 'solution', concentration: '2.00 mol/L' }, place: 'Shelf 3' } },
      ],
    })
  })
  it('are refused whole, with the place of each cell that cannot be used', () => {
    const read = bottlesFromTable([
      ['KOH', 'a jar', '87 %'],
      ['Xq7', '5 g', 'strong'],
      ['NaOH', '5 g', '97 %'],
    ])
    expect(read.ok ? [] : read.problems.map(({ line, column }) => [line, column])).toEqual([
      [1, 2],
      [2, 1],
      [2, 3],
    ])
  })
})

describe('what a bottle is worth a look for', () => {
  const standing = { label: { ...caustic, low: '50 g', expires: '2026-12-01' }, comes: caustic.comes, isEmpty: false }
  it('is that it is low, that it expires, and that it aged since its strength was known', () => {
    expect(warningsOf({ ...standing, amount: 49 }, '2026-11-12')).toMatchObject({
      isLow: true,
      isExpired: false,
      expiresIn: 19,
    })
    expect(warningsOf({ ...standing, amount: 51 }, '2026-12-02')).toMatchObject({ isLow: false, isExpired: true })
    const opened = { ...standing, amount: 51, opened: '2026-05-12' }
    expect(warningsOf(opened, '2026-11-12').aged?.comes).toMatchObject({ assay: '85.7 ± 2.4 %' })
    expect(warningsOf({ ...opened, strengthAt: '2026-11-11' }, '2026-11-12').aged).toBeUndefined()
    expect(warningsOf({ ...opened, isEmpty: true }, '2026-11-12').aged).toBeUndefined()
  })
})

describe('a reagent out of a bottle', () => {
  const bottle = (formula: string, comes: object, more: object = {}) => {
    const label = labelSchema.parse({ formula, comes, known: 'label', ...more })
    return { code: 'B-012', label, comes: label.comes }
  }
  const TODAY = '2026-11-12'
  it('has the bottle’s form, strength and lot, and its code', () => {
    expect(
      supplyFrom(bottle('NiSO4·6H2O', { kind: 'solid', assay: '99 %' }, { lot: 'NI-77' }), 'NiSO4', TODAY),
    ).toEqual({
      isEstimate: false,
      supply: { kind: 'solid', formula: 'NiSO4·6H2O', assay: '99 %', lot: 'NI-77', bottle: 'B-012' },
    })
    expect(
      supplyFrom(bottle('H2SO4', { kind: 'solution', concentration: '2.00 mol/L' }), 'H2SO4', TODAY)?.supply,
    ).toEqual({
      kind: 'solution',
      concentration: '2.00 mol/L',
      bottle: 'B-012',
    })
  })
  it('has today’s estimate where it ages', () => {
    const aged = {
      ...bottle('KOH', { kind: 'solid', assay: '87 ± 2 %' }, { received: '2026-05-02' }),
      opened: '2026-05-12',
    }
    expect(supplyFrom(aged, 'KOH', TODAY)).toMatchObject({ isEstimate: true, supply: { assay: '85.7 ± 2.4 %' } })
  })
  it('is not made of something else', () => {
    expect(supplyFrom(bottle('NaOH', { kind: 'solid' }), 'KOH', TODAY)).toBeUndefined()
    expect(supplyFrom(bottle('CuSO4·5H2O', { kind: 'solid' }), 'CuO', TODAY)).toBeUndefined()
  })
  it('is caught where the wrong bottle is taken, and says what is wrong with it', () => {
    const plain = { kind: 'solid' } as const
    expect(notMeant(bottle('KOH', plain), 'KOH', plain)).toBeUndefined()
    expect(notMeant(bottle('NaOH', plain), 'KOH', plain)).toBe('B-012 holds {NaOH}; the plan means {KOH}.')
    expect(notMeant(bottle('CoCl2·6H2O', plain), 'CoCl2', plain)).toContain('another form of it')
    expect(notMeant(bottle('CoCl2·6H2O', plain), 'CoCl2', { kind: 'solid', formula: 'CoCl2.6H2O' })).toBeUndefined()
    const acid = { kind: 'solution', concentration: '2.00 mol/L' } as const
    expect(notMeant(bottle('H2SO4', { kind: 'solution', concentration: '1.00 mol/L' }), 'H2SO4', acid)).toContain(
      '1.00 mol/L',
    )
    expect(notMeant(bottle('KOH', plain), 'KOH', acid)).toContain('is a solid')
  })
})
