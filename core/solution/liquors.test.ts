import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { firstSolids, liquors, type Liquor } from './fixtures/liquors'
import { firstBy, missOf, qualityPage } from './fixtures/quality'
import { potOfSolutes, restOf, shippedCurves, solidOf, type Rest } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
function restIn(water: number, put: Liquor['put'], celsius: number): Rest {
  const pot = potOfSolutes(
    water,
    put.map(([form, mass]) => ({ form: f(form), mass })),
    celsius,
  )
  const rest = pot.ok ? restOf(pot.value) : pot
  if (!rest.ok) throw new Error(rest.problem.code)
  return rest.value
}
const formsIn = ({ solids }: Rest): string[] => solids.map(({ solid }) => solid.form.text).sort()
const molality = ({ dissolved, freeWater }: Rest, key: string): number => (dissolved.get(key) ?? 0) / (freeWater / 1000)

describe('published liquors', () => {
  it.each(liquors)('$solids at $celsius °C', ({ solids, celsius, put, holds }) => {
    const rest = restIn(100, put, celsius)
    expect(formsIn(rest)).toEqual(solids.toSorted())
    const misses = Object.entries(holds).map(([key, published]) => Math.log(molality(rest, key) / published))
    const rms = Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length)
    expect(rms).toBeLessThan(0.15)
  })

  it('one mole of copper sulfate with one of potassium sulfate gives the double salt, not either', () => {
    expect(
      formsIn(
        restIn(
          100,
          [
            ['CuSO4', 24],
            ['K2SO4', 26.2],
          ],
          25,
        ),
      ),
    ).toEqual(['K2Cu(SO4)2·6H2O'])
  })
})

describe('constants from the curves are those published', () => {
  // Harvie, Møller and Weare 1984, log K at 25 °C (from memory); their own parameters, other curves.
  it.each([
    ['NaCl', 1.57],
    ['KCl', 0.9],
    ['Na2SO4', -1.23],
    ['MgSO4', -1.88],
    ['K2SO4', -1.78],
    ['MgCl2', 4.46],
    ['CaSO4', -4.58],
    ['Na2CO3', -0.83],
  ])('%s', (text, published) => {
    const curve = shippedCurves().find(({ salt }) => salt.text === text)!
    expect(Math.abs(solidOf(curve, 25)!.logK / Math.LN10 - published)).toBeLessThan(0.05)
  })
})

describe('the solid that comes first', () => {
  it.each(firstSolids)('$told: $first', one => {
    expect(firstBy('activities', one)).toBe(one.first)
  })
})

it('the model without activities is worse on most liquors, and the page says by how much', async () => {
  const better = liquors.filter(one => missOf('activities', one) < missOf('ideal', one))
  expect(better.length).toBeGreaterThan(liquors.length / 2)
  await expect(qualityPage()).toMatchFileSnapshot('../../docs/liquors.md')
})
