import { describe, expect, it } from 'vitest'
import { demoBatches } from '#demo'
import { balance, parseEquation } from '#core/equation'
import { readPlan } from '#core/sheet'
import { secondLook } from './second-look'

function said(text: string): string[] {
  const read = parseEquation(text)
  const balanced = read.ok ? balance(read.value) : undefined
  if (!balanced?.ok || !balanced.value.unique) throw new Error(text)
  return secondLook(balanced.value.reaction).map(note => note.text)
}

/** Textbook chemistry, from memory: what balances and does not happen. */
describe('a second look', () => {
  it('copper, silver and mercury give acid no hydrogen', () => {
    for (const text of ['Cu + HCl -> CuCl2 + H2', 'Ag + HCl -> AgCl + H2', 'Hg + H2SO4 -> HgSO4 + H2'])
      expect(said(text)[0], text).toContain('above hydrogen')
    expect(said('Cu + H2SO4 -> CuSO4 + H2')[0]).toContain('+0.34 V')
  })
  it('iron stops at iron(II), tin at tin(II); chromium and aluminium go to three by themselves', () => {
    expect(said('Fe + HCl -> FeCl3 + H2')[0]).toContain('to its state 2, and not on to 3')
    expect(said('Sn + HCl -> SnCl4 + H2')[0]).toContain('to its state 2, and not on to 4')
    for (const text of [
      'Fe + HCl -> FeCl2 + H2',
      'Al + HCl -> AlCl3 + H2',
      'Sn + HCl -> SnCl2 + H2',
      'Zn + H2SO4 -> ZnSO4 + H2',
    ])
      expect(said(text), text).toEqual([])
  })
  it('silver chloride in nitric acid and barium sulfate in hydrochloric acid stay what they are', () => {
    expect(said('AgCl + HNO3 -> AgNO3 + HCl')[0]).toContain('does not dissolve in {HNO3}')
    expect(said('BaSO4 + HCl -> BaCl2 + H2SO4')[0]).toContain('does not dissolve in {HCl}')
    // What takes protons does dissolve.
    for (const text of [
      'BaCO3 + HCl -> BaCl2 + H2O + CO2',
      'CuO + H2SO4 -> CuSO4 + H2O',
      'Ca3(PO4)2 + HCl -> CaCl2 + H3PO4',
      'ZnS + HCl -> ZnCl2 + H2S',
    ])
      expect(said(text), text).toEqual([])
  })
  it('aluminium, iron(III) and chromium(III) have no carbonate out of water', () => {
    expect(said('AlCl3 + Na2CO3 -> Al2(CO3)3 + NaCl')[0]).toContain('hydroxide comes down')
    expect(said('FeCl3 + K2CO3 -> Fe2(CO3)3 + KCl')[0]).toContain('pKa 2.2')
    expect(said('CuSO4 + Na2CO3 -> CuCO3 + Na2SO4')).toEqual([])
    expect(said('LaCl3 + Na2CO3 -> La2(CO3)3 + NaCl')).toEqual([])
  })
  it('copper(II) and iron(III) iodide part; their chlorides and copper(I) iodide do not', () => {
    expect(said('CuSO4 + KI -> CuI2 + K2SO4')[0]).toContain('iodine')
    expect(said('FeCl3 + KI -> FeI3 + KCl')[0]).toContain('+0.77 V against +0.54 V')
    for (const text of [
      'CuCl + KI -> CuI + KCl',
      'FeCl2 + KI -> FeI2 + KCl',
      'Fe(OH)3 + HCl -> FeCl3 + H2O',
      'CuO + HCl -> CuCl2 + H2O',
    ])
      expect(said(text), text).toEqual([])
    expect(said('Co(OH)3 + HCl -> CoCl3 + H2O')[0]).toContain('chlorine')
  })
  it('leaves complexes alone, and has nothing against what the demo makes', () => {
    expect(said('[Co(NH3)6]Cl2 + O2 + NH4Cl -> [Co(NH3)6]Cl3 + H2O + NH3')).toEqual([])
    for (const { code, document } of demoBatches(new Date('2026-11-29T09:00:00Z'))) {
      const read = readPlan(document.plan)
      if (read.ok) for (const { reaction } of read.value.stages) expect(secondLook(reaction), code).toEqual([])
    }
  })
})
