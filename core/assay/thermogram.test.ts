import { describe, expect, it } from 'vitest'
import { parseFormula } from '#core/formula'
import { substances } from '#core/reference'
import { computeWorksheet, newWorksheet, plateausOf, residuesOf, type CurvePoints } from '.'

/** Bell-shaped noise that repeats: a linear congruential generator (Numerical Recipes), twelve draws added. */
function noise(seed: number): () => number {
  let state = seed
  const draw = (): number => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0
    return state / 2 ** 32
  }
  return () => Array.from({ length: 12 }, draw).reduce((a, b) => a + b, -6)
}
const logistic = (x: number): number => 1 / (1 + Math.exp(-x))
/** The integral of a bell, by a rational approximation (Abramowitz and Stegun 26.2.17, from memory). */
const bell = (x: number): number => {
  const k = 1 / (1 + 0.2316419 * Math.abs(x))
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    k *
    (0.31938153 + k * (-0.356563782 + k * (1.781477937 + k * (-1.821255978 + k * 1.330274429))))
  return x >= 0 ? 1 - tail : tail
}
const curveOf = (
  n: number,
  losses: readonly (readonly [at: number, width: number, share: number])[],
  { from = 25, to = 250, sample = 20, sigma = 0, shape = logistic, seed = 1 } = {},
): CurvePoints => {
  const draw = noise(seed)
  return {
    x: '°C',
    y: 'mg',
    points: Array.from({ length: n }, (_, i) => {
      const t = from + ((to - from) * i) / (n - 1)
      const gone = losses.reduce((sum, [at, width, share]) => sum + share * shape((t - at) / width), 0)
      return [t, sample * (1 - gone) + sigma * draw()] as const
    }),
  }
}
const gone = (curve: CurvePoints): number[] => plateausOf(curve).map(({ share }) => 1 - share)

describe('one step is one step', () => {
  // K3[Fe(C2O4)3]·3H2O loses 3 × 18.015 of 491.24 g/mol: 11.00 %.
  const water = [[115, 8, 0.11]] as const
  it.each([
    ['a logistic loss', logistic],
    ['a bell-shaped rate', bell],
  ])('%s, at every length of file from 40 to 2000 points', (_, shape) => {
    for (let n = 40; n <= 2000; n += n < 300 ? 1 : 41) {
      const found = gone(curveOf(n, water, { shape }))
      expect([n, found.length]).toEqual([n, 2])
      expect(Math.abs(found[1]! - 0.11), `${n} points`).toBeLessThan(0.001)
    }
  })
  it('with a noise of 0.02 mg in a sample of 20 mg, whatever the seed', () => {
    for (let n = 90; n <= 1500; n += 47)
      for (const seed of [1, 2, 3]) {
        const found = gone(curveOf(n, water, { sigma: 0.02, seed }))
        expect([n, seed, found.length]).toEqual([n, seed, 2])
        expect(Math.abs(found[1]! - 0.11), `${n} points, seed ${seed}`).toBeLessThan(0.0025)
      }
  })
  it('at uneven spacing, as a logger that saves on change leaves it', () => {
    const draw = noise(7)
    const all = curveOf(900, water, { sigma: 0.01 }).points.filter(() => draw() > -0.4)
    expect(gone({ x: '', y: '', points: all })).toHaveLength(2)
  })
})

describe('several steps', () => {
  /* Calcium oxalate monohydrate: 12.33, 31.50 and 61.62 % gone by 200, 520 and 800 °C (texts of thermogravimetry, from memory). */
  const oxalate = [
    [165, 10, 0.1233],
    [480, 9, 0.1917],
    [730, 14, 0.3012],
  ] as const
  it('are three for calcium oxalate at any sampling, noise included', () => {
    for (const n of [120, 200, 333, 500, 777, 1000, 1900])
      for (const sigma of [0, 0.02]) {
        const found = gone(curveOf(n, oxalate, { from: 30, to: 900, sigma }))
        expect([n, sigma, found.length]).toEqual([n, sigma, 4])
        for (const [i, expected] of [0.1233, 0.315, 0.6162].entries())
          expect(Math.abs(found[i + 1]! - expected), `${n} points`).toBeLessThan(0.002)
      }
  })
  it('are found where a small one stands beside a large one', () => {
    const found = gone(
      curveOf(
        800,
        [
          [100, 5, 0.02],
          [180, 5, 0.4],
        ],
        { sigma: 0.005 },
      ),
    )
    expect(found.map(share => share.toFixed(2))).toEqual(['0.00', '0.02', '0.42'])
  })
  it('are none where nothing is lost but noise', () => {
    expect(plateausOf(curveOf(400, [], { sigma: 0.02 }))).toEqual([])
  })
  it('names no hydrate that is none', () => {
    const sheet = {
      ...newWorksheet('t', 'thermogram', { form: 'K3[Fe(C2O4)3]·3H2O' }),
      curve: curveOf(226, [[115, 8, 0.11]]),
    }
    expect(computeWorksheet(sheet).headline).toBe('11.00 % gone ({K3[Fe(C2O4)3]})')
  })
})

describe('what a compound can leave on heating', () => {
  const read = (text: string) => {
    const formula = parseFormula(text)
    if (!formula.ok) throw new Error(text)
    return formula.value
  }
  const gone = (form: string, residue: string): number | undefined => {
    const found = residuesOf(read(form)).find(one => one.residue === residue)
    return found && 100 * found.expected
  }
  /* Printed in texts of thermogravimetry (from memory), and by hand from molar masses: CaC2O4·H2O 146.112, CaC2O4 128.096, CaCO3 100.086, CaO 56.077. */
  it.each([
    ['CaC2O4·H2O', 'CaC2O4', 12.33],
    ['CaC2O4·H2O', 'CaCO3', 31.5],
    ['CaC2O4·H2O', 'CaO', 61.62],
    ['MgNH4PO4·6H2O', 'Mg2P2O7', 54.65],
    ['NaHCO3', 'Na2CO3', 36.92],
    ['Cu2(OH)2CO3', 'CuO', 28.05],
    ['CuSO4·5H2O', 'CuO', 68.14],
    ['Fe(OH)3', 'Fe2O3', 25.29],
    // Hexaamminenickel(II) chloride 231.78: four of its six ammonias are 29.39 %, all 44.09.
    ['[Ni(NH3)6]Cl2', 'NiCl2·2NH3', 29.39],
    ['[Ni(NH3)6]Cl2', 'NiCl2', 44.09],
    // By hand: cobalt oxalate dihydrate 182.98 leaves a third of Co3O4 240.80, 56.13 % gone; Mg(OH)Cl 76.76 of 203.30; Fe2O3 of Mohr's salt 392.13.
    ['CoC2O4·2H2O', 'Co3O4', 56.13],
    ['MgCl2·6H2O', 'MgOHCl', 62.24],
    ['MgCl2·6H2O', 'MgO', 80.17],
    ['(NH4)2Fe(SO4)2·6H2O', 'FeSO4', 61.26],
    ['(NH4)2Fe(SO4)2·6H2O', 'Fe2O3', 79.64],
    ['NH4MgCl3·6H2O', 'MgCl2', 62.92],
  ])('%s leaves %s with %d %% gone', (form, residue, percent) => {
    expect(gone(form, residue)!).toBeCloseTo(percent, 1)
  })
  it('makes a spinel of two metals, and tells what lies between two residues by the lever', () => {
    // Magnesium and aluminium in one hydroxide of that ratio: MgAl2(OH)8 214.33 leaves MgAl2O4 142.27.
    expect(gone('MgAl2(OH)8', 'MgAl2O4')).toBeCloseTo(33.62, 1)
    const sheet = {
      ...newWorksheet('t', 'thermogram', { form: 'CaC2O4·H2O' }),
      curve: curveOf(300, [[115, 8, 0.22]]),
    }
    /* 22 % lies between 12.33 and 31.50: (22 − 12.33) ÷ 19.17 is half of it. */
    expect(computeWorksheet(sheet).findings[0]!.text).toContain('{CaC2O4} and {CaCO3}, 50 % of it')
  })
  it('never leaves more than was weighed, nor a residue that does not read, for every salt of the tables', () => {
    for (const { formula, state } of substances) {
      if (state !== 'solid') continue
      for (const { residue, expected } of residuesOf(read(formula))) {
        expect(expected, `${formula} to ${residue}`).toBeLessThan(1)
        for (const part of residue.split(' + ')) expect(parseFormula(part).ok, `${formula} to ${part}`).toBe(true)
      }
    }
  })
})
