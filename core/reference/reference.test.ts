import { describe, expect, it } from 'vitest'
import { molarMass, parseFormula, type Formula } from '#core/formula'
import { findCurve, saturationAt, solubilityInWater } from '#core/solution'
import { ionsOf } from '#core/species'
import {
  commercial,
  densityTables,
  enthalpies,
  enthalpySources,
  exposureLimits,
  hazardStatements,
  heatsOfSolution,
  ionVolumes,
  methanolWords,
  permittivities,
  solubilities,
  solubilityProducts,
  substanceBlocks,
  substances,
} from '.'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(`${text} does not read`)
  return read.value
}
const ascending = (numbers: readonly number[]): boolean => numbers.every((x, i) => i === 0 || x > numbers[i - 1]!)
const doubles = (texts: readonly string[]): string[] => texts.filter((text, i) => texts.indexOf(text) !== i)

describe('substances', () => {
  it('are some hundreds, each written once, each with a formula that weighs something', () => {
    expect(substances.length).toBeGreaterThan(350)
    expect(doubles(substances.map(({ formula }) => f(formula).text))).toEqual([])
    for (const { formula } of substances) expect(molarMass(f(formula)), formula).toBeGreaterThan(1)
  })
  it('are found by one name each, since a name is typed in place of a formula', () => {
    const names = substances.flatMap(({ name, also }) => [name, ...(also ?? [])]).map(name => name.toLowerCase())
    expect(doubles(names)).toEqual([])
  })
  it('come from a named source, block by block', () => {
    for (const { source, rows } of substanceBlocks) {
      expect(source.length).toBeGreaterThan(10)
      expect(rows.length).toBeGreaterThan(0)
    }
  })
  it('use hazard statements that have words', () => {
    const known = new Set<string>(hazardStatements.map(({ code }) => code))
    for (const { formula, hazards } of substances)
      for (const code of hazards ?? []) expect(known.has(code), `${formula} ${code}`).toBe(true)
  })
  it('hold each form once, and decompose at a temperature that is one', () => {
    for (const { formula, forms, decomposes } of substances) {
      expect(doubles((forms ?? []).map(([waters]) => String(waters))), formula).toEqual([])
      if (decomposes !== undefined) expect(decomposes, formula).toBeGreaterThan(-50)
    }
  })
})

describe('enthalpies of formation', () => {
  const of = (formula: string, phase: string): number => {
    const row = enthalpies.find(([text, where]) => text === formula && where === phase)
    if (!row) throw new Error(`${formula} ${phase} is not in the table`)
    return row[2]
  }
  it('hold each substance and phase once, with a source', () => {
    expect(doubles(enthalpies.map(([text, phase]) => `${text} ${phase}`))).toEqual([])
    for (const [text, , , source] of enthalpies) {
      expect(molarMass(f(text)), text).toBeGreaterThan(0)
      expect(enthalpySources[source]).toBeTruthy()
    }
  })
  // Textbook heats of reaction, known apart from the table (from memory).
  it.each([
    ['water boils at 25 °C', () => of('H2O', 'g') - of('H2O', 'l'), 44.0],
    ['strong acid and base', () => of('H2O', 'l') - of('OH^-', 'aq'), -55.8],
    ['ammonium chloride dissolves', () => of('NH4^+', 'aq') + of('Cl^-', 'aq') - of('NH4Cl', 's'), 14.8],
    ['potassium nitrate dissolves', () => of('K^+', 'aq') + of('NO3^-', 'aq') - of('KNO3', 's'), 34.9],
    ['sodium hydroxide dissolves', () => of('Na^+', 'aq') + of('OH^-', 'aq') - of('NaOH', 's'), -44.5],
    ['zinc displaces copper', () => of('Zn^2+', 'aq') - of('Cu^2+', 'aq'), -218.7],
    ['silver chloride falls', () => of('AgCl', 's') - of('Ag^+', 'aq') - of('Cl^-', 'aq'), -65.5],
    ['lime is slaked', () => of('Ca(OH)2', 's') - of('CaO', 's') - of('H2O', 'l'), -65.2],
    ['limestone is burnt', () => of('CaO', 's') + of('CO2', 'g') - of('CaCO3', 's'), 178.3],
    ['copper sulfate takes its water', () => of('CuSO4·5H2O', 's') - of('CuSO4', 's') - 5 * of('H2O', 'l'), -78.5],
  ])('%s', (_, heat, published) => expect(Math.abs(heat() - published)).toBeLessThan(1.5))
})

describe('solubilities', () => {
  it('cover at least 120 salts, each once', () => {
    expect(solubilities.length).toBeGreaterThanOrEqual(120)
    expect(doubles(solubilities.map(({ salt }) => f(salt).text))).toEqual([])
  })
  it('run up the temperature, phase after phase, losing water as they go', () => {
    for (const { salt, phases } of solubilities) {
      for (const { points } of phases) {
        expect(ascending(points.map(([celsius]) => celsius)), salt).toBe(true)
        for (const [, grams] of points) expect(grams, salt).toBeGreaterThan(0)
      }
      phases.slice(1).forEach((phase, i) => {
        expect(phase.waters, salt).toBeLessThan(phases[i]!.waters)
        expect(phase.points[0]![0], salt).toBeGreaterThanOrEqual(phases[i]!.points.at(-1)![0])
      })
    }
  })
  it('meet at a transition, since both solids stand with one liquor there', () => {
    for (const { salt, phases } of solubilities)
      phases.slice(1).forEach((phase, i) => {
        const [before, after] = [phases[i]!.points.at(-1)!, phase.points[0]!]
        if (before[0] === after[0]) expect(Math.abs(after[1] / before[1] - 1), `${salt} at ${after[0]}`).toBeLessThan(0.04)
      })
  })
})

describe('solubility products', () => {
  it('cover at least 80 salts, each once, each of ions that are known', () => {
    expect(solubilityProducts.length).toBeGreaterThanOrEqual(80)
    expect(doubles(solubilityProducts.map(([salt]) => f(salt).text))).toEqual([])
    for (const [salt, product] of solubilityProducts) {
      expect(ionsOf(f(salt)), salt).toBeDefined()
      expect(product, salt).toBeGreaterThan(0)
      expect(product, salt).toBeLessThan(1)
    }
  })
  it('agree with the curve of the same salt to a factor of two, where both are known (ion pairs are not counted)', () => {
    let checked = 0
    for (const [salt] of solubilityProducts) {
      const curve = findCurve(f(salt))?.curve
      const at = curve && saturationAt(curve, 25)
      const product = solubilityInWater(f(salt))
      if (!curve || !at?.ok || product === undefined) continue
      const grams = product * molarMass(curve.salt) * 0.1
      expect(Math.abs(Math.log10(grams / at.value.grams)), `${salt}: ${grams} against ${at.value.grams}`).toBeLessThan(Math.log10(2))
      checked++
    }
    expect(checked).toBeGreaterThanOrEqual(8)
  })
})

describe('the small tables', () => {
  it('densities run up the strength, and one way', () => {
    for (const { reagent, temperature, rows } of densityTables) {
      expect(ascending(rows.map(([percent]) => percent)), `${reagent} ${temperature}`).toBe(true)
      for (const [percent, density] of rows) {
        expect(percent, reagent).toBeLessThanOrEqual(100)
        expect(density, reagent).toBeGreaterThan(0.7)
        expect(density, reagent).toBeLessThan(2.2)
      }
    }
  })
  it('strengths of the trade are percents, the usual one not among the others', () => {
    for (const { reagent, percent, others } of commercial) {
      for (const one of [percent, ...others]) expect(one > 0 && one <= 100, reagent).toBe(true)
      expect(others as readonly number[], reagent).not.toContain(percent)
    }
  })
  it('a short exposure may be no lower than a day’s', () => {
    for (const { formula, eightHours, short } of exposureLimits)
      if (eightHours !== undefined && short !== undefined) expect(short, formula).toBeGreaterThanOrEqual(eightHours)
  })
  it('dissolving in more water frees no less heat', () => {
    for (const { reagent, rows } of heatsOfSolution) {
      expect(ascending(rows.map(([waters]) => waters)), reagent).toBe(true)
      for (const [, heat] of rows) expect(Number.isFinite(heat), reagent).toBe(true)
    }
    const acid = heatsOfSolution.find(({ reagent }) => reagent === 'H2SO4')!
    expect(ascending(acid.rows.map(([, heat]) => heat))).toBe(true)
  })
  it('volumes belong to ions', () => {
    for (const key of Object.keys(ionVolumes)) {
      expect(f(key).charge, key).not.toBe(0)
      expect(molarMass(f(key)), key).toBeGreaterThan(0)
    }
  })
  it('words for methanol belong to substances of the table, and say insoluble only where ethanol’s does', () => {
    const rows = new Map(substances.map(row => [row.formula, row]))
    expect(Object.keys(methanolWords).length).toBeGreaterThan(40)
    for (const [formula, word] of Object.entries(methanolWords)) {
      expect(rows.has(formula), formula).toBe(true)
      if (word === 'insoluble') expect(['insoluble', undefined], formula).toContain(rows.get(formula)!.ethanol)
    }
  })
  it.each(Object.entries(permittivities))('the permittivity falls as the share of %s rises', (_, rows) => {
    expect([rows[0]![0], rows.at(-1)![0]]).toEqual([0, 100])
    expect(ascending(rows.map(([percent]) => percent))).toBe(true)
    expect(ascending(rows.map(([, value]) => -value))).toBe(true)
  })
})
