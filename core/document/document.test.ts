import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { foldJournal } from '#core/journal'
import { parseFormula } from '#core/formula'
import { readPlan } from '#core/sheet'
import { batchSchema, changesBetween, codePrefix, entrySchema } from '.'

const batch = {
  format: 'zip-ledger/batch',
  version: 1,
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
    ['a later version', { ...batch, version: 2 }],
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
])('codes %s as %s', (text, prefix) => {
  const read = parseFormula(text)
  expect(read.ok && codePrefix(read.value)).toBe(prefix)
})
