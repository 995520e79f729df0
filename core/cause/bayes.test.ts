import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import type { Cause, Effect, Sized } from './cause'
import { beliefWords } from './belief'
import { together } from './effect'
import { reaches } from './explain-yield'
import { likelihood, standsFor, unknownLikelihood, type Readings } from './likelihood'
import { massWith, moved, rank, strengthOf } from './rank'
import { about, anywhere, mixed, only, rather } from './sizes'

const formula = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const zinc = formula('ZnSO4·7H2O')
/** 10 g possible, 80 ± 6 % usual; the density of a share at its mean is 1/(0.06 √(2π)) = 6.649. */
const PEAK = 1 / (0.06 * Math.sqrt(2 * Math.PI))
const readings = (actual: number, more: Partial<Readings> = {}): Readings => ({
  product: zinc,
  theoretical: 10,
  actual,
  spread: 0.001,
  usual: [{ mean: 0.8, spread: 0.06, weight: 1 }],
  back: [],
  assays: [],
  ...more,
})

describe('likelihood', () => {
  it('is the density of the mass that a usual run gives', () => {
    // A share that cannot pass 1 keeps 0.9996 of its curve: 1 is 3.33 standard uncertainties up.
    expect(likelihood({}, readings(8))).toBeCloseTo(PEAK / 10, 3)
    // One standard uncertainty off: e^(−1/2).
    expect(likelihood({}, readings(8.6)) / likelihood({}, readings(8))).toBeCloseTo(Math.exp(-0.5), 4)
    expect(likelihood({}, readings(10.3))).toBeLessThan(1e-4)
  })
  it.each<[string, Effect, number, number]>([
    ['half made', { made: 0.5 }, 4, 2],
    ['half kept', { kept: 0.5 }, 4, 2],
    ['a form that weighs half', { factor: 0.5 }, 4, 2],
    ['two grams beside it', { add: 2 }, 10, 1],
    ['a vessel of two grams', { offset: 2 }, 10, 1],
    ['a reading twice as large', { misread: 2 }, 16, 0.5],
    ['its own share won', { won: { mean: 0.5, spread: 0.06 } }, 5, 1],
  ])('%s: as dense where it puts the mass', (_, effect, mass, dense) =>
    expect(likelihood(effect, readings(mass)) / (PEAK / 10)).toBeCloseTo(dense, 2),
  )
  it('is nothing for masses that cannot be', () => {
    expect(likelihood({ add: 3 }, readings(2))).toBe(0)
    expect(likelihood({ made: 0 }, readings(2))).toBe(0)
    expect(likelihood({ offset: 3 }, readings(2))).toBe(0)
  })
  it('takes several opinions of a usual run by their weights', () => {
    const two = readings(9, {
      usual: [
        { mean: 0.6, spread: 0.06, weight: 0.5 },
        { mean: 0.9, spread: 0.06, weight: 0.5 },
      ],
    })
    // Half of a curve whose top is cut at 1, 1.67 standard uncertainties up: 95.2 % of it stays.
    expect(likelihood({}, two)).toBeCloseTo((0.5 * PEAK) / 10 / 0.952, 2)
  })
  it('knows nothing of the unknown: anything to half as much again', () =>
    expect(unknownLikelihood(readings(8))).toBeCloseTo(1 / 15, 9))

  const back = { species: 'Zn', found: 0.2, charged: 1.2, consumed: 1, limits: false, spread: 0.001 }
  it('asks what came back of an excess, and leaves one in ten to a fault of its own', () => {
    const at = (found: number, effect: Effect = {}) => likelihood(effect, readings(8, { back: [{ ...back, found }] }))
    const right = at(0.2)
    // The spread: 0.02 of 1.2 charged and 0.05 of the 0.2 that should be there, 0.026 in all.
    expect(at(0.226) / right).toBeCloseTo(Math.exp(-0.5), 1)
    expect(at(1.0) / right).toBeCloseTo(0.1 / (0.9 * (1.44 / (0.026 * Math.sqrt(2 * Math.PI))) + 0.1), 3)
    // A fifth less made leaves a fifth more of it; what a side reaction ate is taken off.
    expect(at(0.4, { made: 0.8, won: { mean: 1, spread: 0.06 } })).toBeGreaterThan(
      5 * at(0.2, { made: 0.8, won: { mean: 1, spread: 0.06 } }),
    )
    expect(at(0.05, { back: { Zn: -0.15 } })).toBeGreaterThan(5 * at(0.05))
  })
  it('asks what came back of the reagent that limits', () => {
    const limits = { ...back, limits: true, charged: 1, consumed: 1, found: 0.3 }
    const half = readings(5.6, { back: [limits] })
    expect(likelihood({ made: 0.7 }, half)).toBeGreaterThan(10 * likelihood({ kept: 0.7 }, half))
  })

  it('asks an assay of the crop, and leaves one in twenty to a fault of its own', () => {
    const at = (purity: number, effect: Effect, mass = 8) =>
      likelihood(effect, readings(mass, { assays: [{ purity, spread: 0.01, of: 'Zn' }] }))
    const pure = at(1, {})
    // Half of its 95 % and 0.006 of any assay: 0.0078.
    expect(at(1.0078, {}) / pure).toBeCloseTo(Math.exp(-0.5), 1)
    expect(at(0.5, {}) / pure).toBeCloseTo(0.05 / (0.95 * (1.3 / (0.0078 * Math.sqrt(2 * Math.PI))) + 0.05), 3)
    // Two grams of water on eight: 80 % of it is the product.
    expect(at(0.8, { add: 2, added: { H2O: 2 } }, 10)).toBeGreaterThan(10 * at(1, { add: 2, added: { H2O: 2 } }, 10))
    // As the monohydrate a gram holds 1.602 times the zinc.
    const mono = 179.46 / 287.55
    expect(at(1 / mono, { factor: mono }, 8 * mono)).toBeGreaterThan(10 * at(1, { factor: mono }, 8 * mono))
  })
})

describe('standsFor', () => {
  it.each([
    ['ZnSO4·7H2O', 'Zn', 1],
    // 287.55 ÷ 161.44.
    ['ZnSO4', 'Zn', 1.7812],
    ['ZnSO4', undefined, 1.7812],
    // One sulfate in 174.26 against one in 287.55.
    ['K2SO4', 'SO4', 1.6501],
    ['K2SO4', 'Zn', 0],
    ['K2SO4', undefined, 0],
    ['H2O', 'Zn', 0],
    // Two charges in 174.26 against two in 287.55.
    ['K2SO4', 'charge', 1.6501],
  ] as const)('%s counted by %s passes for %d', (form, of, grams) =>
    expect(standsFor(form, zinc, of)).toBeCloseTo(grams, 3),
  )
})

const sizedBy = (effects: readonly Effect[]): Sized[] =>
  effects.map(effect => ({ effect, amount: 'so', weight: 1 / effects.length }))
const cause = (code: Cause['code'], usual: number, sizes: readonly Sized[], heard: Cause['heard'] = []): Cause => ({
  code,
  title: code,
  usual,
  usualWhy: 'made up',
  sizes,
  heard,
  test: 'weigh again',
})

describe('rank', () => {
  /* On paper: 8.0 g are usual. A cause that halves what is made, at 4.0 g: its density is twice the top of a usual run's, and a usual run's is 6.7 standard uncertainties off. */
  it('is Bayes’ rule: priors as odds, times density, times strength', () => {
    const a = cause('weak reagent', 0.1, sizedBy([{ made: 0.5 }]))
    const b = cause('transfer loss', 0.2, sizedBy([{ kept: 0.5 }]), [{ says: 'spilled', with: 0.6, without: 0.1 }])
    const { causes, ordinary, other } = rank([a, b], readings(4))
    const [wa, wb] = [0.1 / 0.9, (0.2 / 0.8) * 6]
    // Something unknown: 1 in 100, 1/15 a gram, against 1.33 a gram of either.
    const unknown = (0.01 / 15 / (2 * PEAK)) * 10
    const whole = wa + wb + unknown
    expect(causes.map(one => one.cause.code)).toEqual(['transfer loss', 'weak reagent'])
    expect(causes[0]!.belief).toBeCloseTo(wb / whole, 2)
    expect(causes[1]!.belief).toBeCloseTo(wa / whole, 2)
    expect(other).toBeCloseTo(unknown / whole, 3)
    expect(ordinary).toBeLessThan(1e-6)
    expect(strengthOf(b)).toBeCloseTo(6, 9)
  })
  it('believes two together where neither reaches the mass, and shares by what each moves', () => {
    // 80 % of what is made, half of it made and half of that kept: 2.0 g. Both move 4 g of a usual run.
    const a = cause('weak reagent', 0.1, sizedBy([{ made: 0.5 }]))
    const b = cause('transfer loss', 0.1, sizedBy([{ kept: 0.5 }]))
    const { causes, pairs } = rank([a, b], readings(2))
    expect(pairs).toHaveLength(1)
    expect(pairs[0]!.belief).toBeGreaterThan(0.9)
    expect(causes[0]!.belief).toBeCloseTo(causes[1]!.belief, 6)
    // One that moves 6 g beside one that moves 4 gets six parts of ten.
    const c = cause('side reaction', 0.1, sizedBy([{ kept: 0.25 }]))
    const d = cause('not finished', 0.1, sizedBy([{ made: 0.5 }]))
    const shared = rank([c, d], readings(1)).causes
    expect(shared[0]!.cause.code).toBe('side reaction')
    expect(shared[0]!.belief / shared[1]!.belief).toBeCloseTo(1.5, 1)
  })
  it('never has one code, or two whole forms, together', () => {
    const two = [
      cause('weak reagent', 0.1, sizedBy([{ made: 0.5 }])),
      cause('weak reagent', 0.1, sizedBy([{ made: 0.4 }])),
      cause('lighter hydrate', 0.1, sizedBy([{ factor: 0.5 }])),
      cause('lost water', 0.1, sizedBy([{ factor: 0.7 }])),
    ]
    const told = rank(two, readings(2.8)).pairs.map(({ of }) => of.map(one => one.cause.code).join(' + '))
    expect(told).not.toContain('weak reagent + weak reagent')
    expect(told.some(one => one.includes('lighter hydrate') && one.includes('lost water'))).toBe(false)
  })
  it('believes an ordinary run where the mass is one', () => {
    const { ordinary } = rank([cause('wet', 0.1, sizedBy([{ add: 2 }]))], readings(8))
    expect(ordinary).toBeGreaterThan(0.95)
  })
  it('tells the size that fits best', () => {
    const wet = cause('wet', 0.1, sizedBy([{ add: 1 }, { add: 3 }, { add: 5 }]))
    expect(rank([wet], readings(11)).causes[0]!.size.effect.add).toBe(3)
  })
  it('knows the mass that an effect would give, and by how much it moves it', () => {
    expect(massWith({ made: 0.5, kept: 0.5, factor: 2, add: 1, misread: 3, offset: 0.5 }, 10, 0.8)).toBeCloseTo(
      (0.8 * 10 * 0.25 * 2 + 1) * 3 + 0.5,
      9,
    )
    expect(massWith({ won: { mean: 0.4, spread: 0.1 } }, 10, 0.8)).toBeCloseTo(4, 9)
    expect(moved({ add: 1 }, readings(8))).toBeCloseTo(1, 9)
    expect(moved({ made: 0.5 }, readings(8))).toBeCloseTo(4, 9)
  })
})

describe('reaches', () => {
  /* A usual run is 80 ± 6 %, so 6.8 to 9.2 g of 10. */
  it.each([
    [6.9, {}, true],
    [6.7, {}, false],
    [9.1, {}, true],
    [9.3, {}, false],
    [11.1, { add: 2 }, true],
    [11.3, { add: 2 }, false],
    [3.5, { made: 0.5 }, true],
    [3.3, { made: 0.5 }, false],
    [4.6, { won: { mean: 0.5, spread: 0.02 } }, true],
    [4.5, { won: { mean: 0.5, spread: 0.02 } }, false],
  ] as const)('%d g with %o: %s', (mass, effect, able) =>
    expect(reaches({ sizes: sizedBy([effect]) }, readings(mass))).toBe(able),
  )
})

describe('effects', () => {
  it('together multiply, add, and take the smaller share won', () => {
    const both = together(
      { made: 0.5, kept: 0.9, factor: 0.8, add: 1, added: { H2O: 1 }, back: { Zn: 1 }, misread: 2, offset: 1, won: { mean: 0.5, spread: 0.1 } },
      { made: 0.4, kept: 0.5, factor: 0.5, add: 2, added: { H2O: 1, KCl: 1 }, back: { Zn: -3 }, misread: 3, offset: 2, won: { mean: 0.3, spread: 0.2 }, instead: 'KCl' },
    ) // prettier-ignore
    expect(both).toMatchObject({
      made: 0.2,
      kept: 0.45,
      factor: 0.4,
      add: 3,
      added: { H2O: 2, KCl: 1 },
      back: { Zn: -2 },
      misread: 6,
      offset: 3,
      won: { mean: 0.3, spread: 0.2 },
      instead: 'KCl',
    })
    expect(together({}, { won: { mean: 0.3, spread: 0.2 } }).won).toEqual({ mean: 0.3, spread: 0.2 })
    expect(together({ instead: 'KCl' }, {}).instead).toBe('KCl')
  })
})

describe('sizes', () => {
  const mean = (all: readonly Sized[]): number => all.reduce((sum, one) => sum + one.weight * one.effect.add!, 0)
  const whole = (all: readonly Sized[]): number => all.reduce((sum, { weight }) => sum + weight, 0)
  const told = (add: number) => ({ effect: { add }, amount: `${add}` })
  it('sum to one, about their mean', () => {
    const all = {
      anywhere: anywhere(2, 6, told),
      rather: rather(1, 100, told),
      about: about(3, 0.5, told),
      only: only('so', { add: 4 }),
    }
    for (const sizes of Object.values(all)) expect(whole(sizes)).toBeCloseTo(1, 9)
    expect(mean(all.anywhere)).toBeCloseTo(4, 9)
    // The last of the slices of an exponential is cut in its middle.
    expect(mean(all.rather)).toBeCloseTo(1, 1)
    expect(mean(all.about)).toBeCloseTo(3, 9)
    expect(Math.max(...rather(1, 2, told).map(({ effect }) => effect.add!))).toBeLessThan(2)
    expect(Math.min(...all.anywhere.map(({ effect }) => effect.add!))).toBeGreaterThan(2)
    expect(Math.min(...about(0.1, 1, told).map(({ effect }) => effect.add!))).toBe(0)
  })
  it('mix by their shares, and leave out what is empty', () => {
    const both = mixed([1, only('a', { add: 1 })], [3, anywhere(2, 4, told)], [9, []], [0, only('b', { add: 9 })])
    expect(whole(both)).toBeCloseTo(1, 9)
    expect(mean(both)).toBeCloseTo(0.25 * 1 + 0.75 * 3, 9)
  })
})

it.each([
  [0.95, 'almost certain'],
  [0.94, 'likely'],
  [0.6, 'likely'],
  [0.59, 'quite possible'],
  [0.3, 'quite possible'],
  [0.29, 'possible'],
  [0.08, 'possible'],
  [0.07, 'hardly likely'],
])('a belief of %d is %s', (share, words) => expect(beliefWords(share)).toBe(words))
