import { describe, expect, it } from 'vitest'
import { balance, mixReactions, netIonic, parseEquation, suggestMissing, type Reaction } from '.'

const reactionOf = (text: string): Reaction => {
  const read = parseEquation(text)
  const balanced = read.ok ? balance(read.value) : read
  if (!balanced.ok || !('unique' in balanced.value) || !balanced.value.unique) throw new Error(text)
  return balanced.value.reaction
}
const told = (text: string): string => {
  const { reactants, products } = netIonic(reactionOf(text))
  const side = (terms: typeof reactants): string =>
    terms.map(({ text, coefficient }) => (coefficient === 1 ? text : `${coefficient} ${text}`)).join(' + ')
  return `${side(reactants)} → ${side(products)}`
}

describe('netIonic', () => {
  // Textbook net ionic equations.
  it.each([
    ['BaCl2 + Na2SO4 -> BaSO4 + NaCl', 'Ba^2+ + SO4^2- → BaSO4'],
    ['HCl + NaOH -> NaCl + H2O', 'H^+ + OH^- → H2O'],
    ['CoCO3 + HCl -> CoCl2 + H2O + CO2', 'CoCO3 + 2 H^+ → Co^2+ + H2O + CO2'],
    ['Zn + H2SO4 -> ZnSO4 + H2', 'Zn + 2 H^+ → Zn^2+ + H2'],
    ['AgNO3(aq) + K2CrO4(aq) -> Ag2CrO4(s) + KNO3(aq)', '2 Ag^+ + CrO4^2- → Ag2CrO4'],
    ['CH3COOH + NaOH -> CH3COONa + H2O', 'CH3COOH + OH^- → CH3COO^- + H2O'],
    ['Cu + HNO3 -> Cu(NO3)2 + NO + H2O', '3 Cu + 8 H^+ + 2 NO3^- → 3 Cu^2+ + 2 NO + 4 H2O'],
    ['MnO4- + Fe2+ + H+ -> Mn2+ + Fe3+ + H2O', 'MnO4^- + 5 Fe^2+ + 8 H^+ → Mn^2+ + 5 Fe^3+ + 4 H2O'],
  ])('%s is %s', (text, net) => expect(told(text)).toBe(net))

  it('names the spectators, and what it does not know', () => {
    expect(netIonic(reactionOf('BaCl2 + Na2SO4 -> BaSO4 + NaCl')).spectators).toEqual(['Cl^-', 'Na^+'])
    expect(netIonic(reactionOf('SrI2 + Na2SO4 -> SrSO4 + NaI')).unknown).toEqual(['SrI2'])
  })
})

describe('suggestMissing', () => {
  it.each([
    ['CuO + HCl -> CuCl2', 'CuO + 2 HCl → CuCl2 + H2O'],
    ['CaCO3 + HCl -> CaCl2 + H2O', 'CaCO3 + 2 HCl → CaCl2 + H2O + CO2'],
    ['MnO4- + Fe2+ -> Mn2+ + Fe3+', 'MnO4^- + 5 Fe^2+ + 8 H^+ → Mn^2+ + 5 Fe^3+ + 4 H2O'],
    ['Al + NaOH -> NaAlO2', '2 Al + 2 NaOH + 2 H2O → 2 NaAlO2 + 3 H2'],
  ])('%s could be %s', (typed, equation) => expect(suggestMissing(typed)).toContain(equation))

  it('has nothing to add where an equation balances, or does not read', () => {
    expect(suggestMissing('H2 + O2 -> H2O')).toEqual([])
    expect(suggestMissing('H2 + -> H2O')).toEqual([])
    expect(suggestMissing('Au -> Pb')).toEqual([])
  })
})

describe('mixReactions', () => {
  /* 3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O for 60 % of the copper and Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O for 40 %:
     a mole of copper takes 0.6 × 8/3 + 0.4 × 4 = 3.2 mol of acid and gives 0.4 mol NO and 0.8 mol NO2. */
  it('adds reactions in the shares of the product they make', () => {
    const mixed = mixReactions(
      [
        { reaction: reactionOf('Cu + HNO3 -> Cu(NO3)2 + NO + H2O'), share: 60 },
        { reaction: reactionOf('Cu + HNO3 -> Cu(NO3)2 + NO2 + H2O'), share: 40 },
      ],
      'Cu(NO3)2',
      ['Cu', 'HNO3', 'Cu(NO3)2', 'NO', 'NO2', 'H2O'],
    )
    const coefficients = Object.fromEntries(
      [...mixed.reactants, ...mixed.products].map(({ species, coefficient }) => [species.formula.text, coefficient]),
    )
    expect(Object.keys(coefficients)).toEqual(['Cu', 'HNO3', 'Cu(NO3)2', 'NO', 'NO2', 'H2O'])
    expect(coefficients.HNO3).toBeCloseTo(3.2, 12)
    expect(coefficients.NO).toBeCloseTo(0.4, 12)
    expect(coefficients.NO2).toBeCloseTo(0.8, 12)
  })
})
