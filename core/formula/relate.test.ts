import { describe, expect, it } from 'vitest'
import {
  colourOf,
  commonFactor,
  findSubstance,
  formsOf,
  parseFormula,
  relate,
  sameStuff,
  typeset,
  type Formula,
} from '.'

const read = (text: string): Formula => {
  const parsed = parseFormula(text)
  if (!parsed.ok) throw new Error(`${text}: ${parsed.problem.code}`)
  return parsed.value
}

describe('relate', () => {
  it.each([
    ['Na2CO3.10H2O', 'Na2CO3', 1, 10],
    ['Na2S2O5', 'NaHSO3', 2, -1],
    ['NH4OH', 'NH3', 1, 1],
    ['CaSO4.2H2O', 'CaSO4.0.5H2O', 1, 1.5],
    ['K2SO4·Al2(SO4)3·24H2O', 'KAl(SO4)2', 2, 24],
    ['ZnSO4', 'ZnSO4.7H2O', 1, -7],
    ['H2O', 'H2O', 1, 0],
    ['H2O2', 'H2O2', 1, 0],
    ['Zn', 'Zn', 1, 0],
  ])('%s is units of %s with water', (weighed, species, units, waters) => {
    expect(relate(read(weighed), read(species))).toEqual({ units, waters })
  })

  it.each([
    ['NaCl', 'KCl'],
    ['CuSO4', 'CuO'],
    ['Ba^2+', 'BaCl2'],
    ['FeCl3', 'FeCl2'],
    ['H2O', 'H2O2'],
  ])('%s does not hold whole units of %s', (weighed, species) => {
    expect(relate(read(weighed), read(species))).toBeUndefined()
  })
})

describe('commonFactor', () => {
  it('knows the two ways of writing a double salt', () => {
    expect(commonFactor(read('K2SO4·Al2(SO4)3·24H2O'), read('KAl(SO4)2·12H2O'))).toBe(2)
    expect(sameStuff(read('(NH4)2SO4·NiSO4·6H2O'), read('(NH4)2Ni(SO4)2·6H2O'))).toBe(true)
    expect(sameStuff(read('KAl(SO4)2·12H2O'), read('KAl(SO4)2·11H2O'))).toBe(false)
    expect(sameStuff(read('MnO4^-'), read('MnO4^2-'))).toBe(false)
  })
})

describe('findSubstance', () => {
  it('knows a hydrate by its anhydrous row, and nothing that is not in the table', () => {
    expect(findSubstance(read('CuSO4.5H2O'))).toMatchObject({ row: { name: 'copper(II) sulfate' }, waters: 5 })
    expect(findSubstance(read('CuSO4.4H2O'))).toBeUndefined()
    expect(findSubstance(read('CaSO4·0.5H2O'))?.waters).toBe(0.5)
    expect(findSubstance(read('OsO4'))).toBeUndefined()
    expect(findSubstance(read('(NH4)2SO4·NiSO4·6H2O'))?.row.name).toBe('ammonium nickel(II) sulfate')
  })

  it('gives the colour of the very form', () => {
    expect(colourOf(read('CuSO4'))?.word).toBe('white')
    expect(colourOf(read('CuSO4.5H2O'))?.word).toBe('blue')
    expect(formsOf(read('ZnSO4.7H2O'))).toEqual(['ZnSO4', 'ZnSO4·H2O', 'ZnSO4·6H2O', 'ZnSO4·7H2O'])
  })
})

describe('typeset', () => {
  it.each([
    ['CuSO4·5H2O', 'CuSO_4_·5H_2_O'],
    ['[Fe(C2O4)3]^3-', '[Fe(C_2_O_4_)_3_]^3−^'],
    ['CaSO4·0.5H2O', 'CaSO_4_·0.5H_2_O'],
    ['Fe0.95O', 'Fe_0.95_O'],
    ['CaSO4·1/3H2O', 'CaSO_4_·1/3H_2_O'],
  ])('lowers counts and raises charges in %s', (text, expected) => {
    const mark = { line: '', sub: '_', sup: '^' }
    expect(
      typeset(text)
        .map(({ place, text: run }) => mark[place] + run + mark[place])
        .join(''),
    ).toBe(expected)
  })
})
