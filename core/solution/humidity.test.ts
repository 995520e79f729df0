import { expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { hydratePressures, saturatedHumidities } from '#core/reference'
import { endsAs, findCurve, keepingOf, saturatedPressure } from '.'
import { workedOverSaturated, workedPairs } from './humidity'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}

/* On paper: blue vitriol has 7.8 torr at 25 °C, saturated air 23.76: it keeps above 33 % of humidity. At 35 °C its pressure is 7.8 × exp(57 000 / 8.314 × 1.088e-4) = 16.5 torr of 42.2: 39 %. */
it('blue vitriol keeps above 33 % at 25 °C and above 39 % at 35 °C', () => {
  const at = (celsius: number): number => keepingOf(f('CuSO4·5H2O'), celsius).below!.share
  expect(at(25)).toBeCloseTo(0.328, 2)
  expect(at(35)).toBeCloseTo(0.39, 2)
  expect(keepingOf(f('CuSO4·5H2O'), 25).below!.into.text).toBe('CuSO4·3H2O')
})

it('the anhydrous salt takes water from nearly dry air, the decahydrate of soda loses it in any room', () => {
  const white = keepingOf(f('CuSO4'), 25).above!
  expect([white.into?.text, white.share]).toEqual(['CuSO4·H2O', expect.closeTo(0.034, 2)])
  const soda = keepingOf(f('Na2CO3·10H2O'), 22)
  expect(soda.below!.share).toBeGreaterThan(0.65)
  expect(endsAs(f('Na2CO3·10H2O'), 0.45, 22)?.text).toBe('Na2CO3·H2O')
})

it('goes down the hydrates over a drying agent: blue vitriol to the end over sulfuric acid, to one water over half-spent silica gel of 1 torr', () => {
  expect(endsAs(f('CuSO4·5H2O'), 0.003 / 23.76, 25)?.text).toBe('CuSO4')
  expect(endsAs(f('CuSO4·5H2O'), 1 / 23.76, 25)?.text).toBe('CuSO4·H2O')
  expect(endsAs(f('CuSO4·5H2O'), 0.5, 25)).toBeUndefined()
  expect(endsAs(f('H2C2O4·2H2O'), 0.36 / 23.76, 25)?.text).toBe('H2C2O4')
})

it('what draws water until it is a liquor: potassium carbonate above 43 %, table salt above 75 %', () => {
  expect(keepingOf(f('K2CO3·1.5H2O'), 25).above).toMatchObject({ share: 0.432 })
  expect(keepingOf(f('NaCl'), 25).above).toMatchObject({ share: 0.753 })
  expect(keepingOf(f('NaCl'), 25).above?.into).toBeUndefined()
})

it('says nothing where nothing is known', () => {
  expect(keepingOf(f('K3[Cr(C2O4)3]·3H2O'), 25)).toEqual({})
  expect(keepingOf(f('[Co(NH3)6]Cl3'), 25)).toEqual({})
  expect(saturatedPressure(120)).toBeUndefined()
})

it('humidity over saturated solutions by the tool’s own activities is that of Greenspan’s table, wherever it works one out', () => {
  const compared = saturatedHumidities.flatMap(([salt, share]) => {
    const curve = findCurve(f(salt))?.curve
    const worked = curve && workedOverSaturated(curve, 25)
    return worked ? [{ salt, off: Math.abs(worked.share - share) }] : []
  })
  expect(compared.length).toBeGreaterThanOrEqual(10)
  expect(compared.filter(({ off }) => off > 0.03).map(({ salt }) => salt)).toEqual([])
})

it('hydrate pairs worked out from solubilities stand near the measured ones where both branches are sure', () => {
  // Of the table, those whose branches meet within 15 K of 25 °C; further off the branch is drawn on further than its slope holds (Epsom salt: 0.75 for a measured 0.51).
  const sure = ['Na2SO4·10H2O', 'NiSO4·7H2O', 'ZnSO4·7H2O', 'Na2HPO4·12H2O']
  const compared = sure.map(text => {
    const { curve, relation } = findCurve(f(text))!
    const worked = workedPairs(curve, 25).find(({ higher }) => higher === relation.waters)!
    return Math.abs(worked.share - hydratePressures.find(({ higher }) => higher === text)!.torr / 23.76)
  })
  expect(Math.max(...compared)).toBeLessThan(0.03)
})
