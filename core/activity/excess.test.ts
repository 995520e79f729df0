import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { pitzerPairs } from '#core/reference'
import { excessOf, logWater } from './excess'
import { chargeOfKey, interactionsOf } from './interactions'
import { mixingIntegral, unlikeTerm } from './unlike-charges'

/** Mean activity coefficient and osmotic coefficient of a salt of two ions at a molality and 25 °C. */
function salt(cation: string, anion: string, molality: number): { gamma: number; phi: number } {
  const [z, y] = [chargeOfKey(cation), -chargeOfKey(anion)]
  const [up, down] = z === y ? [1, 1] : [y, z] // no pair here shares a larger divisor
  const ions = interactionsOf([cation, anion], 25)
  const m = [molality * up, molality * down]
  const excess = excessOf(ions, m)
  const logGamma = (up * excess.gradient[0]! + down * excess.gradient[1]!) / (up + down)
  return { gamma: Math.exp(logGamma), phi: -logWater(ions, m, excess) / (0.018015 * molality * (up + down)) }
}

describe('mean activity coefficients at 25 °C', () => {
  // R. A. Robinson and R. H. Stokes, Electrolyte Solutions, appendix 8.10 (from memory).
  it.each([
    ['Na^+', 'Cl^-', 1, 0.657],
    ['Na^+', 'Cl^-', 6, 0.986],
    ['K^+', 'Cl^-', 1, 0.604],
    ['K^+', 'NO3^-', 1, 0.443],
    ['H^+', 'Cl^-', 1, 0.809],
    ['NH4^+', 'Cl^-', 4, 0.56],
    ['Mg^2+', 'Cl^-', 1, 0.569],
    ['Ca^2+', 'Cl^-', 1, 0.5],
    ['Na^+', 'SO4^2-', 1, 0.204],
    ['K^+', 'SO4^2-', 0.5, 0.261],
    ['Cu^2+', 'SO4^2-', 1, 0.0423],
  ])('%s with %s at %d mol/kg', (cation, anion, molality, published) => {
    expect(Math.abs(Math.log(salt(cation, anion, molality).gamma / published))).toBeLessThan(0.04)
  })

  // Robinson and Stokes: φ of sodium chloride 0.936 at 1 mol/kg, 1.271 at 6; of magnesium chloride 1.108 at 1, magnesium sulfate 0.525 at 1,
  // aluminium chloride 0.819 at 0.1, aluminium sulfate 0.922 at 1 (from memory). Coefficients of 2:2 and 3:1 salts are not compared: theirs hang on an assumed one at 0.1.
  it('and the water’s activity', () => {
    expect(salt('Na^+', 'Cl^-', 1).phi).toBeCloseTo(0.936, 2)
    expect(salt('Na^+', 'Cl^-', 6).phi).toBeCloseTo(1.271, 2)
    expect(salt('Mg^2+', 'Cl^-', 1).phi).toBeCloseTo(1.108, 2)
    expect(salt('Mg^2+', 'SO4^2-', 1).phi).toBeCloseTo(0.525, 2)
    expect(salt('Al^3+', 'Cl^-', 0.1).phi).toBeCloseTo(0.819, 2)
    expect(salt('Al^3+', 'SO4^2-', 1).phi).toBeCloseTo(0.922, 1)
  })
})

describe('the derivatives', () => {
  const ions = ['Na^+', 'K^+', 'Mg^2+', 'Al^3+', 'Cl^-', 'SO4^2-', 'NO3^-', 'PO4^3-']
  const step = 1e-5
  it('are those of the energy, within the range of the parameters', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.01, max: 0.25, noNaN: true }), { minLength: 8, maxLength: 8 }), m => {
        const model = { ...interactionsOf(ions, 40), upTo: 100 }
        const { gradient, second } = excessOf(model, m)
        m.forEach((_, i) => {
          const at = (by: number) =>
            excessOf(
              model,
              m.map((one, j) => (i === j ? one + by : one)),
            )
          expect((at(step).value - at(-step).value) / (2 * step)).toBeCloseTo(gradient[i]!, 5)
          m.forEach((_, j) => {
            const slope = (at(step).gradient[j]! - at(-step).gradient[j]!) / (2 * step)
            const scale = Math.max(1, Math.abs(second[i * 8 + j]!))
            expect(Math.abs(slope - second[i * 8 + j]!) / scale).toBeLessThan(1e-3)
          })
        })
      }),
      { numRuns: 40 },
    )
  })

  it('the gradient is the energy’s beyond the range too, and coefficients stop changing along the composition', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.5, max: 9, noNaN: true }), { minLength: 8, maxLength: 8 }), m => {
        const model = { ...interactionsOf(ions, 25), upTo: 4 }
        const { gradient } = excessOf(model, m)
        m.forEach((_, i) => {
          const at = (by: number) =>
            excessOf(
              model,
              m.map((one, j) => (i === j ? one + by : one)),
            ).value
          expect((at(step) - at(-step)) / (2 * step)).toBeCloseTo(gradient[i]!, 4)
        })
      }),
      { numRuns: 40 },
    )
    const one = interactionsOf(['Ag^+', 'NO3^-'], 25)
    expect(excessOf(one, [20, 20]).gradient[0]).toBeCloseTo(excessOf(one, [40, 40]).gradient[0]!, 12)
  })

  it('of the mixing integral', () => {
    for (const x of [0.1, 1, 5, 20, 80]) {
      const by = x * 1e-4
      const [a, b] = [mixingIntegral(x - by), mixingIntegral(x + by)]
      expect((b.value - a.value) / (2 * by)).toBeCloseTo(mixingIntegral(x).first, 6)
      expect((b.first - a.first) / (2 * by)).toBeCloseTo(mixingIntegral(x).second, 6)
    }
    expect(unlikeTerm(1, 1, 3, 0.392).value).toBe(0)
  })
})

it('a salt whose parameters are another’s is said to be', () => {
  expect(interactionsOf(['Na^+', 'Cl^-'], 25).borrowed).toEqual([])
  expect(interactionsOf(['Ni^2+', 'NO3^-'], 25).borrowed).toEqual(['Ni^2+ NO3^-'])
})

it('the table holds each pair once', () => {
  const pairs = pitzerPairs.map(([cation, anion]) => `${cation} ${anion}`)
  expect(new Set(pairs).size).toBe(pairs.length)
})
