import { describe, expect, it } from 'vitest'
import { molarMass, parseFormula, type Formula } from '#core/formula'
import { carrierFor, carriersOf, gravimetricFactor, shareHeld, unitsTitrated } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const factor = (analyte: string, weighed: string, by?: string): number | undefined => {
  const found = gravimetricFactor(f(analyte), f(weighed), by)
  return found.ok ? found.value.value : undefined
}

describe('what carries an analyte into what is weighed', () => {
  /*
   * By hand, from molar masses: CaC2O4·H2O 146.112 over CaCO3 100.086 is 1.45986; NaCl 58.44 over AgCl 143.32 is 0.40777; Na2SO4 142.04 over BaSO4 233.39
   * is 0.60859; a nitrate of a base, C20H16N4·HNO3 of 375.388, holds 62.005, 0.16518; textbooks print 1.4600, 0.4078, 0.6086 and 0.1652 (from memory).
   */
  it.each([
    ['CaC2O4·H2O', 'CaCO3', 1.45986],
    ['NO3^-', 'C20H16N4·HNO3', 0.16518],
    ['NO3', 'C20H17N5O3', 0.16518],
    ['NaCl', 'AgCl', 0.40777],
    ['Na2SO4', 'BaSO4', 0.60859],
    ['KAl(SO4)2·12H2O', 'BaSO4', 474.37 / 2 / 233.39],
    ['(NH4)2Fe(SO4)2·6H2O', 'Fe2O3', (2 * 392.12) / 159.688],
    ['Fe3O4', 'Fe2O3', 0.96664],
    ['K3[Fe(C2O4)3]·3H2O', 'Fe2O3', (2 * 491.243) / 159.687],
    ['K3[Fe(C2O4)3]·3H2O', 'CaC2O4', 491.243 / 3 / 128.096],
    ['SO3', 'BaSO4', 0.34302],
    ['K2O', 'KClO4', 0.33994],
    ['CO2', 'CaCO3', 0.43972],
    ['PO4^3-', 'Mg2P2O7', (2 * 94.97) / 222.55],
    ['H2O', 'CuSO4·5H2O', 0.36078],
  ])('%s weighed as %s', (analyte, weighed, expected) => {
    expect(factor(analyte, weighed)! / expected).toBeCloseTo(1, 4)
  })

  it('counts ions and ligands, the coordinated ones apart from the ionic ones', () => {
    const percent = (analyte: string, salt: string) => 100 * shareHeld(f(analyte), f(salt))!
    // Hexaamminecobalt(III) nitrate 347.085: three nitrates are 53.59 %, six ammonias 29.44 %.
    expect(percent('NO3', '[Co(NH3)6](NO3)3')).toBeCloseTo(53.59, 2)
    expect(percent('NH3', '[Co(NH3)6](NO3)3')).toBeCloseTo(29.44, 2)
    expect(percent('NO3', 'NH4NO3')).toBeCloseTo(77.46, 2)
    expect(carriersOf(f('Cl^-'), f('[Co(NH3)5Cl]Cl2')).map(({ kind, units }) => [kind, units])).toEqual([
      ['ion', 2],
      ['ligand', 1],
    ])
    expect(carrierFor(f('Cl'), f('[Co(NH3)5Cl]Cl2'))).toMatchObject({ kind: 'element', units: 3 })
    expect(carrierFor(f('C2O4'), f('[Co(C2H8N2)2(C2O4)]Cl'))).toMatchObject({ kind: 'ligand', units: 1 })
    expect(carrierFor(f('[Co(NH3)5Cl]Cl2'), f('AgCl'))).toMatchObject({ by: 'Cl', units: 1 / 2 })
  })

  it('lets neither hydrogen nor oxygen carry, and refuses what shares nothing else', () => {
    expect(factor('H2O', 'BaSO4')).toBeUndefined()
    expect(factor('Na2O', 'CaO')).toBeUndefined()
    expect(factor('Ni', 'BaSO4')).toBeUndefined()
    expect(factor('NaOH', 'H2O')).toBeUndefined()
  })

  it('proposes the ion where several could carry, and takes the one that is named', () => {
    const all = carriersOf(f('CaC2O4·H2O'), f('CaCO3'))
    expect(all.map(({ by, units }) => [by, units])).toEqual([
      ['Ca', 1],
      ['C', 0.5],
    ])
    expect(factor('CaC2O4·H2O', 'CaCO3', 'C')).toBeCloseTo(0.72993, 4)
    expect(factor('KAl(SO4)2·12H2O', 'K2SO4', 'SO4')! / factor('KAl(SO4)2·12H2O', 'K2SO4', 'K')!).toBeCloseTo(1 / 4, 9)
    expect(factor('Na2S2O3', 'BaSO4', 'S')! * molarMass(f('BaSO4'))).toBeCloseTo(molarMass(f('Na2S2O3')) / 2, 6)
    expect(factor('Na2SO4', 'BaSO4', 'Cu')).toBeUndefined()
  })
})

describe('what a titrated species stands for', () => {
  it.each([
    ['Fe^2+', '(NH4)2Fe(SO4)2·6H2O', 1],
    ['Fe^2+', 'FeSO4·7H2O', 1],
    ['Fe^2+', 'K4[Fe(CN)6]', 1],
    ['Fe^2+', 'FeCl3', undefined],
    ['Fe^3+', 'K3[Fe(C2O4)3]·3H2O', 1],
    ['C2O4^2-', 'K3[Fe(C2O4)3]·3H2O', 3],
    ['Cl^-', '[Co(NH3)6]Cl3', 3],
    ['Cl^-', '[Co(NH3)5Cl]Cl2', 2],
    ['NH3', '[Ni(NH3)6]Cl2', 6],
    ['NH3', '(NH4)2SO4', 2],
    ['NH3', 'N', 1],
    ['CO3^2-', 'Na2CO3·10H2O', 1],
    ['Na2CO3', 'Na2CO3·10H2O', 1],
    ['Na2CO3', 'NaCl', undefined],
    ['H^+', 'H2SO4', 2],
    ['MnO4^-', 'KMnO4', 1],
  ])('%s as %s', (species, form, units) => {
    expect(unitsTitrated(f(species), f(form))).toEqual(units)
  })
})
