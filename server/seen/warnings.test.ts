import { expect, it } from 'vitest'
import type { DatabaseLoad } from '../db/load'
import type { Process } from '../db/processes'
import { limits, warningsOf } from './warnings'

const now = new Date('2026-05-04T09:00:00Z')
const process: Process = {
  id: 'p',
  begunAt: '2026-05-04T08:00:00Z',
  seenAt: '2026-05-04T08:59:55Z',
  host: 'bench-1',
  pid: 12,
  builtAt: 1,
  memory: 200e6,
  lag: 12,
  streams: 3,
  waiting: 0,
  jobs: 0,
  connections: { busy: 1, free: 2, wanted: 0 },
  answers: { count: 400, failed: 0, median: 4, slowest20th: 30, seconds: 10 },
  disk: { free: 60e9, total: 100e9 },
  isStopping: false,
  slow: [],
}
const none = { waiting: 0, running: 0, failed: 0 }
const database: DatabaseLoad = {
  size: 1e9,
  tables: [],
  connections: { all: 20, busy: 2, most: 100 },
  oldest: 0.2,
  followers: 2,
  labs: 40,
  queue: { briefs: none, anchors: none, tidy: none },
  backup: { at: '2026-05-04T02:00:00Z', bytes: 5e8 },
  anchor: { day: '2026-05-04', key: 'k' },
}

it('says nothing where all is well', () => {
  expect(warningsOf([process], database, now)).toEqual([])
})

it.each<[string, Partial<Process>, Partial<DatabaseLoad>, string]>([
  ['a process that comes late', { lag: limits.lag + 1 }, {}, 'Process 12 on bench-1'],
  ['one that grows', { memory: limits.memory + 1 }, {}, 'Process 12 on bench-1'],
  ['answers that go wrong', { answers: { ...process.answers, failed: 2 } }, {}, 'Process 12 on bench-1'],
  ['slow answers', { answers: { ...process.answers, slowest20th: 1200 } }, {}, 'Process 12 on bench-1'],
  ['entries that wait', { waiting: limits.waiting + 1 }, {}, 'Process 12 on bench-1'],
  ['a disk that fills', { disk: { free: 9e9, total: 100e9 } }, {}, 'The disk of bench-1'],
  ['a transaction that stays open', {}, { oldest: 61 }, 'The database'],
  ['connections that run out', {}, { connections: { all: 81, busy: 2, most: 100 } }, 'The database'],
  ['jobs that fail', {}, { queue: { ...database.queue, anchors: { ...none, failed: 1 } } }, 'The queue “anchors”'],
  ['jobs that wait', {}, { queue: { ...database.queue, briefs: { ...none, waiting: 501 } } }, 'The queue “briefs”'],
  ['a backup that is old', {}, { backup: { at: '2026-05-03T06:59:00Z', bytes: 1 } }, 'Backup'],
  ['a day without an anchor', {}, { anchor: { day: '2026-05-02', key: 'k' } }, 'Anchors'],
])('warns of %s, and of nothing else', (_, of, its, about) => {
  const found = warningsOf([{ ...process, ...of }], { ...database, ...its }, now)
  expect(found.map(one => one.about)).toEqual([about])
})

it('warns where nothing was ever saved or published', () => {
  const { backup: _, anchor: __, ...bare } = database
  expect(warningsOf([], bare, now).map(one => one.about)).toEqual(['Backup', 'Anchors'])
})
