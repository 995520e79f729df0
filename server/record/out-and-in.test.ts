import { randomUUID } from 'node:crypto'
import { Ajv2020 } from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import fc from 'fast-check'
import { zipSync } from 'fflate'
import { convert } from 'jcampconverter'
import type { Knex } from 'knex'
import Papa from 'papaparse'
import { ROCrate, Validator } from 'ro-crate'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoLab } from '#demo'
import type { BatchFile } from '#core/document'
import type { Entry } from '#core/journal'
import { bringBatch, standingIn } from '../db/bring'
import { findBreak } from '../db/chain'
import { publicKeys } from '../db/keyring'
import { bringThing, thingsOf, thingStandingIn } from '../db/lab-things'
import { putOwnRow } from '../db/own-rows'
import { saveAssay } from '../db/assays'
import { putTemplate } from '../db/templates'
import { addLab } from '../db/people'
import { keepPhoto } from '../db/photos'
import { findRevisionBreak } from '../db/revisions'
import { saveDocument } from '../db/batches'
import { lookInto, type Found, type FoundThing } from './bring'
import { canonical } from './canonical'
import {
  accessFor,
  addDemoLab,
  allDemo,
  append,
  batchOf,
  doAct,
  outOf,
  putBatch,
  testDatabase,
  textIn,
  TOVE,
  WREN,
} from './fixtures'

const server = process.env.TEST_DATABASE_URL
/** A plan as the first version of the format wrote it. */
const plainOne = {
  format: 'zip-ledger/batch',
  version: 1,
  title: 'Cobalt chloride from the carbonate',
  plan: {
    stages: [
      {
        id: 's1',
        equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
        reagents: [
          { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
          { species: 'HCl', supply: { kind: 'solution', concentration: '3.00 mol/L' }, charge: { volume: '40.0 mL' } },
        ],
        product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
      },
    ],
  },
}
const elsewhere = { id: randomUUID(), person: randomUUID() }

describe.skipIf(!server)('out and in again', () => {
  let db: Knex
  let other: Knex
  let drops: (() => Promise<void>)[] = []
  const there = accessFor(elsewhere.person, 'administrator', elsewhere.id)

  beforeAll(async () => {
    const [one, two] = await Promise.all([testDatabase(server!), testDatabase(server!)])
    db = one.db
    other = two.db
    drops = [one.drop, two.drop]
    await addDemoLab(db)
    await addLab(other, {
      id: elsewhere.id,
      name: 'Another lab',
      people: [{ id: elsewhere.person, name: 'Fern Sedge', role: 'administrator' }],
    })
    for (const batch of allDemo()) await putBatch(db, batch)
  })
  afterAll(async () => {
    for (const drop of drops) await drop()
  })

  async function bring(into: Knex, access: typeof there, found: Found, ids: 'kept' | 'new' = 'kept'): Promise<string> {
    if (found.is !== 'batch') throw new Error('This is a plan.')
    const keys = Object.fromEntries((await publicKeys(into)).map(({ id, publicKey }) => [id, publicKey]))
    return into.transaction(trx => bringBatch(trx, access, { ...found, keys }, ids))
  }
  function foundIn(files: ReadonlyMap<string, Uint8Array>): Found {
    const looked = lookInto(zipSync(Object.fromEntries(files)))
    if (!looked.ok) throw new Error(JSON.stringify(looked.problems))
    return looked.found[0]!
  }

  function thingsIn(file: object): FoundThing[] {
    const looked = lookInto(zipSync({ 'lab-tables.json': Buffer.from(JSON.stringify(file)) }))
    if (!looked.ok) throw new Error(JSON.stringify(looked.problems))
    return looked.found.flatMap(one => (one.is === 'batch' || one.is === 'plan' ? [] : [one]))
  }

  it('gives the same bytes for every demo batch, in another lab of another installation', async () => {
    for (const { code } of allDemo()) {
      const files = await outOf(db, code)
      const brought = await bring(other, there, foundIn(files))
      const again = await outOf(other, brought, there)
      expect(brought, code).toBe(code)
      expect(textIn(again, 'batch.json'), code).toBe(textIn(files, 'batch.json'))
      const { id } = await batchOf(other, code, there)
      expect(await findBreak(other, elsewhere.id, id), code).toBeUndefined()
      expect(await findRevisionBreak(other, elsewhere.id, { kind: 'batch', subject: id }), code).toBeUndefined()
    }
  })

  it('gives the same bytes for random journals, with corrections, pictures and letters of every alphabet', async () => {
    const said = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 60 })
      .filter(text => text.trim() !== '' && !text.includes('\0') && text.isWellFormed())
    const written = fc.record({
      by: fc.constantFrom(TOVE.id, WREN.id),
      text: said,
      kind: fc.constantFrom('note', 'observation', 'reading', 'photo', 'correction'),
      grams: fc.double({ min: 0.001, max: 500, noNaN: true }).map(value => value.toFixed(3)),
    })
    await fc.assert(
      fc.asyncProperty(fc.array(written, { minLength: 1, maxLength: 12 }), async all => {
        const code = `R-${randomUUID().slice(0, 8)}`
        const { document } = allDemo().find(one => one.code === 'CU-009')!
        const { id } = await putBatch(db, { code, document, entries: [] })
        const photo = await keepPhoto(db, accessFor(TOVE.id), id, 'image/png', Buffer.from(`picture ${code}`))
        const entries: Entry[] = []
        all.forEach(({ by, text, kind, grams }, i) => {
          const base = { id: randomUUID(), at: new Date(Date.UTC(2026, 10, 12, 8, i, 0, i)).toISOString(), by }
          const before = entries.find(one => one.kind === 'note' || one.kind === 'observation')
          if (kind === 'reading')
            entries.push({
              ...base,
              kind,
              about: { what: 'charge', stage: 's1', species: 'CuCO3·Cu(OH)2' },
              measure: 'net',
              value: `${grams} g`,
              typed: true,
            })
          else if (kind === 'photo') entries.push({ ...base, kind, stage: 's1', photo, type: 'image/png', text })
          else if (kind === 'correction' && before)
            entries.push({ ...base, kind, corrects: before.id, why: text, ...(i % 2 === 0 && { instead: text }) })
          else entries.push({ ...base, kind: 'note', stage: 's1', text })
        })
        await append(db, code, entries)
        const saved = await saveDocument(db, accessFor(WREN.id), code, 1, { ...document, title: all[0]!.text })
        expect(saved.saved).toBe(true)
        const files = await outOf(db, code)
        const brought = await bring(other, there, foundIn(files))
        expect(textIn(await outOf(other, brought, there), 'batch.json')).toBe(textIn(files, 'batch.json'))
      }),
      { numRuns: 12, seed: 18 },
    )
  })

  it('keeps a plan of the first version as it was, and reads it as the newest', async () => {
    const looked = lookInto(Buffer.from(JSON.stringify(plainOne)))
    expect(looked.ok && looked.found[0]).toMatchObject({
      is: 'plan',
      document: { version: 2, format: 'zip-ledger/batch' },
    })
    const code = 'CU-009'
    const file = JSON.parse(textIn(await outOf(db, code), 'batch.json')) as BatchFile
    const older = {
      ...file,
      id: randomUUID(),
      code: 'OLD-001',
      document: plainOne,
      revisions: [{ ...file.revisions[0]!, body: plainOne }],
    }
    const found = lookInto(Buffer.from(JSON.stringify(older)))
    if (!found.ok) throw new Error(JSON.stringify(found.problems))
    const brought = await bring(other, there, found.found[0]!)
    const out = JSON.parse(textIn(await outOf(other, brought, there), 'batch.json')) as BatchFile
    expect(out.revisions[0]!.body).toEqual(JSON.parse(JSON.stringify(plainOne)))
    expect(out.document.version).toBe(2)
  })

  it('says how what is brought stands to what is here, and overwrites nothing', async () => {
    const found = foundIn(await outOf(db, 'ZN-020'))
    if (found.is !== 'batch') throw new Error('This is a plan.')
    const here = accessFor(TOVE.id)
    const same = async (): Promise<boolean> => textIn(await outOf(db, 'ZN-020'), 'batch.json') === canonical(found.file)
    expect((await standingIn(db, here, found.file, same)).is).toBe('there')
    expect((await standingIn(db, here, { ...found.file, id: randomUUID() }, same)).isCodeTaken).toBe(true)
    await expect(bring(db, here, found)).rejects.toThrow(/duplicate key/)
    const copy = await bring(db, here, found, 'new')
    expect(copy).toMatch(/^ZN-\d{3}$/)
    expect(copy).not.toBe('ZN-020')
    const [one, two] = [
      JSON.parse(textIn(await outOf(db, 'ZN-020'), 'batch.json')),
      JSON.parse(textIn(await outOf(db, copy), 'batch.json')),
    ] as [BatchFile, BatchFile]
    expect(two.journal.map(({ entry }) => ({ ...entry, id: '', corrects: '' }))).toEqual(
      one.journal.map(({ entry }) => ({ ...entry, id: '', corrects: '' })),
    )
    expect(new Set([...one.journal, ...two.journal].map(({ entry }) => entry.id)).size).toBe(one.journal.length * 2)
  })

  it('keeps what was sealed sealed, with what proved it there', async () => {
    await doAct(db, 'CO-003', TOVE.id, 'signed')
    await doAct(db, 'CO-003', WREN.id, 'countersigned')
    await doAct(db, 'CO-003', WREN.id, 'sealed')
    const files = await outOf(db, 'CO-003')
    const third = await testDatabase(server!)
    drops.push(third.drop)
    await addLab(third.db, {
      id: elsewhere.id,
      name: 'A third lab',
      people: [{ id: elsewhere.person, name: 'Fern Sedge', role: 'administrator' }],
    })
    await bring(third.db, there, foundIn(files))
    expect((await batchOf(third.db, 'CO-003', there)).sealedAt).toBeDefined()
    const again = await outOf(third.db, 'CO-003', there)
    const { origin } = JSON.parse(textIn(again, 'proof/proof.json')) as {
      origin: { acts: unknown[]; lab: { name: string } }
    }
    expect(origin.lab.name).toBe(demoLab.name)
    expect(origin.acts).toHaveLength(3)
  })

  it('goes on with its signatures in the same lab, and takes over none that are of something else', async () => {
    // The lab and its key on another machine, as after a disaster: the keys are brought, the batches are not there yet.
    const again = await testDatabase(server!)
    drops.push(again.drop)
    await addDemoLab(again.db)
    await again.db('installation_keys').insert(await db('installation_keys').select('*'))
    await doAct(db, 'MO-002', WREN.id, 'signed')
    const here = accessFor(TOVE.id)
    const [mine, other] = [foundIn(await outOf(db, 'MO-002')), foundIn(await outOf(db, 'CO-003'))]
    if (mine.is !== 'batch' || other.is !== 'batch') throw new Error('These are plans.')
    await bring(again.db, here, mine)
    expect(await again.db('acts').pluck('number')).toEqual([1])
    // Genuine signatures of this very installation, set beside another batch.
    const zinc = foundIn(await outOf(db, 'ZN-020'))
    if (zinc.is !== 'batch') throw new Error('This is a plan.')
    const forged = { ...zinc, proof: { ...zinc.proof!, acts: other.proof!.acts, texts: other.proof!.texts } }
    await bring(again.db, here, forged)
    expect(await again.db('acts').pluck('batch_id')).toEqual([mine.file.id])
    expect(await again.db('origins').pluck('batch_id')).toEqual([zinc.file.id])
  })

  it('takes a lab’s own rows, templates and worksheets along, and overwrites none that are there', async () => {
    const here = accessFor(TOVE.id, 'administrator')
    const salt = { formula: 'Zr(SO4)2', name: 'zirconium sulfate', state: 'solid', water: 'soluble' } as const
    await putOwnRow(db, here, 'Zr(SO4)2', { kind: 'substance', body: salt })
    await putTemplate(db, here, { name: 'Our wash', steps: [{ id: 'w', do: 'wash', words: 'Wash it' }] })
    const sheet = {
      id: 'lone-1',
      kind: 'gravimetric',
      name: 'Tin of the balance',
      given: {},
      rows: [{ mass: '1.000 g' }],
    }
    await saveAssay(db, here, 0, sheet as never)
    const file = await thingsOf(db, here)
    const found = thingsIn(file)
    expect(found.map(({ is }) => is)).toEqual(expect.arrayContaining(['own-row', 'template', 'worksheet']))
    const bringAll = async (all: readonly FoundThing[], ids: 'kept' | 'new'): Promise<boolean[]> =>
      other.transaction(async trx => {
        const done: boolean[] = []
        for (const one of all) done.push(await bringThing(trx, there, one, await thingStandingIn(trx, there, one), ids))
        return done
      })
    expect(await bringAll(found, 'kept')).toEqual(found.map(() => true))
    expect(canonical(await thingsOf(other, there))).toBe(canonical(file))
    expect(await bringAll(found, 'new')).toEqual(found.map(() => false))

    const changed = found.map(one =>
      one.is === 'own-row'
        ? { ...one, row: { ...one.row, body: { ...one.row.body, name: 'another name' } } as typeof one.row }
        : one.is === 'template'
          ? {
              ...one,
              template: { ...one.template, steps: one.template.steps.map(step => ({ ...step, words: 'Else' })) },
            }
          : { ...one, worksheet: { ...one.worksheet, name: 'Another name' } },
    )
    expect(await bringAll(changed, 'kept')).toEqual(found.map(() => false))
    expect(canonical(await thingsOf(other, there))).toBe(canonical(file))
    expect(await bringAll(changed, 'new')).toEqual(found.map(({ is }) => is !== 'own-row'))
    const after = JSON.stringify(await thingsOf(other, there))
    expect(after).toContain('"Our wash (2)"')
    expect(after).toContain('"Wash it"')
    expect(after).not.toContain('another name')
    expect(after).toContain('Tin of the balance')
    expect(after).toContain('Another name')

    const faulty = lookInto(
      Buffer.from(
        JSON.stringify({ ...file, rows: [{ kind: 'substance', body: { ...salt, formula: 'Zr(SO4)2·4H2O' } }] }),
      ),
    )
    expect(faulty).toMatchObject({ ok: false, problems: [{ file: 'the file', at: 'rows.0' }] })
  })

  it('is told where it is faulty, and taken in none of it', async () => {
    const whole = JSON.parse(textIn(await outOf(db, 'ZN-020'), 'batch.json')) as BatchFile
    const tries: [unknown, RegExp, RegExp][] = [
      [{ ...whole, journal: [whole.journal[0], whole.journal[2]] }, /^journal\.1\.seq$/, /where 2 follows/],
      [{ ...whole, people: [] }, /^journal\.0\.entry\.by$|revisions/, /Nobody of this name/],
      [{ ...whole, revisions: [] }, /^revisions/, /no plan|last plan/],
      [
        { ...whole, document: { ...whole.document, title: 'Another' } },
        /^revisions\.0\.body$/,
        /is not the one under “document”/,
      ],
      [{ ...whole, code: 'no such code!' }, /^code$/, /letters, digits and hyphens/],
      [{ ...whole, surprise: 1 }, /^$/, /surprise/],
      [{ ...whole, photos: [{ sha256: 'a'.repeat(64), type: 'image/png' }] }, /^photos\.0$/, /not beside it/],
      [{ format: 'another/format' }, /^format$/, /neither a batch/],
    ]
    for (const [body, at, why] of tries) {
      const looked = lookInto(Buffer.from(JSON.stringify(body)))
      expect(looked.ok).toBe(false)
      if (looked.ok) continue
      expect(looked.problems.map(one => one.at).join('\n')).toMatch(new RegExp(at.source, 'm'))
      expect(looked.problems.map(one => one.why).join('\n')).toMatch(why)
    }
    for (const bytes of [
      Buffer.from('PK\u0003\u0004 and then nothing'),
      Buffer.from('{"half":'),
      Buffer.from([0xff, 0xfe, 0x00]),
    ])
      expect(lookInto(bytes).ok).toBe(false)
    const nested = lookInto(
      zipSync({
        'batches/ZN-020.zip': zipSync({ 'batch.json': Buffer.from(JSON.stringify(whole)) }),
        'lab.json': Buffer.from('{}'),
      }),
    )
    expect(nested).toMatchObject({ ok: true, found: [{ is: 'batch', file: { code: 'ZN-020' } }] })
    expect(
      lookInto(
        zipSync({ 'a.zip': zipSync({ 'b.zip': zipSync({ 'batch.json': Buffer.from(JSON.stringify(whole)) }) }) }),
      ).ok,
    ).toBe(false)
    const mixed = lookInto(
      zipSync({ 'a/batch.json': Buffer.from(JSON.stringify(whole)), 'b/batch.json': Buffer.from('{}') }),
    )
    expect(mixed).toMatchObject({ ok: false, problems: [{ file: 'b/batch.json' }] })
  })
})

describe.skipIf(!server)('what is taken out', () => {
  let db: Knex
  let drop: () => Promise<void>
  let files: Map<string, Uint8Array>
  beforeAll(async () => {
    ;({ db, drop } = await testDatabase(server!))
    await addDemoLab(db)
    const { document, entries } = allDemo().find(({ code }) => code === 'ZN-020')!
    const points = Array.from({ length: 40 }, (_, i) => [400 + 10 * i, 0.1 + i / 100] as const)
    const spectrum = {
      id: 'w9',
      kind: 'spectrum' as const,
      name: 'Visible',
      given: {},
      rows: [],
      curve: { x: 'nm', y: 'A', points },
    }
    const thermogram = {
      ...spectrum,
      id: 'w8',
      kind: 'thermogram' as const,
      name: 'Heated',
      curve: { x: '°C', y: 'mg', points },
    }
    const { id } = await putBatch(db, {
      code: 'ZN-020',
      document: { ...document, assays: [...(document.assays ?? []), spectrum, thermogram] },
      entries,
    })
    const photo = await keepPhoto(db, accessFor(TOVE.id), id, 'image/jpeg', Buffer.from('not really a picture'))
    const base = { stage: 's1', at: '2026-11-12T12:00:00.000Z', by: TOVE.id }
    await append(db, 'ZN-020', [
      { ...base, id: randomUUID(), kind: 'photo', photo, type: 'image/jpeg', text: 'The cake' },
      { ...base, id: randomUUID(), kind: 'note', text: '=HYPERLINK("http://example.invalid","look")' },
      { ...base, id: randomUUID(), kind: 'note', text: '+1 portion; "quoted", and\na line' },
      {
        at: base.at,
        by: base.by,
        id: randomUUID(),
        kind: 'reading',
        about: { what: 'pot', stage: 's1' },
        measure: 'temperature',
        value: '-5.2 °C',
        typed: true,
      },
    ])
    await doAct(db, 'ZN-020', TOVE.id, 'signed')
    files = await outOf(db, 'ZN-020')
  })
  afterAll(() => drop())

  it('is a valid RO-Crate, whose every file is described and there', async () => {
    const json = JSON.parse(textIn(files, 'ro-crate-metadata.json'))
    const validator = new Validator()
    validator.parseJSON(json)
    const listing = Object.fromEntries(
      [...files.keys()].filter(path => path !== 'ro-crate-metadata.json').map(path => [path, { exists: true }]),
    )
    validator.checkFiles(listing)
    expect(validator.results.filter((one: { status: string }) => one.status !== 'success')).toEqual([])
    const crate = new ROCrate(json, { array: true, link: true })
    expect(crate.rootDataset.name[0]).toContain('ZN-020')
    expect(crate.getEntity('ro-crate-metadata.json').conformsTo[0]['@id']).toBe('https://w3id.org/ro/crate/1.1')
    // What the specification asks of a root data entity (RO-Crate 1.1, "Root Data Entity"), and of every file.
    for (const key of ['name', 'description', 'datePublished', 'license'])
      expect(crate.rootDataset[key], key).toBeDefined()
    for (const part of crate.rootDataset.hasPart) expect(part['@type']).toContain('File')
    const ids = new Set(json['@graph'].map((one: { '@id': string }) => one['@id']))
    const refs = [...JSON.stringify(json['@graph']).matchAll(/\{"@id":"([^"]+)"\}/g)].map(([, id]) => id!)
    expect(refs.filter(id => !ids.has(id) && !id.startsWith('https://'))).toEqual([])
    expect(json['@graph'].find((one: { '@id': string }) => one['@id'] === '#preparation')).toMatchObject({
      'prov:startedAtTime': expect.stringMatching(/^2026-11/),
    })
  })

  it('has a batch.json that the published schema accepts, as a general validator reads both', () => {
    const ajv = addFormats.default(new Ajv2020({ strict: false, allErrors: true }))
    const validate = ajv.compile(JSON.parse(textIn(files, 'batch.schema.json')))
    const batch = JSON.parse(textIn(files, 'batch.json'))
    expect(validate(batch), JSON.stringify(validate.errors)).toBe(true)
    expect(validate({ ...batch, version: 2 })).toBe(false)
    expect(validate({ ...batch, more: 1 })).toBe(false)
    const [first, ...rest] = batch.journal
    expect(validate({ ...batch, journal: [{ ...first, entry: { ...first.entry, kind: 'guess' } }, ...rest] })).toBe(
      false,
    )
  })

  it('has tables that a spreadsheet opens and runs nothing of, described column by column', () => {
    const text = textIn(files, 'journal.csv')
    const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true })
    expect(errors).toEqual([])
    const { journal } = JSON.parse(textIn(files, 'batch.json')) as BatchFile
    expect(data).toHaveLength(journal.length)
    const notes = data.filter(({ kind }) => kind === 'note').map(row => row.text)
    expect(notes).toEqual([`'=HYPERLINK("http://example.invalid","look")`, `'+1 portion; "quoted", and\na line`])
    expect(data.find(({ measure }) => measure === 'temperature')).toMatchObject({ value: '-5.2', unit: '°C' })
    for (const path of [...files.keys()].filter(one => one.endsWith('.csv'))) {
      const meta = JSON.parse(textIn(files, `${path}-metadata.json`)) as {
        url: string
        tableSchema: { columns: { name: string }[] }
      }
      const head = Papa.parse<string[]>(textIn(files, path)).data[0]!
      expect(
        meta.tableSchema.columns.map(({ name }) => name),
        path,
      ).toEqual(head)
      expect(path.endsWith(meta.url)).toBe(true)
      expect(new Set(head).size, path).toBe(head.length)
      for (const cell of Papa.parse<string[]>(textIn(files, path)).data.flat())
        expect(cell, path).not.toMatch(/^[=@\t\r]|^[+-](?![\d.,eE]+$)/)
    }
  })

  it('has curves that their own formats’ readers read', () => {
    const spectrum = [...files.keys()].find(path => path.endsWith('.jdx'))!
    const [read] = convert(textIn(files, spectrum)).flatten
    const { x, y } = read!.spectra[0]!.data as { x: number[]; y: number[] }
    expect([x.length, x[0], y[39]]).toEqual([40, 400, expect.closeTo(0.49, 6)])
    const heated = Papa.parse<string[]>(
      textIn(
        files,
        [...files.keys()].find(path => /curves\/.*heated\.csv$/.test(path))!,
      ),
      { skipEmptyLines: true },
    ).data
    expect(heated).toHaveLength(41)
  })

  it('is itself the same when it is taken out twice at one moment', async () => {
    const again = await outOf(db, 'ZN-020')
    for (const [path, data] of files) expect(Buffer.from(again.get(path)!).equals(Buffer.from(data)), path).toBe(true)
  })
})
