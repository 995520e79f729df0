import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { foldJournal } from '#core/journal'
import { parseFormula } from '#core/formula'
import { readPlan } from '#core/sheet'
import { batchSchema, changesBetween, codePrefix, entrySchema } from '.'

const batch = {
  format: 'zip-ledger/batch',
  version: 2,
  title: 'x',
  plan: {
    stages: [
      {
        id: 's1',
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [{ species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '1 g' } }],
        product: { species: 'ZnSO4' },
      },
    ],
  },
}
const withReagent = (reagent: object) => ({
  ...batch,
  plan: { stages: [{ ...batch.plan.stages[0]!, reagents: [reagent] }] },
})

describe('the batch format', () => {
  it.each([
    ['another key', { ...batch, colour: 'blue' }],
    ['a later version', { ...batch, version: 3 }],
    [
      'two charges at once',
      withReagent({ species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '1 g', volume: '1 mL' } }),
    ],
    ['a supply of no kind', withReagent({ species: 'Zn', supply: { kind: 'magic' } })],
    ['a NUL', { ...batch, title: 'a\0b' }],
    ['half a surrogate', { ...batch, title: 'a\ud800' }],
    [
      'infinite equivalents',
      withReagent({ species: 'Zn', supply: { kind: 'solid' }, charge: { equivalents: Infinity } }),
    ],
    ['a formula of 100 kB', withReagent({ species: 'Z'.repeat(100_000), supply: { kind: 'solid' } })],
  ])('refuses %s', (_, document) => {
    expect(batchSchema.safeParse(document).success).toBe(false)
  })

  it('reads what it wrote', () => {
    const read = batchSchema.parse(JSON.parse(JSON.stringify(batch)))
    expect(read).toEqual(batch)
    expect(batchSchema.parse({ ...batch, title: 'a 😀' }).title).toBe('a 😀')
  })

  it('holds the whole demo: plans that read, entries that are kept, corrections that find their entry', () => {
    const demo = demoBatches(new Date('2026-05-04T12:00:00Z'))
    expect(demo.length).toBeGreaterThan(4)
    for (const { document, entries } of demo) {
      expect(batchSchema.safeParse(document).error).toBeUndefined()
      expect(readPlan(document.plan), document.title).toMatchObject({ ok: true })
      for (const entry of entries) expect(entrySchema.safeParse(entry).error).toBeUndefined()
      expect(foldJournal(entries).flatMap(({ corrections }) => corrections).length).toBe(
        entries.filter(({ kind }) => kind === 'correction').length,
      )
    }
  })
})

describe('procedures and assays', () => {
  const withSteps = (...steps: unknown[]) => ({ ...batch, procedures: [{ stage: 's1', steps }] })
  const wash = { id: 'a', do: 'wash', words: 'Wash {ZnSO4}' }
  it.each([
    ['a bare step', withSteps(wash)],
    [
      'a step with everything',
      withSteps({
        ...wash,
        why: 'the liquor',
        about: { what: 'product', crop: 2 },
        target: '4 mL',
        tolerance: '5 %',
        hands: '3 min',
        wait: '0 s',
        repeat: { times: 3, every: '1 min' },
        until: 'neutral',
        needs: ['vacuum', 'hood'],
      }),
    ],
    [
      'a worksheet with half a row',
      {
        ...batch,
        assays: [{ id: 'a', kind: 'hydrate', name: 'Water', given: { salt: 'CuSO4' }, rows: [{ tare: '1 g' }, {}] }],
      },
    ],
  ])('keeps %s', (_, document) => expect(batchSchema.parse(JSON.parse(JSON.stringify(document)))).toEqual(document))
  it.each([
    ['an operation that is none', withSteps({ ...wash, do: 'fly' })],
    ['equipment that is none', withSteps({ ...wash, needs: ['unicorn'] })],
    ['no repeat at all', withSteps({ ...wash, repeat: { times: 0 } })],
    ['half a portion', withSteps({ ...wash, repeat: { times: 1.5 } })],
    ['another key', withSteps({ ...wash, colour: 'blue' })],
    ['a thousand steps', withSteps(...Array.from({ length: 1000 }, (_, i) => ({ ...wash, id: `s${i}` })))],
    ['a worksheet of no kind', { ...batch, assays: [{ id: 'a', kind: 'magic', name: '', given: {}, rows: [] }] }],
    [
      'a number for a reading',
      { ...batch, assays: [{ id: 'a', kind: 'hydrate', name: '', given: {}, rows: [{ tare: 1 }] }] },
    ],
  ])('refuses %s', (_, document) => expect(batchSchema.safeParse(document).success).toBe(false))
})

describe('entries of a run', () => {
  const written = {
    id: '0c7d2f7e-0d0b-4d0f-8a51-9b6f3a4c1e02',
    at: '2026-05-04T09:00:00Z',
    by: '0c7d2f7e-0d0b-4d0f-8a51-9b6f3a4c1e02',
    stage: 's1',
  }
  const good = [
    { ...written, kind: 'step', step: 'wash-1', what: 'done', words: 'Wash' },
    { ...written, kind: 'deviation', text: 'It foams up', steps: [] },
    { ...written, kind: 'timer', timer: written.id, what: 'start', name: 'dish', seconds: 600 },
    { ...written, kind: 'timer', timer: written.id, what: 'start', name: 'portions', every: 180 },
    { ...written, kind: 'test', added: 'BaCl2', result: 'cloud' },
    { ...written, kind: 'shift', step: 'weigh-2', to: '2026-05-05T09:00:00Z' },
    { ...written, kind: 'photo', photo: 'a'.repeat(64), type: 'image/png', text: 'the dish' },
  ]
  it.each(good.map(entry => [entry.kind, entry] as const))('keeps a %s', (_, entry) =>
    expect(entrySchema.safeParse(entry).error).toBeUndefined(),
  )
  it.each([
    ['a clock that runs backwards', { ...good[2], seconds: -1 }],
    ['a clock that rings all the time', { ...good[3], every: 0 }],
    ['a picture by its path', { ...good[6], photo: '../secret' }],
    ['a picture that is a page', { ...good[6], type: 'text/html' }],
    ['a time that is none', { ...good[5], to: 'Thursday' }],
    ['a step without a name', { ...good[0], step: '' }],
  ])('refuses %s', (_, entry) => expect(entrySchema.safeParse(entry).success).toBe(false))
})

describe('changesBetween', () => {
  it('names each place that differs, with the texts there and here', () => {
    const other = withReagent({ species: 'Zn', supply: { kind: 'solid', assay: '99 %' }, charge: { volume: '2 mL' } })
    expect(changesBetween(batch, other)).toEqual([
      { path: ['plan', 'stages', '0', 'reagents', '0', 'supply', 'assay'], before: undefined, after: '99 %' },
      { path: ['plan', 'stages', '0', 'reagents', '0', 'charge', 'mass'], before: '1 g', after: undefined },
      { path: ['plan', 'stages', '0', 'reagents', '0', 'charge', 'volume'], before: undefined, after: '2 mL' },
    ])
    expect(changesBetween(batch, structuredClone(batch))).toEqual([])
  })
})

it.each([
  ['CoCl2.6H2O', 'CO'],
  ['K2[Cu(C2O4)2]', 'CU'],
  ['Na2MoO4', 'MO'],
  ['(NH4)2Ni(SO4)2', 'NI'],
  ['LiCl', 'LI'],
  ['KIO3', 'K'],
  ['KAl(SO4)2', 'AL'],
  ['NH4Cl', 'CL'],
])('codes %s as %s', (text, prefix) => {
  const read = parseFormula(text)
  expect(read.ok && codePrefix(read.value)).toBe(prefix)
})
