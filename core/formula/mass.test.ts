import { elements as reference } from 'chemical-elements'
import { MF } from 'mf-parser'
import { describe, expect, it } from 'vitest'
import { elements } from '#core/reference'
import { standardUncertainty } from '#core/quantity'
import { elementShares, massOf, molarMass, molarMassFigure, parseFormula, type Formula } from '.'

const read = (text: string): Formula => {
  const parsed = parseFormula(text)
  if (!parsed.ok) throw new Error(`${text}: ${parsed.problem.code}`)
  return parsed.value
}

describe('atomic weights', () => {
  // IUPAC/CIAAW 2021, Pure Appl. Chem. 94 (2022) 573, from memory.
  it.each([
    ['H', 1.008],
    ['C', 12.011],
    ['N', 14.007],
    ['O', 15.999],
    ['Na', 22.98976928],
    ['S', 32.06],
    ['Cl', 35.45],
    ['K', 39.0983],
    ['Fe', 55.845],
    ['Co', 58.933194],
    ['Ni', 58.6934],
    ['Cu', 63.546],
    ['Zn', 65.38],
    ['Ba', 137.327],
  ])('%s is %d', (symbol, weight) => {
    expect(elements.find(element => element.symbol === symbol)).toMatchObject({ weight })
  })

  it.each(elements.filter(element => 'weight' in element).map(element => [element.symbol, element] as const))(
    '%s agrees with the package chemical-elements within its published uncertainty',
    (symbol, element) => {
      const other = reference.find(one => one.symbol === symbol)?.mass
      if (!('weight' in element) || other === undefined || other === null) throw new Error(`${symbol} is missing there`)
      // Interval elements are averaged over isotopes there, so the published ± is the tolerance; 0.02 % covers other editions.
      expect(Math.abs(element.weight - other)).toBeLessThanOrEqual(Math.max(element.bound, element.weight * 2e-4))
    },
  )

  it.each(['CuSO4', 'K4Fe(CN)6', 'Al2(SO4)3', 'Ni(C4H7N2O2)2', 'Na2MoO4', 'CoCl2'])(
    '%s weighs what mf-parser says, within 0.02 %%',
    text => {
      expect(molarMass(read(text)) / new MF(text).getInfo().mass).toBeCloseTo(1, 3.7)
    },
  )
})

describe('molarMassFigure', () => {
  it('shares the error of an element between formulas', () => {
    // CuSO4·5H2O by hand: u² = (0.003/√3)² + (0.02/√3)² + (9·0.001/√3)² + (10·0.0002/√3)² → u = 0.01283.
    expect(standardUncertainty(molarMassFigure(read('CuSO4.5H2O')))).toBeCloseTo(0.01283, 5)
  })
})

describe('composition', () => {
  // Gravimetric factors of standard textbooks of quantitative analysis, from memory, ± 0.0001.
  it.each([
    ['SO4', 'BaSO4', 1, 0.4116],
    ['S', 'BaSO4', 1, 0.1374],
    ['Cl', 'AgCl', 1, 0.2474],
    ['Ni', 'Ni(C4H7N2O2)2', 1, 0.2032],
    ['Fe', 'Fe2O3', 2, 0.6994],
    ['Al', 'Al(C9H6NO)3', 1, 0.0587],
    ['Mg', 'Mg2P2O7', 2, 0.2184],
    ['P2O5', 'Mg2P2O7', 1, 0.6378],
    ['CaO', 'CaCO3', 1, 0.5603],
  ])('%s in %s is a factor of %d × … = %d', (analyte, weighed, units, factor) => {
    expect(Math.abs((units * molarMass(read(analyte))) / molarMass(read(weighed)) - factor)).toBeLessThanOrEqual(0.0001)
  })

  it('loses 14.43, 28.86 and 36.08 % as CuSO4·5H2O gives up 2, 4 and 5 waters (thermogravimetry texts, from memory)', () => {
    const whole = molarMass(read('CuSO4.5H2O'))
    const lost = [2, 4, 5].map(n => (100 * n * molarMass(read('H2O'))) / whole)
    expect(lost[0]).toBeCloseTo(14.43, 1)
    expect(lost[1]).toBeCloseTo(28.86, 1)
    expect(Math.abs(lost[2]! - 36.08)).toBeLessThanOrEqual(0.02)
  })

  it('adds up to 100 %', () => {
    const shares = elementShares(read('K2[Cu(C2O4)2]·2H2O'))
    expect(shares.reduce((sum, { percent }) => sum + percent, 0)).toBeCloseTo(100, 10)
    expect(massOf(read('ZnSO4'), 'Zn')).toBe(65.38)
    expect(massOf(read('ZnSO4'), 'Cu')).toBe(0)
  })
})
