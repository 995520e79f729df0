import { randomUUID } from 'node:crypto'
import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest'
import { demoBatches } from '#demo'
import { makeAccess } from '../access/access'
import { addBatch, changedSince } from '../db/batches'
import { connect } from '../db/connect'
import { migrate } from '../db/migrate'
import { addLab } from '../db/people'
import { CHANNEL, openEar, type Change, type Ear } from './ear'

const server = process.env.TEST_DATABASE_URL

/** Notices are heard; those that were never sent, or fell into a cut, are looked up. */
describe.skipIf(!server)('an ear', () => {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const url = server?.replace(/\/[^/]*$/, `/${name}`) ?? ''
  const access = makeAccess({
    lab: randomUUID(),
    person: randomUUID(),
    role: 'administrator',
    via: 'setup',
    isStrong: true,
  })
  const [document] = demoBatches(new Date()).map(batch => batch.document)
  const EVERY = 300
  let db: Knex
  let ear: Ear
  let heard: Change[] = []
  const place = (code: string): Change => ({ lab: access.lab, code })
  const touch = (code: string): Promise<unknown> =>
    db('batches').where({ lab_id: access.lab, code }).update({ touched_at: db.fn.now() })
  const notify = (code: string): Promise<unknown> =>
    db.raw('select tell_changed(?, ?, ?)', [CHANNEL, [access.lab], [code]])
  const pause = (ms: number): Promise<void> => new Promise(resolve => setTimeout(resolve, ms))
  const hears = (code: string): Promise<void> => vi.waitFor(() => expect(heard).toContainEqual(place(code)), 5000)
  /** A change of which the notice told, and no look: one that falls between a write and its notice tells of it as well. */
  async function hearsNotice(code: string): Promise<void> {
    for (;;) {
      heard = []
      const looked = ear.heardUntil()
      await touch(code)
      await pause(60)
      await notify(code)
      await hears(code)
      if (ear.heardUntil() === looked) return
      await pause(EVERY)
    }
  }
  /** Its connection is the one that listens or looks. */
  const cut = (): Promise<unknown> =>
    db.raw(
      "select pg_terminate_backend(pid) from pg_stat_activity where datname = ? and (query like 'listen%' or query like '%touched_since%' or query like 'select now() as at%') and pid <> pg_backend_pid()",
      [name],
    )

  beforeAll(async () => {
    const admin = connect(server!)
    await admin.raw('create database ??', [name])
    await admin.destroy()
    db = connect(url)
    await migrate(db)
    await addLab(db, {
      id: access.lab,
      name: 'Ear',
      people: [{ id: access.person, name: 'Somebody', role: 'administrator' }],
    })
    for (let i = 0; i < 3; i++) await addBatch(db, access, 'ZN', document!)
    ear = openEar(
      url,
      () => [access.lab],
      changes => void heard.push(...changes),
      EVERY,
    )
    await vi.waitFor(() => expect(ear.heardUntil()).toBeDefined(), 5000)
    // What was touched before it began its pages have read.
    await pause(4 * EVERY)
    expect(heard).toEqual([])
  })
  afterAll(async () => {
    ear.close()
    await db.destroy()
    const admin = connect(server!)
    await admin.raw('drop database ?? with (force)', [name])
    await admin.destroy()
  })

  it('hears a notice, once', async () => {
    await hearsNotice('ZN-001')
    await pause(4 * EVERY)
    expect(heard).toEqual([place('ZN-001')])
  })

  it('looks up what nobody told of, once', async () => {
    heard = []
    await touch('ZN-002')
    await hears('ZN-002')
    await pause(4 * EVERY)
    expect(heard).toEqual([place('ZN-002')])
  })

  it('hears what changed while its connection was cut', async () => {
    heard = []
    await cut()
    await touch('ZN-003')
    await notify('ZN-003')
    await hears('ZN-003')
  })

  it('looks up an entry of which nobody told, though its batch kept the time of a touch that was told', async () => {
    await hearsNotice('ZN-001')
    heard = []
    await db('batches').where({ lab_id: access.lab, code: 'ZN-001' }).increment('last_seq', 1)
    await hears('ZN-001')
    await pause(4 * EVERY)
    expect(heard).toEqual([place('ZN-001')])
  })

  it('does not tell anew behind a cut what it told before', async () => {
    await hearsNotice('ZN-001')
    heard = []
    await cut()
    await touch('ZN-002')
    await hears('ZN-002')
    await pause(4 * EVERY)
    expect(heard).toEqual([place('ZN-002')])
  })

  it('hears a process of the version before, which does not say how far a batch has come', async () => {
    heard = []
    await db.raw('select pg_notify(?, ?)', [CHANNEL, `${access.lab} ZN-003,${access.lab} ZN-002`])
    await hears('ZN-002')
    expect(heard).toEqual([place('ZN-003'), place('ZN-002')])
  })

  it('says to a page what changed since a moment, and “everything” where that is much', async () => {
    const first = await changedSince(db, access, undefined, 0)
    await touch('ZN-001')
    const { codes, at } = await changedSince(db, access, first.at, 0)
    expect(codes[0]).toBe('ZN-001')
    expect(at).toBeGreaterThan(first.at)
    expect((await changedSince(db, access, at + 3_600_000, 0)).codes).toContain('ZN-001')
    await db('batches').insert(
      Array.from({ length: 201 }, (_, i) => ({
        id: randomUUID(),
        lab_id: access.lab,
        code: `MA-${i}`,
        document: JSON.stringify(document),
      })),
    )
    expect((await changedSince(db, access, at, 0)).codes).toEqual(['*'])
  })
})
