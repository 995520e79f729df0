import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { elements, substances } from '#core/reference'
import { explainFormula, findElement, hill, molarMass, parseFormula, parseUnweighed, type Formula } from '.'

const read = (text: string): Formula => {
  const parsed = parseFormula(text)
  if (!parsed.ok) throw new Error(`${text}: ${parsed.problem.code}`)
  return parsed.value
}
const problemOf = (text: string) => {
  const parsed = parseFormula(text)
  return parsed.ok ? undefined : parsed.problem
}

describe('parseFormula', () => {
  // Molar masses worked out by hand from the atomic weights of IUPAC 2021, to 0.001 g/mol.
  it.each([
    ['CuSO4.5H2O', 'CuSO4·5H2O', 249.677],
    ['CuSO4*5H2O', 'CuSO4·5H2O', 249.677],
    ['CuSO4·5H2O', 'CuSO4·5H2O', 249.677],
    [' CuSO4 . 5 H2O ', 'CuSO4·5H2O', 249.677],
    ['CuSO₄·5H₂O', 'CuSO4·5H2O', 249.677],
    ['K2SO4·Al2(SO4)3·24H2O', 'K2SO4·Al2(SO4)3·24H2O', 948.744],
    ['[Co(NH3)5Cl]Cl2', '[Co(NH3)5Cl]Cl2', 250.438],
    ['K4[Fe(CN)6]·3H2O', 'K4[Fe(CN)6]·3H2O', 422.391],
    ['CaSO4.0.5H2O', 'CaSO4·0.5H2O', 145.142],
    ['CaSO4.1/2H2O', 'CaSO4·0.5H2O', 145.142],
    ['CaSO4·½H2O', 'CaSO4·0.5H2O', 145.142],
    ['CaSO4·.5H2O', 'CaSO4·0.5H2O', 145.142],
    ['Fe0.95O', 'Fe0.95O', 69.052],
    ['Cu1S1O4', 'CuSO4', 159.602],
    ['Co', 'Co', 58.933],
    ['CO', 'CO', 28.01],
    ['CO(NH2)2', 'CO(NH2)2', 60.056],
  ])('reads %j', (text, canonical, mass) => {
    expect(read(text).text).toBe(canonical)
    expect(molarMass(read(text))).toBeCloseTo(mass, 3)
  })

  it.each([
    ['MnO4-', 'MnO4^-', -1],
    ['MnO4^-', 'MnO4^-', -1],
    ['NH4+', 'NH4^+', 1],
    ['SO4^2-', 'SO4^2-', -2],
    ['SO4 2-', 'SO4^2-', -2],
    ['SO4²⁻', 'SO4^2-', -2],
    ['SO4^{2−}', 'SO4^2-', -2],
    ['[Fe(C2O4)3]3-', '[Fe(C2O4)3]^3-', -3],
    ['Fe2+', 'Fe^2+', 2],
    ['Cu++', 'Cu^2+', 2],
    ['Hg2^2+', 'Hg2^2+', 2],
    ['Cl -', 'Cl^-', -1],
  ])('reads the charge of %j', (text, canonical, charge) => {
    expect(read(text)).toMatchObject({ text: canonical, charge })
  })

  it.each([
    ['', 'formula.empty', [0, 0]],
    ['Xx2', 'formula.unknown-element', [0, 2]],
    ['CuSO4.xH2O', 'formula.unknown-element', [6, 7]],
    ['NACL', 'formula.unknown-element', [1, 2]],
    ['e-', 'formula.unknown-element', [0, 1]],
    ['COSO4', 'formula.doubtful-case', [0, 2]],
    ['COCl2', 'formula.doubtful-case', [0, 2]],
    ['SNO2', 'formula.doubtful-case', [0, 2]],
    ['SO42-', 'formula.ambiguous-charge', [2, 5]],
    ['(NH4)2+', 'formula.ambiguous-charge', [5, 7]],
    ['I3-', 'formula.ambiguous-charge', [1, 3]],
    ['VO2+', 'formula.ambiguous-charge', [2, 4]],
    ['SO4^', 'formula.bad-charge', [3, 4]],
    ['SO4^0', 'formula.bad-charge', [3, 5]],
    ['2CaSO4', 'formula.leading-number', [0, 1]],
    ['3CdSO4.8H2O', 'formula.leading-number', [0, 1]],
    ['CuSO4.', 'formula.empty-part', [5, 6]],
    ['H20', 'formula.zero-for-oxygen', [0, 3]],
    ['CuSO4·5H20', 'formula.zero-for-oxygen', [7, 10]],
    ['CuSO4..5H2O', 'formula.empty-part', [5, 6]],
    ['CuSO4.5', 'formula.number-alone', [6, 7]],
    ['CuSO4 .5H2O', 'formula.ambiguous-dot', [6, 7]],
    ['La1.85Sr0.15CuO4', 'formula.ambiguous-dot', [3, 4]],
    ['CuSO4 5H2O', 'formula.space', [5, 6]],
    ['H02', 'formula.bad-count', [1, 3]],
    ['H0', 'formula.bad-count', [1, 2]],
    ['H99999999', 'formula.bad-count', [1, 9]],
    ['Cu(OH', 'formula.unclosed-bracket', [2, 3]],
    ['Cu)OH', 'formula.unopened-bracket', [2, 3]],
    ['Cu(SO4]', 'formula.wrong-bracket', [6, 7]],
    ['Cu()', 'formula.empty-bracket', [2, 4]],
    ['Cu?', 'formula.unexpected', [2, 3]],
    ['Tc2O7', 'formula.no-standard-weight', [0, 2]],
  ])('points at what is wrong in %j', (text, code, span) => {
    const problem = problemOf(text)
    expect(problem).toMatchObject({ code, span })
    expect(explainFormula(problem!).why).not.toBe('')
    expect(explainFormula(problem!).fix).not.toBe('')
  })

  it('suggests both readings where the capitals are in doubt', () => {
    expect(explainFormula(problemOf('coso4')!).fix).toContain('CoSO4 or COSO4?')
    expect(explainFormula(problemOf('COSO4')!).why).toContain('CoSO4 or COSO4?')
    expect(explainFormula(problemOf('SO42-')!).fix).toBe('Write SO4^2- or SO42^-.')
  })

  it('answers a paste that is too long or too deep at once', () => {
    expect(problemOf('H'.repeat(100_000))).toMatchObject({ code: 'formula.too-long' })
    expect(problemOf('('.repeat(10_000) + 'H' + ')'.repeat(10_000))).toMatchObject({ code: 'formula.too-long' })
    expect(problemOf(`${'('.repeat(40)}H${')'.repeat(40)}`)).toMatchObject({ code: 'formula.too-deep' })
  })

  it('gives every element with a standard weight, and refuses the others', () => {
    expect(elements).toHaveLength(118)
    for (const element of elements) {
      const parsed = parseFormula(element.symbol)
      if ('weight' in element) expect(parsed).toMatchObject({ ok: true })
      else expect(parsed).toMatchObject({ ok: false, problem: { code: 'formula.no-standard-weight' } })
      expect(parseUnweighed(element.symbol).ok).toBe(true)
    }
  })
})

describe('laws', () => {
  const symbol = fc.constantFrom(...elements.filter(element => 'weight' in element).map(element => element.symbol))
  const group = fc
    .array(fc.tuple(symbol, fc.integer({ min: 1, max: 24 })), { minLength: 1, maxLength: 4 })
    .map(atoms => atoms.map(([one, n]) => `${one}${n}`).join(''))
  const formula = fc
    .tuple(
      group,
      fc.option(fc.tuple(group, fc.integer({ min: 2, max: 9 }))),
      fc.option(fc.constantFrom('5H2O', '0.5H2O', '2H2O', '1/3H2O')),
      fc.integer({ min: -4, max: 4 }),
    )
    .map(
      ([first, bracket, added, charge]) =>
        `[${first}]${bracket ? `(${bracket[0]})${bracket[1]}` : ''}${added ? `·${added}` : ''}${charge === 0 ? '' : `^${Math.abs(charge)}${charge < 0 ? '-' : '+'}`}`,
    )

  it('reading what it printed gives the same formula', () => {
    fc.assert(
      fc.property(formula, text => {
        const first = read(text)
        const second = read(first.text)
        expect(second.text).toBe(first.text)
        expect([...second.composition]).toEqual([...first.composition])
        expect(second.charge).toBe(first.charge)
      }),
    )
  })

  it('the parts of a mass add up to it', () => {
    fc.assert(
      fc.property(formula, text => {
        const { composition } = read(text)
        const sum = [...composition].reduce((total, [one, count]) => total + count * findElement(one)!.weight!, 0)
        expect(molarMass(read(text))).toBeCloseTo(sum, 8)
      }),
    )
  })

  it('any text ends in a formula or a problem inside the text', () => {
    const characters = fc.constantFrom(...'HOCuSNae0123456789.·*()[]^+- ₂²½/'.split(''))
    const texts = fc.oneof(
      fc.string({ maxLength: 30 }),
      fc.array(characters, { maxLength: 20 }).map(all => all.join('')),
    )
    fc.assert(
      fc.property(texts, text => {
        const parsed = parseFormula(text)
        if (parsed.ok) {
          expect(read(parsed.value.text).text).toBe(parsed.value.text)
          return
        }
        const [start, end] = parsed.problem.span
        expect(start).toBeGreaterThanOrEqual(0)
        expect(end).toBeLessThanOrEqual(Math.max(text.length, start))
        expect(explainFormula(parsed.problem).why.length).toBeGreaterThan(3)
      }),
      { numRuns: 2000 },
    )
  })
})

describe('hill', () => {
  // Order of E. A. Hill (1900): carbon, hydrogen, then the alphabet; the alphabet alone without carbon.
  it.each([
    ['CuSO4.5H2O', 'CuH10O9S'],
    ['K3[Fe(C2O4)3]', 'C6FeK3O12'],
    ['CH3COOH', 'C2H4O2'],
    ['NaHCO3', 'CHNaO3'],
  ])('orders %s', (text, expected) => {
    expect(hill(read(text).composition)).toBe(expected)
  })
})

describe('the substance table', () => {
  it('reads every formula, names each once, and gives every solid a colour', () => {
    expect(substances.length).toBeGreaterThan(90)
    const names = new Set<string>()
    for (const row of substances) {
      expect(parseFormula(row.formula), row.formula).toMatchObject({ ok: true })
      expect(row.name).not.toBe('')
      names.add(row.name)
      if (row.state === 'solid' && row.formula !== 'H3PO4') expect('forms' in row, row.formula).toBe(true)
    }
    expect(names.size).toBe(substances.length)
  })
})
