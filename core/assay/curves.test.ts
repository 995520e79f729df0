import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import {
  bandsOf,
  computeWorksheet,
  curveFrom,
  explainCurve,
  newWorksheet,
  plateausOf,
  residuesOf,
  stepsOf,
  type CurvePoints,
} from '.'

/** Copper(II) sulfate pentahydrate heated slowly: two, two and one water, then sulfur trioxide; 20 mg, with a noise that repeats. */
const WATER = 18.015
const M = 249.68
const losses = [
  { at: 92, grams: 2 * WATER },
  { at: 128, grams: 2 * WATER },
  { at: 232, grams: WATER },
  { at: 720, grams: 80.06 },
] as const
const curve: CurvePoints = {
  x: '°C',
  y: 'mg',
  points: Array.from({ length: 1600 }, (_, i) => {
    const t = 30 + i / 2
    const left = losses.reduce((mass, { at, grams }) => mass - grams / (1 + Math.exp(-(t - at) / 2)), M)
    return [t, (20 * left) / M + 0.008 * Math.sin(i * 12.9898)] as const
  }),
}
const salt = (text: string) => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}

describe('thermogram', () => {
  it('finds the steps that thermogravimetry texts give: 14.43, 28.86, 36.08 % (from memory), then copper oxide at 68.14 %', () => {
    const steps = stepsOf(salt('CuSO4·5H2O'), plateausOf(curve))
    expect(steps.map(({ gone }) => Math.round(gone * 1000) / 10)).toEqual([14.4, 28.9, 36.1, 68.1])
    expect(steps.map(({ candidates }) => candidates[0])).toMatchObject([
      { residue: 'CuSO4·3H2O', fits: true },
      { residue: 'CuSO4·H2O', fits: true },
      { residue: 'CuSO4', fits: true },
      { residue: 'CuO', fits: true },
    ])
  })
  it('says on the worksheet what fits, and what does not where the salt is another', () => {
    const sheet = { ...newWorksheet('t', 'thermogram', { form: 'CuSO4·5H2O' }), curve }
    expect(computeWorksheet(sheet).headline).toContain('({CuSO4·3H2O})')
    const other = computeWorksheet({ ...sheet, given: { form: 'ZnSO4·7H2O' } })
    expect(other.findings.some(({ text }) => /fits nothing/.test(text))).toBe(true)
    expect(computeWorksheet({ ...sheet, given: { form: 'CuSO4·5H20x' } }).problems).toMatchObject([{ key: 'form' }])
  })
  it('has no step in a flat curve, nor where nothing was read', () => {
    const flat = { ...curve, points: curve.points.map(([t]) => [t, 20] as const) }
    expect(plateausOf(flat)).toEqual([])
    expect(computeWorksheet(newWorksheet('t', 'thermogram')).choices).toEqual([])
  })
  it('knows what a salt can leave, by mass', () => {
    // CuO 79.545 of 249.68: 68.14 % gone.
    expect(residuesOf(salt('CuSO4·5H2O')).find(({ residue }) => residue === 'CuO')!.expected).toBeCloseTo(0.6814, 3)
    expect(residuesOf(salt('NaCl')).map(({ residue }) => residue)).toEqual(['Na2O', 'Na'])
  })
})

describe('bandsOf', () => {
  const gauss = (x: number, at: number, height: number, width: number): number =>
    height * Math.exp(-(((x - at) / width) ** 2))
  const points = Array.from({ length: 700 }, (_, i) => {
    const x = 350 + i
    return [x, gauss(x, 395, 0.9, 25) + gauss(x, 720, 0.35, 60) + 0.02] as const
  })
  it('finds the maxima, highest first, and none at the edge', () => {
    expect(bandsOf({ x: 'nm', y: 'A', points }).map(({ x }) => x)).toEqual([395, 720])
    const rising = points.map(([x]) => [x, x] as const)
    expect(bandsOf({ x: 'nm', y: 'A', points: rising })).toEqual([])
  })
  it('finds the middle of a flat top', () => {
    const flat = [0, 1, 5, 5, 5, 1, 0].map((y, x) => [x, y] as const)
    expect(bandsOf({ x: 'nm', y: 'A', points: flat })).toMatchObject([{ x: 3, y: 5 }])
  })
})

describe('curveFrom', () => {
  const rows = Array.from({ length: 6 }, (_, i) => [String(60 - i), String(i)])
  it('takes a heading as the axes, and sorts', () => {
    const read = curveFrom([['temperature', 'mg'], ...rows, ['', '']])
    expect(read).toMatchObject({
      curve: {
        x: 'temperature',
        y: 'mg',
        points: [
          [55, 5],
          [56, 4],
          [57, 3],
          [58, 2],
          [59, 1],
          [60, 0],
        ],
      },
    })
  })
  it.each([
    [rows.slice(0, 4), 'curve.too-few'],
    [[...rows, ['1', 'two']], 'curve.not-numbers'],
    [[...rows, ['1']], 'curve.not-numbers'],
  ])('refuses %j', (cells, code) => {
    const read = curveFrom(cells)
    expect('problem' in read && read.problem.code).toBe(code)
    expect('problem' in read && explainCurve(read.problem).why).toBeTruthy()
  })
  it('thins what is too dense for a page', () => {
    const read = curveFrom(Array.from({ length: 9000 }, (_, i) => [String(i), '1']))
    expect('curve' in read && read.curve.points.length).toBe(1800)
  })
})
