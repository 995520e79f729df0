import { describe, expect, it } from 'vitest'
import { balance, parseEquation } from '#core/equation'
import { contact, dissolvedParts, emptyVessel, formulaOf, netOf, react, standsAs, toldAs, WATER, type Vessel } from '.'

const netFor = (equation: string) => {
  const read = parseEquation(equation)
  const made = read.ok ? balance(read.value) : read
  if (!made.ok || !made.value.unique) throw new Error(equation)
  return netOf(made.value.reaction)
}
const holding = (ions: Record<string, number>, solids: Record<string, number> = {}): Vessel => ({
  ...emptyVessel(25),
  solvents: new Map([[WATER, 100]]),
  ions: new Map(Object.entries(ions)),
  lumps: Object.entries(solids).map(([text, moles]) => ({ form: formulaOf(text), moles, is: 'unreacted' as const })),
})
const ion = (vessel: Vessel, key: string): number => vessel.ions.get(key) ?? 0

describe('how a substance stands in water', () => {
  it.each([
    ['BaSO4', 'solid'],
    ['Cr(OH)3', 'solid'],
    ['Cu', 'solid'],
    ['CuSO4', 'dissolved'],
    ['HCl', 'dissolved'],
    ['NH3', 'dissolved'],
    ['CO2', 'gas'],
  ] as const)('%s: %s', (text, standing) => expect(standsAs(formulaOf(text))).toBe(standing))
  it('takes strong acids apart, keeps weak ones and hydroxo complexes whole', () => {
    const keys = (text: string) => dissolvedParts(formulaOf(text)).map(({ key, count }) => `${count} ${key}`)
    expect(keys('H2SO4')).toEqual(['2 H^+', '1 SO4^2-'])
    expect(keys('CH3COOH')).toEqual(['1 CH3COOH'])
    expect(keys('KAl(OH)4')).toEqual(['1 K^+', '1 [Al(OH)4]^-'])
    expect(keys('K3[Fe(C2O4)3]')).toEqual(['3 K^+', '1 [Fe(C2O4)3]^3-'])
  })
})

describe('what happens at contact', () => {
  it('uses strong acid and base up, and leaves what is over', () => {
    const { vessel } = contact(holding({ 'H^+': 0.03, 'Cl^-': 0.03, 'Na^+': 0.05, 'OH^-': 0.05 }), undefined)
    expect(ion(vessel, 'OH^-')).toBeCloseTo(0.02, 9)
    expect(ion(vessel, 'H^+')).toBe(0)
    expect(vessel.solvents.get(WATER)).toBeCloseTo(100 + 0.03 * 18.015, 4)
  })
  it('drives carbon dioxide out of a carbonate, dissolved or not, and none with acetate', () => {
    for (const vessel of [
      holding({ 'H^+': 0.1, 'Cl^-': 0.1, 'Na^+': 0.1, 'CO3^2-': 0.05 }),
      holding({ 'H^+': 0.1, 'Cl^-': 0.1 }, { CaCO3: 0.05 }),
    ])
      expect(contact(vessel, undefined).gases[0]).toMatchObject({ form: 'CO2', amount: expect.closeTo(0.05, 9) })
    const acetate = contact(holding({ 'Na^+': 0.1, 'CO3^2-': 0.05, 'CH3COO^-': 0.01 }), undefined)
    expect(acetate.gases).toEqual([])
  })
  it('dissolves zinc in acid with its hydrogen, copper not, and neither is told for nitric acid', () => {
    const zinc = contact(holding({ 'H^+': 0.1, 'Cl^-': 0.1 }, { Zn: 0.06, Cu: 0.01 }), undefined)
    expect(zinc.gases).toMatchObject([{ form: 'H2', amount: expect.closeTo(0.05, 9) }])
    expect(zinc.vessel.lumps.map(({ form, moles }) => [form.text, Number(moles.toFixed(6))])).toEqual([
      ['Zn', 0.01],
      ['Cu', 0.01],
    ])
    expect(contact(holding({ 'H^+': 0.1, 'NO3^-': 0.1 }, { Zn: 0.06 }), undefined).gases).toEqual([])
  })
  it('brings a sparing salt down to its product: silver chloride 1.8e-10', () => {
    const { vessel } = contact(holding({ 'Ag^+': 0.01, 'NO3^-': 0.01, 'Na^+': 0.01, 'Cl^-': 0.01 }), undefined)
    expect(vessel.lumps[0]).toMatchObject({ moles: expect.closeTo(0.01, 5), is: 'thrown down' })
    // 0.1 mol/kg of sodium nitrate is left beside it: by Davies log γ = −0.509 (0.240 − 0.030) = −0.107, and the product of molalities is 10^0.21 over that of activities.
    const molality = ion(vessel, 'Ag^+') / 0.1
    expect(Math.log10(molality ** 2)).toBeCloseTo(Math.log10(1.77e-10) + 0.21, 1)
  })
  it('runs a stage’s equation to what limits it, whatever salt brings the ion', () => {
    const net = netFor('CuSO4 + NaOH -> Cu(OH)2 + Na2SO4')
    const met = react(holding({ 'Cu^2+': 0.02, 'Cl^-': 0.04, 'K^+': 0.03, 'OH^-': 0.03 }), net)
    expect(met.extent).toBeCloseTo(0.015, 9)
    expect(met.vessel.lumps[0]!.form.text).toBe('Cu(OH)2')
  })
})

describe('telling what is dissolved', () => {
  it('tells every ion once, the named salts first', () => {
    const told = toldAs(
      new Map([
        ['Cu^2+', 0.02],
        ['SO4^2-', 0.03],
        ['H^+', 0.02],
      ]),
      [formulaOf('CuSO4')],
    )
    expect(told.map(({ form, amount }) => [form, Number(amount.toFixed(9))])).toEqual([
      ['CuSO4', 0.02],
      ['H2SO4', 0.01],
    ])
  })
})

describe('which acid dissolves which sparing solid', () => {
  // What qualitative analysis rests on (texts, from memory): ten millimoles of the solid in thirty of the acid.
  const left = (solid: string, acid: Record<string, number>): number =>
    contact(holding(acid, { [solid]: 0.01 }), undefined).vessel.lumps.find(({ form }) => form.text === solid)?.moles ??
    0
  const [strong, acetic, ammonium] = [{ 'H^+': 0.06, 'Cl^-': 0.06 }, { CH3COOH: 0.06 }, { 'NH4^+': 0.06, 'Cl^-': 0.06 }]
  it.each([
    ['CaCO3', 'goes', 'goes', 'stays'],
    ['Mg(OH)2', 'goes', 'goes', 'goes'],
    ['Fe(OH)3', 'goes', 'stays', 'stays'],
    ['ZnS', 'goes', 'stays', 'stays'],
    ['MnS', 'goes', 'goes', 'stays'],
    ['CuS', 'stays', 'stays', 'stays'],
    ['MgNH4PO4', 'goes', 'goes', 'stays'],
    ['BaSO4', 'stays', 'stays', 'stays'],
  ])('%s: in strong acid %s, in acetic acid %s, in ammonium %s', (solid, inStrong, inAcetic, inAmmonium) => {
    const word = (moles: number): string => (moles > 0.0099 ? 'stays' : 'goes')
    expect([word(left(solid, strong)), word(left(solid, acetic)), word(left(solid, ammonium))]).toEqual([
      inStrong,
      inAcetic,
      inAmmonium,
    ])
  })
})
