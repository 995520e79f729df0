import { expect, it } from 'vitest'
import { explainYield } from './explain-yield'
import { settingOf, type HeldOut } from './fixtures/held-out-build'
import { halfOne } from './fixtures/held-out-one'

/** Place of the planted cause in the order, from 0; Infinity where it is not told. */
function placeOf(one: HeldOut): number {
  const judged = explainYield(settingOf(one))
  if (!judged) throw new Error(`${one.name}: not judged`)
  const place = judged.explanations.findIndex(({ cause }) => cause === one.code)
  return place < 0 ? Infinity : place
}
const moved = (one: HeldOut, by: number): HeldOut => ({
  ...one,
  weighed: before => one.weighed(before).map(grams => grams * by),
})

it('covers sixteen causes, thirty batches', () => {
  expect(halfOne.length).toBe(30)
  expect(new Set(halfOne.map(({ code }) => code)).size).toBe(16)
})

it.each([1, 1.02, 0.98])(
  'of batches that set no figure, with their masses times %d, the planted cause leads in three of four',
  by => {
    const places = halfOne.map(one => placeOf(moved(one, by)))
    const missed = halfOne.filter((_, i) => places[i]! > 1).map(({ name }) => name)
    expect(places.filter(place => place === 0).length, missed.join('; ')).toBeGreaterThanOrEqual(Math.ceil(0.75 * 30))
    expect(places.filter(place => place <= 1).length, missed.join('; ')).toBeGreaterThanOrEqual(Math.ceil(0.93 * 30))
  },
)
