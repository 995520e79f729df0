import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { balance, explainEquation, parseEquation, printReaction, type Reaction, type Term } from '.'

function answer(text: string) {
  const read = parseEquation(text)
  if (!read.ok) return read
  return balance(read.value)
}
function reactionOf(text: string): Reaction {
  const balanced = answer(text)
  if (!balanced.ok || !balanced.value.unique) throw new Error(`${text} does not balance in one way`)
  return balanced.value.reaction
}

describe('balance', () => {
  // The first three from textbooks, from memory; the others worked out by hand from oxidation numbers.
  it.each([
    ['KMnO4 + HCl -> KCl + MnCl2 + H2O + Cl2', '2 KMnO4 + 16 HCl → 2 KCl + 2 MnCl2 + 8 H2O + 5 Cl2'],
    ['Cu + HNO3 = Cu(NO3)2 + NO + H2O', '3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O'],
    [
      'K4Fe(CN)6 + KMnO4 + H2SO4 -> KHSO4 + Fe2(SO4)3 + MnSO4 + HNO3 + CO2 + H2O',
      '10 K4Fe(CN)6 + 122 KMnO4 + 299 H2SO4 → 162 KHSO4 + 5 Fe2(SO4)3 + 122 MnSO4 + 60 HNO3 + 60 CO2 + 188 H2O',
    ],
    ['CoCO3(s) + 7 HCl(aq) -> CoCl2(aq) + H2O(l) + CO2(g)', 'CoCO3(s) + 2 HCl(aq) → CoCl2(aq) + H2O(l) + CO2(g)'],
    ['CaSO4.0.5H2O + H2O -> CaSO4.2H2O', '2 CaSO4·0.5H2O + 3 H2O → 2 CaSO4·2H2O'],
    ['P4 + Ba(OH)2 + H2O -> PH3 + Ba(H2PO2)2', '2 P4 + 3 Ba(OH)2 + 6 H2O → 2 PH3 + 3 Ba(H2PO2)2'],
    ['Ni2+ + C4H8N2O2 + NH3 -> Ni(C4H7N2O2)2 + NH4+', 'Ni^2+ + 2 C4H8N2O2 + 2 NH3 → Ni(C4H7N2O2)2 + 2 NH4^+'],
  ])('balances %s', (text, expected) => {
    expect(printReaction(reactionOf(text))).toBe(expected)
  })

  it.each([
    ['H2+O2->H2O', '2 H2 + O2 → 2 H2O'],
    ['MnO4-+Fe2++H+->Mn2++Fe3++H2O', 'MnO4^- + 5 Fe^2+ + 8 H^+ → Mn^2+ + 5 Fe^3+ + 4 H2O'],
    ['Ag++Cl-->AgCl', 'Ag^+ + Cl^- → AgCl'],
    ['Na^++Cl^-->NaCl', 'Na^+ + Cl^- → NaCl'],
    ['Na + + Cl - -> NaCl', 'Na^+ + Cl^- → NaCl'],
    ['SO4 2- + Ba 2+ → BaSO4', 'SO4^2- + Ba^2+ → BaSO4'],
    ['Fe3+ +e-->Fe2+', 'Fe^3+ + e^- → Fe^2+'],
    ['Cu2+ + 2e- ⇌ Cu', 'Cu^2+ + 2 e^- → Cu'],
    ['A2 --> B'.replace('A2', 'O3').replace('B', 'O2'), '2 O3 → 3 O2'],
  ])('tells + and - that separate from those that charge in %s', (text, expected) => {
    expect(printReaction(reactionOf(text))).toBe(expected)
  })

  it('gives as many reactions as are independent, none of which can be split', () => {
    const balanced = answer('Cu + HNO3 -> Cu(NO3)2 + NO + NO2 + H2O')
    if (!balanced.ok || balanced.value.unique) throw new Error('two were expected')
    expect(balanced.value.basis.map(printReaction)).toEqual([
      'Cu + 4 HNO3 → Cu(NO3)2 + 2 NO2 + 2 H2O',
      '3 Cu + 8 HNO3 → 3 Cu(NO3)2 + 2 NO + 4 H2O',
    ])
  })

  it('falls back to large integers without losing a digit, and says so where even the answer is too large', () => {
    const primes = 'Fe9973O2 + Co9949O2 + Ni9931O2'
    const reaction = reactionOf(`${primes} -> Fe9901Co9887Ni9883 + O2`)
    expectConserved(reaction)
    expect(reaction.reactants[0]!.coefficient).toBe(9901 * 9949 * 9931)
    expect(answer(`${primes} + Cu9923O2 -> Fe9901Co9887Ni9883Cu9871 + O2`)).toMatchObject({
      ok: false,
      problem: { code: 'equation.beyond-reach' },
    })
  })
})

describe('what cannot balance', () => {
  it.each([
    ['Fe + O2 + N2 -> Fe2O3', 'equation.impossible', 'N cannot balance: it stands only on the left.'],
    ['Zn + HCl -> ZnCl2', 'equation.impossible', 'H cannot balance: it stands only on the left.'],
    ['Ag + Cl- -> AgCl', 'equation.impossible', 'The charge cannot balance: it stands only on the left.'],
    ['H2O2 + O2 -> H2O', 'equation.impossible', 'H and O cannot balance with O2 where it stands.'],
    ['Fe2+ + Cl2 -> Fe3+ + Cl-', undefined, ''],
    ['MnO4- + Fe2+ + H2O -> Mn2+ + Fe3+ + H2', 'equation.impossible', 'cannot balance'],
    ['H2O', 'equation.no-arrow', 'no arrow'],
    ['A -> B -> C', 'equation.several-arrows', 'second arrow'],
    ['-> H2O', 'equation.empty-side', 'left'],
    ['H2 + -> H2O', 'equation.empty-term', 'beside this +'],
    ['H2 O2 -> H2O', 'equation.no-separator', 'no +'],
    ['H2O + H2 -> H2O', 'equation.on-both-sides', 'both sides'],
    ['H2 + H2 -> H4', 'equation.repeated', 'twice'],
    ['', 'equation.empty', 'no equation'],
  ])('%s', (text, code, words) => {
    const balanced = answer(text)
    if (code === undefined) {
      expect(balanced.ok).toBe(true)
      return
    }
    if (balanced.ok) throw new Error('it balanced')
    expect(balanced.problem.code).toBe(code)
    expect(explainEquation(balanced.problem).why).toContain(words)
  })

  it('counts places from the start of the whole text', () => {
    const read = parseEquation('CoCO3 + HCl -> CoCl2 + coso4')
    expect(read).toMatchObject({ ok: false, problem: { code: 'formula.unknown-element', span: [23, 27] } })
  })
})

function expectConserved({ reactants, products }: Reaction): void {
  const count = (terms: readonly Term[], symbol: string) =>
    terms.reduce(
      (sum, { species, coefficient }) => sum + coefficient * (species.formula.composition.get(symbol) ?? 0),
      0,
    )
  const charge = (terms: readonly Term[]) =>
    terms.reduce((sum, { species, coefficient }) => sum + coefficient * species.formula.charge, 0)
  for (const symbol of new Set(
    [...reactants, ...products].flatMap(({ species }) => [...species.formula.composition.keys()]),
  )) {
    expect(count(reactants, symbol), symbol).toBeCloseTo(count(products, symbol), 6)
  }
  expect(charge(reactants)).toBe(charge(products))
}

describe('laws', () => {
  const species = fc.constantFrom(
    'H2',
    'O2',
    'H2O',
    'H2O2',
    'Cl2',
    'HCl',
    'H^+',
    'Cl^-',
    'e-',
    'O3',
    'OH^-',
    'HClO',
    'ClO3^-',
  )
  const side = fc.uniqueArray(species, { minLength: 1, maxLength: 6 })

  it('what balances conserves every element and the charge, with coefficients that share no factor', () => {
    let balancedOnes = 0
    fc.assert(
      fc.property(side, side, (left, right) => {
        const balanced = answer(`${left.join(' + ')} -> ${right.join(' + ')}`)
        if (!balanced.ok) return
        balancedOnes++
        const reactions = balanced.value.unique ? [balanced.value.reaction] : balanced.value.basis
        for (const reaction of reactions) {
          expectConserved(reaction)
          const coefficients = [...reaction.reactants, ...reaction.products].map(({ coefficient }) => coefficient)
          for (const coefficient of coefficients) expect(Number.isInteger(coefficient) && coefficient > 0).toBe(true)
          expect(
            coefficients.reduce((a, b) => {
              while (b) [a, b] = [b, a % b]
              return a
            }),
          ).toBe(1)
        }
      }),
      { numRuns: 3000, seed: 7 },
    )
    expect(balancedOnes).toBeGreaterThan(50)
  })

  it('reads what it printed as the same reaction', () => {
    for (const text of [
      'KMnO4 + HCl -> KCl + MnCl2 + H2O + Cl2',
      'MnO4- + Fe2+ + H+ -> Mn2+ + Fe3+ + H2O',
      'CaSO4.0.5H2O + H2O -> CaSO4.2H2O',
    ]) {
      const printed = printReaction(reactionOf(text))
      expect(printReaction(reactionOf(printed))).toBe(printed)
    }
  })

  it('any text ends in an answer or a problem', () => {
    const characters = fc.constantFrom(...'HOFe2+-=>→ ()sA^l3.e'.split(''))
    fc.assert(
      fc.property(
        fc.array(characters, { maxLength: 40 }).map(all => all.join('')),
        text => {
          const balanced = answer(text)
          if (!balanced.ok) expect(explainEquation(balanced.problem).why.length).toBeGreaterThan(3)
        },
      ),
      { numRuns: 3000 },
    )
  })
})
