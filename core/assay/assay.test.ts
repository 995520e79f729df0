import { describe, expect, it } from 'vitest'
import { balance, parseEquation, type Reaction } from '#core/equation'
import { parseFormula, type Formula } from '#core/formula'
import { exact, given, parseQuantity, product, standardUncertainty, type Figure, type Kind } from '#core/quantity'
import {
  amountOf,
  analyteShare,
  dixon,
  empiricalFormula,
  explainAssay,
  gravimetricFactor,
  grubbs,
  matched,
  purityAs,
  strengthFrom,
  studentT,
  summarise,
  usedUp,
  watersFromLoss,
} from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const q = (text: string, kind: Kind): Figure => {
  const read = parseQuantity(text, { kinds: [kind], name: text, source: text })
  if (!read.ok) throw new Error(text)
  return read.value
}
const reaction = (text: string): Reaction => {
  const read = parseEquation(text)
  const balanced = read.ok ? balance(read.value) : read
  if (!balanced.ok || !('unique' in balanced.value) || !balanced.value.unique) throw new Error(text)
  return balanced.value.reaction
}

describe('gravimetric factors', () => {
  // Standard textbooks of quantitative analysis (from memory).
  it.each([
    ['SO4', 'BaSO4', 0.4116],
    ['S', 'BaSO4', 0.1374],
    ['Cl', 'AgCl', 0.2474],
    ['Ni', 'Ni(C4H7N2O2)2', 0.2032],
    ['Fe', 'Fe2O3', 0.6994],
    ['Al', 'Al(C9H6NO)3', 0.0587],
    ['Mg', 'Mg2P2O7', 0.2184],
    ['P2O5', 'Mg2P2O7', 0.6378],
    ['CaO', 'CaCO3', 0.5603],
    ['Fe3O4', 'Fe2O3', 0.9666],
  ])('%s in %s is %d', (analyte, weighed, factor) => {
    const found = gravimetricFactor(f(analyte), f(weighed))
    expect(found.ok && Math.abs(found.value.value - factor)).toBeLessThan(1e-4)
  })
  it('gives the percent of the sample, and refuses what is not held', () => {
    /* 0.2561 g of the double salt give 0.1876 g of Ni(dmg)2: 0.1876 × 0.20315 ÷ 0.2561 = 14.88 % Ni (theory 14.86 %). */
    const factor = gravimetricFactor(f('Ni'), f('Ni(C4H7N2O2)2'))
    if (!factor.ok) throw new Error('no')
    expect(analyteShare(factor.value, q('0.1876 g', 'mass'), q('0.2561 g', 'mass')).value).toBeCloseTo(0.1488, 4)
    const none = gravimetricFactor(f('Ni'), f('BaSO4'))
    expect(none.ok ? '' : explainAssay(none.problem).why).toBe('BaSO4 does not hold Ni.')
  })
})

describe('replicates', () => {
  it.each([
    [1, 12.706],
    [2, 4.303],
    [3, 3.182],
    [4, 2.776],
    [10, 2.228],
    [30, 2.042],
  ])('Student’s t, 95 %, %i degrees of freedom: %d (published tables, from memory)', (degrees, t) => {
    expect(Math.abs(studentT(0.95, degrees) - t)).toBeLessThan(0.001)
  })
  it('summarises, and has nothing to say of the spread of one', () => {
    /* 14.80, 14.86, 14.92, 14.82: mean 14.85, s 0.0526, 95 % 3.182 × 0.0526 ÷ 2 = 0.0837. */
    const four = summarise([14.8, 14.86, 14.92, 14.82])
    expect(four.mean).toBeCloseTo(14.85, 9)
    expect(four.standardDeviation).toBeCloseTo(0.05292, 4)
    expect(four.confidence95).toBeCloseTo(0.0842, 3)
    expect(summarise([14.8])).toMatchObject({ mean: 14.8, standardDeviation: undefined, confidence95: undefined })
  })
  it('suspects an outlier by Dixon (Q 0.765 for four at 90 %) and by Grubbs (1.481 for four at 95 %), and drops none', () => {
    expect(dixon([14.8, 14.86, 14.92, 14.82])).toMatchObject({ critical: 0.765, suspected: false })
    expect(dixon([14.85, 14.86, 14.84, 15.9])).toMatchObject({ value: 15.9, suspected: true })
    expect(grubbs([14.85, 14.86, 14.84, 15.9])!.critical).toBeCloseTo(1.481, 3)
    expect(dixon([1, 2])).toBeUndefined()
    expect(dixon([2, 2, 2])).toBeUndefined()
  })
})

describe('hydrate', () => {
  it('finds the waters of copper(II) sulfate', () => {
    /* (1.2510 − 0.7998) ÷ 18.015 = 25.046 mmol; 0.7998 ÷ 159.60 = 5.0113 mmol: 4.998. */
    const found = watersFromLoss(f('CuSO4'), q('1.2510 g', 'mass'), q('0.7998 g', 'mass'))
    if (!found.ok) throw new Error('no')
    expect(found.value.waters.value).toBeCloseTo(4.998, 3)
    expect(found.value).toMatchObject({ nearest: 5, formula: 'CuSO4·5H2O' })
    expect(standardUncertainty(found.value.waters)).toBeLessThan(0.01)
    expect(watersFromLoss(f('CuSO4'), q('0.7 g', 'mass'), q('0.8 g', 'mass'))).toMatchObject({ ok: false })
  })
})

describe('empirical formula', () => {
  it.each([
    [
      [
        ['Mo', '0.640 g'],
        ['O', '0.321 g'],
      ],
      'MoO3',
    ],
    [
      [
        ['Zn', '0.88 g'],
        ['Cl', '1.00 g'],
      ],
      'ZnCl2',
    ],
    [
      [
        ['Fe', '2.233 g'],
        ['O', '0.960 g'],
      ],
      'Fe2O3',
    ],
    [
      [
        ['O', '0.3 g'],
        ['Cu', '2.383 g'],
      ],
      'OCu2',
    ],
  ] as const)('%j is %s', (masses, formula) => {
    const found = empiricalFormula(masses.map(([symbol, mass]) => [symbol, q(mass, 'mass')] as const))
    expect(found.ok && found.value.formula).toBe(formula)
  })
  it('does not force a formula on ratios that have none', () => {
    expect(empiricalFormula([['Mo', exact(1, 'mass')]])).toMatchObject({ problem: { code: 'empirical.too-few' } })
    expect(
      empiricalFormula([
        ['Xx', exact(1, 'mass')],
        ['O', exact(1, 'mass')],
      ]),
    ).toMatchObject({ problem: { code: 'empirical.not-element' } })
  })
})

describe('titration', () => {
  it('agrees with the standardisation of NaOH in Eurachem/CITAC CG 4, example A2 (from memory)', () => {
    /* 0.3888 g of potassium hydrogen phthalate (204.2212 g/mol, u 0.00013 g) in 18.64 mL (u 0.013 mL), purity u 0.00029, repeatability 0.0005: 0.10214 mol/L, u 0.00010. */
    const mass = given(0.3888, 'mass', 'm', { source: 'm', uncertainty: 0.00013 })
    const volume = given(18.64, 'volume', 'V', { source: 'V', uncertainty: 0.013 })
    const salt = f('KHC8H4O4')
    const purity = purityAs(salt, exact(1, 'amount'), exact(1, 'mass'), [salt])
    expect(purity.ok && purity.value[0]!.purity.value).toBeCloseTo(204.22, 1)
    const concentration = mass.value / 204.2212 / (volume.value / 1000)
    expect(concentration).toBeCloseTo(0.10214, 5)
    expect(concentration * Math.hypot(0.00013 / 0.3888, 0.013 / 18.64, 0.0005, 0.00029)).toBeCloseTo(0.0001, 5)
  })
  it('agrees with the acid-base titration of Eurachem/CITAC CG 4, example A3 (from memory): 0.10139 mol/L of HCl', () => {
    /* The same phthalate sets the alkali, 18.64 mL of it; 15 mL of acid take 14.89 mL: 1000 × 0.3888 × 14.89 ÷ (18.64 × 204.22 × 15) = 0.10139.
       Relative uncertainties: m 0.00033, purity 0.00029, volumes 0.00080, 0.00094 and 0.00073, repeatability 0.001: 0.0018 in all. */
    const at = (value: number, kind: Kind, source: string, uncertainty: number) =>
      given(value, kind, source, { source, uncertainty })
    const neutral = reaction('KHC8H4O4 + NaOH -> KNaC8H4O4 + H2O')
    const alkali = strengthFrom(
      neutral,
      {
        standard: f('KHC8H4O4'),
        mass: at(0.3888, 'mass', 'm', 0.00013),
        purity: at(1, 'mass fraction', 'P', 0.00029),
      },
      { titrant: f('NaOH'), volume: at(18.64, 'volume', 'V1', 0.015) },
    )
    if (!alkali.ok) throw new Error('no')
    const used = amountOf({ formula: f('NaOH'), concentration: alkali.value, volume: at(14.89, 'volume', 'V2', 0.014) })
    if (!used.ok) throw new Error('no')
    const acid = matched(reaction('HCl + NaOH -> NaCl + H2O'), f('NaOH'), used.value, f('HCl'))
    if (!acid.ok) throw new Error('no')
    const strength = product('c', 'concentration', [acid.value], [at(15, 'volume', 'V3', 0.011)], 1000)
    expect(strength.value).toBeCloseTo(0.10139, 5)
    expect(Math.hypot(standardUncertainty(strength) / strength.value, 0.001)).toBeCloseTo(0.0018, 4)
  })
  it('tells which hydrate of sodium carbonate fits', () => {
    /* 0.1000 mol/L × 31.15 mL = 3.115 mmol HCl, 1.5575 mmol Na2CO3. As decahydrate 0.44565 g of 0.4510 g: 98.81 %. */
    const acid = amountOf({
      formula: f('HCl'),
      concentration: q('0.1000 mol/L', 'concentration'),
      volume: q('31.20 mL', 'volume'),
      blank: q('0.05 mL', 'volume'),
    })
    if (!acid.ok) throw new Error('no')
    const soda = matched(reaction('Na2CO3 + HCl -> NaCl + H2O + CO2'), f('HCl'), acid.value, f('Na2CO3'))
    if (!soda.ok) throw new Error('no')
    expect(soda.value.value).toBeCloseTo(1.5575e-3, 9)
    const purities = purityAs(f('Na2CO3'), soda.value, q('0.4510 g', 'mass'), [f('Na2CO3·10H2O'), f('Na2CO3·H2O')])
    expect(purities.ok && purities.value.map(({ purity }) => Math.round(purity.value * 10000) / 100)).toEqual([
      98.82, 42.82,
    ])
  })
  it('takes what was left off what was added', () => {
    expect(usedUp(exact(5e-3, 'amount'), exact(2e-3, 'amount'), f('HCl'))).toMatchObject({ value: { value: 3e-3 } })
    expect(usedUp(exact(1e-3, 'amount'), exact(2e-3, 'amount'), f('HCl'))).toMatchObject({
      problem: { code: 'titrate.more-than-added' },
    })
  })
})
