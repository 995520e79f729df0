import { describe, expect, it } from 'vitest'
import * as fc from 'fast-check'
import { molarMass, parseFormula, type Formula } from '#core/formula'
import { follow, potOfSolutes, readMoves, restOf, saltingOut, type Course, type MovePlan, type PotState } from './index'
import { componentsOf } from './components'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const pot = (water: number, solutes: readonly (readonly [string, number])[], celsius = 20): PotState => {
  const made = potOfSolutes(
    water,
    solutes.map(([form, mass]) => ({ form: f(form), mass })),
    celsius,
  )
  if (!made.ok) throw new Error(made.problem.code)
  return made.value
}
const course = (start: PotState, plans: readonly MovePlan[]): Course => {
  const moves = readMoves(plans)
  if (!moves.ok) throw new Error(moves.problem.problem.code)
  const done = follow(start, moves.value)
  if (!done.ok) throw new Error(done.problem.code)
  return done.value
}
const grams = (list: readonly { form: string; mass: number }[]): number => list.reduce((sum, { mass }) => sum + mass, 0)

describe('a wash of ethanol and water', () => {
  const washed = (wash: Extract<MovePlan, { wash: unknown }>['wash']): Course =>
    course(pot(100, [['K2SO4', 20]], 80), [{ coolTo: '20 °C' }, { filter: {} }, { wash: { ...wash, at: '20 °C' } }])

  it('takes what a salted-out liquor of that strength holds', () => {
    /* 20 mL of water at 20 °C take 11.1 g / 100 g: 2.2 g. Half ethanol by volume: 7.9 g of it in 10 g of water are 44 % by mass, permittivity
       some 54.6 (table); Born: exp(−142.5 · 2 · (1/54.6 − 1/80.4)) = 0.19; 17.9 g · 0.111 · 0.19 = 0.37 g. */
    const before = 20 - 11.1
    const lost = (wash: Extract<MovePlan, { wash: unknown }>['wash']): number => before - washed(wash).crops[0]!.mass
    const half = lost({ with: 'ethanol', strength: '50 %', volume: '20 mL' })
    expect(lost({ with: 'water', volume: '20 mL' })).toBeCloseTo(2.2, 1)
    expect(half).toBeCloseTo(0.37, 1)
    // 10 mL of each are 7.89 g and 9.98 g: 44.15 % by mass.
    expect(lost({ with: 'ethanol', strength: '44.15 % w/w', volume: '20 mL' })).toBeCloseTo(half, 2)
    expect(lost({ with: 'ethanol', volume: '20 mL' })).toBeCloseTo(0, 2)
  })

  it('is an estimate, loses no salt, and is refused where it does not read', () => {
    const done = washed({ with: 'ethanol', strength: '50 %', volume: '20 mL' })
    expect(done.steps[2]!.estimated).toBe(true)
    expect(done.crops[0]!.mass + grams(done.liquor.dissolved) + grams(done.washings)).toBeCloseTo(20, 6)
    expect(readMoves([{ wash: { with: 'ethanol', strength: 'half', volume: '5 mL' } }])).toMatchObject({
      ok: false,
      problem: { path: [0, 'wash', 'strength'] },
    })
  })
})

describe('ethanol throws a salt down', () => {
  it('by as much as on paper', () => {
    /* 10 g K2SO4 in 100 g water at 20 °C (holds 11.1). 50 mL of spirit are 40.37 g: 37.87 g ethanol, 2.50 g water. 37.87 of 140.37 g is
       27.0 % ethanol, permittivity 64.4; Born: exp(−142.5 · 2 · (1/64.4 − 1/80.4)) = 0.414. 11.1 · 0.414 · 1.404 = 6.46 g stay, 3.5 g come. */
    const done = course(pot(100, [['K2SO4', 10]]), [{ addEthanol: '50 mL' }, { filter: {} }])
    expect(done.steps[0]!.ethanol).toBeCloseTo(37.87, 2)
    expect(done.crops[0]!.mass).toBeCloseTo(3.54, 1)
    expect(done.steps[0]!.estimated).toBe(true)
  })

  it('within a factor of two of sodium chloride as published, and four of copper sulfate', () => {
    // Seidell, Solubilities (from memory): NaCl in 40 % ethanol by mass some 14 g per 100 g of solvent, in 60 % some 6; CuSO4 in 40 % 0.25.
    const salt = componentsOf(f('NaCl'))
    for (const [strength, published] of [
      [0.4, 14],
      [0.6, 6.2],
    ] as const) {
      const ratio = (36 * saltingOut(salt, strength)) / published
      expect(ratio).toBeGreaterThan(0.5)
      expect(ratio).toBeLessThan(2)
    }
    const copper = (20 * saltingOut(componentsOf(f('CuSO4')), 0.4)) / 0.25
    expect(copper).toBeGreaterThan(1)
    expect(copper).toBeLessThan(4.2)
  })

  it('is refused where the model or the table ends', () => {
    const refused = (start: PotState, plans: readonly MovePlan[]): unknown => {
      const moves = readMoves(plans)
      return moves.ok && follow(start, moves.value)
    }
    expect(refused(pot(10, [['K2SO4', 1]]), [{ coolTo: '15 °C' }, { addEthanol: '50 mL' }])).toMatchObject({
      problem: { code: 'solubility.spirit-too-strong', step: 1 },
    })
    expect(refused(pot(100, [['CoCl2', 10]]), [{ addEthanol: '50 mL' }])).toMatchObject({
      problem: { code: 'solubility.spirit-dissolves', known: true },
    })
    expect(refused(pot(100, [['K2SO4', 1]]), [{ addEthanol: '50 mL' }, { heatTo: '90 °C' }])).toMatchObject({
      problem: { code: 'moves.boils-ethanol', step: 1 },
    })
    expect(refused(pot(100, [['K2SO4', 1]]), [{ addSolute: { form: 'K2SO', mass: 'lots' } }])).toBe(false)
  })

  it('throws down two salts that share an ion side by side, as an estimate', () => {
    const salts: [string, number][] = [
      ['NaCl', 30],
      ['K2SO4', 8],
    ]
    const [thrown] = course(pot(100, salts), [{ addEthanol: '40 mL' }]).steps
    // On paper: 40 mL of ethanol in 100 g of water leave about a quarter of the sulfate's solubility, and more than half of the chloride's: a sulfate is what comes.
    expect(thrown!.estimated).toBe(true)
    const of = (form: RegExp): number =>
      thrown!.solid.filter(one => form.test(one.form)).reduce((sum, one) => sum + one.mass, 0)
    expect(of(/SO4/)).toBeGreaterThan(1)
    expect(of(/SO4/)).toBeGreaterThan(of(/Cl/))
  })

  it('more of it never brings less down', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 70, noNaN: true }), fc.double({ min: 1, max: 20, noNaN: true }), (a, b) => {
        const crop = (volume: number): number =>
          course(pot(100, [['CuSO4', 15]]), [{ addEthanol: `${volume.toFixed(3)} mL` }]).steps[0]!.solid[0]?.mass ?? 0
        expect(crop(a + b)).toBeGreaterThanOrEqual(crop(a) - 1e-9)
      }),
      { numRuns: 60 },
    )
  })
})

describe('seeds, more salt, time', () => {
  it('counts added salt in what could be had', () => {
    /* 50 g KNO3 and then 40 g in 100 g water, at 10 °C 20.9 stay: 69.1 g of 90. */
    const done = course(pot(100, [['KNO3', 50]], 70), [
      { addSolute: { form: 'KNO3', mass: '40 g' } },
      { coolTo: '10 °C' },
      { hold: '2 h' },
      { filter: {} },
    ])
    expect(done.crops[0]!.mass).toBeCloseTo(69.1, 6)
    expect(done.crops[0]!.recovery).toBeCloseTo(69.1 / 90, 9)
    expect(done.steps[2]).toEqual(done.steps[1])
  })

  it('says whether seeds stand or dissolve', () => {
    const seeded = (water: number) =>
      course(pot(water, [['CuSO4·5H2O', 60]], 20), [{ seed: { form: 'CuSO4·5H2O', mass: '50 mg' } }]).steps[0]!.seeds
    expect(seeded(100)).toBe('stand')
    expect(seeded(400)).toBe('dissolve')
  })
})

describe('a wash that runs through', () => {
  const until = (through: boolean): Course =>
    course(
      pot(
        100,
        [
          ['KNO3', 90],
          ['NaCl', 3],
        ],
        70,
      ),
      [
        { coolTo: '10 °C' },
        { filter: { retained: '30 %' } },
        { wash: { with: 'water', volume: '30 mL', at: '0 °C', ...(through ? { through } : {}) } },
      ],
    )
  it('leaves less of the liquor than the same volume stirred up, costs about as much, and is an estimate', () => {
    const [stirred, through] = [until(false), until(true)]
    const chlorine = ({ cakes }: Course): number => cakes[0]!.rest.dissolved.get('Cl^-')!
    /* 20.7 g of liquor cling: 30 mL at once thin it to 20.7/50.7 = 0.41, five times 6 mL to (20.7/26.7)^5 = 0.28: 0.69 of that. */
    expect(chlorine(through) / chlorine(stirred)).toBeCloseTo(0.69, 1)
    expect(through.crops[0]!.mass / stirred.crops[0]!.mass).toBeCloseTo(1, 1)
    expect(through.steps[2]!.estimated).toBe(true)
  })
  it('loses no salt', () => {
    const done = until(true)
    const all =
      grams(done.crops.map(({ form, mass }) => ({ form, mass }))) / molarMass(f('KNO3')) +
      done.cakes[0]!.rest.dissolved.get('NO3^-')!
    const gone = [done.liquor.dissolved, done.washings].flat().filter(({ form }) => form.endsWith('NO3'))
    const moles = gone.reduce((sum, { form, mass }) => sum + mass / molarMass(f(form)), 0)
    expect(all + moles).toBeCloseTo(90 / molarMass(f('KNO3')), 6)
  })
})

describe('other solvents throw a salt down as well', () => {
  const kept = (is: 'ethanol' | 'methanol' | 'acetone' | 'propan-2-ol', grams: number): number => {
    const rest = restOf({ ...pot(100, [['K2SO4', 11]]), spirit: { is, grams } })
    if (!rest.ok) throw new Error(rest.problem.code)
    return 11 - rest.value.solids.reduce((sum, { mass }) => sum + mass, 0)
  }
  it('acetone and propan-2-ol more than ethanol, methanol less: by the permittivities of the mixtures', () => {
    /* 40 g in 100 g of water are 28.6 %, permittivity of the mixture with acetone 61.9 of 78.5; Born: exp(−142.5 · 2 · (1/61.9 − 1/78.5)) = 0.378: 11.1 · 0.378 · 1.4 = 5.9 g. */
    expect(kept('acetone', 40)).toBeCloseTo(5.9, 0)
    const order = (['methanol', 'ethanol', 'acetone', 'propan-2-ol'] as const).map(is => kept(is, 40))
    expect(order).toEqual([...order].sort((a, b) => b - a))
  })
  it('not where the salt dissolves in it, or no word is known', () => {
    expect(restOf({ ...pot(100, [['CaCl2', 40]]), spirit: { is: 'methanol', grams: 40 } })).toMatchObject({
      problem: { code: 'solubility.spirit-dissolves', known: true, solvent: 'methanol' },
    })
  })
})
