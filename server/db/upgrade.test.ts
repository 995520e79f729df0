import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoBatches, demoLab } from '#demo'
import { makeAccess } from '../access/access'
import { appendMany } from './append'
import { findBatch, saveDocument } from './batches'
import { findBreak, GENESIS, hashOf, missingBatches } from './chain'
import { connect } from './connect'
import { listEntries } from './entries'
import { up as skeleton } from './migrations/001-skeleton'
import { up as ownRows } from './migrations/002-own-rows'
import { up as bench } from './migrations/003-bench'
import { up as assays } from './migrations/004-assays'
import { up as chain } from './migrations/005-chain'
import { up as byLab } from './migrations/006-by-lab'
import { up as people } from './migrations/007-people'
import { up as revisions } from './migrations/008-revisions'
import { up as append } from './migrations/009-append'
import { up as record } from './migrations/010-record'
import { up as stamps } from './migrations/011-stamps'
import { up as shelf } from './migrations/012-shelf'
import { up as drills } from './migrations/013-drills'
import { up as classes } from './migrations/014-class'
import { up as practice } from './migrations/015-practice'
import { up as manyLabs } from './migrations/016-many-labs'
import { up as appendsInPlace } from './migrations/017-appends-in-place'
import { up as toldHowFar } from './migrations/018-told-how-far'
import { findLab } from './people'
import { findPhoto } from './photos'
import { findRevisionBreak, listRevisions } from './revisions'

const server = process.env.TEST_DATABASE_URL

/** A lab that worked before there were accounts: all of it is there afterwards, and goes on. */
describe.skipIf(!server)('a database of before', () => {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  let db: Knex
  const [id, code] = [randomUUID(), 'ZN-777']
  const [person] = demoLab.people
  const access = makeAccess({ lab: demoLab.id, person: person.id, role: 'chemist', via: 'setup', isStrong: true })
  const { document, entries } = demoBatches(new Date()).find(batch => batch.code === 'ZN-021')!

  beforeAll(async () => {
    const admin = connect(server!)
    await admin.raw('create database ??', [name])
    await admin.destroy()
    db = connect(server!.replace(/\/[^/]*$/, `/${name}`))
    for (const up of [skeleton, ownRows, bench, assays, chain]) await up(db)
    await db('labs').insert({ id: demoLab.id, name: demoLab.name })
    await db('people').insert(demoLab.people.map(one => ({ id: one.id, name: one.name, lab_id: demoLab.id })))
    await db('batches').insert({ id, lab_id: demoLab.id, code, document: JSON.stringify(document), version: 4 })
    let previous = GENESIS
    for (const [i, entry] of entries.slice(0, 3).entries()) {
      const row = {
        ...{ value: null, unit: null, instrument: null, typed: null, corrects: null },
        id: entry.id,
        lab_id: demoLab.id,
        batch_id: id,
        seq: i + 1,
        person_id: entry.by,
        kind: entry.kind,
        at: entry.at,
        recorded_at: new Date('2026-05-04T09:00:00.123Z'),
        body: entry,
        hash_version: 2,
      }
      const hash = hashOf(previous, row)
      await db('entries').insert({ ...row, body: JSON.stringify(entry), previous_hash: previous, hash })
      previous = hash
    }
    const last_seq = entries.slice(0, 3).length
    await db('batches').where({ id }).update({ last_seq, last_hash: previous })
    await db('chain_ends').insert({ batch_id: id, lab_id: demoLab.id, code, seq: last_seq, hash: previous })
    await db('photos').insert({ batch_id: id, sha256: 'a'.repeat(64), type: 'image/png', data: Buffer.from('x') })
    await db('own_rows').insert({
      id: randomUUID(),
      lab_id: demoLab.id,
      kind: 'ligand',
      key: 'gly',
      body: JSON.stringify({ short: 'gly' }),
      added_by: person.id,
    })
    await db('briefs').insert({
      ...{ batch_id: id, version: 4, seq: 3, made_by: 'x', is_done: false, is_fresh: false, has_timers: false },
      ...{ brief: '{}', lane: '[]' },
    })
    const later = [byLab, people, revisions, append, record, stamps, shelf, drills, classes, practice, manyLabs]
    for (const up of [...later, appendsInPlace, toldHowFar]) await up(db)
  })
  afterAll(async () => {
    await db?.destroy()
    const admin = connect(server!)
    await admin.raw('drop database ??', [name])
    await admin.destroy()
  })

  it('keeps every batch, entry, picture and row', async () => {
    expect(await findBatch(db, access, code)).toMatchObject({ code, version: 4 })
    expect(await listEntries(db, access, id)).toHaveLength(3)
    expect(await findPhoto(db, access, id, 'a'.repeat(64))).toMatchObject({ type: 'image/png' })
    expect((await findLab(db, access))?.people.map(({ name: called }) => called)).toEqual(['Tove Marl', 'Wren Adder'])
    expect(await db('own_rows').count()).toEqual([{ count: '1' }])
    expect(await db('briefs').where({ lab_id: demoLab.id }).count()).toEqual([{ count: '1' }])
  })

  it('has its chains whole', async () => {
    expect(await findBreak(db, demoLab.id, id)).toBeUndefined()
  })

  it('goes on', async () => {
    const entry = { ...entries[0]!, id: randomUUID(), by: person.id }
    expect((await appendMany(db, [{ access, code, entries: [entry] }]))[0]?.ok).toBe(true)
    expect(await saveDocument(db, access, code, 4, { ...document, title: 'after' })).toEqual({
      saved: true,
      version: 5,
    })
    expect(await findBreak(db, demoLab.id, id)).toBeUndefined()
    expect(await missingBatches(db)).toEqual([])
    const place = { kind: 'batch', subject: id } as const
    expect(await listRevisions(db, access, place, 9)).toMatchObject([
      { number: 5, by: person.id, afterSeq: 4 },
      { number: 4, by: undefined, afterSeq: 3 },
    ])
    expect(await findRevisionBreak(db, demoLab.id, place)).toBeUndefined()
  })
})
