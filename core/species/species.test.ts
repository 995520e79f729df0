import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseFormula, sameStuff, type Formula } from '#core/formula'
import { substances } from '#core/reference'
import { changedStates, describeComplex, findByWords, formulaFromName, ionsOf, nameOf, oxidationStates } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text}: ${read.problem.code}`)
  return read.value
}
const ionText = (text: string): string | undefined =>
  ionsOf(f(text))
    ?.map(({ text, charge, count }) => `${count} ${text}${charge > 0 ? '+' : ''}${charge}`)
    .join(', ')

describe('ionsOf', () => {
  it.each([
    ['CuSO4·5H2O', '1 Cu+2, 1 SO4-2'],
    ['(NH4)2Ni(SO4)2·6H2O', '2 NH4+1, 1 Ni+2, 2 SO4-2'],
    ['K2SO4·Al2(SO4)3·24H2O', '2 K+1, 4 SO4-2, 2 Al+3'],
    ['NH4NO3', '1 NH4+1, 1 NO3-1'],
    ['NaHCO3', '1 Na+1, 1 HCO3-1'],
    ['H2SO4', '2 H+1, 1 SO4-2'],
    ['FeCl3', '1 Fe+3, 3 Cl-1'],
    ['FeSO4·7H2O', '1 Fe+2, 1 SO4-2'],
    ['CuCO3·Cu(OH)2', '2 Cu+2, 1 CO3-2, 2 OH-1'],
    ['[Co(NH3)5Cl]Cl2', '1 [Co(NH3)5Cl]+2, 2 Cl-1'],
    ['K3[Fe(C2O4)3]', '3 K+1, 1 [Fe(C2O4)3]-3'],
    ['K2[Cu(ox)2]', '2 K+1, 1 [Cu(ox)2]-2'],
    ['Na2S2O3', '2 Na+1, 1 S2O3-2'],
    ['VOSO4', '1 VO+2, 1 SO4-2'],
    ['Hg2Cl2', '1 Hg2+2, 2 Cl-1'],
    ['SO4^2-', '1 SO4-2'],
    ['Cu^2+', '1 Cu+2'],
  ])('%s is %s', (text, expected) => expect(ionText(text)).toBe(expected))

  it.each(['CO2', 'NH3', 'H2O', 'Ni(dmg)2', 'Pb3O4', 'Cl2'])('%s is not made of ions that can be told', text =>
    expect(ionsOf(f(text))).toBeUndefined(),
  )

  it('is neutral for every salt of the table it reads, and holds its atoms', () => {
    let read = 0
    for (const { formula } of substances) {
      const ions = ionsOf(f(formula))
      if (!ions) continue
      read++
      expect(
        ions.reduce((total, { charge, count }) => total + charge * count, 0),
        formula,
      ).toBe(0)
      const atoms = ions.map(({ text, count }) => `(${text})${count}`.replace(/\(\[(.*)\]\)/, '[$1]')).join('')
      expect(sameStuff(f(atoms), f(formula)), `${formula}: ${atoms}`).toBe(true)
    }
    expect(read).toBeGreaterThan(240)
  })
})

describe('oxidationStates', () => {
  // Textbook states (from memory).
  it.each([
    ['KMnO4', 'Mn', [7]],
    ['K2Cr2O7', 'Cr', [6]],
    ['H2O2', 'O', [-1]],
    ['Na2O2', 'O', [-1]],
    ['Na2S2O3', 'S', [2]],
    ['NH4NO3', 'N', [-3, 5]],
    ['H2C2O4', 'C', [3]],
    ['NO2', 'N', [4]],
    ['Fe2O3', 'Fe', [3]],
    ['[Co(NH3)5Cl]Cl2', 'Co', [3]],
    ['K4[Fe(CN)6]', 'Fe', [2]],
    ['Ni(dmg)2', 'Ni', [2]],
    ['Cu', 'Cu', [0]],
    ['ClO3^-', 'Cl', [5]],
    ['HClO', 'Cl', [1]],
    ['MoO3', 'Mo', [6]],
    ['(NH4)2Ni(SO4)2·6H2O', 'Ni', [2]],
  ])('%s: %s is %j', (text, element, states) => expect(oxidationStates(f(text))?.get(element)).toEqual(states))

  it('adds up to the charge for every simple formula of the table', () => {
    let checked = 0
    for (const { formula } of substances) {
      const states = oxidationStates(f(formula))
      if (!states || [...states.values()].some(several => several.length > 1)) continue
      const total = [...f(formula).composition].reduce(
        (sum, [element, count]) => sum + count * states.get(element)![0]!,
        0,
      )
      expect(total, formula).toBeCloseTo(0, 4)
      checked++
    }
    expect(checked).toBeGreaterThan(200)
  })

  it('tells what changes: copper and nitrogen in nitric acid, nothing in a neutralisation', () => {
    const changed = changedStates([f('Cu'), f('HNO3')], [f('Cu(NO3)2'), f('NO'), f('H2O')])
    expect(changed).toEqual([
      { element: 'Cu', from: [0], to: [2] },
      { element: 'N', from: [5], to: [2, 5] },
    ])
    expect(changedStates([f('NaOH'), f('HCl')], [f('NaCl'), f('H2O')])).toEqual([])
  })
})

describe('names', () => {
  // IUPAC Recommendations 2005 (from memory); fragments of the table's own names are checked against the rules.
  it.each([
    ['CuSO4·5H2O', 'copper(II) sulfate pentahydrate'],
    ['(NH4)2Ni(SO4)2·6H2O', 'ammonium nickel(II) sulfate hexahydrate'],
    ['[Cu(NH3)4]SO4·H2O', 'tetraamminecopper(II) sulfate monohydrate'],
    ['[Ni(NH3)6](NO3)2', 'hexaamminenickel(II) nitrate'],
    ['[Co(NH3)5Cl](NO3)2', 'pentaamminechloridocobalt(III) nitrate'],
    ['K3[Fe(CN)6]', 'potassium hexacyanidoferrate(III)'],
    ['[Cr(en)3]Cl3', 'tris(ethane-1,2-diamine)chromium(III) chloride'],
    ['Na3[Fe(C2O4)3]', 'sodium tris(oxalato)ferrate(III)'],
    ['FeBr3', 'iron(III) bromide'],
    ['CaSO4·0.5H2O', 'calcium sulfate hemihydrate'],
    ['Mg3(PO4)2', 'magnesium phosphate'],
  ])('%s is %s', (text, name) => expect(nameOf(f(text))).toBe(name))

  it.each([
    ['copper(II) sulfate pentahydrate', 'CuSO4·5H2O'],
    ['Iron(III) bromide', 'FeBr3'],
    ['ammonium iron(II) sulphate hexahydrate', '(NH4)2Fe(SO4)2·6H2O'],
    ['magnesium phosphate', 'Mg3(PO4)2'],
    ['washing soda', 'Na2CO3'],
    ['hexaamminenickel(II) nitrate', '[Ni(NH3)6](NO3)2'],
    ['potassium tris(oxalato)chromate(III) trihydrate', 'K3[Cr(C2O4)3]·3H2O'],
    ['sodium hexacyanidoferrate(II)', 'Na4[Fe(CN)6]'],
    ['tris(ethylenediamine)nickel(II) sulfate', '[Ni(en)3]SO4'],
    ['aluminium sulfate octadecahydrate', 'Al2(SO4)3·18H2O'],
  ])('reads %s as %s', (name, formula) => expect(formulaFromName(name)).toBe(formula))

  it.each(['', 'copper sulfate', 'unobtainium chloride', 'potassium', 'copper(IX) oxide'])(
    'does not guess at %j',
    name => expect(formulaFromName(name)).toBeUndefined(),
  )

  it('reads back to the same stuff every name it gives for the table', () => {
    let read = 0
    for (const { formula, forms } of substances) {
      for (const [waters] of forms ?? []) {
        if (waters > 12 || (waters > 0 && ![0.5, 1, 1.5].includes(waters) && !Number.isInteger(waters))) continue
        const whole = f(waters === 0 ? formula : `${formula}·${waters}H2O`)
        const found = findByWords(nameOf(whole) ?? '')
        if (!found) continue
        expect(sameStuff(f(found.formula), whole), `${nameOf(whole)}: ${found.formula}`).toBe(true)
        read++
      }
    }
    expect(read).toBeGreaterThan(400)
  })

  it('ends on any text', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), text => void formulaFromName(text)),
      { numRuns: 500 },
    )
  })
})

describe('describeComplex', () => {
  it.each([
    ['[Co(NH3)5Cl]Cl2', 3, 6, 2],
    ['K2[Cu(C2O4)2]·2H2O', 2, 4, -2],
    ['[Ni(en)3]Cl2', 2, 6, 2],
    ['Na2[Zn(Y)]', 2, 6, -2],
    ['Ni(dmg)2', 2, 4, 0],
    ['[Co(NH3)4CO3]NO3', 3, 6, 1],
  ])(
    '%s: oxidation state %i, coordination number %i, charge %i',
    (text, oxidationState, coordinationNumber, charge) => {
      expect(describeComplex(f(text))).toMatchObject([{ oxidationState, coordinationNumber, charge }])
    },
  )
})

describe('a formula with many metals of several charges', () => {
  const ions = (text: string) => {
    const read = parseFormula(text)
    if (!read.ok) throw new Error(text)
    return ionsOf(read.value)
  }
  it('has no charges that can be told, and takes no time to say so', () => {
    expect(ions('VCrMnFeCoNiCuVCrMnFeCoNiCuVCrO21')).toBeUndefined()
    expect(ions(`${'V'.repeat(16)}O40`)).toBeUndefined()
    expect(ions(`${'Cr'.repeat(14)}O21`)).toBeUndefined()
  })
  it('has them where only one set of usual charges fits', () => {
    // Two unlike metals over four oxides, −8: copper 2+ leaves 6 for two of chromium, 3+ each.
    expect(ions('CuCr2O4')?.map(({ text, charge }) => [text, charge])).toEqual([
      ['Cu', 2],
      ['Cr', 3],
      ['O', -2],
    ])
  })
})

describe('electrons', () => {
  const f = (text: string): Formula => {
    const read = parseFormula(text)
    if (!read.ok) throw new Error(text)
    return read.value
  }
  it('are told where one element rises and another falls, and not where an average shifts with its partners', () => {
    expect(changedStates(['Zn', 'HCl'].map(f), ['ZnCl2', 'H2'].map(f))?.map(({ element }) => element)).toEqual([
      'Zn',
      'H',
    ])
    expect(changedStates(['H2O2'].map(f), ['H2O', 'O2'].map(f))?.map(({ element }) => element)).toEqual(['O'])
    expect(changedStates(['CuO', 'CH3COOH'].map(f), ['Cu(CH3COO)2', 'H2O'].map(f))).toEqual([])
  })
})
