import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { given, parseQuantity } from '#core/quantity'
import { densityTables } from '#core/reference'
import { findDensityTable, strengthOf } from '#core/supply'
import { dilute, explainDilution, type DilutionPlan } from '.'

const formula = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const fraction = (percent: number) => given(percent / 100, 'mass fraction', '', { source: 's', uncertainty: 0 })
const made = (plan: DilutionPlan) => {
  const answer = dilute(plan)
  if (!answer.ok) throw new Error(answer.problem.problem.code)
  return answer.value
}

describe('the density tables', () => {
  // CRC Handbook, tables of commercial acids and bases, from memory; ± 1.5 %.
  it.each([
    ['HCl', 37, 12.1],
    ['HNO3', 70, 15.8],
    ['H2SO4', 96, 18.0],
    ['H3PO4', 85, 14.8],
    ['CH3COOH', 99.8, 17.4],
    ['NH3', 28, 14.8],
    ['NaOH', 50, 19.1],
    ['H2O2', 30, 9.8],
  ])('%s of %d %% is %d mol/L', (reagent, percent, molarity) => {
    const strength = strengthOf(formula(reagent), fraction(percent))
    expect(Math.abs(strength.molarity!.value / molarity - 1)).toBeLessThanOrEqual(0.015)
  })

  it('rise in strength, have rows, and name their source', () => {
    expect(densityTables.length).toBeGreaterThan(8)
    for (const table of densityTables) {
      expect(table.source).not.toBe('')
      expect(table.rows.length).toBeGreaterThan(9)
      for (let i = 1; i < table.rows.length; i++) {
        const [low, below] = table.rows[i - 1]!
        const [high, above] = table.rows[i]!
        expect(high).toBeGreaterThan(low)
        expect(high * above, `${table.reagent} ${high} %`).toBeGreaterThan(low * below)
        expect(Math.abs(above - below)).toBeLessThan(0.07)
      }
    }
  })

  it('give back the concentration they were asked for', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...densityTables),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (table, share) => {
          const solute = formula(table.reagent)
          const percent = table.rows.at(-1)![0] * share
          const strength = strengthOf(solute, fraction(percent))
          const back = strengthOf(
            solute,
            given(strength.molarity!.value, 'concentration', '', { source: 's', uncertainty: 0 }),
          )
          expect(back.massFraction!.value * 100).toBeCloseTo(percent, 6)
        },
      ),
    )
  })

  it('know nothing beyond their ends', () => {
    expect(strengthOf(formula('NH3'), fraction(45)).density).toBeUndefined()
    expect(findDensityTable(formula('CuSO4'))).toBeUndefined()
    const strong = parseQuantity('25 mol/L', { kinds: ['concentration'], name: '', source: '' })
    expect(strong.ok && strengthOf(formula('HCl'), strong.value).density).toBeUndefined()
  })
})

describe('dilute', () => {
  /*
   * 250 mL of 2 mol/L H2SO4: 0.500 mol × 98.072 g/mol = 49.036 g of acid, 50.04 g of 98 % stock; ÷ 1.8361 g/mL = 27.25 mL.
   * 2 mol/L is 17.5 % at 1.1207 g/mL (Perry, from memory), so 280.2 g in all and 230.1 g of water.
   */
  it('weighs stock and water by mass balance', () => {
    const { takeMass, takeVolume, water, order } = made({
      from: { reagent: 'H2SO4', concentration: '98 % w/w' },
      to: { concentration: '2 mol/L', volume: '250 mL' },
    })
    expect(takeMass.value).toBeCloseTo(50.04, 2)
    expect(takeVolume!.value).toBeCloseTo(27.25, 2)
    expect(water.value).toBeCloseTo(230.1, 0)
    expect(order).toContain('Acid into water')
  })

  it('needs no density for percentages and a mass', () => {
    // 200 g of 5 % from 20 %: 50 g of stock and 150 g of water.
    const { takeMass, takeVolume, water } = made({
      from: { reagent: 'CuSO4', concentration: '20 %' },
      to: { concentration: '5 %', mass: '200 g' },
    })
    expect(takeMass.value).toBeCloseTo(50, 10)
    expect(water.value).toBeCloseTo(150, 10)
    expect(takeVolume).toBeUndefined()
  })

  it.each([
    [
      { from: { reagent: 'HCl', concentration: '10 %' }, to: { concentration: '20 %', mass: '10 g' } },
      'dilute.stronger-than-stock',
      'to.concentration',
    ],
    [
      { from: { reagent: 'CuSO4', concentration: '1 mol/L' }, to: { concentration: '5 %', mass: '10 g' } },
      'dilute.no-density',
      'from.density',
    ],
    [
      { from: { reagent: 'CuSO4', concentration: '10 %' }, to: { concentration: '5 %', volume: '10 mL' } },
      'dilute.no-density',
      'to.density',
    ],
    [{ from: { reagent: 'HCl', concentration: '37 %' }, to: { concentration: '5 %' } }, 'dilute.volume-or-mass', 'to'],
    [
      { from: { reagent: 'HCl', concentration: '37 %' }, to: { concentration: '5 %', mass: '1 g', volume: '1 mL' } },
      'dilute.volume-or-mass',
      'to',
    ],
    [
      { from: { reagent: 'Hx', concentration: '37 %' }, to: { concentration: '5 %', mass: '1 g' } },
      'formula.unknown-element',
      'from.reagent',
    ],
    [
      { from: { reagent: 'HCl', concentration: '37 g' }, to: { concentration: '5 %', mass: '1 g' } },
      'quantity.wrong-kind',
      'from.concentration',
    ],
  ] as [DilutionPlan, string, string][])('refuses %j', (plan, code, path) => {
    const answer = dilute(plan)
    if (answer.ok) throw new Error('it diluted')
    expect(answer.problem.problem.code).toBe(code)
    expect(answer.problem.path.join('.')).toBe(path)
    if (answer.problem.problem.code.startsWith('dilute.'))
      expect(explainDilution(answer.problem.problem as never).fix).not.toBe('')
  })

  it('conserves the solute', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 36 }), fc.integer({ min: 10, max: 900 }), (percent, grams) => {
        const { takeMass, water } = made({
          from: { reagent: 'HCl', concentration: '37 %' },
          to: { concentration: `${percent} %`, mass: `${grams} g` },
        })
        expect(takeMass.value * 0.37).toBeCloseTo((grams * percent) / 100, 8)
        expect(takeMass.value + water.value).toBeCloseTo(grams, 8)
      }),
    )
  })
})
