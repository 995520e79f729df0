import { expect, it } from 'vitest'
import { findCurve, saturationAt } from '#core/solution'
import { atRest } from '.'
import { emptyVessel, formulaOf, type Vessel } from './state'
import { dissolvedParts } from './stands-as'

const vessel = (celsius: number, water: number, ions: readonly [string, number][]): Vessel => ({
  ...emptyVessel(celsius),
  solvents: new Map([['water', water]]),
  ions: new Map(ions),
})
const massOf = ({ lumps }: Vessel, form: string): number => lumps.find(one => one.form.text === form)?.moles ?? 0

it('a vessel counts hydrogensulfate as its parts, and the acid salt alone answers as its curve', () => {
  expect(dissolvedParts(formulaOf('KHSO4')).map(({ key }) => key)).toEqual(['K^+', 'H^+', 'SO4^2-'])
  /* 0.6 mol (81.7 g) in 100 g of water at 20 °C, where 48.6 g stay dissolved: 33.1 g, 0.243 mol. */
  const { vessel: rest } = atRest(vessel(20, 100, [['K^+', 0.6], ['H^+', 0.6], ['SO4^2-', 0.6]]), [formulaOf('KHSO4')]) // prettier-ignore
  const curve = saturationAt(findCurve(formulaOf('KHSO4'))!.curve, 20)
  expect(curve.ok && massOf(rest, 'KHSO4') * 136.17).toBeCloseTo(0.6 * 136.17 - (curve.ok ? curve.value.grams : 0), 1)
  expect([...rest.ions.keys()].sort()).toEqual(['H^+', 'K^+', 'SO4^2-'])
  expect(rest.estimated).toBe(false)
})

it('potassium sulfate in enough sulfuric acid comes as the acid salt, and in a little as itself', () => {
  /* 0.30 mol of K2SO4 in 100 g of water holds 11 g (64 mmol) at 20 °C; with 0.30 mol of acid more it is KHSO4, of which 48.6 g (357 mmol) stay. */
  const named = [formulaOf('K2SO4')]
  const much = atRest(vessel(5, 60, [['K^+', 0.6], ['H^+', 1.2], ['SO4^2-', 0.9]]), named).vessel // prettier-ignore
  expect(massOf(much, 'KHSO4')).toBeGreaterThan(0.2)
  expect(massOf(much, 'K2SO4')).toBe(0)
  const little = atRest(vessel(5, 60, [['K^+', 0.6], ['H^+', 0.01], ['SO4^2-', 0.305]]), named).vessel // prettier-ignore
  expect(massOf(little, 'K2SO4')).toBeGreaterThan(0.2)
  expect(massOf(little, 'KHSO4')).toBe(0)
})
