import { expect, it } from 'vitest'
import { entriesUnder, planFollowed } from './followed'

const plans = [
  { number: 4, at: '2026-05-04T08:00:00Z', afterSeq: 0 },
  { number: 5, at: '2026-05-04T09:00:00Z', afterSeq: 3 },
  { number: 6, at: '2026-05-04T09:00:20Z', afterSeq: 3 },
  { number: 7, at: '2026-05-04T11:00:00Z', afterSeq: 8 },
]

it('says which plan an entry followed, also one that came in late', () => {
  expect(planFollowed(plans, { seq: 3, at: '2026-05-04T08:40:00Z' })).toBe(4)
  expect(planFollowed(plans, { seq: 4, at: '2026-05-04T09:10:00Z' })).toBe(6)
  expect(planFollowed(plans, { seq: 9, at: '2026-05-04T11:30:00Z' })).toBe(7)
  // Seen at ten without the network, and sent at noon: the plan of ten.
  expect(planFollowed(plans, { seq: 10, at: '2026-05-04T10:00:00Z' })).toBe(6)
  expect(planFollowed(plans, { seq: 1, at: '2026-05-03T10:00:00Z' })).toBeUndefined()
  expect(planFollowed([], { seq: 1, at: '2026-05-04T10:00:00Z' })).toBeUndefined()
})

it('tells the entries under each plan, and none under one that was changed at once', () => {
  expect([...entriesUnder(plans, 10)]).toEqual([
    [4, { from: 1, to: 3 }],
    [6, { from: 4, to: 8 }],
    [7, { from: 9, to: 10 }],
  ])
  expect(entriesUnder(plans, 8).has(7)).toBe(false)
})
