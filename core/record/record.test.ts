import { describe, expect, it } from 'vitest'
import type { BatchDocument } from '#core/document'
import type { Entry } from '#core/journal'
import type { StagePlan } from '#core/sheet'
import { openIn, plainText, recordOf, type RecordPage, type RecordSource } from '#core/record'

const MOSS = '00000000-0000-4000-8000-0000000000a1'
const FERN = '00000000-0000-4000-8000-0000000000a2'
let made = 0
const entry = (minute: number, rest: object, by = MOSS): Entry =>
  ({
    id: `00000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 10, 12, 8, minute)).toISOString(),
    by,
    ...rest,
  }) as Entry
const read = (minute: number, about: object, measure: string, value: string): Entry =>
  entry(minute, { kind: 'reading', about, measure, value, typed: false, instrument: 'Balance 2' })
const said = (minute: number, kind: string, rest: object): Entry => entry(minute, { kind, stage: 's1', ...rest })

const cobalt: StagePlan = {
  id: 's1',
  equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
  reagents: [
    { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %', lot: 'B-114' }, charge: { mass: '8.40 g' } },
    { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
  ],
  product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
  yield: '85 %',
}
const documentOf = (stage: StagePlan, rest: Partial<BatchDocument> = {}): BatchDocument => ({
  format: 'zip-ledger/batch',
  version: 2,
  title: 'Cobalt chloride',
  plan: { stages: [stage] },
  ...rest,
})
const charge = (species: string) => ({ what: 'charge', stage: 's1', species })
const crop = { what: 'product', stage: 's1', crop: 1 }
const recordFor = (document: BatchDocument, entries: readonly Entry[], more: Partial<RecordSource> = {}): RecordPage =>
  recordOf({
    lab: 'A lab',
    code: 'CO-001',
    document,
    journal: entries.map((one, i) => ({ seq: i + 1, recordedAt: one.at, entry: one })),
    revisions: [],
    people: { [MOSS]: 'Moss Teal', [FERN]: 'Fern Sedge' },
    tables: { substances: [], curves: [] },
    ...more,
  })
const part = (page: RecordPage, id: string) => page.sections.find(section => section.id === id)
const lines = (page: RecordPage, id: string): string[] =>
  (part(page, id)?.blocks ?? []).flatMap(block =>
    block.is === 'table'
      ? block.rows.map(row => row.map(plainText).join(' | '))
      : block.is === 'chart'
        ? [block.caption]
        : [plainText(block.words)],
  )

describe('a preparation worked on paper first', () => {
  // Cobalt carbonate: 33.03 − 24.61 = 8.42 g; × 0.97 ÷ 118.94 g/mol = 68.67 mmol. Acid: 40.0 mL × 3.00 mol/L = 120 mmol, enough for 60.0 mmol, so it limits.
  // 60.0 mmol × 237.92 g/mol = 14.275 g; 53.30 − 41.27 = 12.03 g; 12.03 ÷ 14.275 = 84.27 %.
  const slip = read(1, charge('CoCO3'), 'gross', '30.33 g')
  const entries = [
    read(0, charge('CoCO3'), 'tare', '24.61 g'),
    slip,
    entry(3, { kind: 'correction', corrects: slip.id, why: 'digits swapped', instead: '33.03 g' }, FERN),
    entry(4, { kind: 'reading', about: charge('HCl'), measure: 'volume', value: '40.0 mL', typed: true }),
    said(5, 'observation', { text: 'It fizzes' }),
    read(300, crop, 'tare', '41.27 g'),
    read(310, crop, 'gross', '54.10 g'),
    read(420, crop, 'gross', '53.31 g'),
    read(540, crop, 'gross', '53.30 g'),
  ]
  const page = recordFor(documentOf(cobalt, { record: { form: 'long' } }), entries)

  it('tells what went in with its lot, its amount as read, its uncertainty and its instrument', () => {
    const [solid, acid] = lines(page, 'materials')
    expect(solid).toMatch(
      /^CoCO3, 97 % \| B-114 \| 8\.40\sg \| 8\.42\sg \| 4\.1\smg \| 68\.7\smmol \| 1\.14\d \| Balance 2$/,
    )
    expect(acid).toMatch(
      /^HCl, 3\.00 mol\/L \(limits\) \|  \| 40\.0\smL \| 40\.0\smL \| 0\.029\smL \| 120\.0\smmol \| 1 \| typed$/,
    )
  })
  it('names the bottles that it was really taken from, and the lot only of the one that the plan means', () => {
    const from = (minute: number, value: string, bottle: string): Entry =>
      ({ ...read(minute, charge('CoCO3'), 'net', value), bottle }) as Entry
    const planned = (bottle: string) =>
      documentOf({
        ...cobalt,
        reagents: cobalt.reagents.map(one =>
          one.supply.kind === 'solid' ? { ...one, supply: { ...one.supply, bottle } } : one,
        ),
      })
    const told = (bottle: string, entries: readonly Entry[]): string =>
      lines(recordFor(planned(bottle), entries), 'materials')[0]!.split(' | ')[1]!
    expect(told('B-003', [])).toBe('B-003, B-114')
    expect(told('B-003', [from(1, '8.42 g', 'B-003')])).toBe('B-003, B-114')
    expect(told('B-003', [from(1, '6.00 g', 'B-003'), from(2, '2.42 g', 'B-009')])).toBe('B-003, B-009')
  })
  it('tells the result with its uncertainty, and its arithmetic from the readings', () => {
    expect(lines(page, 'result')[0]).toMatch(
      /^12\.03\sg of CoCl2·6H2O, 84\.3 ± 0\.1 % \(standard uncertainty\) of 14\.28\sg\.$/,
    )
    const working = lines(page, 'working').join('\n')
    expect(working).toMatch(/53\.30\sg − 41\.27\sg \| 12\.03\sg/)
    expect(working).toMatch(/40\.0\smL × 3\.00\smol\/L \| 120\.00\smmol/)
    expect(working).toMatch(/12\.03\sg ÷ 14\.275\sg \| 84\.3\s%/)
  })
  it('strikes through what was corrected, with why, by whom and when, wherever it is told', () => {
    for (const id of ['done', 'journal']) {
      const block = part(page, id)!.blocks.flatMap(one =>
        one.is === 'table' ? one.rows.flat(2) : one.is === 'words' ? [...one.words] : [],
      )
      const at = block.findIndex(run => typeof run === 'object' && run.as === 'struck' && run.text === '30.33 g')
      expect(at, id).toBeGreaterThanOrEqual(0)
      expect(plainText(block.slice(at, at + 8)), id).toMatch(
        /^30\.33 g \(digits swapped; Fern Sedge, 2026-11-12T08:03:00\.000Z\) 33\.03 g/,
      )
    }
  })
  it('tells the drying, and that it was constant only where it was', () => {
    expect(lines(page, 'drying').join('\n')).toMatch(/Weighed 3 times while it dried: constant\./)
    const falling = recordFor(documentOf(cobalt), entries.slice(0, -1))
    expect(lines(falling, 'drying').join('\n')).toMatch(/its mass was still falling/)
    expect(openIn(falling).map(({ text }) => text)).toContain(
      'crop 1 is not shown to be constant: its mass was still falling.',
    )
  })
  it('says what a net is at the time at which it was weighed, not what it came to later', () => {
    const weighed = lines(page, 'done').filter(line => line.includes('crop 1'))
    expect(weighed.join('\n')).toMatch(/gross 54\.10 g.*12\.0\d\sg net/s)
    const early = recordFor(documentOf(cobalt), entries.slice(0, 7))
    expect(lines(early, 'done').join('\n')).toMatch(/gross 54\.10 g: 12\.83\sg net/)
  })
  it('has every entry in its long form, none of the journal in its short one', () => {
    expect(lines(page, 'journal')).toHaveLength(entries.length - 1)
    const short = recordFor(documentOf(cobalt), entries)
    expect(short.sections.map(({ id }) => id)).not.toContain('journal')
    expect(short.sections.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['purpose', 'plan', 'materials', 'done', 'result', 'cautions']),
    )
    const chosen = recordFor(
      documentOf(cobalt, { record: { form: 'long', without: ['cautions', 'journal', 'result'] } }),
      entries,
    )
    expect(part(chosen, 'cautions')).toBeUndefined()
    expect(part(chosen, 'journal')).toBeUndefined()
    // What came of it is no matter of choice.
    expect(part(chosen, 'result')).toBeDefined()
  })
  it('closes the ledger of the elements, or says by how much it does not', () => {
    const rows = lines(page, 'ledger')
    expect(rows.map(row => row.split(' | ')[0])).toEqual(['Co', 'C', 'Cl'])
    expect(rows[0]).toMatch(/^Co \| 68\.67 \| CoCO3 68\.67 \| crystals 50\.56/)
  })
})

describe('what stands open', () => {
  it('is told in its place: purpose, lots, what nobody read, what nobody weighed', () => {
    const { supply, ...rest } = cobalt.reagents[0]!
    const noLot = {
      ...cobalt,
      reagents: [{ ...rest, supply: { kind: 'solid' as const, assay: '97 %' } }, cobalt.reagents[1]!],
    }
    expect(supply).toBeDefined()
    const page = recordFor(documentOf(noLot), [read(0, charge('CoCO3'), 'net', '8.41 g')])
    expect(openIn(page)).toEqual([
      { section: 'purpose', text: 'What it is for is not said.' },
      { section: 'materials', text: 'planned, not read' },
      { section: 'materials', text: 'No lot or bottle is named.' },
      { section: 'result', text: 'The product is not weighed.' },
    ])
    expect(lines(recordFor(documentOf(noLot), []), 'done')).toEqual(['Nothing was recorded yet.'])
  })
  it('is settled by what the chemist says', () => {
    const weak = [
      read(0, charge('CoCO3'), 'net', '8.41 g'),
      entry(1, { kind: 'reading', about: charge('HCl'), measure: 'volume', value: '40.0 mL', typed: true }),
      read(300, crop, 'net', '8.00 g'),
    ]
    const open = recordFor(documentOf(cobalt), weak)
    expect(openIn(open).some(({ text }) => text.startsWith('Not settled: 4.13'))).toBe(true)
    const settled = recordFor(
      documentOf(cobalt, {
        record: {
          purpose: 'For the algae',
          stages: [{ stage: 's1', conclusion: 'A third was spilled.', treated: 'With carbonate.' }],
        },
      }),
      weak,
    )
    // What the elements leave open is a fact, and no matter of judgement.
    expect(openIn(settled).map(({ section }) => section)).toEqual(['ledger', 'ledger'])
    expect(lines(settled, 'result').join('\n')).toContain('The chemist’s judgement: A third was spilled.')
    expect(lines(settled, 'residues').join('\n')).toContain('Treated: With carbonate.')
  })
  it('says why a plan cannot be understood, and tells the journal all the same', () => {
    const broken = documentOf({ ...cobalt, equation: 'CoCO3 + HCl -> NaCl' })
    const page = recordFor(broken, [said(0, 'note', { text: 'A note' })])
    expect(lines(page, 'purpose').join('\n')).toMatch(/The plan cannot be understood/)
    expect(lines(page, 'done').join('\n')).toContain('A note')
  })
})

describe('changes of the plan once something was recorded', () => {
  const wider: StagePlan = { ...cobalt, yield: '80 %' }
  const entries = [read(0, charge('CoCO3'), 'net', '8.41 g'), said(30, 'note', { text: 'later' })]
  const revisions = [
    { number: 3, at: '2026-11-12T07:00:00.000Z', by: MOSS, afterSeq: 0, document: documentOf(cobalt) },
    { number: 4, at: '2026-11-12T08:10:00.000Z', by: FERN, afterSeq: 1, document: documentOf(wider) },
  ]
  it('are told with what stood before, by whom, and why', () => {
    const page = recordFor(documentOf(wider), entries, { revisions })
    expect(lines(page, 'plan').at(-1)).toBe(
      'Changed by Fern Sedge (revision 4, after entry 1): stages 1, yield 85 % 80 %. Why is not said.',
    )
    const why = recordFor(
      documentOf(wider, { record: { changes: [{ id: '4', why: 'The wash will take more.' }] } }),
      entries,
      { revisions },
    )
    expect(lines(why, 'plan').at(-1)).toContain('Because: The wash will take more.')
    expect(openIn(why).some(({ section }) => section === 'plan')).toBe(false)
  })
  it('are none where the plan stood before anything was recorded', () => {
    const before = [revisions[0]!, { ...revisions[1]!, afterSeq: 0, at: '2026-11-12T07:30:00.000Z' }]
    expect(lines(recordFor(documentOf(wider), entries, { revisions: before }), 'plan').at(-1)).toMatch(
      /revision 4\), and not changed since/,
    )
  })
})

describe('a run that did not go as planned', () => {
  // Barium carbonate thrown down from the chloride: 12.21 g of BaCl2·2H2O ÷ 244.26 g/mol = 49.99 mmol; × 197.34 g/mol = 9.864 g; 9.61 ÷ 9.864 = 97.42 %.
  const barium: StagePlan = {
    id: 's1',
    equation: 'BaCl2 + K2CO3 -> BaCO3 + KCl',
    reagents: [
      { species: 'BaCl2', supply: { kind: 'solid', formula: 'BaCl2·2H2O' }, charge: { mass: '12.21 g' } },
      { species: 'K2CO3', supply: { kind: 'solid' }, charge: { excess: '5 %' } },
    ],
    product: { species: 'BaCO3' },
  }
  const step = { id: 'x1', do: 'stir', words: 'Warm it again' }
  const lost = said(20, 'observation', { text: 'wrong beaker' })
  const page = recordFor(documentOf(barium, { record: { form: 'long' } }), [
    read(0, charge('BaCl2'), 'net', '12.21 g'),
    read(2, charge('K2CO3'), 'net', '7.30 g'),
    said(10, 'step', { step: 'cold', what: 'skipped', words: 'Let it cool', why: 'no time' }),
    said(12, 'deviation', { text: 'It stayed cloudy', steps: [step] }),
    said(15, 'step', { step: 'x1', what: 'done', words: 'Warm it again' }),
    lost,
    entry(21, { kind: 'correction', corrects: lost.id, why: 'not this batch' }),
    read(22, { what: 'addition', stage: 's1', step: 'x1', species: 'K2CO3' }, 'net', '0.50 g'),
    ...Array.from({ length: 20 }, (_, i) =>
      read(30 + i, { what: 'pot', stage: 's1' }, 'temperature', `${60 + i}.0 °C`),
    ),
    said(60, 'photo', { photo: 'a'.repeat(64), type: 'image/jpeg', text: 'The cake' }),
    read(90, crop, 'net', '9.61 g'),
  ])
  const text = lines(page, 'done').join('\n')

  it('says what was left out and why, what was put in, what was struck out, and what was added', () => {
    expect(text).toContain('Left out: Let it cool, because no time')
    expect(text).toContain('Not as planned: It stayed cloudy')
    expect(text).toContain('Warm it again (put in at the bench)')
    expect(text).toMatch(/wrong beaker \(not this batch; Moss Teal, .*\) struck out/)
    expect(lines(page, 'materials').join('\n')).toMatch(/In it, put in besides: K2CO3, 0\.50\sg\./)
  })
  it('tells many readings by their range, and each of them in the journal', () => {
    expect(text).toContain('temperature 60.0 °C to 79.0 °C in 20 readings')
    expect(lines(page, 'journal').filter(line => line.includes('temperature of the pot'))).toHaveLength(20)
  })
  it('shows its photos, and the yield of 9.61 of 9.864 g', () => {
    expect(part(page, 'photos')!.blocks).toMatchObject([{ is: 'photo', sha256: 'a'.repeat(64) }])
    expect(lines(page, 'result')[0]).toMatch(/^9\.61\sg of BaCO3, 97\.42 ± 0\.\d+ % .*of 9\.864\sg/)
  })
  it('gives every block a name of its own', () => {
    const ids = page.sections.flatMap(({ blocks }) => blocks.map(({ id }) => id))
    expect(new Set(ids).size).toBe(ids.length)
  })
})
