import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { propose, shelfOf, stuffOf } from '.'

const ask = (product: string, from: readonly string[], have?: readonly string[]) => {
  const read = parseFormula(product)
  if (!read.ok) throw new Error(product)
  return propose(
    read.value,
    true,
    shelfOf(
      from.map(text => stuffOf(text)!),
      have?.map(text => stuffOf(text)!),
    ),
  )
}
const equationsOf = (product: string, from: readonly string[], have?: readonly string[]): string[] =>
  ask(product, from, have).routes.flatMap(({ stages }) => stages.map(({ equation }) => equation))

// Potentials of the CRC Handbook, texts of inorganic chemistry: as the tables that hold them say (from memory).
describe('what cannot be is not offered, and the reason is said', () => {
  it.each([
    ['CuI2', ['Cu'], 'oxidises its own anion'],
    ['FeI3', ['Fe'], 'oxidises its own anion'],
    ['CoCl3', ['Co'], 'oxidises its own anion'],
    ['PbCl4', ['PbO2'], 'oxidises its own anion'],
    ['Al2(CO3)3', ['Al'], 'cannot be had from water'],
    ['Fe2(CO3)3', ['FeCl3'], 'cannot be had from water'],
    ['AgOH', ['AgNO3'], 'the oxide is what comes'],
    ['[Al(NH3)6]Cl3', ['AlCl3'], 'to hold NH3 in water'],
    ['[Cr(NH3)6]Cl3', ['CrCl3'], 'to hold NH3 in water'],
    ['[Cu(NH3)6]SO4', ['CuSO4'], 'at most 4'],
    ['[Cu(NH3)4](ClO4)2', ['CuO'], 'explode'],
    ['AgN3', ['AgNO3'], 'explode'],
    ['NI3', ['I2'], 'explodes'],
    ['[Ag(NH3)2]NO3', ['AgNO3'], 'explodes when it is touched'],
    ['HCN', ['KCN'], 'not planned as a product'],
    ['Cl2', ['NaCl'], 'not planned as a product'],
    ['CuSO4·2H2O', ['CuO'], 'and not as'],
    ['Au', ['Cu'], 'gives {Au} no element'],
    ['Mg', ['MgSO4'], 'nothing comes out'],
    ['NaOH', ['Na'], 'catches fire'],
    ['BaCO3', ['BaSO4'], 'does not turn into it'],
    ['Na2Mg(SO4)2·4H2O', ['MgSO4'], 'comes before'],
  ] as const)('%s from %s: %s', (product, from, words) => {
    const { routes, why } = ask(product, from)
    expect(routes).toEqual([])
    expect(why).toContain(words)
  })

  it('no hydrogen of copper, silver or mercury; of iron no chloride of its higher state', () => {
    for (const [product, metal] of [
      ['CuCl2·2H2O', 'Cu'],
      ['CuSO4·5H2O', 'Cu'],
      ['AgNO3', 'Ag'],
      ['HgCl2', 'Hg'],
      ['FeCl3·6H2O', 'Fe'],
      ['SnCl4', 'Sn'],
    ] as const)
      // prettier-ignore
      for (const equation of equationsOf(product, [metal]))
        if (equation.split(' → ')[1]!.split(' + ').some(term => term.endsWith('H2') && !/O/.test(term)))
          expect(['FeCl2', 'SnCl2', 'FeSO4'].some(lower => equation.includes(lower)), equation).toBe(true)
  })
  it('no salt of a metal whose acid is kept off by a skin, or by the salt itself', () => {
    expect(equationsOf('Al(NO3)3·9H2O', ['Al']).filter(one => /^\d* ?Al \+ .*HNO3/.test(one))).toEqual([])
    expect(equationsOf('PbSO4', ['Pb']).filter(one => /^\d* ?Pb \+ .*H2SO4/.test(one))).toEqual([])
    expect(equationsOf('CaSO4·2H2O', ['CaCO3']).filter(one => one.startsWith('CaCO3 + H2SO4'))).toEqual([])
    expect(equationsOf('BaSO4', ['BaCO3']).filter(one => one.startsWith('BaCO3 + H2SO4'))).toEqual([])
  })
  it('no chloride of a sulfate without a way to part them', () => {
    for (const equation of equationsOf('CuCl2·2H2O', ['CuSO4']))
      if (equation.startsWith('CuSO4')) expect(equation).toMatch(/BaSO4|CaSO4|PbSO4|CO3|OH|C2O4|Cu$|Cu \+/)
    expect(ask('CuCl2·2H2O', ['CuSO4'], ['NaCl', 'KCl', 'HCl', 'NH4Cl']).routes).toEqual([])
    expect(ask('NiCl2·6H2O', ['NiSO4'], ['HCl']).routes).toEqual([])
  })
  it('no free acid beside ammonia, and no ligand burnt to make an equation balance', () => {
    for (const [product, from] of [
      ['[Cu(NH3)4]SO4·H2O', 'Cu(NO3)2'],
      ['[Ni(en)3]Cl2', 'NiSO4'],
      ['Co(C5H7O2)3', 'Co(CH3COO)2'],
      ['[Co(NH3)4CO3]NO3', 'Co(NO3)2'],
    ] as const)
      // prettier-ignore
      for (const equation of equationsOf(product, [from])) {
        const [left, right] = equation.split(' → ') as [string, string]
        if (/\bNH3|C2H8N2/.test(left)) expect(right).not.toMatch(/(?:^|\+ )(?:\d+ )?(?:HNO3|HCl|H2SO4|CH3COOH)(?: \+|$)/)
        if (left.includes('C5H8O2')) expect(right).not.toMatch(/CO3|CH3COOH.*CO2/)
      }
  })
})

describe('which salt first, and what helps', () => {
  it('saltpetre comes before salt from sodium nitrate and potassium chloride', () =>
    expect(ask('KNO3', ['NaNO3', 'KCl']).routes[0]!.stages[0]).toMatchObject({ first: { is: 'product' } }))
  it('carnallite wants magnesium chloride over its share: mole by mole potassium chloride comes', () => {
    const [route] = ask('KMgCl3·6H2O', ['MgCl2']).routes
    expect(route!.stages[0]).toMatchObject({ mind: expect.stringContaining('equivalents of {MgCl2}') })
    const charge = route!.plan[0]!.reagents.find(({ species }) => species === 'MgCl2')!.charge
    expect(charge).toMatchObject({ equivalents: expect.toSatisfy((n: number) => n > 1) })
  })
  it('where the tables do not tell, the card says so', () => {
    const [route] = ask('K2[Cu(C2O4)2]·2H2O', ['CuSO4']).routes
    expect(route!.stages[0]!.first).toEqual({ is: 'not known' })
    expect(route!.cautions.join(' ')).toContain('which salt comes first')
  })
})

describe('the form that is asked for', () => {
  it('an anhydrous sulfate is heated, an anhydrous chloride that would fall apart under its acid’s gas or its own guard', () => {
    expect(ask('CuSO4', ['CuO']).routes[0]!.stages.at(-1)).toMatchObject({
      equation: 'CuSO4·5H2O → CuSO4 + 5 H2O',
      way: 'heat dry',
    })
    const magnesium = ask('MgCl2', ['MgO']).routes.map(({ stages }) => stages.map(({ why }) => why).join(' '))
    expect(magnesium.some(why => why.includes('stream of that gas'))).toBe(true)
    expect(magnesium.some(why => why.includes('sublimes at the end'))).toBe(true)
  })
  it('a hydrate of a substance that is there is a stage of its own', () => {
    expect(ask('CuSO4·5H2O', ['CuSO4']).routes.map(({ stages }) => stages[0]!.equation)).toEqual([
      'CuSO4 + 5 H2O → CuSO4·5H2O',
    ])
    expect(ask('MgCl2', ['MgCl2']).routes.every(({ needs }) => needs.includes('MgCl2'))).toBe(true)
  })
  it('a lower hydrate that stands in warm water is crystallised there, and not heated', () =>
    expect(ask('NiSO4·6H2O', ['NiCO3']).routes[0]!.stages).toHaveLength(1))
})

describe('the ranking', () => {
  it('puts what the shelf has before what would have to be bought', () => {
    const read = parseFormula('CuSO4·5H2O')
    const product = read.ok ? read.value : undefined!
    const first = (has: readonly string[]) =>
      propose(
        product,
        true,
        shelfOf(
          [stuffOf('Cu')!],
          undefined,
          has.map(text => stuffOf(text)!),
        ),
      ).routes[0]!.needs
    expect(first(['Cu', 'H2SO4', 'H2O2'])).toEqual(['Cu', 'H2O2', 'H2SO4'])
    expect(first(['Cu', 'H2SO4', 'HNO3'])).not.toContain('H2O2')
  })
})
