import { describe, expect, it } from 'vitest'
import { newWorksheet, type Worksheet } from '#core/assay'
import type { Entry } from '#core/journal'
import { vialsOf, type RecordSource } from '#core/record'
import { supplyFrom } from '#core/shelf'
import { computePlan, type Plan } from '#core/sheet'

const MOSS = '00000000-0000-4000-8000-0000000000a1'
let made = 0
const read = (about: object, value: string): Entry =>
  ({
    id: `00000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`,
    at: new Date(Date.UTC(2026, 10, 12, 8, made)).toISOString(),
    by: MOSS,
    kind: 'reading',
    about,
    measure: 'net',
    value,
    typed: false,
    instrument: 'Balance 2',
  }) as Entry
const product = (stage: string, crop = 1) => ({ what: 'product', stage, crop })
const zinc: Plan = {
  stages: [
    {
      id: 's1',
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [
        { species: 'Zn', supply: { kind: 'solid' }, charge: { mass: '6.538 g' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge: { equivalents: 1.05 } },
      ],
      product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
    },
  ],
} as Plan
const source = (plan: Plan, entries: readonly Entry[], assays: readonly Worksheet[] = []): RecordSource => ({
  lab: 'A lab',
  code: 'ZN-001',
  document: { format: 'zip-ledger/batch', version: 2, title: 'Zinc sulfate', plan, assays: [...assays] },
  journal: entries.map((entry, i) => ({ seq: i + 1, recordedAt: entry.at, entry })),
  revisions: [],
  people: { [MOSS]: 'Moss Teal' },
  tables: { substances: [], curves: [] },
})
/*
 * On paper: 0.1150 g of the heptahydrate (287.54 g/mol) would be 0.39994 mmol; 39.59 mL of 0.01000 mol/L EDTA are 0.3959 mmol, 98.99 %.
 */
const edta: Worksheet = {
  ...newWorksheet('t', 'titration', {
    equation: 'ZnSO4 + Na2C10H14N2O8 -> Na2ZnC10H12N2O8 + H2SO4',
    titrant: 'Na2C10H14N2O8',
    concentration: '0.01000 mol/L',
    species: 'ZnSO4',
    form: 'ZnSO4·7H2O',
  }),
  rows: ['39.59 mL', '39.57 mL', '39.61 mL'].map(volume => ({ sample: '0.1150 g', volume })),
}

describe('vialsOf', () => {
  it('has none while nothing is weighed', () => {
    expect(vialsOf(source(zinc, []))).toEqual([])
  })
  it('adds the crops up, and says that its purity was not found', () => {
    const [vial] = vialsOf(source(zinc, [read(product('s1'), '20.11 g'), read(product('s1', 2), '3.02 g')]))
    expect(vial!.amount).toMatch(/^23\.13/)
    expect(vial!.label).toMatchObject({
      formula: 'ZnSO4·7H2O',
      comes: { kind: 'solid' },
      known: 'made',
      lot: 'ZN-001',
      made: { batch: 'ZN-001', stage: 's1' },
      received: '2026-11-12',
    })
    expect(vial!.label.comes).not.toHaveProperty('assay')
  })
  it('a carbonate thrown down from what is weighed out of the vial counts on the purity that the first batch’s titration found', () => {
    const [vial] = vialsOf(source(zinc, [read(product('s1'), '20.11 g')], [edta]))
    expect(vial!.label.known).toBe('titration')
    const { comes } = vial!.label
    const assay = comes.kind === 'solid' ? comes.assay : undefined
    expect(Number.parseFloat(assay ?? '')).toBeCloseTo(98.99, 0)
    const picked = supplyFrom({ code: 'B-014', label: vial!.label, comes }, 'ZnSO4', '2026-11-12')
    const next = computePlan({
      stages: [
        {
          id: 's1',
          equation: 'ZnSO4 + Na2CO3 -> ZnCO3 + Na2SO4',
          reagents: [
            { species: 'ZnSO4', supply: picked!.supply, charge: { amount: '20.00 mmol' } },
            { species: 'Na2CO3', supply: { kind: 'solid' }, charge: { equivalents: 1.05 } },
          ],
          product: { species: 'ZnCO3' },
        },
      ],
    } as Plan)
    // 20 mmol × 287.54 g/mol / 0.990 = 5.81 g of what is in the vial.
    if (!next.ok) throw new Error(JSON.stringify(next.problem))
    expect(next.value.stages[0]!.reagents[0]!.mass!.value).toBeCloseTo(5.81, 2)
  })
})
