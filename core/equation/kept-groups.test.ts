import { describe, expect, it } from 'vitest'
import { balance, parseEquation, printReaction } from '#core/equation'
import { parseFormula } from '#core/formula'
import { groupsIn } from './kept-groups'

const groups = (text: string): Record<string, number> => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return Object.fromEntries(groupsIn(read.value))
}
/** The reactions of an equation, the one that comes first at the head. */
function basis(text: string): readonly string[] {
  const read = parseEquation(text)
  const balanced = read.ok ? balance(read.value) : undefined
  if (!balanced?.ok) throw new Error(text)
  const { value } = balanced
  return (value.unique ? [value.reaction] : value.basis).map(printReaction)
}

describe('groupsIn', () => {
  it('finds them in ions, in ligands, and as molecules', () => {
    expect(groups('NH4NO3')).toEqual({ ammonia: 1, nitrate: 1 })
    expect(groups('[Co(NH3)6](NO3)3')).toEqual({ ammonia: 6, nitrate: 3 })
    expect(groups('K2[Cu(C2O4)2]·2H2O')).toEqual({ oxalate: 2 })
    expect(groups('(NH4)2Ni(SO4)2·6H2O')).toEqual({ ammonia: 2, sulfate: 2 })
    expect(groups('H2O2')).toEqual({ 'oxygen on oxygen': 1 })
    expect(groups('NO3^-')).toEqual({ nitrate: 1 })
    expect(groups('ZnO')).toEqual({})
  })
})

/** Texts of inorganic preparation give these; coefficients checked by hand, element by element. */
describe('balance, where several reactions share the species', () => {
  it('ammonia is not what peroxide oxidises: 2 + 2 + 10 + 1 → 2 + 14', () => {
    const [first, ...rest] = basis('Co(NO3)2·6H2O + NH4NO3 + NH3 + H2O2 -> [Co(NH3)6](NO3)3 + H2O')
    expect(first).toBe('2 Co(NO3)2·6H2O + 2 NH4NO3 + 10 NH3 + H2O2 → 2 [Co(NH3)6](NO3)3 + 14 H2O')
    expect(rest).toHaveLength(1)
  })
  it('all the oxygen that comes off is peroxide’s: permanganate 2 : 5, dichromate 1 : 3', () => {
    expect(basis('KMnO4 + H2O2 + H2SO4 -> MnSO4 + K2SO4 + O2 + H2O')[0]).toBe(
      '2 KMnO4 + 5 H2O2 + 3 H2SO4 → 2 MnSO4 + K2SO4 + 5 O2 + 8 H2O',
    )
    expect(basis('MnO4^- + H2O2 + H^+ -> Mn^2+ + O2 + H2O')[0]).toBe(
      '2 MnO4^- + 5 H2O2 + 6 H^+ → 2 Mn^2+ + 5 O2 + 8 H2O',
    )
    expect(basis('K2Cr2O7 + H2O2 + H2SO4 -> Cr2(SO4)3 + K2SO4 + O2 + H2O')[0]).toBe(
      'K2Cr2O7 + 3 H2O2 + 4 H2SO4 → Cr2(SO4)3 + K2SO4 + 3 O2 + 7 H2O',
    )
  })
  it('nitrate that stands beside another oxidant is left whole: air does it, 4 + 4 + 20 + 1 → 4 + 26', () => {
    // H: 48 + 16 + 60 = 72 + 52; O: 48 + 12 + 2 = 36 + 26.
    expect(basis('Co(NO3)2·6H2O + NH4NO3 + NH3 + O2 -> [Co(NH3)6](NO3)3 + H2O')[0]).toBe(
      '4 Co(NO3)2·6H2O + 4 NH4NO3 + 20 NH3 + O2 → 4 [Co(NH3)6](NO3)3 + 26 H2O',
    )
  })
  it('where no group can be kept, the order is as it was', () => {
    expect(basis('Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O')).toEqual([
      'Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O',
      '3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O',
    ])
  })
  it('balances, element by element', () => {
    for (const text of [
      'KMnO4 + H2O2 + H2SO4 -> MnSO4 + K2SO4 + O2 + H2O',
      'Co(NO3)2·6H2O + NH4NO3 + NH3 + H2O2 -> [Co(NH3)6](NO3)3 + H2O',
      'Co(NO3)2·6H2O + NH4NO3 + NH3 + O2 -> [Co(NH3)6](NO3)3 + H2O',
    ]) {
      const read = parseEquation(text)
      const balanced = read.ok ? balance(read.value) : undefined
      if (!balanced?.ok || balanced.value.unique) throw new Error(text)
      for (const { reactants, products } of balanced.value.basis) {
        const sums = new Map<string, number>()
        for (const [sign, terms] of [
          [1, reactants],
          [-1, products],
        ] as const)
          for (const { species, coefficient } of terms)
            for (const [element, count] of species.formula.composition)
              sums.set(element, (sums.get(element) ?? 0) + sign * coefficient * count)
        expect([...sums.values()].every(sum => sum === 0)).toBe(true)
      }
    }
  })
})
