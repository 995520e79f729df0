import { createHash, randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { demoBatches, demoLab } from '#demo'
import type { Entry } from '#core/journal'
import { addBatch, findBatch, saveDocument, touchBatches } from './batches'
import { newWorksheet } from '#core/assay'
import { deleteAssay, findAssay, listAssays, saveAssay } from './assays'
import { connect, forLab, isAway } from './connect'
import { appendMany, placeOf, type Append, type Hints } from './append'
import { countBriefs, freshenBriefs, lanesUnderWay, listBriefs } from './briefs'
import { checkpointOf, findBreak, missingBatches } from './chain'
import { entriesByBatch, listEntries } from './entries'
import { makeAccess } from '../access/access'
import { migrate, standOf } from './migrate'
import { addLab, findLab, saveSettings } from './people'
import { findPhoto, keepPhoto, missingPhotos } from './photos'
import { findRevision, findRevisionBreak, listRevisions } from './revisions'
import { beginSession, findSession, stillIn, turnSession } from './sessions'
import { APP_ROLE, grantApp, grants } from './role'

const server = process.env.TEST_DATABASE_URL

/** bin/test starts a throwaway PostgreSQL and names it; without one these are skipped, and bin/test never goes without. */
describe.skipIf(!server)('the database', () => {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  let db: Knex
  const [document] = demoBatches(new Date()).map(batch => batch.document)
  const note = (text: string): Entry => ({
    kind: 'note',
    id: randomUUID(),
    at: new Date().toISOString(),
    by: demoLab.people[0].id,
    stage: 's1',
    text,
  })
  const batchFor = async (prefix = 'ZN') => ({
    ...(await addBatch(db, access, prefix, document!)),
    labId: demoLab.id,
  })
  const access = makeAccess({
    lab: demoLab.id,
    person: demoLab.people[0].id,
    role: 'administrator',
    via: 'setup',
    isStrong: true,
  })
  const ofLab = (appends: readonly Omit<Append, 'access'>[]): Append[] => appends.map(one => ({ access, ...one }))
  const send = (...appends: Omit<Append, 'access'>[]) => appendMany(db, ofLab(appends))

  beforeAll(async () => {
    const admin = connect(server!)
    await admin.raw('create database ??', [name])
    await admin.destroy()
    db = connect(server!.replace(/\/[^/]*$/, `/${name}`))
    await Promise.all([migrate(db), migrate(db)])
    await addLab(db, demoLab)
  }, 30_000)

  it('keeps worksheets that stand alone, one version after the other', async () => {
    const sheet = newWorksheet(randomUUID(), 'hydrate', { salt: 'CuSO4' })
    expect(await saveAssay(db, access, 0, sheet)).toBe(1)
    // Begun twice, or changed from a version that is gone: refused, and nothing is lost.
    expect(await saveAssay(db, access, 0, { ...sheet, name: 'again' })).toBeUndefined()
    expect(await saveAssay(db, access, 1, { ...sheet, name: 'water' })).toBe(2)
    expect(await saveAssay(db, access, 1, { ...sheet, name: 'late' })).toBeUndefined()
    expect(await findAssay(db, access, sheet.id)).toMatchObject({ version: 2, worksheet: { name: 'water' } })
    expect((await listAssays(db, access)).map(({ worksheet }) => worksheet.id)).toContain(sheet.id)
    expect(await deleteAssay(db, access, sheet.id)).toBe(true)
    expect(await deleteAssay(db, access, sheet.id)).toBe(false)
  })

  afterAll(async () => {
    await db?.destroy()
    const admin = connect(server!)
    await admin.raw('drop database ??', [name])
    await admin.destroy()
  })

  it('migrates once, however many processes ask, and knows its lab', async () => {
    await migrate(db)
    expect((await db('knex_migrations')).map(({ name: migration }) => migration)).toEqual([
      '001-skeleton',
      '002-own-rows',
      '003-bench',
      '004-assays',
      '005-chain',
      '006-by-lab',
      '007-people',
      '008-revisions',
      '009-append',
      '010-record',
      '011-stamps',
      '012-shelf',
      '013-drills',
      '014-class',
      '015-practice',
      '016-many-labs',
      '017-appends-in-place',
      '018-told-how-far',
    ])
    expect(await findLab(db, access)).toEqual({
      id: demoLab.id,
      name: demoLab.name,
      isDemo: false,
      people: demoLab.people.map(person => ({ ...person, hasAccount: false, hasPin: false })),
      settings: {},
    })
    const settings = { hours: { from: 9, to: 16, days: [1, 2] }, have: { hood: 2 } }
    await saveSettings(db, access, settings)
    expect((await findLab(db, access))?.settings).toEqual(settings)
    const air = { celsius: 21, humidity: 0.38 }
    await saveSettings(db, access, { air })
    expect((await findLab(db, access))?.settings).toEqual({ ...settings, air })
  })

  it('works on beside a newer version that only added, and refuses one that took something away', async () => {
    expect(await standOf(db)).toEqual({ is: 'current' })
    await db('knex_migrations').insert({ name: '999-later', batch: 99, migration_time: new Date() })
    expect(await standOf(db)).toEqual({ is: 'current' })
    await migrate(db)
    await db('fits').update({ since: '999-later' })
    expect(await standOf(db)).toEqual({ is: 'newer', by: ['999-later'] })
    await db('knex_migrations').where({ name: '999-later' }).delete()
    await db('fits').update({ since: '015-practice' })
  })

  it('parses what is stored: an old version comes as the newest, what does not read is told and kept', async () => {
    const old = {
      ...document!,
      version: 1,
      plan: { stages: [{ ...document!.plan.stages[0]!, crystals: { moves: [{ heatTo: '60 °C' }] } }] },
    }
    const { code, id } = await addBatch(db, access, 'OLD', document!)
    await db('batches')
      .where({ id })
      .update({ document: JSON.stringify(old) })
    const read = await findBatch(db, access, code)
    expect(read).toMatchObject({
      document: { version: 2, plan: { stages: [{ operations: [{ heatTo: '60 °C' }] }] } },
    })
    await db('batches')
      .where({ id })
      .update({ document: JSON.stringify({ ...document!, version: 99 }) })
    expect(await findBatch(db, access, code)).toMatchObject({ code, at: 'version' })
    expect((await db('batches').where({ id }).first('document')).document.version).toBe(99)
    await db('batches')
      .where({ id })
      .update({ document: JSON.stringify(document) })
  })

  it('gives batches the next free code, also when many are begun at once', async () => {
    const codes = (await Promise.all(Array.from({ length: 8 }, () => addBatch(db, access, 'MO', document!)))).map(
      ({ code }) => code,
    )
    expect(codes.sort()).toEqual(['MO-001', 'MO-002', 'MO-003', 'MO-004', 'MO-005', 'MO-006', 'MO-007', 'MO-008'])
    expect(await findBatch(db, access, 'MO-003')).toMatchObject({ code: 'MO-003', version: 1, document })
    expect(await findBatch(db, access, 'XX-001')).toBeUndefined()
  })

  it('saves over the version that was read, and refuses one that is no longer the last', async () => {
    const { code } = await batchFor()
    expect(await saveDocument(db, access, code, 1, { ...document!, title: 'first' })).toEqual({
      saved: true,
      version: 2,
    })
    expect(await saveDocument(db, access, code, 1, { ...document!, title: 'second' })).toMatchObject({
      saved: false,
      current: { version: 2, document: { title: 'first' } },
    })
    const both = await Promise.all([2, 2].map(version => saveDocument(db, access, code, version, document!)))
    expect(both.filter(({ saved }) => saved)).toHaveLength(1)
  })

  it('appends in order, once each, whoever writes at the same time', async () => {
    const batch = await batchFor()
    const entries = Array.from({ length: 20 }, (_, i) => note(`n${i}`))
    await Promise.all(
      [...entries, ...entries].map(entry => send({ code: batch.code, entries: [entry] }).catch(() => {})),
    )
    await send({ code: batch.code, entries })
    const stored = await listEntries(db, access, batch.id)
    expect(stored.map(({ seq }) => seq)).toEqual(entries.map((_, i) => i + 1))
    expect(await listEntries(db, access, batch.id, 17)).toHaveLength(3)
    expect(new Set(stored.map(({ entry }) => entry.id)).size).toBe(20)
    expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
    expect((await entriesByBatch(db, access, [batch.id])).get(batch.id)).toHaveLength(20)
  })

  it('writes by its hints, and finds out when another process has written', async () => {
    const [batch, other] = [await batchFor(), await batchFor()]
    const hints: Hints = new Map()
    const write = (...appends: Omit<Append, 'access'>[]) => appendMany(db, ofLab(appends), hints)
    const first = note('first')
    await write({ code: batch.code, entries: [first] }, { code: other.code, entries: [note('o1')] })
    const place = placeOf({ access, code: batch.code })
    expect(hints.get(place)?.seq).toBe(1)
    await write({ code: batch.code, entries: [note('second')] })
    await send({ code: batch.code, entries: [note('by another process')] })
    const answers = await write(
      { code: batch.code, entries: [note('after it')] },
      { code: other.code, entries: [note('o2')] },
      { code: batch.code, entries: [first] },
    )
    expect(answers.map(answer => answer.ok && answer.entries.map(({ seq }) => seq))).toEqual([[4], [2], [1]])
    const twice = note('twice in one request')
    await write({ code: batch.code, entries: [twice, twice] })
    const stored = await listEntries(db, access, batch.id)
    expect(stored.map(({ seq }) => seq)).toEqual([1, 2, 3, 4, 5])
    expect(hints.get(place)).toMatchObject({ seq: 5, hash: stored[4]!.hash })
    expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
    expect(await findBreak(db, demoLab.id, other.id)).toBeUndefined()
  })

  it('rewrites in place what a batch that is written to all the time keeps, by its key, and says now and then that it was touched', async () => {
    const batch = await batchFor()
    const hints: Hints = new Map()
    const rewritten = async (): Promise<{ rows: number; inPlace: number; scans: number }> => {
      const [row] = await db('pg_stat_user_tables')
        .whereIn('relname', ['batches', 'chain_ends'])
        .select(
          db.raw('sum(n_tup_upd)::int as "rows", sum(n_tup_hot_upd)::int as "inPlace", sum(seq_scan)::int as scans'),
        )
      return row
    }
    // A connection of its own, whose plans are none that were made for other statements.
    const other = connect(server!.replace(/\/[^/]*$/, `/${name}`))
    const write = (text: string, by = other) =>
      appendMany(by, ofLab([{ code: batch.code, entries: [note(text)] }]), hints)
    const touched = async (): Promise<number> =>
      (await db('batches').where({ lab_id: access.lab, id: batch.id }).first('touched_at')).touched_at.getTime()
    await write('the first', db)
    await db.raw('analyze batches')
    // Counts of what connections did before arrive when they rest.
    await new Promise(resolve => setTimeout(resolve, 1500))
    const before = await rewritten()
    for (let i = 0; i < 40; i++) await write(`n${i}`)
    // What a connection did is counted when it ends.
    await other.destroy()
    const grown = await vi.waitFor(
      async () => {
        const now = await rewritten()
        expect(now.rows - before.rows).toBeGreaterThanOrEqual(80)
        return { rows: now.rows - before.rows, inPlace: now.inPlace - before.inPlace, scans: now.scans - before.scans }
      },
      { timeout: 8000, interval: 200 },
    )
    // Half of the rows are chains' ends, which no index keeps back; of the batches' most stay too, as long as they do not say each time that they were touched.
    expect(grown.inPlace / grown.rows).toBeGreaterThan(0.6)
    expect(grown.scans).toBeLessThan(40)
    await write('once more', db)
    const at = await touched()
    await new Promise(resolve => setTimeout(resolve, 250))
    await write('later', db)
    expect(await touched()).toBeGreaterThan(at)
  })

  it('keeps chains whole while two processes write by hints of their own', async () => {
    const batches = [await batchFor(), await batchFor()]
    const process = async (hints: Hints): Promise<void> => {
      for (let n = 0; n < 25; n++)
        await appendMany(
          db,
          ofLab(batches.map(({ code }) => ({ code, entries: [note(`n${n}`), note(`m${n}`)] }))),
          hints,
        )
    }
    await Promise.all([process(new Map()), process(new Map())])
    for (const { id } of batches) {
      expect(await listEntries(db, access, id)).toHaveLength(100)
      expect(await findBreak(db, demoLab.id, id)).toBeUndefined()
    }
  })

  it('refuses one request and keeps the others that came with it', async () => {
    const [first, second] = [await batchFor(), await batchFor()]
    const there = note('there')
    await send({ code: second.code, entries: [there] })
    const correction = (corrects: string): Entry => ({
      kind: 'correction',
      id: randomUUID(),
      at: new Date().toISOString(),
      by: demoLab.people[0].id,
      corrects,
      why: 'misread',
      instead: 'so',
    })
    const good = note('good')
    const answers = await send(
      { code: first.code, entries: [note('a'), correction(randomUUID())] },
      { code: first.code, entries: [good, correction(good.id)] },
      { code: first.code, entries: [correction(there.id)] },
      { code: first.code, entries: [there] },
      { code: 'XX-999', entries: [note('nowhere')] },
      { code: second.code, entries: [{ ...note('who'), by: randomUUID() }] },
      { code: second.code, entries: [there, note('more')] },
      { code: second.code, entries: [{ ...there, text: 'something else' } as Entry] },
    )
    expect(answers.map(answer => (answer.ok ? answer.entries.map(({ seq }) => seq) : answer.problem.code))).toEqual([
      'append.entry',
      [1, 2],
      'append.entry',
      'append.taken',
      'append.no-batch',
      'append.stranger',
      [1, 2],
      'append.differs',
    ])
    expect(await findBreak(db, demoLab.id, first.id)).toBeUndefined()
    expect(await findBreak(db, demoLab.id, second.id)).toBeUndefined()
  })

  it('keeps the digits of a reading', async () => {
    const batch = await batchFor()
    const reading: Entry = {
      kind: 'reading',
      id: randomUUID(),
      at: '2026-05-04T09:00:00Z',
      by: demoLab.people[0].id,
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'gross',
      value: '31.180 g',
      typed: true,
    }
    await send({ code: batch.code, entries: [reading] })
    expect(await db('entries').where({ id: reading.id }).first('value', 'unit', 'typed')).toEqual({
      value: '31.180',
      unit: 'g',
      typed: true,
    })
    expect((await listEntries(db, access, batch.id))[0]!.entry).toEqual(reading)
  })

  it('fills value and unit by the one reader of measured text, and leaves what is written as it is', async () => {
    const { code } = await batchFor()
    const about = { what: 'charge', stage: 's1', species: 'Zn' } as const
    const written = { at: new Date().toISOString(), by: access.person }
    const read = (value: string): Entry => ({
      ...written,
      id: randomUUID(),
      kind: 'reading',
      about,
      measure: 'net',
      value,
      typed: true,
    })
    for (const [text, value, unit] of [
      ['1e3 g', '1000', 'g'],
      ['+5.2 g', '5.2', 'g'],
      ['5.214 ± 0.002 g', '5.214', 'g'],
      ['0.500 g', '0.500', 'g'],
      ['88437 mg', '88437', 'mg'],
    ] as const) {
      const entry = read(text)
      const [appended] = await send({ code, entries: [entry] })
      expect(appended?.ok, text).toBe(true)
      const row = await db('entries').where({ id: entry.id }).first('value', 'unit', 'body')
      expect([row.value, row.unit, row.body.value]).toEqual([value, unit, text])
    }
  })

  it('lets nobody change, delete or empty the journal', async () => {
    const batch = await batchFor()
    const entry = note('as it was')
    await send({ code: batch.code, entries: [entry] })
    await expect(db('entries').where({ id: entry.id }).update({ kind: 'note' })).rejects.toThrow('append-only')
    await expect(db('entries').where({ id: entry.id }).delete()).rejects.toThrow('append-only')
    await expect(db.raw('truncate entries cascade')).rejects.toThrow('append-only')
  })

  it('keeps labs apart that have batches of one code', async () => {
    const lab = randomUUID()
    const person = randomUUID()
    await addLab(db, { id: lab, name: 'Another station', people: [{ id: person, name: 'Somebody', role: 'chemist' }] })
    const other = makeAccess({ ...access, lab, person })
    const [mine, theirs] = [await batchFor(), await addBatch(db, other, 'ZN', document!)]
    await db('batches').where({ id: theirs.id }).update({ code: mine.code })
    await db('chain_ends').where({ batch_id: theirs.id }).update({ code: mine.code })
    const hints: Hints = new Map()
    const write = (...appends: Append[]) => appendMany(db, appends, hints)
    const theirNote = { ...note('theirs'), by: person }
    for (let round = 0; round < 2; round++) {
      await write(
        { access, code: mine.code, entries: [note('mine')] },
        { access: other, code: mine.code, entries: [round === 0 ? theirNote : { ...note('theirs'), by: person }] },
      )
    }
    const stranger = await write({ access: other, code: mine.code, entries: [note('mine in theirs')] })
    expect(stranger[0]).toMatchObject({ ok: false, problem: { code: 'append.stranger' } })
    expect((await listEntries(db, access, mine.id)).map(({ entry }) => 'text' in entry && entry.text)).toEqual([
      'mine',
      'mine',
    ])
    expect((await listEntries(db, other, theirs.id)).map(({ entry }) => 'text' in entry && entry.text)).toEqual([
      'theirs',
      'theirs',
    ])
    expect(await listEntries(db, access, theirs.id)).toEqual([])
    expect(await findBreak(db, lab, theirs.id)).toBeUndefined()
  })

  describe('a journal that somebody tampered with', () => {
    /** As whoever may do anything in the database would. */
    const behindItsBack = async (change: (trx: Knex) => Promise<unknown>): Promise<void> => {
      await db.transaction(async trx => {
        await trx.raw("set local session_replication_role = 'replica'")
        await change(trx)
      })
    }
    const reading = (value: string): Entry => ({
      kind: 'reading',
      id: randomUUID(),
      at: '2026-05-04T09:00:00Z',
      by: demoLab.people[0].id,
      about: { what: 'product', stage: 's1', crop: 1 },
      measure: 'net',
      value,
      typed: true,
    })
    const begun = async () => {
      const batch = await batchFor('TP')
      const entries = [note('one'), reading('5.2e3 mg'), note('three')]
      await send({ code: batch.code, entries })
      expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
      return { batch, ids: entries.map(({ id }) => id) }
    }

    it.each([
      [
        'its text',
        1,
        (trx: Knex, id: string) =>
          trx('entries')
            .where({ id })
            .update({ body: trx.raw(`jsonb_set(body, '{text}', '"too"')`) }),
      ],
      [
        'its person',
        1,
        (trx: Knex, id: string) => trx('entries').where({ id }).update({ person_id: demoLab.people[1].id }),
      ],
      [
        'the server’s time',
        1,
        (trx: Knex, id: string) => trx('entries').where({ id }).update({ recorded_at: '2026-01-01T00:00:00Z' }),
      ],
      [
        'the time it was seen',
        1,
        (trx: Knex, id: string) => trx('entries').where({ id }).update({ at: '2026-01-01T00:00:00Z' }),
      ],
      ['its kind', 1, (trx: Knex, id: string) => trx('entries').where({ id }).update({ kind: 'observation' })],
      ['its value', 2, (trx: Knex, id: string) => trx('entries').where({ id }).update({ value: '6.2' })],
      ['its unit', 2, (trx: Knex, id: string) => trx('entries').where({ id }).update({ unit: 'g' })],
      ['whether it was typed', 2, (trx: Knex, id: string) => trx('entries').where({ id }).update({ typed: false })],
      [
        'its instrument',
        2,
        (trx: Knex, id: string) => trx('entries').where({ id }).update({ instrument: 'balance 2' }),
      ],
      [
        'its version of the hash',
        1,
        (trx: Knex, id: string) => trx('entries').where({ id }).update({ hash_version: 1 }),
      ],
    ] as const)('is broken where %s was altered', async (_, seq, change) => {
      const { batch, ids } = await begun()
      await behindItsBack(trx => Promise.resolve(change(trx, ids[seq - 1]!)))
      expect(await findBreak(db, demoLab.id, batch.id)).toMatchObject({ seq, id: ids[seq - 1] })
    })

    it('is broken where one was taken from its middle or its end, also with a moved head', async () => {
      const [middle, end] = [await begun(), await begun()]
      await behindItsBack(trx => trx('entries').where({ id: middle.ids[1] }).delete())
      expect(await findBreak(db, demoLab.id, middle.batch.id)).toMatchObject({ seq: 2 })
      await behindItsBack(async trx => {
        await trx('entries').where({ id: end.ids[2] }).delete()
        const last = await trx('entries').where({ batch_id: end.batch.id }).orderBy('seq', 'desc').first('seq', 'hash')
        await trx('batches').where({ id: end.batch.id }).update({ last_seq: last.seq, last_hash: last.hash })
      })
      expect(await findBreak(db, demoLab.id, end.batch.id)).toEqual({
        seq: 3,
        why: 'one or more are missing at the end',
      })
    })

    it('is missed where the whole of it, or its batch, is gone', async () => {
      const [emptied, gone] = [await begun(), await begun()]
      await behindItsBack(async trx => {
        await trx('entries').where({ batch_id: emptied.batch.id }).delete()
        await trx('batches')
          .where({ id: emptied.batch.id })
          .update({ last_seq: 0, last_hash: '0'.repeat(64) })
        await trx('entries').where({ batch_id: gone.batch.id }).delete()
        await trx('batches').where({ id: gone.batch.id }).delete()
      })
      expect(await findBreak(db, demoLab.id, emptied.batch.id)).toMatchObject({
        why: 'one or more are missing at the end',
      })
      expect(await missingBatches(db)).toEqual([
        { code: gone.batch.code, why: 'the batch is gone, and its 3 entries with it' },
      ])
    })

    it('is broken where two were swapped', async () => {
      const [a, b] = [await begun(), await begun()]
      await behindItsBack(async trx => {
        const spare = randomUUID()
        const move = (from: string, to: string) => trx('entries').where({ batch_id: from }).update({ batch_id: to })
        await move(a.batch.id, spare)
        await move(b.batch.id, a.batch.id)
        await move(spare, b.batch.id)
        for (const [to, from] of [
          [a, b],
          [b, a],
        ] as const) {
          const { hash } = await trx('entries').where({ batch_id: to.batch.id, seq: 3 }).first('hash')
          expect(from.ids).toHaveLength(3)
          await trx('batches').where({ id: to.batch.id }).update({ last_hash: hash })
          await trx('chain_ends').where({ batch_id: to.batch.id }).update({ hash })
        }
      })
      expect(await findBreak(db, demoLab.id, a.batch.id)).toMatchObject({ seq: 1, why: 'it was altered' })
    })

    it('is broken where the bytes of a photo were altered', async () => {
      const { batch } = await begun()
      const photo = await keepPhoto(db, access, batch.id, 'image/png', Buffer.from('89504e470d0a1a0a0001', 'hex'))
      const entry: Entry = {
        kind: 'photo',
        id: randomUUID(),
        at: '2026-05-04T09:00:00Z',
        by: demoLab.people[0].id,
        stage: 's1',
        photo,
        type: 'image/png',
        text: 'crystals',
      }
      await send({ code: batch.code, entries: [entry] })
      expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
      await behindItsBack(trx =>
        trx('photos')
          .where({ sha256: photo })
          .update({ data: Buffer.from('00', 'hex') }),
      )
      expect(await findBreak(db, demoLab.id, batch.id)).toEqual({ seq: 4, id: entry.id, why: 'its photo was altered' })
    })

    it('closes a chain of the first version by a checkpoint over all of it', async () => {
      const batch = await batchFor('V1')
      const [one, two] = [note('one'), note('two')]
      // As an earlier version wrote it.
      const first = (previous: string, seq: number, entry: Entry): string =>
        createHash('sha256')
          .update(`${previous}\n${seq}\n${JSON.stringify(entry, Object.keys(entry).sort())}`)
          .digest('hex')
      const genesis = '0'.repeat(64)
      const hashes = [first(genesis, 1, one), first(first(genesis, 1, one), 2, two)] as const
      await db('entries').insert(
        [one, two].map((entry, i) => ({
          id: entry.id,
          lab_id: demoLab.id,
          batch_id: batch.id,
          seq: i + 1,
          person_id: entry.by,
          kind: entry.kind,
          at: entry.at,
          body: JSON.stringify(entry),
          previous_hash: [genesis, hashes[0]][i],
          hash: hashes[i],
          hash_version: 1,
        })),
      )
      const rows = await db('entries').where({ batch_id: batch.id }).orderBy('seq')
      const closed = checkpointOf(hashes[1], rows)
      await db('batches').where({ id: batch.id }).update({ last_seq: 2, last_hash: closed })
      await db('chain_ends').where({ batch_id: batch.id }).update({ seq: 2, hash: closed })
      expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
      await send({ code: batch.code, entries: [note('three')] })
      expect(await findBreak(db, demoLab.id, batch.id)).toBeUndefined()
      await behindItsBack(trx => trx('entries').where({ id: one.id }).update({ person_id: demoLab.people[1].id }))
      expect(await findBreak(db, demoLab.id, batch.id)).toMatchObject({ seq: 3 })
    })
  })

  it('makes briefs of what changed, and only of that', async () => {
    const batch = await batchFor('BR')
    const made = async (): Promise<number> => {
      let count = 0
      for (let n = 1; n > 0; count += n)
        n = await freshenBriefs(db, access, { builtAt: 5, tables: 'test' }, { most: 20 })
      return count
    }
    await made()
    expect(await made()).toBe(0)
    // A build that is older leaves them alone, a newer one makes them all anew.
    expect(await freshenBriefs(db, access, { builtAt: 4, tables: 'test' }, { most: 20 })).toBe(0)
    const before = await countBriefs(db, access)
    await send({ code: batch.code, entries: [note('begun')] })
    expect(await made()).toBe(1)
    const after = await countBriefs(db, access)
    expect(after).toEqual({ ...before, underWay: before.underWay + 1, planned: before.planned - 1 })
    const lane = (await lanesUnderWay(db, access, 100, 0)).find(({ code }) => code === batch.code)
    expect(JSON.parse(lane!.lane).length).toBeGreaterThan(5)
    expect(await freshenBriefs(db, access, { builtAt: 6, tables: 'test' }, { most: 1 })).toBe(1)
    expect((await listBriefs(db, access, { most: 500 })).map(({ code }) => code)).toContain(batch.code)
  })

  it('finds batches by code, title or product, dots, dashes and spaces aside', async () => {
    const { code } = await addBatch(db, access, 'FB', { ...document!, title: 'Cobalt(II) chloride, 50 % of it' })
    for (let n = 1; n > 0;) n = await freshenBriefs(db, access, { builtAt: 5, tables: 'test' }, { most: 20 })
    const own = forLab(db, demoLab.id)
    const found = async (words: string) => (await listBriefs(own, access, { words, most: 50 })).map(one => one.code)
    for (const words of ['', code, code.toLowerCase().replace('-', ''), 'chloride, 50 %', 'cobalt(ii)'])
      expect(await found(words), words).toContain(code)
    for (const words of ['fb_001', '%', 'zinc nothing', 'chloride|fb'])
      expect(await found(words), words).toEqual(words === '%' ? [code] : [])
    const product = (await listBriefs(own, access, { words: code, most: 1 }))[0]!.brief
    const formula = (JSON.parse(product) as { product: string }).product
    expect(await found(formula.replace('·', '.').toLowerCase())).toContain(code)
    expect(await listBriefs(own, access, { most: 1, from: 1 })).toHaveLength(1)
  })

  it('lists in pieces without leaving one out or telling one twice, though many were touched at one time', async () => {
    const own = forLab(db, demoLab.id)
    const codes: string[] = []
    for (let i = 0; i < 9; i++) codes.push((await addBatch(own, access, 'TI', document!)).code)
    for (let n = 1; n > 0;) n = await freshenBriefs(own, access, { builtAt: 5, tables: 'test' }, { most: 20 })
    // Touched at one time, and written in the other order.
    const at = new Date(Date.now() + 60_000)
    for (const code of [...codes].reverse())
      await own('briefs').where({ lab_id: access.lab, batch_code: code }).update({ batch_touched_at: at })
    const pieces: string[] = []
    for (let from = 0; from < codes.length; from += 2)
      pieces.push(...(await listBriefs(own, access, { most: 2, from })).map(({ code }) => code))
    expect(pieces.slice(0, codes.length)).toEqual(codes)
    await own('briefs').whereIn('batch_code', codes).update({ batch_touched_at: new Date() })
  })

  it('looks for stale briefs among what was touched since the mark, and makes the mark follow', async () => {
    const maker = { builtAt: 20, tables: 'marks' }
    const until = async (): Promise<number> =>
      ((await db('brief_marks').where({ lab_id: demoLab.id }).first('until')) as { until: Date }).until.getTime()
    for (let n = 1; n > 0;) n = await freshenBriefs(db, access, maker, { most: 7, from: 'oldest' })
    const stood = await until()
    expect(Date.now() - stood).toBeLessThan(60_000)
    const batch = await batchFor('MK')
    // Touched long before the mark: nobody looks there any more, and the next touch brings it back.
    await db('batches')
      .where({ id: batch.id })
      .update({ touched_at: new Date(stood - 3_600_000) })
    expect(await freshenBriefs(db, access, maker, { most: 7 })).toBe(0)
    await touchBatches(db, access, [batch.code])
    expect(await freshenBriefs(db, access, maker, { most: 7 })).toBe(1)
    await send({ code: batch.code, entries: [note('touched')] })
    expect(await freshenBriefs(db, access, maker, { most: 7 })).toBe(1)
    expect(await freshenBriefs(db, access, maker, { most: 7 })).toBe(0)
    // Tables that changed make all of them anew, whenever they were touched.
    const all = Number((await db('briefs').where({ lab_id: demoLab.id }).count('* as n').first())!.n)
    expect(await freshenBriefs(db, access, { ...maker, tables: 'other' }, { most: 1000 })).toBe(all)
  })

  it('shows a batch that cannot be worked out as such, and the others all the same', async () => {
    const [broken, fine] = [await batchFor('UN'), await batchFor('UN')]
    await db('batches')
      .where({ id: broken.id })
      .update({ document: JSON.stringify({ title: 'Broken', plan: {} }), version: 2 })
    const log = vi.spyOn(console, 'error').mockImplementation(() => {})
    for (let n = 1; n > 0;) n = await freshenBriefs(db, access, { builtAt: 7, tables: 'unreadable' }, { most: 50 })
    log.mockRestore()
    const briefs = new Map(
      (await listBriefs(db, access, { most: 500 })).map(({ code, brief }) => [code, JSON.parse(brief)]),
    )
    expect(briefs.get(broken.code)).toMatchObject({ title: 'Broken', isUnreadable: true })
    expect(briefs.get(fine.code).isUnreadable).toBeUndefined()
    expect(briefs.get(fine.code).product).not.toBe('')
  })

  it('keeps a picture once, and knows which of its batch it has', async () => {
    const batch = await batchFor()
    const png = Buffer.from('89504e470d0a1a0a0000', 'hex')
    const name = await keepPhoto(db, access, batch.id, 'image/png', png)
    expect(await keepPhoto(db, access, batch.id, 'image/png', png)).toBe(name)
    expect(await findPhoto(db, access, batch.id, name)).toEqual({ type: 'image/png', data: png })
    expect(await missingPhotos(db, access, batch.code, [name, 'f'.repeat(64)])).toEqual(['f'.repeat(64)])
    expect(await missingPhotos(db, access, 'XX-999', [name])).toEqual([name])
    await expect(db('photos').where({ sha256: name }).delete()).rejects.toThrow('append-only')
  })

  it('lets the application read and write rows, and nothing besides', async () => {
    const batch = await batchFor()
    await grantApp(db, 'a-password-for-a-test')
    // Once more is another password, and no error.
    await grantApp(db, 'another-one-for-a-test')
    await expect(grantApp(db, "x'; drop table labs; --")).rejects.toThrow('plain characters')
    const address = new URL(server!)
    address.username = APP_ROLE
    address.password = 'another-one-for-a-test'
    address.pathname = `/${name}`
    const app = connect(address.href)
    try {
      const own = forLab(app, demoLab.id)
      expect(await own('batches').where({ id: batch.id }).pluck('code')).toEqual([batch.code])
      for (const sql of [
        'create table more (x integer)',
        'drop table entries',
        'alter table entries disable trigger all',
        "copy (select 1) to program 'true'",
        "select pg_read_file('/etc/hostname')",
        'create role somebody superuser',
        'truncate entries',
        'select * from entries_p00',
        'delete from entries',
        "update entries set kind = 'note'",
        'delete from batches',
        'delete from chain_ends',
        'delete from people',
        "update photos set type = 'image/png'",
        'insert into knex_migrations (name) values (1)',
        'set role postgres',
      ])
        // 42501 is insufficient_privilege.
        await expect(app.raw(sql), sql).rejects.toMatchObject({ code: '42501' })
    } finally {
      await app.destroy()
    }
  })

  it('shows the rows of the lab that asks and no others, also to a query that forgets to say which', async () => {
    const theirs = makeAccess({ ...access, lab: randomUUID(), person: randomUUID() })
    await addLab(db, {
      id: theirs.lab,
      name: 'Third station',
      people: [{ id: theirs.person, name: 'X', role: 'chemist' }],
    })
    const batch = await addBatch(db, theirs, 'TH', document!)
    const entry = { ...note('theirs'), by: theirs.person }
    await appendMany(db, [{ access: theirs, code: batch.code, entries: [entry] }])
    await keepPhoto(db, theirs, batch.id, 'image/png', Buffer.from('x'))
    await saveAssay(db, theirs, 0, newWorksheet(randomUUID(), 'hydrate', { salt: 'CuSO4' }))
    await freshenBriefs(db, theirs, { builtAt: 5, tables: 'test' }, { most: 20 })
    const mine = await batchFor()
    await grantApp(db, 'one-more-for-this-test')
    const address = new URL(server!)
    Object.assign(address, { username: APP_ROLE, password: 'one-more-for-this-test', pathname: `/${name}` })
    const app = connect(address.href)
    const [own, other] = [forLab(app, demoLab.id), forLab(app, theirs.lab)]
    try {
      for (const table of ['batches', 'entries', 'photos', 'assays', 'briefs', 'chain_ends', 'revisions'] as const) {
        const labs = async (as: Knex): Promise<string[]> => [...new Set<string>(await as(table).pluck('lab_id'))]
        expect(await labs(app), `${table}, to nobody`).toEqual([])
        expect(await labs(other), `${table}, to them`).toEqual([theirs.lab])
        if (table !== 'assays') expect(await labs(own), `${table}, to us`).toEqual([demoLab.id])
      }
      expect(await own('people').where({ id: theirs.person })).toEqual([])
      expect(await own('labs').pluck('id')).toEqual([demoLab.id])
      // Side by side on one pool, whichever connection each gets.
      const seen = await Promise.all(
        Array.from({ length: 60 }, (_, i) => (i % 2 ? own : other)('batches').distinct('lab_id').pluck('lab_id')),
      )
      expect(seen).toEqual(Array.from({ length: 60 }, (_, i) => [i % 2 ? demoLab.id : theirs.lab]))
      // Neither by naming another’s rows, nor by writing into another’s lab.
      expect(await findBatch(own, theirs, batch.code)).toBeUndefined()
      expect(await listEntries(own, theirs, batch.id)).toEqual([])
      expect(await findPhoto(own, theirs, batch.id, createHash('sha256').update('x').digest('hex'))).toBeUndefined()
      expect(await own('batches').where({ id: batch.id }).update({ version: 9 })).toBe(0)
      await expect(addBatch(own, theirs, 'TH', document!)).rejects.toMatchObject({ code: '42501' })
      await expect(keepPhoto(own, theirs, batch.id, 'image/png', Buffer.from('y'))).rejects.toMatchObject({
        code: '42501',
      })
      expect(
        (await appendMany(own, [{ access: theirs, code: batch.code, entries: [{ ...entry, id: randomUUID() }] }]))[0],
      ).toEqual({
        ok: false,
        problem: { code: 'append.no-batch' },
      })
      // The same id in two labs is two entries: nobody learns that the other has it.
      const same = { ...note('ours'), id: entry.id }
      expect((await appendMany(own, [{ access, code: mine.code, entries: [same] }]))[0]?.ok).toBe(true)
      expect((await listEntries(own, access, mine.id)).map(({ entry: { id } }) => id)).toEqual([entry.id])
    } finally {
      await app.destroy()
    }
  })

  it('keeps every saved plan as a revision, chained, and beside it where the journal stood', async () => {
    const { code, id } = await batchFor('RV')
    await send({ code, entries: [note('one'), note('two')] })
    await saveDocument(db, access, code, 1, { ...document!, title: 'second' })
    await saveDocument(db, access, code, 2, { ...document!, title: 'third' })
    const place = { kind: 'batch', subject: id } as const
    expect(await listRevisions(db, access, place, 10)).toMatchObject([
      { number: 3, by: access.person, afterSeq: 2 },
      { number: 2, afterSeq: 2 },
      { number: 1, afterSeq: 0 },
    ])
    expect(await findRevision(db, access, place, 2)).toMatchObject({ body: { title: 'second' } })
    expect(await findRevision(db, access, place, 9)).toBeUndefined()
    expect(await findRevisionBreak(db, demoLab.id, place)).toBeUndefined()
    await expect(db('revisions').where({ subject: id }).update({ number: 7 })).rejects.toThrow('append-only')
    const tamper = async (change: (trx: Knex) => Promise<unknown>, why: object): Promise<void> => {
      await db
        .transaction(async trx => {
          await trx.raw("set local session_replication_role = 'replica'")
          await change(trx)
          expect(await findRevisionBreak(trx, demoLab.id, place)).toMatchObject(why)
          throw new Error('undone')
        })
        .catch((error: Error) => expect(error.message).toBe('undone'))
    }
    const second = (trx: Knex) => trx('revisions').where({ subject: id, number: 2 })
    await tamper(trx => second(trx).update({ body: JSON.stringify({ ...document!, title: 'another' }) }), {
      number: 2,
      why: 'a revision was altered',
    })
    await tamper(trx => second(trx).update({ person_id: demoLab.people[1].id }), { number: 2 })
    await tamper(trx => second(trx).update({ after_seq: 1 }), { number: 2 })
    await tamper(trx => second(trx).delete(), { number: 2, why: 'a revision is missing' })
    // A journal that was written anew, whole in itself, is not the one that the plan was saved beside.
    const other = { why: 'the journal that it was saved beside was another' }
    await tamper(
      trx =>
        trx('entries')
          .where({ batch_id: id, seq: 2 })
          .update({ hash: 'f'.repeat(64) }),
      other,
    )
    await tamper(trx => trx('entries').where({ batch_id: id, seq: 2 }).delete(), other)
  })

  it('takes what was recorded of a stage that is gone meanwhile, and nothing of one that never was', async () => {
    const { code } = await batchFor('ST')
    const [stage] = document!.plan.stages
    const plan = { ...document!, plan: { ...document!.plan, stages: [{ ...stage!, id: 'gone' }] } }
    await saveDocument(db, access, code, 1, plan)
    await saveDocument(db, access, code, 2, document!)
    expect((await send({ code, entries: [{ ...note('late'), stage: 'gone' } as Entry] }))[0]).toMatchObject({
      ok: true,
    })
    expect((await send({ code, entries: [{ ...note('odd'), stage: 'never' } as Entry] }))[0]).toMatchObject({
      ok: false,
      problem: { code: 'append.stage', stage: 'never' },
    })
  })

  it('turns a session’s mark, lets the one before go once the new one is used, and ends what nobody works in', async () => {
    const HOUR = 3_600_000
    const back = (ms: number, ...columns: string[]) =>
      db('sessions').update(Object.fromEntries(columns.map(column => [column, new Date(Date.now() - ms)])))
    await db('sessions').delete()
    const { mark } = await beginSession(db, {
      via: 'sign-in',
      lab: access.lab,
      person: access.person,
      isStrong: true,
      about: 'x',
    })
    expect(await findSession(db, mark)).toMatchObject({ isOld: false, access: { person: access.person } })
    expect(await findSession(db, `${mark}x`)).toBeUndefined()
    await db('people').where({ id: access.person }).update({ role: 'chemist' })
    await back(2 * HOUR, 'turned_at')
    // A page that listens turns nothing: its answer has gone out.
    expect(await stillIn(db, [mark, 'nobody’s'])).toEqual(new Set([mark]))
    const { id } = (await findSession(db, mark))!
    const fresh = (await turnSession(db, id, mark))!
    expect(await turnSession(db, id, mark)).toBeUndefined()
    // The answer with the new mark may be lost: the one before goes on until the new one is used.
    await back(HOUR / 2, 'turned_at')
    expect(await findSession(db, mark)).toMatchObject({ isOld: false })
    expect(await findSession(db, fresh)).toBeDefined()
    expect(await findSession(db, mark)).toBeUndefined()
    // Listening keeps nobody in.
    await back(11 * HOUR, 'seen_at')
    const seen = (await db('sessions').first('seen_at')).seen_at
    expect(await stillIn(db, [fresh])).toEqual(new Set([fresh]))
    expect((await db('sessions').first('seen_at')).seen_at).toEqual(seen)
    await back(13 * HOUR, 'seen_at')
    expect(await findSession(db, fresh)).toBeUndefined()
    expect(await stillIn(db, [fresh])).toEqual(new Set())
  })

  it('grants every table, so that a new one is thought of', async () => {
    const { rows } = await db.raw<{ rows: { tablename: string }[] }>(
      `select relname as tablename from pg_class where relnamespace = 'public'::regnamespace and relkind in ('r', 'p')
       and not relispartition and relname <> 'knex_migrations_lock'`,
    )
    // The parts of the journal are read through the whole, where the walls stand: nobody may go to a part itself.
    expect(rows.map(({ tablename }) => tablename).toSorted()).toEqual(Object.keys(grants).toSorted())
  })

  it('tells a database that is away from a request that is wrong', async () => {
    const nowhere = connect('postgres://postgres:x@127.0.0.1:9/postgres')
    await nowhere.raw('select 1').then(
      () => {
        throw new Error('it answered')
      },
      error => expect(isAway(error)).toBe(true),
    )
    await nowhere.destroy()
    await db.raw('select 1/0').then(
      () => {
        throw new Error('it answered')
      },
      error => expect(isAway(error)).toBe(false),
    )
  })
})
