import { expect, it } from 'vitest'
import { parseQuantity, withComma, withPoint } from '.'

it.each([
  ['5,21 g', '5.21 g'],
  ['0,125 mol/L', '0.125 mol/L'],
  ['12,5', '12.5'],
  ['5,2140 g', '5.2140 g'],
  ['5,21 ± 0,02 g', '5.21 ± 0.02 g'],
  ['5,2e-3 g', '5.2e-3 g'],
  // A thousand or one and a quarter: nobody can tell.
  ['1,250 g', '1,250 g'],
  ['1,250,000 g', '1,250,000 g'],
  ['1.250,5 g', '1.250,5 g'],
  ['1,10-phenanthroline', '1,10-phenanthroline'],
  ['5.21 g', '5.21 g'],
  ['', ''],
])('%s is kept as %s', (typed, kept) => expect(withPoint(typed)).toBe(kept))

it('takes every comma for decimal where that was chosen, but for two in one number', () => {
  expect(withPoint('1,250 g', true)).toBe('1.250 g')
  expect(parseQuantity(withPoint('1,250,000 g', true), { kinds: ['mass'], name: '', source: '' }).ok).toBe(false)
})

it('tells a number with a comma, and a point that ends a sentence as a point', () =>
  expect(withComma('12.83 g at 20.5 °C. 3 left')).toBe('12,83 g at 20,5 °C. 3 left'))
