import { expect, it } from 'vitest'
import { molarMass } from '#core/formula'
import { atRest, emptyVessel, formulaOf, portionOf } from '#core/vessel'
import { foldOf } from './fixtures/plans'

const boric = formulaOf('H3BO3')

it('lets a weak acid that stays whole come to rest by its curve', () => {
  const held = {
    ...emptyVessel(20),
    solvents: new Map([['water', 100]]),
    ions: new Map([['H3BO3', 20 / molarMass(boric)]]),
  }
  const { vessel } = atRest(held, [boric], [], boric)
  const crystals = vessel.lumps.map(({ form, moles }) => portionOf(form, moles))
  expect(crystals.map(({ form }) => form)).toEqual(['H3BO3'])
  // CRC Handbook, 4.72 g in 100 g of water at 20 °C (from memory).
  expect(crystals[0]!.mass).toBeCloseTo(20 - 4.72, 1)
})

/*
 * On paper: 20.0 g of borax, Na2B4O7·10H2O (381.4), are 52.4 mmol and give 4 × 52.4 mmol = 210 mmol or 12.97 g of boric acid. In ice at 5 °C, 100 g of water keep 3.0 g, so that about 70 g of liquor keep 2.1 g: near 10.8 g
 * come on the filter. The salt in the liquor moves that by some tenths.
 */
it('gives boric acid from borax as paper has it', () => {
  const { stages } = foldOf({
    id: 's1',
    equation: 'Na2B4O7 + 2 HCl + 5 H2O -> 4 H3BO3 + 2 NaCl',
    product: { species: 'H3BO3' },
    reagents: [
      { species: 'Na2B4O7', supply: { kind: 'solid', formula: 'Na2B4O7·10H2O' }, charge: { mass: '20 g' } },
      { species: 'HCl', supply: { kind: 'solution', concentration: '6 mol/L' }, charge: { volume: '18 mL' } },
      { species: 'H2O', supply: { kind: 'solid' }, charge: { mass: '40 g' } },
    ],
  })
  const { product } = stages[0]!
  expect(product.form).toBe('H3BO3')
  expect(product.mass).toBeGreaterThan(10.2)
  expect(product.mass).toBeLessThan(11.4)
})
