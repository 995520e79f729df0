import type { Knex } from 'knex'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { accessFor, addDemoLab, allDemo, doAct, putBatch, testDatabase, TOVE } from '../record/fixtures'
import { changedSince, touchBatches } from './batches'

const server = process.env.TEST_DATABASE_URL

/** Whatever is told of a batch was touched, or a notice that is lost could not be looked up. */
describe.skipIf(!server)('when a batch was touched', () => {
  const code = 'ZN-021'
  const access = accessFor(TOVE.id)
  let db: Knex
  let drop: () => Promise<void>
  const touched = async (): Promise<number> =>
    (
      (await db('batches').where({ lab_id: access.lab, code }).first('touched_at')) as { touched_at: Date }
    ).touched_at.getTime()
  const setTouched = (by: string): Promise<unknown> =>
    db('batches')
      .where({ lab_id: access.lab, code })
      .update({ touched_at: db.raw(`now() + interval '${by}'`) })

  beforeAll(async () => {
    ;({ db, drop } = await testDatabase(server!))
    await addDemoLab(db)
    await putBatch(
      db,
      allDemo().find(one => one.code === code)!,
    )
  })
  afterAll(() => drop())

  it('moves with what is done to its record', async () => {
    await setTouched('-1 hour')
    const { at } = await changedSince(db, access, undefined, 1000)
    expect((await changedSince(db, access, at, 0)).codes).toEqual([])
    await doAct(db, code, TOVE.id, 'remark', 'Which bottle?')
    expect((await changedSince(db, access, at, 0)).codes).toEqual([code])
    await setTouched('-1 hour')
    await doAct(db, code, TOVE.id, 'sealed')
    expect((await changedSince(db, access, at, 0)).codes).toEqual([code])
  })

  it('is later than the touch before, whosever transaction began first', async () => {
    await setTouched('1 minute')
    const before = await touched()
    await touchBatches(db, access, [code])
    expect(await touched()).toBe(before + 1)
  })
})
