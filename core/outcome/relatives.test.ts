import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { partsOfIons, relativesOf } from './relatives'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const parts = (text: string) => partsOfIons(formula(text))?.map(({ text: of, charge, count }) => [of, charge, count])

describe('partsOfIons', () => {
  it.each([
    ['BiONO3', [['Bi', 3, 1], ['O', -2, 1], ['NO3', -1, 1]]],
    ['TiOSO4', [['Ti', 4, 1], ['O', -2, 1], ['SO4', -2, 1]]],
    ['KHSO4', [['K', 1, 1], ['SO4', -2, 1], ['H', 1, 1]]],
    ['KH2PO4', [['K', 1, 1], ['PO4', -3, 1], ['H', 1, 2]]],
    ['NH4Cl', [['NH4', 1, 1], ['Cl', -1, 1]]],
    ['Hg2Cl2', [['Hg2', 2, 1], ['Cl', -1, 2]]],
    ['Cu(CH3COO)2', [['Cu', 2, 1], ['CH3COO', -1, 2]]],
    ['Mg(OH)2', [['Mg', 2, 1], ['OH', -1, 2]]],
    ['[Ni(NH3)6]Cl2', [['[Ni(NH3)6]', 2, 1], ['Cl', -1, 2]]],
  ])('breaks %s down to %o', (text, told) => expect(parts(text)).toEqual(told)) // prettier-ignore
})

describe('relativesOf', () => {
  const forms = (product: string, ...ions: string[]) =>
    relativesOf(formula(product), new Set([...ions, 'OH', 'O'])).map(({ form, kind, units, shared }) => [
      form.text,
      kind,
      Number(units.toFixed(3)),
      shared,
    ])
  it('finds acid salts where protons are in the pot, and only there', () => {
    expect(forms('K2SO4', 'K', 'SO4', 'H')).toContainEqual(['KHSO4', 'acid', 0.5, 'K'])
    expect(forms('K2SO4', 'K', 'SO4').map(([form]) => form)).not.toContain('KHSO4')
  })
  it('finds basic salts of bismuth, lead, tin and antimony', () => {
    expect(forms('Bi(NO3)3', 'Bi', 'NO3')).toContainEqual(['BiONO3', 'basic', 1, 'Bi'])
    expect(forms('SnCl2', 'Sn', 'Cl').map(([form]) => form)).toContain('Sn(OH)Cl')
    expect(forms('SbCl3', 'Sb', 'Cl').map(([form]) => form)).toContain('SbOCl')
    expect(forms('PbCl2', 'Pb', 'Cl').map(([form]) => form)).toContain('Pb(OH)Cl')
  })
  it('finds the salts of the other cation by the anion that they share', () =>
    expect(forms('KIO3', 'K', 'Na', 'IO3', 'Cl')).toContainEqual(['NaIO3·H2O', 'other', 1, 'IO3']))
  it('counts the metal, not the salt', () =>
    expect(forms('CuSO4·5H2O', 'Cu', 'SO4')).toContainEqual(['CuSO4·3Cu(OH)2', 'basic', 4, 'Cu']))
  it('leaves out another state of the metal, soluble bases and the anhydride of an acid', () => {
    expect(forms('FeSO4', 'Fe', 'SO4').map(([form]) => form)).not.toContain('Fe2(SO4)3')
    expect(forms('KCl', 'K', 'Cl').map(([form]) => form)).not.toContain('KOH')
    expect(forms('Na2MoO4', 'Na', 'MoO4', 'Mo').map(([form]) => form)).not.toContain('MoO3')
  })
})
