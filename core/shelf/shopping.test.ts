import { describe, expect, it } from 'vitest'
import type { Entry } from '#core/journal'
import { foldJournal } from '#core/journal'
import { needsOf } from '#core/overview'
import { reservedOf, shoppingList, sumReserved, type BatchNeed, type BottleRow, type Comes } from '#core/shelf'
import { computePlan, type Plan } from '#core/sheet'

const TODAY = '2026-11-29'
let made = 0
const net = (about: object, value: string): Entry =>
  ({
    id: `00000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 10, 12, 8, made)).toISOString(),
    by: '00000000-0000-4000-8000-0000000000a1',
    kind: 'reading',
    about,
    measure: 'net',
    value,
    typed: true,
  }) as Entry
const zinc: Plan = {
  stages: [
    {
      id: 's1',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [
        { species: 'Zn', supply: { kind: 'solid', assay: '99.5 %', bottle: 'B-001' }, charge: { mass: '9.11 g' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { volume: '66.0 mL' } },
      ],
      product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
    },
    {
      id: 's2',
      equation: 'ZnSO4 + Na2CO3 -> ZnCO3 + Na2SO4',
      reagents: [
        { species: 'ZnSO4', supply: { kind: 'stage', from: 's1' } },
        { species: 'Na2CO3', supply: { kind: 'solid', formula: 'Na2CO3·10H2O' }, charge: { mass: '40.0 g' } },
      ],
      product: { species: 'ZnCO3' },
    },
  ],
} as Plan
const needs = (plan: Plan, entries: readonly Entry[] = [], batch = 'ZN-001'): BatchNeed[] => {
  const sheet = computePlan(plan)
  if (!sheet.ok) throw new Error(JSON.stringify(sheet.problem))
  return needsOf(plan, sheet.value, foldJournal(entries)).map(need => ({ ...need, batch }))
}
const bottle = (
  code: string,
  formula: string,
  comes: Comes,
  amount: number,
  more: Partial<BottleRow> = {},
): BottleRow => ({
  code,
  version: 1,
  label: { formula, comes, known: 'label' },
  name: '',
  place: '',
  unit: comes.kind === 'solid' ? 'g' : 'mL',
  amount,
  isEmpty: false,
  comes,
  known: 'label',
  ...more,
})
const solid: Comes = { kind: 'solid' }

describe('what a batch has yet to take', () => {
  it('is each charge of a bottle, and nothing of what an earlier stage gives', () => {
    const all = needs(zinc)
    expect(all.map(({ form }) => form)).toEqual(['Zn', 'H2SO4', 'Na2CO3·10H2O'])
    expect(all[0]).toMatchObject({ grams: 9.11, bottle: 'B-001', kind: 'solid' })
    expect(all[1]).toMatchObject({ concentration: '2.00 mol/L', kind: 'solution' })
    expect(all[1]!.millilitres).toBeCloseTo(66, 6)
  })
  it('is less by what the journal weighed, and nothing once the product is weighed', () => {
    const zn = { what: 'charge', stage: 's1', species: 'Zn' }
    const partly = needs(zinc, [net(zn, '6.00 g')])
    expect(partly.find(({ form }) => form === 'Zn')!.grams).toBeCloseTo(3.11, 6)
    expect(needs(zinc, [net(zn, '9.105 g')]).some(({ form }) => form === 'Zn')).toBe(false)
    const over = needs(zinc, [net({ what: 'product', stage: 's1', crop: 1 }, '30 g')])
    expect(over.map(({ stage }) => stage)).toEqual(['s2'])
  })
})

describe('reservedOf', () => {
  it('adds up what open batches have yet to take out of one bottle', () => {
    const all = [
      ...needs(zinc),
      ...needs(zinc, [net({ what: 'charge', stage: 's1', species: 'Zn' }, '4.00 g')], 'ZN-002'),
    ]
    const reserved = reservedOf(bottle('B-001', 'Zn', solid, 20), all)
    expect(reserved.map(({ batch }) => batch)).toEqual(['ZN-001', 'ZN-002'])
    // 9.11 + (9.11 − 4.00)
    expect(sumReserved(reserved)).toBeCloseTo(14.22, 6)
    expect(reservedOf(bottle('B-002', 'Zn', solid, 20), all)).toEqual([])
  })
  it('brings grams to the millilitres of a bottle by its density, or does not know', () => {
    // 18.4 g of an acid of 1.84 g/mL are 10.0 mL.
    const need: BatchNeed = {
      batch: 'X',
      stage: 's1',
      species: 'H2SO4',
      form: 'H2SO4',
      kind: 'solution',
      grams: 18.4,
      bottle: 'B-9',
    }
    const acid = (density?: string): BottleRow =>
      bottle(
        'B-9',
        'H2SO4',
        { kind: 'solution', concentration: '96 % w/w', ...(density !== undefined && { density }) },
        500,
      )
    expect(reservedOf(acid('1.84 g/mL'), [need])[0]!.amount).toBeCloseTo(10.0, 2)
    expect(reservedOf(acid(), [need])[0]).not.toHaveProperty('amount')
  })
})

describe('shoppingList', () => {
  const two = [...needs(zinc), ...needs(zinc, [], 'ZN-002')]

  it('lists what planned batches lack: 18.22 g of zinc of which 15 are there, 132 mL of acid, 80 g of soda', () => {
    const list = shoppingList(
      two,
      [bottle('B-001', 'Zn', solid, 15), bottle('B-003', 'Na2CO3·10H2O', solid, 500)],
      TODAY,
    )
    expect(list.map(({ formula }) => formula)).toEqual(['Zn', 'H2SO4'])
    expect(list[0]).toMatchObject({ unit: 'g', there: 15, batches: ['ZN-001', 'ZN-002'] })
    expect(list[0]!.missing).toBeCloseTo(3.22, 6)
    expect(list[1]).toMatchObject({ unit: 'mL', concentration: '2.00 mol/L', there: 0 })
    expect(list[1]!.missing).toBeCloseTo(132, 6)
  })
  it('takes 2 mol/L for 2.00 mol/L, and neither another strength nor the anhydrous form for what is planned', () => {
    const acid = (concentration: string, code: string): BottleRow =>
      bottle(code, 'H2SO4', { kind: 'solution', concentration }, 1000)
    const shelf = [bottle('B-001', 'Zn', solid, 100), bottle('B-003', 'Na2CO3', solid, 500)]
    const formulas = (more: BottleRow): string[] =>
      shoppingList(two, [...shelf, more], TODAY).map(({ formula }) => formula)
    expect(formulas(acid('2 mol/L', 'B-004'))).toEqual(['Na2CO3·10H2O'])
    expect(formulas(acid('0.5 mol/L', 'B-004'))).toEqual(['H2SO4', 'Na2CO3·10H2O'])
  })
  it('counts no expired bottle, is not sure of one whose content is not known, and lists what is low though nothing needs it', () => {
    const label = { formula: 'Zn', comes: solid, known: 'label' as const }
    const expired = bottle('B-001', 'Zn', solid, 500, { label: { ...label, expires: '2026-01-31' } })
    const { amount: _, ...unknown } = bottle('B-002', 'Zn', solid, 0)
    const low = bottle('B-007', 'KOH', solid, 20, {
      label: { formula: 'KOH', comes: solid, known: 'label', low: '50 g' },
    })
    const list = shoppingList(needs(zinc), [expired, unknown, low], TODAY)
    expect(list.find(({ formula }) => formula === 'Zn')).toMatchObject({ there: 0, isUnsure: true })
    expect(list.at(-1)).toMatchObject({ formula: 'KOH', low: ['B-007'], needed: 0, missing: 0 })
  })
})
