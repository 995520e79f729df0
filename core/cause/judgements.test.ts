import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { foldJournal, type Entry } from '#core/journal'
import { hazardStatements } from '#core/reference'
import { computeReadPlan, gasFacts, readPlan, type StagePlan } from '#core/sheet'
import { explainYield } from './explain-yield'
import { batchOf, planted, type Planted } from './fixtures/planted-causes'
import { statements } from '#core/remarks'
import { plannedAccounts } from '#core/outcome'
import { sheetNotes } from '#core/remarks'
import { Tape } from '#core/outcome'
import type { MarginNote } from '#core/remarks'
import { acidityOf, isBase } from './acidity'
import { ladderOf } from './ladder'
import { tableFor } from './table'
import { judgeLeftovers } from './explain-leftover'
import { recoveredOf } from '#core/outcome'
import { residuesOf } from '#core/outcome'
import { exact } from '#core/quantity'

const solid = (species: string, charge: object) =>
  ({ species, supply: { kind: 'solid' }, charge }) as StagePlan['reagents'][number]
const acid = (species: string, charge: object) =>
  ({ species, supply: { kind: 'solution', concentration: '2.00 mol/L' }, charge }) as StagePlan['reagents'][number]

function read(stage: Omit<StagePlan, 'id'>, room?: string) {
  const plan = readPlan({ stages: [{ id: 's1', ...stage }], ...(room && { room: { volume: room } }) })
  const sheets = plan.ok ? computeReadPlan(plan.value) : plan
  if (!plan.ok || !sheets.ok) throw new Error(stage.equation)
  const sheet = sheets.value.stages[0]!
  return {
    plan: plan.value,
    stage: plan.value.stages[0]!,
    room: plan.value.room,
    sheet,
    tape: new Tape(plannedAccounts(plan.value, sheets.value, () => undefined)[0]!, sheet),
  }
}
const notes = (stage: Omit<StagePlan, 'id'>, room?: string): MarginNote[] => {
  const { stage: one, room: at, sheet } = read(stage, room)
  return sheetNotes(sheet, { stage: one, room: at })
}
const judged = (one: Planted) => {
  const { plan, steps, entries } = batchOf(one)
  const whole = readPlan(plan)
  if (!whole.ok) throw new Error(one.name)
  return explainYield({
    plan: whole.value,
    lines: foldJournal(entries),
    stageId: 's1',
    steps,
    assays: [],
  })!
}
const named = (name: string): Planted => planted.find(one => one.name === name)!

describe('the order of hazards', () => {
  const codes = hazardStatements.map(({ code }) => code)
  it('tells the gravest first, whatever order the table has them in, and no more than asked for', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...codes), { minLength: 2, maxLength: 8 }),
        fc.nat(3),
        (some, extra) => {
          const most = 1 + extra
          const told = statements(some, most)
          const ranks = some.map(code => hazardStatements.find(one => one.code === code)!.rank)
          const gravest = Math.min(...ranks)
          const first = /\((H[0-9A-Za-z+]+)\)/.exec(told)![1]
          expect(hazardStatements.find(({ code }) => code === first)!.rank).toBe(gravest)
          expect(told.match(/\(H/g)).toHaveLength(Math.min(most, some.length))
        },
      ),
    )
  })
  it('puts the substance that kills before the one that irritates', () => {
    // Nickel salts may cause cancer (H350i); zinc sulfate harms the eyes and the water.
    const texts = notes({
      equation: 'Zn + NiSO4 -> ZnSO4 + Ni',
      reagents: [solid('Zn', { mass: '5 g' }), solid('NiSO4', { equivalents: 1 })],
      product: { species: 'ZnSO4' },
    })
      .filter(({ tag }) => tag === 'Hazard')
      .map(({ text }) => text)
    expect(texts.length).toBeGreaterThan(1)
    expect(texts[0]).toMatch(/^Nickel/)
  })
})

describe('a gas that can be lit', () => {
  const hydrogen = (grams: string, room: string) =>
    notes(
      {
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [solid('Zn', { mass: grams }), acid('H2SO4', { equivalents: 1.1 })],
        product: { species: 'ZnSO4' },
      },
      room,
    )
      .map(({ text }) => text)
      .find(text => text.includes('{H2} leaves'))!

  /* Hydrogen lights from 4.0 % (IEC 60079-20-1, from memory). 65.38 g of zinc make 1 mol, 24.5 L: in 1 m³ 2.45 %, 61 % of that; in 3 m³ 0.82 %, 20 %. The
     quarter is where the note begins to count. */
  it('is told as a share of what can be lit, from a quarter of it on', () => {
    expect(hydrogen('65.38 g', '1 m3')).toContain('61 % of what can be lit (4 % by volume)')
    expect(hydrogen('65.38 g', '2.3 m3')).toContain('27 % of what can be lit')
    expect(hydrogen('65.38 g', '3 m3')).not.toContain('of what can be lit')
  })
  it('comes to what the volumes say in the room', () => {
    const { stage, sheet, room } = read(
      {
        equation: 'Zn + H2SO4 -> ZnSO4 + H2',
        reagents: [solid('Zn', { mass: '65.38 g' }), acid('H2SO4', { equivalents: 1.1 })],
        product: { species: 'ZnSO4' },
      },
      '1 m3',
    )
    expect(gasFacts(stage, sheet, room)[0]!.inRoom!.value).toBeCloseTo(24465, -1)
  })
})

describe('basic salts on the ladder', () => {
  it.each([
    ['base', 'possible', 'a base was in excess'],
    ['acid used up', 'possible', 'the acid limits: little is left to keep the liquor acid'],
    ['acid', 'unlikely', 'acid was left in the liquor'],
    ['salts', 'unlikely', 'no base was put to it, and long boiling alone makes little'],
  ] as const)('hang on what keeps the liquor: %s', (acidity, verdict, why) => {
    const { facts } = judged(named('zinc sulfate, first crop only'))
    const basic = { form: facts.product, kind: 'basic' as const, shared: 'Zn', units: 1 }
    const rung = ladderOf(
      { ...facts, relatives: [basic], acidity },
      { theoretical: facts.most, actual: facts.weighed },
    ).find(({ kind }) => kind === 'basic')!
    expect([rung.verdict, rung.why]).toEqual([verdict, why])
  })
  it.each([['CuO'], ['Cu(OH)2'], ['CoCO3'], ['Fe2O3'], ['CuCO3·Cu(OH)2']])('takes %s for a base', form =>
    expect(isBase(form)).toBe(true),
  )
  it.each([['Zn'], ['ZnS'], ['CuSCN'], ['MoO3'], ['NaHSO4']])('does not take %s for one', form =>
    expect(isBase(form)).toBe(false),
  )
  it('tells what is left of an acid, a base, or neither', () => {
    const kept = (acid1: string, base: string) =>
      acidityOf(
        read({
          equation: 'CuO + H2SO4 -> CuSO4 + H2O',
          reagents: [solid('CuO', { mass: base }), acid('H2SO4', { volume: acid1 })],
          product: { species: 'CuSO4' },
        }).sheet,
      )
    // 50 mL of 2 mol/L take 7.95 g of the oxide.
    expect(kept('50.0 mL', '9.00 g')).toBe('base')
    expect(kept('50.0 mL', '7.00 g')).toBe('acid')
  })
})

describe('what sticks to filter and glass', () => {
  /* 7.845 g Zn = 0.1200 mol against 0.1000 mol of acid: 1.308 g are left. A twentieth of it, 0.065 g, may stay on the paper. */
  const kindAt = (net: string): string => {
    const { sheet } = read({
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [solid('Zn', { mass: '7.845 g' }), acid('H2SO4', { volume: '50.00 mL' })],
      product: { species: 'ZnSO4' },
    })
    const back: Entry = {
      kind: 'reading',
      id: 'r',
      at: '2026-05-04T09:00:00Z',
      by: 'p',
      about: { what: 'recovered', stage: 's1', species: 'Zn' },
      measure: 'net',
      value: net,
      typed: true,
    }
    return judgeLeftovers(sheet, recoveredOf(sheet, foldJournal([back])))[0]!.kind
  }
  it.each([
    ['1.308 g', 'as it should be'],
    ['1.255 g', 'as it should be'],
    ['1.100 g', 'too little'],
    ['0.800 g', 'too little'],
    ['1.500 g', 'too much'],
  ])('%s of 1.308 g is %s', (net, kind) => expect(kindAt(net)).toBe(kind))

  it('says how much of what the reaction took would have gone elsewhere', () => {
    const { sheet } = read({
      equation: 'Zn + H2SO4 -> ZnSO4 + H2',
      reagents: [solid('Zn', { mass: '7.845 g' }), acid('H2SO4', { volume: '50.00 mL' })],
      product: { species: 'ZnSO4' },
    })
    const back = (value: string): Entry => ({
      kind: 'reading',
      id: 'r',
      at: '2026-05-04T09:00:00Z',
      by: 'p',
      about: { what: 'recovered', stage: 's1', species: 'Zn' },
      measure: 'net',
      value,
      typed: true,
    })
    const told = (value: string) => judgeLeftovers(sheet, recoveredOf(sheet, foldJournal([back(value)])))[0]!
    // 1.307 g less 0.653 g are 10.0 mmol, a tenth of the 100 mmol that the reaction takes.
    expect(told('0.653 g').causes[0]!.needs).toContain('10\u202f% of what the reaction itself took')
    expect(told('0.653 g').difference).toBeCloseTo(-0.654, 2)
    expect(told('1.961 g').causes[0]!.needs).toContain('10\u202f%')
    expect(told('1.300 g').causes).toEqual([])
  })
})

describe('what a wash leaves of the liquor', () => {
  /* 4.36 g of sulfate in the liquor: none of it washed, all could be there; two portions that leave a third each, 0.47 g. */
  const most = (more: Partial<Planted>): number =>
    tableFor(judged({ ...named('cuprate not washed, dry'), ...more }).facts).find(({ code }) => code === 'by-product')!
      .most!
  it('falls to a third with each portion', () => {
    const none = most({})
    expect(none).toBeCloseTo(4.36, 1)
    expect(most({ skipped: [], washes: 1 }) / none).toBeCloseTo(0.33, 2)
    expect(most({ skipped: [], washes: 2 }) / none).toBeCloseTo(0.33 ** 2, 2)
  })
})

describe('residues', () => {
  const treat = (stage: Omit<StagePlan, 'id'>) => residuesOf(read(stage).tape, exact(0, 'mass'))
  const copper = (ammonia: boolean): Omit<StagePlan, 'id'> =>
    ammonia
      ? {
          equation: 'CuSO4 + NH3 -> [Cu(NH3)4]SO4',
          reagents: [solid('CuSO4', { mass: '1.596 g' }), acid('NH3', { excess: '50 %' })],
          product: { species: '[Cu(NH3)4]SO4' },
        }
      : {
          equation: 'CuO + H2SO4 -> CuSO4 + H2O',
          reagents: [solid('CuO', { mass: '0.7955 g' }), acid('H2SO4', { equivalents: 1 })],
          product: { species: 'CuSO4' },
        }
  const cautions = (stage: Omit<StagePlan, 'id'>): string =>
    treat(stage)
      .treatments.flatMap(one => one.cautions)
      .join(' ')
  it('warn of ammonia where it is there or bound, and nowhere else', () => {
    expect(cautions(copper(true))).toMatch(/ammonia/i)
    expect(cautions(copper(false))).not.toMatch(/ammonia/i)
  })
  it('leave cyanide to those who know, in a complex as well, and take thiocyanate for what it is', () => {
    const asked = (species: string, equation: string, other: StagePlan['reagents'][number]) =>
      treat({ equation, reagents: [solid(species, { mass: '5 g' }), other], product: { species: 'KCl' } }).ask.map(
        ({ of }) => of,
      )
    const silver = acid('HCl', { equivalents: 0.5 })
    expect(asked('KCN', 'KCN + HCl -> KCl + HCN', silver)).toContain('KCN')
    expect(asked('KSCN', 'KSCN + HCl -> KCl + HSCN', silver)).not.toContain('KSCN')
  })
})
