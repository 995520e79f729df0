import { describe, expect, it } from 'vitest'
import { factSchema, holdingOf, lookAt, type BottleRow, type Comes, type Label } from '#core/shelf'

const TODAY = '2026-11-29'
const bottle = (
  code: string,
  formula: string,
  more: Partial<BottleRow> = {},
  label: Partial<Label> = {},
): BottleRow => {
  const comes: Comes = more.comes ?? { kind: 'solid' }
  return {
    code,
    version: 1,
    label: { formula, comes, known: 'label', ...label },
    name: '',
    place: 'Shelf 1',
    unit: comes.kind === 'solid' ? 'g' : 'mL',
    amount: 100,
    isEmpty: false,
    comes,
    known: 'label',
    ...more,
  }
}
const liquid: Comes = { kind: 'liquid' }
const look = (...bottles: BottleRow[]) => lookAt(bottles, [], TODAY)

describe('lookAt', () => {
  it('finds what must not meet in one place, and not across places; an empty bottle meets nothing', () => {
    // Hypochlorite and acid give chlorine.
    const bleach = bottle('B-001', 'NaClO', { comes: { kind: 'solution', concentration: '1 mol/L' } })
    const acid = (more: Partial<BottleRow> = {}): BottleRow =>
      bottle('B-002', 'HCl', { comes: { kind: 'solution', concentration: '37 % w/w' }, ...more })
    const [clash] = look(bleach, acid(), bottle('B-003', 'NaCl')).clashes
    expect(clash).toMatchObject({ place: 'Shelf 1', one: ['B-001'], other: ['B-002'] })
    expect(clash!.makes).toContain('chlorine')
    expect(look(bleach, acid({ place: 'Acids' })).clashes).toEqual([])
    expect(look(bleach, acid({ isEmpty: true })).clashes).toEqual([])
    expect(look({ ...bleach, place: '' }, acid({ place: '' })).clashes).toEqual([])
  })
  it('adds all bottles of a substance up against its limit: 300 + 250 of 500 g', () => {
    const both = [bottle('B-001', 'K2Cr2O7', { amount: 300 }), bottle('B-002', 'K2Cr2O7', { amount: 250 })]
    const limits = [{ formula: 'K2Cr2O7', most: '500 g' }]
    expect(lookAt(both, limits, TODAY).over).toEqual([
      { formula: 'K2Cr2O7', unit: 'g', there: 550, most: 500, bottles: ['B-001', 'B-002'] },
    ])
    expect(lookAt(both, [{ formula: 'K2Cr2O7', most: '550 g' }], TODAY).over).toEqual([])
    // A limit in litres says nothing of what is weighed, and one that does not read nothing at all.
    expect(lookAt(both, [{ formula: 'K2Cr2O7', most: '0.1 L' }], TODAY).over).toEqual([])
    expect(lookAt(both, [{ formula: 'K2Cr2O7', most: 'some' }], TODAY).over).toEqual([])
  })
  it('counts the months of what forms peroxides from the day it was opened, else from the day it came', () => {
    const ether = (more: Partial<BottleRow>, label: Partial<Label> = {}): BottleRow =>
      bottle('B-001', 'C4H10O', { comes: liquid, ...more }, label)
    expect(look(ether({ opened: '2026-08-31' })).peroxides).toEqual([
      // Six months on from the end of August is the end of February.
      { code: 'B-001', name: 'diethyl ether', by: '2027-02-28', isDue: false },
    ])
    expect(look(ether({ opened: '2026-05-28' })).peroxides[0]).toMatchObject({ by: '2026-11-28', isDue: true })
    expect(look(ether({}, { received: '2025-05-01' })).peroxides[0]).toMatchObject({ by: '2026-11-01', isDue: true })
    expect(look(ether({})).peroxides[0]).toMatchObject({ isDue: true })
    // Methanol forms none, and a solid of whatever formula is no ether.
    expect(look(bottle('B-002', 'CH4O', { comes: liquid }), bottle('B-003', 'C4H10O')).peroxides).toEqual([])
  })
  it('lists what is expired, soon, low, and what was not found', () => {
    const found = look(
      bottle('B-001', 'KOH', {}, { expires: '2026-11-28' }),
      bottle('B-002', 'KOH', {}, { expires: '2026-12-20' }),
      bottle('B-003', 'KOH', { amount: 10 }, { low: '50 g' }),
      bottle('B-004', 'KOH', { missing: '2026-11-01' }),
    )
    expect(found).toMatchObject({ expired: ['B-001'], soon: ['B-002'], low: ['B-003'], missing: ['B-004'] })
  })
})

describe('stocktaking', () => {
  const label: Label = { formula: 'KOH', comes: { kind: 'solid' }, known: 'label', place: 'Bases' }
  const fact = (day: number, rest: object) =>
    factSchema.parse({
      id: `00000000-0000-4000-8000-0000000000${10 + day}`,
      at: `2026-11-0${day}T08:00:00.000Z`,
      by: '00000000-0000-4000-8000-0000000000a1',
      ...rest,
    })
  it('keeps the amount; who is missing is missing until somebody has it in hand again', () => {
    const facts = [fact(1, { kind: 'came', amount: '500 g' }), fact(2, { kind: 'missing' })]
    expect(holdingOf(label, facts, [])).toMatchObject({ missing: '2026-11-02', amount: { value: 500 } })
    for (const found of [{ kind: 'seen' }, { kind: 'moved', place: 'Acids' }, { kind: 'counted', amount: '480 g' }]) {
      const after = holdingOf(label, [...facts, fact(3, found)], [])
      expect(after.missing).toBeUndefined()
      expect(after.seen).toBe('2026-11-03')
    }
  })
})
