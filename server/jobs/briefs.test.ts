import { NO_TABLES } from '#core/solution'
import { expect, it, vi } from 'vitest'
import { demoBatches } from '#demo'
import { briefHere } from './briefs'

it('makes a brief, and one that says it cannot be made of a batch that no code reads', () => {
  const [first] = demoBatches(new Date('2026-05-04T12:00:00Z'))
  expect(
    briefHere({ document: first!.document, entries: first!.entries, tables: NO_TABLES }).isUnreadable,
  ).toBeUndefined()
  const log = vi.spyOn(console, 'error').mockImplementation(() => {})
  const broken = { title: 'Broken', plan: { stages: [] } } as never
  expect(briefHere({ document: broken, entries: [], tables: NO_TABLES })).toMatchObject({
    title: 'Broken',
    isUnreadable: true,
  })
  log.mockRestore()
})
