import { exact, given, sum, type Figure } from '#core/quantity'
import { elements, type ElementRow } from '#core/reference'
import type { Formula } from './formula'
import { findElement } from './element-index'

/**
 * One figure an element, so that every molar mass that uses an element shares its error. The published ± is taken as the
 * bounds of a rectangular distribution: u = ±/√3 (Eurachem/CITAC CG 4, example A2; Possolo et al., Metrologia 55 (2018) 189).
 */
const weights: ReadonlyMap<string, Figure> = new Map(
  (elements as readonly ElementRow[])
    .filter(row => row.weight !== undefined)
    .map(({ symbol, weight, bound }) => [
      symbol,
      given(weight!, 'molar mass', `atomic weight of {${symbol}}`, {
        source: `atomic weight of ${symbol}`,
        uncertainty: bound! / Math.sqrt(3),
        shape: 'even',
        written: String(weight),
      }),
    ]),
)

function weightOf(symbol: string): Figure {
  const weight = weights.get(symbol)
  if (!weight) throw new Error(`${symbol} has no standard atomic weight: parseFormula refuses it.`)
  return weight
}

/** False where an element has no standard atomic weight; parseFormula then says which. */
export const canBeWeighed = (formula: Formula): boolean =>
  [...formula.composition.keys()].every(symbol => weights.has(symbol))

/** Molar mass, g/mol; the mass of electrons is left out. The formula must come from parseFormula, which refuses what has no weight. */
export function molarMass(formula: Formula): number {
  let mass = 0
  for (const [symbol, count] of formula.composition) mass += count * weightOf(symbol).value
  return mass
}

/** The molar mass as a figure with its uncertainty from the atomic weights, and its sum as working. */
export function molarMassFigure(formula: Formula): Figure {
  const terms: [number, Figure][] = []
  for (const [symbol, count] of formula.composition) terms.push([count, weightOf(symbol)])
  return terms.length === 0 ? exact(0, 'molar mass') : sum(`molar mass of {${formula.text}}`, terms)
}

/** Mass of an element in one mole of the formula, g. */
export const massOf = (formula: Formula, symbol: string): number =>
  (formula.composition.get(symbol) ?? 0) * (findElement(symbol)?.weight ?? 0)
