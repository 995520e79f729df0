import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { readReaction } from '#core/sheet'
import { suggestMissing } from '#core/equation'
import { writeOutNames } from './write-out-names'

describe('equations as people type them', () => {
  it.each([
    ['zinc oxide + acetic acid -> zinc acetate + water', 'ZnO + CH3COOH -> Zn(CH3COO)2 + H2O'],
    ['zinc + 2 HCl -> zinc chloride + hydrogen', 'Zn + 2 HCl -> ZnCl2 + H2'],
    ['CuO + sulfuric acid = copper(II) sulfate + water', 'CuO + H2SO4 = CuSO4 + H2O'],
    ['CuO + H2SO4 -> CuSO4 + H2O', 'CuO + H2SO4 -> CuSO4 + H2O'],
    ['Fe^3+ + SCN^- -> FeSCN^2+', 'Fe^3+ + SCN^- -> FeSCN^2+'],
    ['zinc + moonlight -> silver', 'Zn + moonlight -> Ag'],
    ['', ''],
  ])('%s', (typed, written) => expect(writeOutNames(typed)).toBe(written))

  it.each([
    ['HOAc', 'CH3COOH'],
    ['AcOH', 'CH3COOH'],
    ['NaOAc', 'CH3COONa'],
    ['Zn(OAc)2.2H2O', 'Zn(CH3COO)2·2H2O'],
    ['OAc^-', 'CH3COO^-'],
    ['[Rh2(OAc)4]', '[Rh2(OAc)4]'],
    ['EtOH', 'C2H5OH'],
    ['MeOH', 'CH3OH'],
  ])('%s is %s, and no actinium', (typed, meant) => {
    const read = parseFormula(typed)
    expect(read.ok && read.value.text).toBe(meant)
  })
  it('balances with the shorthand of the bench', () => {
    const read = readReaction('ZnO + HOAc -> Zn(OAc)2 + H2O')
    expect(read.ok && read.value.reactants.map(({ coefficient }) => coefficient)).toEqual([1, 2])
  })
  it('never burns what was typed to make it balance', () => {
    // Zinc oxide, acetic acid and zinc acetate with the acetate’s carbon miscounted.
    for (const text of [
      'ZnO + CH3COOH -> Zn(CH3COO) + H2O',
      'CuO + CH3COOH -> CuSO4',
      'K2C2O4 + CuSO4 -> K2[Cu(C2O4)2]',
    ])
      for (const one of suggestMissing(text)) expect(one.split('→')[0]).not.toMatch(/\bO2\b/)
    // Alone it may be what was left out.
    expect(suggestMissing('Zn -> ZnO').join()).toContain('O2')
  })
})
