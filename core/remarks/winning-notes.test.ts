import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { computeReadPlan, readPlan, type StagePlan } from '#core/sheet'
import { findCurve, potOfSolutes, whichFirst } from '#core/solution'
import type { OperationPlan } from '#core/vessel'
import { forecastOf, plannedAccounts } from '#core/outcome'
import { winningNotes, type WinningSetting } from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const to = (celsius: number): OperationPlan[] => [
  { heatTo: '80 °C' },
  { coolTo: `${celsius} °C` },
  { filter: { retained: '20 %' } },
]
function accountOf(stage: Omit<StagePlan, 'id'>) {
  const read = readPlan({ stages: [{ id: 's1', ...stage }] })
  const sheet = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !sheet.ok) throw new Error('the plan does not read')
  const [account] = plannedAccounts(read.value, sheet.value, () => undefined)
  const { theoretical, form } = sheet.value.stages[0]!.products[0]!
  return { account: account!, most: theoretical.value, form }
}
/** So much potassium nitrate in so much water, made of caustic potash and nitric acid. */
const nitre = (moles: number, water: string, operations: OperationPlan[] = to(10)) =>
  accountOf({
    equation: 'KOH + HNO3 -> KNO3 + H2O',
    reagents: [
      { species: 'KOH', supply: { kind: 'solid' }, charge: { amount: `${moles} mol` } },
      { species: 'HNO3', supply: { kind: 'solution', concentration: '65 % w/w' }, charge: { equivalents: 1 } },
    ],
    product: { species: 'KNO3' },
    solvent: water,
    operations,
  })
const setting = (product: string, more: Partial<WinningSetting>): WinningSetting => ({
  product: f(product),
  curve: findCurve(f(product))?.curve,
  account: undefined,
  most: 0,
  verdict: undefined,
  hotFilter: undefined,
  curves: [],
  ...more,
})
const tags = (from: WinningSetting): string[] => winningNotes(from).map(({ tag }) => tag)
const textOf = (from: WinningSetting, tag: string): string => winningNotes(from).find(note => note.tag === tag)!.text

describe('forecastOf', () => {
  it('is the share that comes down: nitre at 10 °C leaves 21 to 22 g in 100 g of water (CRC, from memory)', () => {
    /* 1 mol of acid at 65 % brings 33.9 g of water, the reaction 18.0, and 60.0 mL are put in: 111.9 g, which hold 23.5 to 24.6 g of 101.1; of that the fifth of its mass
       that the cake keeps, 15.4 g of liquor with 2.7 g of it, dries into the crop: 0.78 to 0.80. */
    const { account, most } = nitre(1, '60.0 mL')
    const forecast = forecastOf(account, f('KNO3'), most)!
    expect(forecast.recovery).toBeGreaterThan(0.78)
    expect(forecast.recovery).toBeLessThan(0.8)
    expect(forecast.inLiquor + forecast.recovery * most).toBeGreaterThan(0.93 * most)
  })
  it('counts a hydrate as its salt', () => {
    const { account, most } = accountOf({
      equation: 'ZnO + H2SO4 -> ZnSO4 + H2O',
      reagents: [
        { species: 'ZnO', supply: { kind: 'solid' }, charge: { mass: '8.14 g' } },
        { species: 'H2SO4', supply: { kind: 'solution', concentration: '5 mol/L' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'ZnSO4', form: 'ZnSO4·7H2O' },
      operations: to(5),
    })
    const [asHydrate, asSalt] = ['ZnSO4·7H2O', 'ZnSO4'].map(form => forecastOf(account, f(form), most)!)
    expect(asHydrate!.recovery).toBeGreaterThan(0.3)
    expect(asSalt!.recovery * 287.6).toBeCloseTo(asHydrate!.recovery * 161.5, 0)
  })
})

describe('winningNotes', () => {
  it('a good crop needs no more than its source', () => {
    expect(tags(setting('KNO3', nitre(1, '60.0 mL')))).toEqual(['Source'])
  })
  it('a thin liquor gives no crop, and the way out is told', () => {
    const from = setting('KNO3', nitre(0.05, '100 mL'))
    expect(tags(from)).toEqual(['No crop', 'Source'])
    expect(textOf(from, 'No crop')).toContain('boil it down')
  })
  it('a low crop says what stays: 40.4 g of nitre in about 118 g of water at 10 °C', () => {
    const from = setting('KNO3', nitre(0.4, '97 mL'))
    expect(tags(from)).toContain('Low crop')
    expect(Number.parseFloat(textOf(from, 'Low crop'))).toBeGreaterThan(20)
    expect(Number.parseFloat(textOf(from, 'Low crop'))).toBeLessThan(27)
  })
  it('what the liquor keeps of a precipitate is told once: 1.3 g of lithium carbonate in 100 g of water, and more among salt', () => {
    const from = setting(
      'Li2CO3',
      accountOf({
        equation: 'LiCl + Na2CO3 -> Li2CO3 + NaCl',
        reagents: [
          { species: 'LiCl', supply: { kind: 'solid' }, charge: { mass: '3.00 g' } },
          { species: 'Na2CO3', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
        ],
        product: { species: 'Li2CO3' },
        solvent: '100 mL',
      }),
    )
    expect(tags(from)).toContain('In the liquor')
    expect(tags(from)).not.toContain('Low crop')
    const [grams] = /[\d.]+/.exec(textOf(from, 'In the liquor')) ?? []
    expect(Number(grams)).toBeGreaterThan(1.3)
    expect(Number(grams)).toBeLessThan(1.9)
  })
  it('another salt in the crop is a mixed crop, and salts that share an ion are an estimate', () => {
    const from = setting(
      'KCl',
      accountOf({
        equation: 'KNO3 + NaCl -> KCl + NaNO3',
        reagents: [
          { species: 'KNO3', supply: { kind: 'solid' }, charge: { mass: '60 g' } },
          { species: 'NaCl', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
        ],
        product: { species: 'KCl' },
        solvent: '60 mL',
        operations: to(5),
      }),
    )
    expect(tags(from)).toEqual(expect.arrayContaining(['Mixed crop', 'Estimate']))
    expect(textOf(from, 'Mixed crop')).toContain('NaCl')
  })
  it('the wrong salt first stands above everything else', () => {
    const verdict = {
      wanted: 'never' as const,
      order: [{ form: 'NaCl', salt: 'NaCl', celsius: 61.2, mass: 3 }],
      instead: 'NaCl',
      notKnown: [],
      exchanges: [{ kind: 'cation' as const, words: 'Take {KOH} in place of {NaOH}.' }],
    }
    const [first] = winningNotes(setting('KCl', { verdict }))
    expect(first).toEqual({
      tone: 'hazard',
      tag: 'Not the one you want',
      text: '{NaCl} comes down first, from 61 °C. Take {KOH} in place of {NaOH}.',
    })
  })
  it('a filter is warned of where the liquor crystallises warm, not where it does so in the hand', () => {
    expect(tags(setting('KNO3', { hotFilter: 58 }))).toContain('Hot filter')
    expect(tags(setting('KNO3', { hotFilter: 30 }))).not.toContain('Hot filter')
  })
  it('what has no curve is named', () => {
    const from = setting(
      'KNO3',
      accountOf({
        equation: 'KOH + HNO3 -> KNO3 + H2O',
        reagents: [
          { species: 'KOH', supply: { kind: 'solid' }, charge: { amount: '0.5 mol' } },
          { species: 'HNO3', supply: { kind: 'solution', concentration: '65 % w/w' }, charge: { equivalents: 1.2 } },
        ],
        product: { species: 'KNO3' },
        solvent: '40 mL',
      }),
    )
    expect(textOf(from, 'No curve')).toContain('{HNO3}')
  })
  it('a sparingly soluble salt gives the source of its product; an unknown one gives nothing', () => {
    expect(textOf(setting('BaSO4', {}), 'Source')).toContain('Solubility product')
    expect(winningNotes(setting('K2[Ni(C2O4)2]', {}))).toEqual([])
  })
  it('says what supersaturates, and where to seed it: 3 K below its point; and what must not be boiled', () => {
    expect(textOf(setting('Na2S2O3·5H2O', { hotFilter: 41 }), 'Supersaturates')).toContain('at about 38 °C')
    const alum = textOf(setting('KCr(SO4)2·12H2O', { hotFilter: 41 }), 'Not too hot')
    expect(alum).toContain('50 °C')
    expect(alum).not.toContain('Seed')
    expect(tags(setting('KNO3', { hotFilter: 41 }))).not.toContain('Supersaturates')
  })
  it('names what may come although no solubility is known, and why the model is less sure', () => {
    /* Copper and ammonium chlorides, hot, then 5 °C: the double chloride is known by name. */
    const pot = potOfSolutes(40, [{ form: f('CuCl2'), mass: 20 }, { form: f('NH4Cl'), mass: 16 }], 5) // prettier-ignore
    if (!pot.ok) throw new Error(pot.problem.code)
    const verdict = whichFirst(pot.value, f('CuCl2·2H2O'), 80, 5)
    expect(verdict.notKnown).toContain('(NH4)2CuCl4·2H2O')
    const from = setting('CuCl2·2H2O', { verdict, account: nitre(1, '60 mL').account })
    expect(textOf(from, 'May come too')).toContain('{(NH4)2CuCl4·2H2O}')
  })
  it('says where a liquor is beyond the model, and whose parameters stand in', () => {
    const verdict = {
      wanted: 'first' as const,
      order: [],
      exchanges: [],
      notKnown: [],
      doubts: { isBeyond: true, borrowed: ['Cu^2+ SCN^-'] },
    }
    const from = setting('KNO3', { verdict, account: nitre(1, '60 mL').account })
    expect(textOf(from, 'A guess')).toContain('stronger')
    expect(textOf(from, 'Parameters of a relative')).toContain('{Cu^2+} with {SCN^-}')
  })
  it('why the tables have no curve stands where the product is not known', () => {
    const unknown = accountOf({
      equation: 'CrCl3 + K2C2O4 -> K3[Cr(C2O4)3] + KCl',
      reagents: [
        { species: 'CrCl3', supply: { kind: 'solid' }, charge: { mass: '5 g' } },
        { species: 'K2C2O4', supply: { kind: 'solid' }, charge: { equivalents: 1 } },
      ],
      product: { species: 'K3[Cr(C2O4)3]', form: 'K3[Cr(C2O4)3]·3H2O' },
      solvent: '60 mL',
    })
    expect(textOf(setting('K3[Cr(C2O4)3]·3H2O', unknown), 'Not known')).toContain('precipitated with alcohol')
  })
})
