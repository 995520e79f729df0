import { describe, expect, it } from 'vitest'
import { molarMass } from '#core/formula'
import { substances } from '#core/reference'
import { findCurve, saturationAt } from '#core/solution'
import { dryOf, emptyVessel, formulaOf, type Vessel } from '#core/vessel'
import type { Charge } from './charges'
import { outcomeOf, wordsOfEntering, type Entry } from './entering'
import { foldOf } from './fixtures/plans'

const GRAMS = 10
const beaker: Vessel = { ...emptyVessel(25), solvents: new Map([['water', 100]]) }
const charge = (species: string): Charge => {
  const formula = dryOf(formulaOf(species)).dry
  return {
    species,
    formula,
    moles: GRAMS / molarMass(formula),
    solvents: new Map(),
    crystalWater: 0,
    weighed: species,
    comes: 'solid',
    isStrong: false,
  }
}
const first: Entry = {
  name: 'X',
  comes: 'solid',
  isStrong: false,
  isWet: true,
  isFirstSolid: true,
  isEmpty: true,
}
const wordsFor = (species: string): string => {
  const one = charge(species)
  return wordsOfEntering(first, outcomeOf(beaker, one, { named: [one.formula], product: one.formula })).words
}

/** The solids of the table by what it says of them and water, and where it has a curve whether 10 g go into 100 g. */
const solids = substances.filter(({ state }) => state === 'solid')
const goes = (species: string): boolean | undefined => {
  const curve = findCurve(dryOf(formulaOf(species)).dry)?.curve
  const at = curve && saturationAt(curve, 25)
  return at?.ok ? at.value.grams >= GRAMS : undefined
}
describe('10 g of every solid of the table into 100 g of water', () => {
  const what = { soluble: 'Dissolve', slightly: 'Stir in', insoluble: 'Suspend', reacts: 'in small portions' } as const
  it('is dissolved only where it dissolves, and what does not is suspended', () => {
    const wrong = solids.flatMap(({ formula, water }) => {
      const words = wordsFor(formula)
      const isDissolved = words.startsWith('Dissolve')
      const fits =
        goes(formula) === undefined || water === 'reacts'
          ? words.includes(what[water]) || (water === 'slightly' && words.startsWith('Suspend'))
          : isDissolved === goes(formula)
      return fits ? [] : [`${formula}, ${water}: ${words}`]
    })
    expect(wrong).toEqual([])
    expect(solids.length).toBeGreaterThan(300)
  })
  it.each([
    ['ZnO', 'Suspend X, stirring'],
    // Cream of tartar is in no table here: nothing is claimed of it.
    ['KHC4H4O6', 'Add X, a spatula at a time'],
    ['KNO3', 'Dissolve X, stirring'],
    ['KClO4', 'Stir in X'],
    ['H3BO3', 'Stir in X'],
    ['I2', 'Stir in X'],
    ['AlCl3', 'Add X in small portions, stirring: it reacts with water'],
    ['P4O10', 'Add X in small portions, stirring: it reacts with water'],
  ])('%s: %s', (species, words) => expect(wordsFor(species)).toBe(words))
})

const said = (equation: string, product: string, ...reagents: unknown[]): string[] =>
  foldOf({ id: 's1', equation, product: { species: product }, reagents, solvent: '150 mL' } as never)
    .stages[0]!.steps.filter(({ does }) => does && 'charge' in does)
    .map(({ words, until }) => `${words.replace(/[{}]/g, '')}; until ${until}`)
const solid = (species: string, mass: string) => ({ species, supply: { kind: 'solid' }, charge: { mass } })
const liquor = (species: string, concentration: string, volume: string) => ({
  species,
  supply: { kind: 'solution', concentration },
  charge: { volume },
})

describe('steps in the order that can be carried out, as a chemist says them', () => {
  it('throws a salt down with another that was dissolved', () =>
    expect(said('AgNO3 + NaCl -> AgCl + NaNO3', 'AgCl', solid('AgNO3', '5 g'), solid('NaCl', '2 g'))).toEqual([
      'Dissolve AgNO3, stirring; until nothing is left at the bottom',
      'Add NaCl, a spatula at a time; until no more comes down',
    ]))
  it('dissolves the acid first where both are solids, and an oxide into it', () =>
    expect(
      said('ZnO + 2 NH2SO3H -> Zn(NH2SO3)2 + H2O', 'Zn(NH2SO3)2', solid('ZnO', '4 g'), solid('NH2SO3H', '10 g')),
    ).toEqual([
      'Dissolve NH2SO3H, stirring; until nothing is left at the bottom',
      'Add ZnO, a spatula at a time; until it has dissolved',
    ]))
  it('puts dilute acid in first, the oxide into it', () =>
    expect(
      said('MgO + H2SO4 -> MgSO4 + H2O', 'MgSO4', solid('MgO', '4 g'), liquor('H2SO4', '2 mol/L', '60 mL'))[1],
    ).toContain('Dissolve MgO, stirring'))
  it('says nothing of fizzing where the acid that comes stays in the water', () =>
    expect(
      said('BaCl2 + H2SO4 -> BaSO4 + 2 HCl', 'BaSO4', solid('BaCl2', '5 g'), liquor('H2SO4', '1 mol/L', '25 mL'))[1],
    ).toBe('Add BaCl2, a spatula at a time; until no more comes down'))
  it('takes care where there is too little water to hold the acid that comes', () => {
    const { stages } = foldOf({
      id: 's1',
      equation: 'NaCl + H2SO4 -> NaHSO4 + HCl',
      product: { species: 'NaHSO4' },
      reagents: [
        solid('NaCl', '12 g'),
        {
          species: 'H2SO4',
          supply: { kind: 'solution', concentration: '96 % w/w', density: '1.84 g/mL' },
          charge: { volume: '12 mL' },
        },
      ],
    } as never)
    expect(stages[0]!.steps.some(({ words }) => /portions/.test(words))).toBe(true)
  })
  it('lets a carbonate wait for its gas', () =>
    expect(
      said('CaCO3 + 2 HCl -> CaCl2 + CO2 + H2O', 'CaCl2', solid('CaCO3', '10 g'), liquor('HCl', '3 mol/L', '70 mL'))[1],
    ).toContain('portions; until it no longer fizzes'))
})
