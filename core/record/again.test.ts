import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { againOf, compareBatches, benchSheetOf, labelOf, type RecordSource } from '#core/record'
import type { Entry } from '#core/journal'

const all = demoBatches(new Date('2026-11-12T12:00:00Z'))
const batch = (code: string) => all.find(one => one.code === code)!
const sourceOf = (code: string, entries: readonly Entry[] = batch(code).entries): RecordSource => ({
  lab: 'Lowmere culture station',
  code,
  document: batch(code).document,
  journal: entries.map((entry, i) => ({ seq: i + 1, recordedAt: entry.at, entry })),
  revisions: [],
  people: {},
  tables: { substances: [], curves: [] },
})

describe('the same again', () => {
  const { document, entries } = batch('ZN-020')
  const steps = document.procedures![0]!.steps
  const base = { at: '2026-11-12T11:00:00.000Z', by: entries[0]!.by, stage: 's1' }
  const skipped: Entry = {
    ...base,
    id: '1',
    kind: 'step',
    step: steps[5]!.id,
    what: 'skipped',
    words: steps[5]!.words,
    why: 'no need',
  }
  const put: Entry = {
    ...base,
    id: '2',
    kind: 'deviation',
    step: steps[2]!.id,
    text: 'cloudy',
    steps: [{ id: 'more', do: 'stir', words: 'Stir on' }],
  }

  it('has the plan, and of the procedure what was planned or what was done', () => {
    expect(againOf(document, entries, 'planned').procedures).toEqual([{ stage: 's1', steps }])
    const done = againOf(document, [...entries, put, skipped], 'done').procedures![0]!.steps
    expect(done.map(({ id }) => id)).toEqual([
      ...steps.slice(0, 3).map(({ id }) => id),
      'more',
      ...steps
        .slice(3)
        .filter((_, i) => i !== 2)
        .map(({ id }) => id),
    ])
    expect(againOf(document, entries, 'planned').plan).toEqual(document.plan)
  })
  it('proposes anew what was only proposed, and leaves lots, worksheets and what was said behind', () => {
    const taken = {
      ...document,
      procedures: [{ stage: 's1', steps, taken: true as const }],
      record: { purpose: 'For the algae', stages: [{ stage: 's1', conclusion: 'spilled' }] },
    }
    const [reagent] = taken.plan.stages[0]!.reagents
    const lotted = {
      ...taken,
      plan: {
        stages: [
          {
            ...taken.plan.stages[0]!,
            reagents: [
              { ...reagent!, supply: { kind: 'solid' as const, assay: '99.5 %', lot: 'B-1', bottle: 'B-12' } },
            ],
          },
        ],
      },
    }
    const again = againOf(lotted, entries, 'done', 'Once more')
    expect(again).toMatchObject({ title: 'Once more', record: { purpose: 'For the algae' } })
    expect(again.record).not.toHaveProperty('stages')
    expect(again).not.toHaveProperty('procedures')
    expect(again).not.toHaveProperty('assays')
    expect(JSON.stringify(again)).not.toContain('B-1')
    expect(againOf(taken, [...entries, skipped], 'done').procedures).toHaveLength(1)
  })
})

describe('two batches side by side', () => {
  it('differ where figures lie further apart than their uncertainty, and where words do', () => {
    const { rows } = compareBatches(sourceOf('ZN-020'), sourceOf('ZN-021'))
    const row = (what: string) => rows.find(one => one.what === what)!
    // 40.06 − 30.92 = 9.14 g against 40.34 − 31.18 = 9.16 g, each to 4 mg: 20 mg apart is more than twice 6 mg.
    expect(row('{Zn}, taken')).toMatchObject({ a: '9.14\u202fg', b: '9.16\u202fg', differs: true })
    expect(row('{H2SO4}, taken').differs).toBe(false)
    expect(row('Weighed')).toMatchObject({ a: '23.29\u202fg', b: '', differs: true })
    expect(row('Equation').differs).toBe(false)
    expect(row('Stir and watch')).toMatchObject({ a: expect.stringMatching(/min/), b: 'not done', differs: true })
  })
  it('do not differ from themselves, whatever they are', () => {
    for (const { code } of all)
      expect(
        compareBatches(sourceOf(code), sourceOf(code)).rows.filter(({ differs }) => differs),
        code,
      ).toEqual([])
  })
  it('may be of other preparations, with other stages', () => {
    const { rows } = compareBatches(sourceOf('NI-014'), sourceOf('SR-001'))
    expect(rows.some(({ group }) => group.startsWith('2. '))).toBe(true)
    expect(rows.find(({ what }) => what === 'Product')).toMatchObject({ differs: true })
  })
})

describe('on paper', () => {
  it('the bench sheet has a box for each reading of every step, whatever the way', () => {
    for (const { code, document } of all) {
      const stages = benchSheetOf(sourceOf(code, []))
      expect(stages.length, code).toBe(document.plan.stages.length)
      for (const { charges, steps, equation } of stages) {
        expect(equation).toContain('→')
        expect(charges.length).toBeGreaterThan(0)
        expect(steps.length).toBeGreaterThan(2)
        for (const { words, boxes } of steps)
          if (/^(Weigh|Measure) /.test(words)) expect(boxes.length, `${code}: ${words}`).toBeGreaterThan(0)
      }
    }
  })
  it('the label says what it is, how much, and what it can hurt by; none where nothing is weighed', () => {
    expect(labelOf(sourceOf('ZN-020'))).toMatchObject({
      form: 'ZnSO4·7H2O',
      mass: '23.29\u202fg',
      statements: expect.stringMatching(/H318/),
    })
    expect(labelOf(sourceOf('ZN-021'))).toBeUndefined()
    expect(labelOf(sourceOf('LI-001'))?.keep ?? 'not weighed').toMatch(/takes up water|not weighed/)
  })
})
