import { describe, expect, it } from 'vitest'
import { exact } from '#core/quantity'
import { computeReadPlan, readPlan, type Plan } from '#core/sheet'
import { allDissolved } from '#core/vessel'
import { beforeWinning, plannedAccounts, residuesOf } from '.'
import { Tape } from './tape'

function accountOf(plan: Plan) {
  const read = readPlan(plan)
  const computed = read.ok ? computeReadPlan(read.value) : read
  if (!read.ok || !computed.ok) throw new Error('the plan does not read')
  return {
    account: plannedAccounts(read.value, computed.value, () => undefined).at(-1)!,
    sheet: computed.value.stages.at(-1)!,
  }
}

describe('what stands before the product is won', () => {
  it('holds the product, all the water, and nothing of the carbonate: cobalt chloride', () => {
    /* 37.61 g of water with the acid and 1.08 g made: 38.69 g; 60.0 mmol CoCl2; the carbonate in excess is filtered off. */
    const { account } = accountOf({
      stages: [
        {
          id: 's1',
          equation: 'CoCO3 + HCl -> CoCl2 + H2O + CO2',
          reagents: [
            { species: 'CoCO3', supply: { kind: 'solid', assay: '97 %' }, charge: { mass: '8.40 g' } },
            {
              species: 'HCl',
              supply: { kind: 'solution', concentration: '3.00 mol/L' },
              charge: { volume: '40.0 mL' },
            },
          ],
          product: { species: 'CoCl2', form: 'CoCl2·6H2O' },
        },
      ],
    })
    const before = beforeWinning(account)!
    expect(before.solvents.get('water')).toBeCloseTo(38.69, 1)
    expect(before.ions.get('Co^2+')).toBeCloseTo(0.06, 9)
    expect(before.lumps).toEqual([])
    const cake = account.events.flatMap(({ out }) => out.filter(({ to }) => to === 'cake'))
    expect(cake[0]!.matter[0]).toMatchObject({ form: 'CoCO3' })
  })
})

describe('acid and base in excess: alum from foil', () => {
  const { account, sheet } = accountOf({
    stages: [
      {
        id: 's1',
        equation: 'Al + KOH + H2SO4 -> KAl(SO4)2 + H2O + H2',
        reagents: [
          { species: 'Al', supply: { kind: 'solid' }, charge: { mass: '1.0343 g' } },
          { species: 'KOH', supply: { kind: 'solid', assay: '85 %' }, charge: { mass: '3.60 g' } },
          { species: 'H2SO4', supply: { kind: 'solution', concentration: '6 mol/L' }, charge: { volume: '16 mL' } },
        ],
        product: { species: 'KAl(SO4)2', form: 'KAl(SO4)2·12H2O' },
      },
    ],
  })
  it('has no hydroxide left for the aluminium to meet', () => {
    const before = beforeWinning(account)!
    expect(before.ions.get('OH^-') ?? 0).toBeLessThan(1e-12)
    expect(allDissolved(before).ions.get('Al^3+')).toBeCloseTo(38.33e-3, 4)
  })
  it('treats only what is left of the acid, and its figure hangs on all three bottles', () => {
    /* 38.33 mmol of aluminium take 76.7 of 96.0 mmol of acid and 38.3 of 54.5 of potash: 19.3 × 2 − 16.2 = 22.5 meq: × 84.01 × 1.1 = 2.08 g. */
    const tape = new Tape(account, sheet)
    const { treatments } = residuesOf(tape, undefined)
    expect(treatments.map(({ of }) => of)).toEqual(['H2SO4', 'KAl(SO4)2·12H2O'])
    expect(treatments[0]!.mass.value).toBeCloseTo(2.08, 1)
    const { made } = treatments[0]!.left
    if (made.how !== 'sum') throw new Error('the acid left is no sum')
    // Of the acid left, mol: charged, less 3/2 of the aluminium (its alum and its potash), less half the potash: 96.0 − 3/2 × 38.33 − 54.5 / 2.
    const weights = Object.fromEntries(
      made.terms.map(([weight, { name }]) => [name.replace(/.*\{(.*)\}.*/, '$1'), weight]),
    )
    expect(weights).toEqual({ H2SO4: 1, KOH: -0.5, Al: -1.5 })
  })
})

describe('figures of the tape', () => {
  it('have the value of the fold to a part in a million million, for every ion of a pot', () => {
    const { account, sheet } = accountOf({
      stages: [
        {
          id: 's1',
          equation: 'CuO + H2SO4 -> CuSO4 + H2O',
          reagents: [
            { species: 'CuO', supply: { kind: 'solid' }, charge: { mass: '8.00 g' } },
            {
              species: 'H2SO4',
              supply: { kind: 'solution', concentration: '2.00 mol/L' },
              charge: { volume: '55.0 mL' },
            },
          ],
          product: { species: 'CuSO4', form: 'CuSO4·5H2O' },
        },
      ],
    })
    const tape = new Tape(account, sheet)
    const keys = [...beforeWinning(account)!.ions.keys()]
    expect(keys.length).toBeGreaterThan(2)
    for (const key of keys) {
      const moles = beforeWinning(account)!.ions.get(key)!
      const figure = tape.amount(key, one => beforeWinning(one)?.ions.get(key) ?? 0)
      expect(Math.abs(figure.value - moles)).toBeLessThan(1e-12)
    }
    // What of the copper stays in the liquor a solubility decides: the figure says that it is a model’s.
    const liquor = tape.amount(
      'copper in the liquor',
      one =>
        one.events
          .flatMap(({ out }) => out.filter(({ to }) => to === 'filtrate'))
          .flatMap(({ matter }) => matter)
          .filter(({ form }) => form === 'CuSO4')
          .reduce((sum, { amount }) => sum + amount, 0),
      0.1,
    )
    expect(liquor.value).toBeGreaterThan(0)
    expect(residuesOf(tape, exact(20, 'mass')).treatments.length).toBeGreaterThan(0)
  })
})
