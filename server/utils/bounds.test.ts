import { randomUUID } from 'node:crypto'
import { expect, it } from 'vitest'
import { makeAccess } from '../access/access'
import { hashSlowly } from '../access/secrets'
import { Busy } from '../busy'
import { connect, forLab } from '../db/connect'
import { apart, jobsApart } from '../jobs/apart'
import { append, waitingEntries } from './append'

/** What comes on top of what one process can hold is told to come again; what was taken is answered. */
const settled = async (all: readonly Promise<unknown>[]): Promise<{ busy: number; other: number }> => {
  const results = await Promise.allSettled(all)
  const busy = results.filter(one => one.status === 'rejected' && one.reason instanceof Busy).length
  return { busy, other: results.length - busy }
}

it('lets so many entries wait, and forgets none of those that it took', async () => {
  const nowhere = connect('postgres://postgres:x@127.0.0.1:9/postgres')
  const access = makeAccess({
    lab: randomUUID(),
    person: randomUUID(),
    role: 'chemist',
    via: 'setup',
    isStrong: false,
  })
  const entries = Array.from({ length: 500 }, () => ({
    kind: 'note' as const,
    id: randomUUID(),
    at: new Date().toISOString(),
    by: access.person,
    stage: 's1',
    text: 'x',
  }))
  const asked = Array.from({ length: 60 }, (_, i) => append(nowhere, { access, code: `ZN-${i}`, entries }))
  expect(waitingEntries()).toBe(20_000)
  const { busy, other } = await settled(asked)
  // Two or three writes are under way before the queue fills.
  expect(busy).toBeGreaterThan(10)
  expect(other).toBe(60 - busy)
  expect(waitingEntries()).toBe(0)
  await nowhere.destroy()
})

it('lets so many jobs wait for a thread', async () => {
  // Any file that is there: what a thread says does not matter to those that wait for their turn.
  const slow = apart<number, number>({ bundle: process.argv[1]!.split('/').at(-1)!, longest: 50, memory: 64, most: 3 })
  const asked = Array.from({ length: 8 }, (_, i) => slow(i))
  expect(jobsApart.waiting).toBe(3)
  expect(await settled(asked)).toEqual({ busy: 5, other: 3 })
  expect(jobsApart.waiting).toBe(0)
})

it('lets so many sign in at once', async () => {
  const { busy, other } = await settled(Array.from({ length: 110 }, (_, i) => hashSlowly(`a word ${i}`)))
  expect([busy, other]).toEqual([8, 102])
})

it('keeps the pools of the labs that were used last', () => {
  const db = connect('postgres://postgres:x@127.0.0.1:9/postgres')
  const [first, second] = [randomUUID(), randomUUID()]
  const [one, two] = [forLab(db, first), forLab(db, second)]
  for (let i = 0; i < 998; i++) forLab(db, randomUUID())
  expect(forLab(db, first)).toBe(one)
  forLab(db, randomUUID())
  expect(forLab(db, first)).toBe(one)
  expect(forLab(db, second)).not.toBe(two)
})
