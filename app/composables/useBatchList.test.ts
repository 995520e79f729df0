import { expect, it } from 'vitest'
import { matches } from './useBatchList'

const batch = {
  code: 'CO-003',
  title: 'Cobalt(II) chloride from the carbonate',
  product: 'CoCl2·6H2O',
  touchedAt: '',
  standing: 'plan',
  want: '',
  page: 'sheet',
} as const

it.each([
  ['', true],
  ['co-003', true],
  ['CO003', true],
  ['chloride', true],
  ['cocl2.6h2o', true],
  ['CoCl2 6H2O', true],
  ['zinc', false],
])('finds by %j: %s', (query, found) => {
  expect(matches(batch, query)).toBe(found)
})
