import { expect, it } from 'vitest'
import { plainDecimal } from './chain'

it.each([
  ['5.2e3', '5200'],
  ['31.180', '31.180'],
  ['007.20', '7.20'],
  ['.5', '0.5'],
  ['5.', '5'],
  ['1e-3', '0.001'],
  ['1.25e1', '12.5'],
  ['-0.0200', '-0.0200'],
  ['+3', '3'],
  ['0', '0'],
])('%s is kept as %s, as the database writes it', (typed, kept) => expect(plainDecimal(typed)).toBe(kept))
