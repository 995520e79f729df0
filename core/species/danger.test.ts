import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { clashesOf } from './danger'

function meet(one: string, other: string): string | undefined {
  const [a, b] = [one, other].map(text => {
    const read = parseFormula(text)
    if (!read.ok) throw new Error(text)
    return read.value
  })
  return clashesOf([a!, b!])[0]?.makes
}

/*
 * An acid sets a weaker one free. Of equal amounts in water a share √K/(1 + √K) goes over, K = 10^(pKa of the one set free − pKa of the other): acetic acid (4.76) on fluoride
 * (HF 3.17) 14 %, on sulfite (SO2 1.9) 3.6 %; boric acid (9.24) on cyanide (HCN 9.2) half; on sulfite 0.02 %.
 */
describe('what an acid sets free', () => {
  it.each([
    ['KCN', 'HCl', 'hydrogen cyanide'],
    ['KCN', 'C6H8O7', 'hydrogen cyanide'],
    ['NaCN', 'H3BO3', 'hydrogen cyanide'],
    ['NaCN', 'NaHCO3', 'hydrogen cyanide'],
    ['KCN', 'NH4Cl', 'hydrogen cyanide'],
    ['Na2S', 'KHSO4', 'hydrogen sulfide'],
    ['Na2SO3', 'CH3COOH', 'sulfur dioxide'],
    ['NaF', 'CH3COOH', 'hydrogen fluoride'],
    ['CaF2', 'H2SO4', 'hydrogen fluoride'],
    ['K4[Fe(CN)6]', 'H2SO4', 'hydrogen cyanide, once'],
    ['NaN3', 'HNO3', 'hydrazoic acid'],
    ['NaNO2', 'CH3COOH', 'nitrogen oxides'],
    ['NaClO', 'HCl', 'chlorine'],
    ['NaClO', 'CH3COOH', 'chlorine'],
  ])('%s with %s', (salt, acid, makes) => expect(meet(salt, acid)).toContain(makes))

  it.each([
    ['Na2SO3', 'H3BO3'],
    ['K4[Fe(CN)6]', 'CH3COOH'],
    ['K4[Fe(CN)6]', 'FeCl3'],
    ['NaF', 'NH4Cl'],
    ['NaF', 'HF'],
    ['KCN', 'NaOH'],
    ['NaClO', 'NaHCO3'],
    ['NaCl', 'H2SO4'],
    ['CH3COONa', 'HCl'],
  ])('nothing of %s with %s', (salt, other) => expect(meet(salt, other)).toBeUndefined())
})

describe('what else must not meet', () => {
  it.each([
    ['NaClO', 'NH3', 'chloramines'],
    ['NaClO', 'NH4Cl', 'chloramines'],
    ['KClO3', 'H2SO4', 'chlorine dioxide'],
    ['KClO3', 'H3BO3', undefined],
    ['KClO3', 'CH3COOH', 'fire'],
    ['KClO3', 'S', 'rubbing'],
    ['KMnO4', 'H2SO4', 'manganese heptoxide'],
    ['KMnO4', 'HCl', 'chlorine'],
    ['HNO3', 'C2H5OH', 'fire'],
    ['KNO3', 'Mg', 'fire'],
    ['KNO3', 'Cd', 'fire'],
    ['KNO3', 'Cu', undefined],
    ['H2O2', 'Zn', 'oxygen'],
    ['H2O2', 'C3H6O', 'peroxides'],
    ['NaNO3', 'C2H5OH', 'fire'],
    ['AgNO3', 'NH3', 'explodes when touched'],
    ['NaNO2', '(NH4)2SO4', 'ammonium nitrite'],
    ['Na', 'H2O', 'catches fire'],
    ['Ca', 'HCl', 'catches fire'],
    ['Mg', 'H2O', undefined],
    ['ZnSO4', 'Na2CO3', undefined],
  ])('%s with %s', (one, other, makes) => {
    const found = meet(one, other)
    if (makes === undefined) expect(found).toBeUndefined()
    else expect(found).toContain(makes)
  })
})
