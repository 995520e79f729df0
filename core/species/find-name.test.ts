import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { everydayNames, substances } from '#core/reference'
import { findByName, writeOutNames } from '.'

const found = (text: string) => {
  const { formula, isFormSaid, percent, corrected } = findByName(text) ?? {}
  return [
    formula?.text,
    ...(isFormSaid ? ['form'] : []),
    ...(percent ? [percent] : []),
    ...(corrected ? [corrected] : []),
  ]
}

// Names of IUPAC 2005 and of handbooks (from memory); household strengths are common usage.
describe('what a text names', () => {
  it.each([
    ['blue vitriol', ['CuSO4·5H2O', 'form']],
    ['copper turnings', ['Cu']],
    ['Epsom salt', ['MgSO4·7H2O', 'form']],
    ['washing soda', ['Na2CO3·10H2O', 'form']],
    ['lime', ['CaO']],
    ['aluminium foil', ['Al']],
    ['aluminum powder', ['Al']],
    ['drain-cleaner acid', ['H2SO4', 91]],
    ['vinegar', ['CH3COOH', 5]],
    ['malachite', ['CuCO3·Cu(OH)2']],
    ["Mohr's salt", ['(NH4)2Fe(SO4)2·6H2O', 'form']],
    ['nickel ammonium sulfate', ['(NH4)2Ni(SO4)2']],
    ['ammonium nickel sulphate hexahydrate', ['(NH4)2Ni(SO4)2·6H2O', 'form']],
    ['cupric chloride dihydrate', ['CuCl2·2H2O', 'form']],
    ['ferric nitrate', ['Fe(NO3)3']],
    ['mercurous chloride', ['Hg2Cl2']],
    ['iron nitrate', ['Fe(NO3)3']],
    ['anhydrous copper sulfate', ['CuSO4', 'form']],
    ['potassium hydrogen oxalate', ['KHC2O4']],
    ['potassium tris(oxalato)ferrate(III) trihydrate', ['K3[Fe(C2O4)3]·3H2O', 'form']],
    ['potassium trioxalatoferrate(III)', ['K3[Fe(C2O4)3]']],
    ['hexaamminecobalt(III) chloride', ['[Co(NH3)6]Cl3']],
    ['copper acetylacetonate', ['Cu(C5H7O2)2']],
    ['trans-[Co(NH3)4Cl2]Cl', ['[Co(NH3)4Cl2]Cl', 'form']],
    ['CuSO4 x 5H2O', ['CuSO4·5H2O', 'form']],
    ['HNO3(conc)', ['HNO3', 'form']],
    ['en', ['C2H8N2']],
    ['dmgH2', ['C4H8N2O2']],
    ['PPh3', ['C18H15P']],
    ['acac', ['C5H8O2']],
  ])('%s', (text, expected) => expect(found(text)).toEqual(expected))

  it.each([
    ['nikel amonium sulfate', '(NH4)2Ni(SO4)2', 'nickel ammonium sulfate'],
    ['coper sulfate pentahydrat', 'CuSO4·5H2O', 'copper sulfate pentahydrate'],
    ['zink cloride', 'ZnCl2', 'zinc chloride'],
    [
      'potasium tris(oxalato)ferrate(III) trihydrat',
      'K3[Fe(C2O4)3]·3H2O',
      'potassium tris(oxalato)ferrate(iii) trihydrate',
    ],
    ['potasium permanganat', 'KMnO4', 'potassium permanganate'],
  ])('lets a slip pass, and says so: %s', (text, formula, corrected) =>
    expect(findByName(text)).toMatchObject({ formula: { text: formula }, corrected }),
  )

  it.each(['xyzzy', 'moonlight', '', 'NaXy', 'bismuth moonchloride', 'CuSO44x'])('knows nothing of “%s”', text =>
    expect(findByName(text)).toBeUndefined(),
  )
  it('does not take one salt for another whose name is near', () => {
    // Each is a name in its own right, two slips from the next.
    for (const [text, formula] of [
      ['sodium chlorate', 'NaClO3'],
      ['sodium chloride', 'NaCl'],
      ['sodium sulfite', 'Na2SO3'],
      ['sodium sulfide', 'Na2S'],
      ['sodium sulfate', 'Na2SO4'],
      ['bismuth oxychloride', 'BiOCl'],
      ['potassium nitrite', 'KNO2'],
    ])
      expect(findByName(text!)?.formula.text).toBe(formula)
  })

  it('every substance of the tables is found by its name and its other names, every everyday name by itself', () => {
    const wrong = substances.flatMap(({ formula, name }) => {
      const is = findByName(name)?.formula
      const read = parseFormula(formula)
      return is && read.ok && is.text.split('·')[0] === read.value.text.split('·')[0] ? [] : [`${name}: ${is?.text}`]
    })
    expect(wrong).toEqual([])
    for (const { formula, names } of everydayNames)
      for (const name of names) {
        const read = parseFormula(formula)
        expect(findByName(name)?.formula.text, name).toBe(read.ok && read.value.text)
      }
  })
})

describe('equations with what chemists write in them', () => {
  it.each([
    ['CoCl2 + en + HCl + O2 -> [Co(en)3]Cl3 + H2O', 'CoCl2 + C2H8N2 + HCl + O2 -> [Co(en)3]Cl3 + H2O'],
    ['Cu + HNO3(conc) -> Cu(NO3)2 + NO2↑ + H2O', 'Cu + HNO3 -> Cu(NO3)2 + NO2 + H2O'],
    ['AgNO3 + NaCl -> AgCl↓ + NaNO3', 'AgNO3 + NaCl -> AgCl + NaNO3'],
    ['CuSO4 x 5H2O -> CuSO4 + H2O', 'CuSO4·5H2O -> CuSO4 + H2O'],
    ['CoCl2 + NH4Cl + NH3 + H2O2 + C -> [Co(NH3)6]Cl3 + H2O + C', 'CoCl2 + NH4Cl + NH3 + H2O2 -> [Co(NH3)6]Cl3 + H2O'],
    ['KClO3 + MnO2 -> KCl + O2 + MnO2', 'KClO3 -> KCl + O2'],
    ['C -> C', 'C -> C'],
  ])('%s', (typed, written) => expect(writeOutNames(typed)).toBe(written))
})
