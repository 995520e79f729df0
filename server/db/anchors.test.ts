import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Knex } from 'knex'
import {
  accessFor,
  addDemoLab,
  allDemo,
  append,
  demoNow,
  publicKeyOf,
  putBatch,
  testDatabase,
  TOVE,
} from '../record/fixtures'
import { canonical, sha256Of } from '../record/canonical'
import { isSignedBy } from '../record/keys'
import { anchorToday, listAnchors } from './anchors'
import { insertBatch } from './batches'
import { GENESIS } from './chain'

const server = process.env.TEST_DATABASE_URL

describe.skipIf(!server)('what is published each day', () => {
  let db: Knex
  let drop: () => Promise<void>
  beforeAll(async () => {
    ;({ db, drop } = await testDatabase(server!))
    await addDemoLab(db)
    await putBatch(
      db,
      allDemo().find(({ code }) => code === 'ZN-021')!,
    )
    await insertBatch(db, accessFor(TOVE.id), 'NEW-001', allDemo()[0]!.document)
  })
  afterAll(() => drop())

  it('is made once a day however many try, signed, each day naming the one before, with what moved since', async () => {
    const made = await Promise.all(Array.from({ length: 4 }, () => anchorToday(db, '2026-11-12')))
    expect(made.filter(Boolean)).toHaveLength(1)
    const [first] = await listAnchors(db, 10)
    // Of what has no entry there is no end to publish.
    expect(first!.body.chains).toHaveLength(1)
    expect(first!.body.previous).toBe(GENESIS)
    expect(first!.hash).toBe(sha256Of(canonical(first!.body)))
    expect(isSignedBy(await publicKeyOf(db), first!.hash, first!.signature)).toBe(true)
    expect(await anchorToday(db, '2026-11-13')).toBe(true)
    expect((await listAnchors(db, 1))[0]!.body).toMatchObject({ previous: first!.hash, chains: [] })
    await append(db, 'ZN-021', [
      { id: crypto.randomUUID(), kind: 'note', at: demoNow.toISOString(), by: TOVE.id, stage: 's1', text: 'more' },
    ])
    expect(await anchorToday(db, '2026-11-14')).toBe(true)
    const [last] = await listAnchors(db, 1)
    expect(last!.body.chains).toMatchObject([
      { batch: first!.body.chains[0]!.batch, seq: first!.body.chains[0]!.seq + 1 },
    ])
  })
  it('stays: nobody takes a day back', async () => {
    await expect(db('anchors').update({ body: '{}' })).rejects.toThrow()
    await expect(db('anchors').delete()).rejects.toThrow()
  })
})
