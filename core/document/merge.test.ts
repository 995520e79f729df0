import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isSame, merge, withTheirs } from '.'

const base = {
  title: 'Zinc sulfate',
  plan: {
    stages: [
      {
        id: 's1',
        reagents: [
          { species: 'Zn', charge: { mass: '5 g' } },
          { species: 'H2SO4', charge: { equivalents: 1 } },
        ],
        solvent: '20 mL',
      },
    ],
  },
} as const

type Doc = Record<string, unknown>
const stage = (change: object): Doc => ({ ...base, plan: { stages: [{ ...base.plan.stages[0], ...change }] } })

describe('two devices on one plan', () => {
  it('keep each other’s changes of different fields', () => {
    const mine = stage({ solvent: '30 mL' })
    const theirs = stage({ reagents: [{ species: 'Zn', charge: { mass: '22 g' } }, base.plan.stages[0].reagents[1]] })
    const { merged, clashes } = merge<Doc>(base, mine, theirs)
    expect(clashes).toEqual([])
    expect(merged).toEqual(
      stage({
        solvent: '30 mL',
        reagents: [{ species: 'Zn', charge: { mass: '22 g' } }, base.plan.stages[0].reagents[1]],
      }),
    )
  })

  it('clash only over a field that both changed, and can settle it either way', () => {
    const mine = { ...stage({ solvent: '30 mL' }), title: 'Mine' }
    const { merged, clashes } = merge<Doc>(base, mine, stage({ solvent: '40 mL', at: '60 °C' }))
    expect(clashes).toEqual([{ path: ['plan', 'stages', '0', 'solvent'], mine: '30 mL', theirs: '40 mL' }])
    expect(merged).toEqual({ ...stage({ solvent: '30 mL', at: '60 °C' }), title: 'Mine' })
    expect(withTheirs(merged, clashes[0]!)).toEqual({ ...stage({ solvent: '40 mL', at: '60 °C' }), title: 'Mine' })
  })

  it('add stages, steps and worksheets beside each other, and take away what the other left alone', () => {
    const two = [
      { id: 'a', x: 1 },
      { id: 'b', x: 1 },
    ]
    const added = merge(
      { list: two },
      { list: [...two, { id: 'mine', x: 1 }] },
      { list: [{ id: 'theirs', x: 1 }, ...two] },
    )
    expect(added).toEqual({
      merged: { list: [{ id: 'theirs', x: 1 }, ...two, { id: 'mine', x: 1 }] },
      clashes: [],
    })
    expect(merge({ list: two }, { list: [two[0]!] }, { list: [{ id: 'a', x: 2 }, two[1]!] })).toEqual({
      merged: { list: [{ id: 'a', x: 2 }] },
      clashes: [],
    })
    expect(merge({ list: two }, { list: [two[0]!] }, { list: [two[0]!, { id: 'b', x: 2 }] }).clashes).toHaveLength(1)
  })

  const json = fc.jsonValue({ maxDepth: 3 })
  it('is neutral: one side that changed nothing leaves the other’s; both the same clash nowhere', () => {
    fc.assert(
      fc.property(json, json, (a, b) => {
        expect(isSame(merge(a, b, a).merged, b)).toBe(true)
        expect(isSame(merge(a, a, b).merged, b)).toBe(true)
        expect(merge(a, b, b)).toEqual({ merged: b, clashes: [] })
      }),
    )
  })
})
