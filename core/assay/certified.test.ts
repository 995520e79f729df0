import { describe, expect, it } from 'vitest'
import { anova, fitCurve, fitLine, plainCoefficients, summarise } from '.'
import {
  michelson,
  michelsonCertified,
  norris,
  norrisCertified,
  pontius,
  pontiusCertified,
  siliconF,
  siliconResistivity,
  silverF,
  silverWeights,
} from './fixtures/certified'

/** Agreeing digits: −log10 of the relative error. */
const digits = (found: number, certified: number): number =>
  found === certified ? 16 : -Math.log10(Math.abs(found / certified - 1))

describe('certified sets', () => {
  it('Norris: a line, by both ways of fitting it', () => {
    const points = norris.map(([y, x]) => ({ x, y }))
    const line = fitLine(points)!
    const [intercept, slope] = plainCoefficients(fitCurve(points, 1)!)
    const { deviation, r2 } = fitCurve(points, 1)!
    for (const [found, certified] of [
      [line.intercept, norrisCertified.intercept],
      [line.slope, norrisCertified.slope],
      [line.interceptError, norrisCertified.interceptError],
      [line.slopeError, norrisCertified.slopeError],
      [line.deviation, norrisCertified.deviation],
      [line.r2!, norrisCertified.r2],
      [intercept!.value, norrisCertified.intercept],
      [slope!.value, norrisCertified.slope],
      [intercept!.error, norrisCertified.interceptError],
      [slope!.error, norrisCertified.slopeError],
      [deviation, norrisCertified.deviation],
      [r2!, norrisCertified.r2],
    ] as const)
      expect(digits(found, certified)).toBeGreaterThan(10)
  })
  it('Pontius: a parabola whose terms differ by twelve powers of ten', () => {
    const fit = fitCurve(pontius, 2)!
    plainCoefficients(fit).forEach(({ value, error }, i) => {
      expect(digits(value, pontiusCertified.coefficients[i]!)).toBeGreaterThan(9)
      expect(digits(error, pontiusCertified.errors[i]!)).toBeGreaterThan(9)
    })
    expect(digits(fit.deviation, pontiusCertified.deviation)).toBeGreaterThan(9)
  })
  it('SiRstv and AtmWtAg: analysis of variance', () => {
    expect(digits(anova(siliconResistivity)!.f, siliconF)).toBeGreaterThan(9)
    expect(digits(anova(silverWeights)!.f, silverF)).toBeGreaterThan(8)
  })
  it.each([
    ['Michelso', michelson, michelsonCertified.mean, michelsonCertified.deviation],
    ['NumAcc1', [10_000_001, 10_000_003, 10_000_002], 10_000_002, 1],
    ['NumAcc2', [1.2, ...Array.from({ length: 1000 }, (_, i) => (i % 2 ? 1.3 : 1.1))], 1.2, 0.1],
    [
      'NumAcc3',
      [1_000_000.2, ...Array.from({ length: 1000 }, (_, i) => (i % 2 ? 1_000_000.3 : 1_000_000.1))],
      1_000_000.2,
      0.1,
    ],
  ])('%s: mean and standard deviation', (_, values, mean, deviation) => {
    const found = summarise(values)
    expect(digits(found.mean, mean)).toBeGreaterThan(14)
    expect(digits(found.standardDeviation!, deviation)).toBeGreaterThan(9)
  })
  it('NumAcc4 keeps the digits that numbers of ten million and a tenth hold', () => {
    const values = [10_000_000.2, ...Array.from({ length: 1000 }, (_, i) => (i % 2 ? 10_000_000.3 : 10_000_000.1))]
    expect(digits(summarise(values).standardDeviation!, 0.1)).toBeGreaterThan(8)
  })
})
