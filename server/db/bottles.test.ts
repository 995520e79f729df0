import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Entry } from '#core/journal'
import {
  factSchema,
  holdingOf,
  labelSchema,
  reservedOf,
  sumReserved,
  takenOf,
  type BottleFact,
  type Label,
} from '#core/shelf'
import { lookInto } from '../record/bring'
import { accessFor, addDemoLab, allDemo, append, outOf, putBatch, testDatabase, TOVE } from '../record/fixtures'
import { addBottles, addFact, drawFor, findBottle, listBottles, openNeeds, putUpMade, relabel } from './bottles'
import { freshenBriefs } from './briefs'
import { bringBatch } from './bring'

const server = process.env.TEST_DATABASE_URL
const access = accessFor(TOVE.id, 'administrator')
const fact = (rest: object, at = '2026-11-02T09:00:00Z'): BottleFact =>
  factSchema.parse({ id: randomUUID(), at, by: TOVE.id, ...rest })
const label = (rest: object): Label => labelSchema.parse({ comes: { kind: 'solid' }, known: 'label', ...rest })

describe.skipIf(!server)('the shelf', () => {
  let db: Knex
  let drop: () => Promise<void>
  let codes: string[]
  beforeAll(async () => {
    ;({ db, drop } = await testDatabase(server!))
    await addDemoLab(db)
    await putBatch(
      db,
      allDemo().find(({ code }) => code === 'ZN-021')!,
    )
    const came = (amount: string): BottleFact[] => [fact({ kind: 'came', amount })]
    codes = await addBottles(db, access, [
      { label: label({ formula: 'Zn', words: 'granules', lot: 'Z-1', place: 'Cabinet 1' }), facts: came('12.00 g') },
      { label: label({ formula: 'Zn', words: 'foil', lot: 'Z-2', place: 'Cabinet 1' }), facts: came('100.0 g') },
      { label: label({ formula: 'CuSO4·5H2O', lot: '50%_b', place: 'Cabinet 2' }), facts: came('250 g') },
      { label: label({ formula: 'Na2SO3', place: 'Cabinet 2' }), facts: [] },
    ])
  })
  afterAll(() => drop())

  const amountOf = async (code: string): Promise<number | undefined> => (await findBottle(db, access, code))?.amount
  /** What is kept beside the facts is what they come to. */
  async function expectWhole(): Promise<void> {
    for (const code of codes) {
      const { label: on, facts, taken, amount, spread } = (await findBottle(db, access, code))!
      const folded = holdingOf(on, facts, taken.map(takenOf)).amount
      expect(amount, code).toBe(folded?.value)
      expect(spread === undefined, code).toBe(folded === undefined)
    }
  }

  it('gives each bottle the next number, and knows what it holds', async () => {
    expect(codes).toEqual(['B-001', 'B-002', 'B-003', 'B-004'])
    expect(await Promise.all(codes.map(amountOf))).toEqual([12, 100, 250, undefined])
  })

  it('is searched by formula in any notation, by name, place, lot and code', async () => {
    const found = async (words: string): Promise<string[]> =>
      (await listBottles(db, access, { words, most: 50 })).bottles.map(({ code }) => code)
    expect(await found('Zn')).toEqual(['B-001', 'B-002'])
    expect(await found('foil')).toEqual(['B-002'])
    expect(await found('CuSO4.5H2O')).toEqual(['B-003'])
    expect(await found('CuSO4')).toEqual(['B-003'])
    expect(await found('copper sulfate')).toEqual(['B-003'])
    expect(await found('sodium sulfite')).toEqual(['B-004'])
    expect(await found('cabinet 2')).toEqual(['B-003', 'B-004'])
    expect(await found('Z-1')).toEqual(['B-001'])
    expect(await found('50%_')).toEqual(['B-003'])
    expect(await found('%')).toEqual(['B-003'])
    expect(await found('nothing of the kind')).toEqual([])
  })

  it('goes on behind the last that was told', async () => {
    const first = await listBottles(db, access, { most: 3 })
    expect(first).toMatchObject({ total: 4, next: 3 })
    const rest = await listBottles(db, access, { most: 3, after: first.next! })
    expect(rest.bottles.map(({ code }) => code)).toEqual(['B-004'])
    expect(rest.next).toBeUndefined()
  })

  it('draws down what a batch took by its journal, one bottle emptied and a second taken, and follows a correction', async () => {
    const reading = (value: string, bottle: string, at: string): Entry => ({
      id: randomUUID(),
      at,
      by: TOVE.id,
      kind: 'reading',
      about: { what: 'charge', stage: 's1', species: 'Zn' },
      measure: 'net',
      value,
      typed: true,
      bottle,
    })
    const first = reading('12.00 g', 'B-001', '2026-11-12T09:00:00.000Z')
    const second = reading('3.21 g', 'B-002', '2026-11-12T09:05:00.000Z')
    await append(db, 'ZN-021', [first, second])
    await drawFor(db, access, 'ZN-021')
    expect(await amountOf('B-001')).toBeCloseTo(0, 9)
    expect(await amountOf('B-002')).toBeCloseTo(96.79, 9)
    expect((await findBottle(db, access, 'B-002'))!.taken).toMatchObject([
      { batch: 'ZN-021', species: 'Zn', value: 3.21 },
    ])
    await append(db, 'ZN-021', [
      {
        id: randomUUID(),
        at: '2026-11-12T09:10:00.000Z',
        by: TOVE.id,
        kind: 'correction',
        corrects: second.id,
        why: 'digits exchanged',
        instead: '3.12 g',
      },
    ])
    await drawFor(db, access, 'ZN-021')
    expect(await amountOf('B-002')).toBeCloseTo(96.88, 9)
    await drawFor(db, access, 'ZN-021')
    expect(await amountOf('B-002')).toBeCloseTo(96.88, 9)
    await expectWhole()
  })

  it('is not drawn down by what was brought in, and is by what is recorded of it here', async () => {
    const before = (await amountOf('B-002'))!
    const looked = lookInto((await outOf(db, 'ZN-021')).get('batch.json')!)
    if (!looked.ok || looked.found[0]?.is !== 'batch') throw new Error('it does not read')
    const found = looked.found[0]
    const copy = await db.transaction(trx => bringBatch(trx, access, { ...found, keys: {} }, 'new'))
    await drawFor(db, access, copy)
    expect(await amountOf('B-002')).toBe(before)
    await append(db, copy, [
      {
        id: randomUUID(),
        at: '2026-11-12T10:00:00.000Z',
        by: TOVE.id,
        kind: 'reading',
        about: { what: 'charge', stage: 's1', species: 'Zn' },
        measure: 'net',
        value: '1.00 g',
        typed: true,
        bottle: 'B-002',
      },
    ])
    await drawFor(db, access, copy)
    expect(await amountOf('B-002')).toBeCloseTo(before - 1, 9)
    await expectWhole()
  })

  it('takes a fact once, is reconciled by weighing, and shows an emptied bottle only where it is asked for', async () => {
    const emptied = fact({ kind: 'emptied' }, '2026-11-13T09:00:00Z')
    await addFact(db, access, 'B-001', emptied)
    const again = await addFact(db, access, 'B-001', emptied)
    expect(again).toMatchObject({ isEmpty: true, amount: 0 })
    expect(again!.facts).toHaveLength(2)
    const shown = async (withEmpty: boolean): Promise<number> =>
      (await listBottles(db, access, { withEmpty, most: 50 })).total
    expect(await shown(false)).toBe(3)
    expect(await shown(true)).toBe(4)
    await relabel(db, access, 'B-002', 1, label({ formula: 'Zn', words: 'foil', empty: '50.0 g' }))
    await addFact(db, access, 'B-002', fact({ kind: 'weighed', gross: '140.5 g' }, '2026-11-14T09:00:00Z'))
    expect(await amountOf('B-002')).toBeCloseTo(90.5, 9)
    await expectWhole()
    expect(await addFact(db, access, 'B-999', fact({ kind: 'opened' }))).toBeUndefined()
  })

  it('keeps a label’s last version from being overwritten unseen, and what it said before', async () => {
    const other = label({ formula: 'Na2SO3', lot: 'S-9' })
    expect(await relabel(db, access, 'B-004', 1, other)).toMatchObject({ version: 2, label: { lot: 'S-9' } })
    expect(await relabel(db, access, 'B-004', 1, label({ formula: 'Na2SO4' }))).toBeUndefined()
    const said: { body: Label }[] = await db('revisions').where({ kind: 'bottle', subject: 'B-004' }).orderBy('number')
    expect(said.map(({ body }) => body.lot)).toEqual([undefined, 'S-9'])
    await expect(db('bottle_facts').delete()).rejects.toThrow()
  })

  it('puts up what was made and takes it off where it came from, both or neither', async () => {
    const made = {
      label: label({
        formula: 'CuSO4',
        comes: { kind: 'solution', concentration: '0.100 mol/L' },
        known: 'made',
        from: { bottle: 'B-003', taken: '2.50 g', volume: '100 mL' },
      }),
      facts: [fact({ kind: 'came', amount: '100 mL' })],
    }
    const draw = { from: 'B-003', id: randomUUID(), at: '2026-11-15T09:00:00Z', taken: '2.50 g' }
    const code = await putUpMade(db, access, made, draw)
    expect(code).toBe('B-005')
    expect(await amountOf('B-003')).toBeCloseTo(247.5, 9)
    expect(await amountOf(code)).toBe(100)
    const total = async (): Promise<number> => (await listBottles(db, access, { withEmpty: true, most: 50 })).total
    const before = await total()
    // A fact that is no fact breaks the second half: the first is not there either.
    await expect(putUpMade(db, access, made, { ...draw, id: 'no id at all' })).rejects.toThrow()
    expect(await total()).toBe(before)
  })

  it('an open batch holds what its plan names until its journal has weighed it', async () => {
    const demo = allDemo().find(({ code }) => code === 'ZN-021')!
    const { stages } = demo.document.plan
    const plan = {
      stages: stages.map((stage, i) =>
        i > 0
          ? stage
          : {
              ...stage,
              reagents: stage.reagents.map(reagent =>
                reagent.species === 'Zn'
                  ? { ...reagent, supply: { kind: 'solid' as const, bottle: 'B-002' } }
                  : reagent,
              ),
            },
      ),
    }
    await putBatch(db, { ...demo, code: 'ZN-077', document: { ...demo.document, plan }, entries: [] })
    const held = async (): Promise<number> => {
      for (let n = 1; n > 0;) n = await freshenBriefs(db, access, { builtAt: 5, tables: 'test' }, { most: 20 })
      const needs = await openNeeds(db, access, 'B-002')
      return sumReserved(reservedOf((await findBottle(db, access, 'B-002'))!, needs))
    }
    const whole = await held()
    expect(whole).toBeGreaterThan(5)
    await append(db, 'ZN-077', [
      {
        id: randomUUID(),
        at: '2026-11-16T09:00:00.000Z',
        by: TOVE.id,
        kind: 'reading',
        about: { what: 'charge', stage: stages[0]!.id, species: 'Zn' },
        measure: 'net',
        value: '2.00 g',
        typed: true,
        bottle: 'B-002',
      },
    ])
    expect(await held()).toBeCloseTo(whole - 2, 6)
    expect(await openNeeds(db, access, 'B-001')).toEqual([])
  })
})
