import { expect, it } from 'vitest'
import { parseFormula, type Formula } from '#core/formula'
import { solubilityGaps, solubilityProducts, substances } from '#core/reference'
import { findCurve, findDouble, findProduct, saturationAt, shippedCurves, type Curve } from '.'
import { heatOfDissolving } from './heat-of-dissolving'
import { molalityOf } from './product-alone'
import { solidOf } from './solids'

const f = (text: string): Formula => {
  const read = parseFormula(text)
  if (!read.ok) throw new Error(text)
  return read.value
}
const isKnown = (text: string): boolean =>
  [findCurve(f(text)), findProduct(f(text)), findDouble(f(text))].some(found => found !== undefined)

it('every solid that dissolves has a curve, a product or a line that says why not, and none has both', () => {
  const solids = substances.filter(
    ({ state, water }) => state === 'solid' && (water === 'soluble' || water === 'slightly'),
  )
  const lines = new Set(solubilityGaps.map(([formula]) => formula))
  expect(solids.filter(({ formula }) => isKnown(formula) === lines.has(formula)).map(({ formula }) => formula)).toEqual(
    [],
  )
  expect([...lines].filter(formula => !solids.some(one => one.formula === formula))).toEqual([])
  expect(solids.filter(({ formula }) => isKnown(formula)).length).toBeGreaterThanOrEqual(165)
})

const IDEAL = 8.314_46e-3
/** kJ/mol from the slope of ln K between two temperatures. */
function slopeOf(
  curve: Curve,
  from: number,
  to: number,
): { heat: number; known: number; strength: number } | undefined {
  const [a, b] = [solidOf(curve, from), solidOf(curve, to)]
  const known = a && heatOfDissolving(a)
  if (!a || !b || known === undefined || a.form.text !== b.form.text) return undefined
  const charges = a.components.map(({ key, count }) => {
    const charge = Number(/\^(\d*)[+-]$/.exec(key)?.[1] || 1)
    return count * charge * charge
  })
  return {
    heat: (-IDEAL * (b.logK - a.logK)) / (1 / (to + 273.15) - 1 / (from + 273.15)),
    known,
    strength: (molalityOf(curve.salt, a.alone ?? 0) * charges.reduce((sum, one) => sum + one, 0)) / 2,
  }
}

/** Dissolved as molecules or pairs: the heat of their free ions is another's. */
const hardlyPart = new Set(['HgCl2', 'Ba(NO3)2'])

it('the slope of a curve is the heat of dissolving, from enthalpies of formation, where the liquor is dilute (van ’t Hoff)', () => {
  const compared = shippedCurves().flatMap(curve => {
    const slope = hardlyPart.has(curve.salt.text) ? undefined : slopeOf(curve, 20, 30)
    return slope && slope.strength < 1.2 ? [{ salt: curve.salt.text, off: Math.abs(slope.heat - slope.known) }] : []
  })
  expect(compared.length).toBeGreaterThan(12)
  const apart = compared.filter(({ off }) => off > 10).map(({ salt }) => salt)
  // Measured solubilities of barium hydroxide rise as 73 kJ, the enthalpies of formation (from memory) say 58; which of them is off is not known.
  expect(apart).toEqual(['Ba(OH)2'])
})

// International Critical Tables and CRC Handbook, transitions in water (from memory); none of these stands in the table as a point.
it.each([
  ['Na2CO3·10H2O', 'Na2CO3·H2O', 34],
  ['Na2SO3·7H2O', 'Na2SO3', 33.4],
  ['Na2S2O3·5H2O', 'Na2S2O3·2H2O', 48.2],
  ['Na2HPO4·12H2O', 'Na2HPO4·7H2O', 35.2],
  ['Na2HPO4·7H2O', 'Na2HPO4·2H2O', 48.3],
  ['LiNO3·3H2O', 'LiNO3', 29.9],
])('%s turns into %s near %d °C, where their branches meet', (lower, upper, celsius) => {
  const { curve } = findCurve(f(lower))!
  const formAt = (t: number): string => {
    const found = saturationAt(curve, t)
    return found.ok ? found.value.phase.form.text : found.problem.code
  }
  expect(formAt(celsius - 2)).toBe(lower)
  expect(formAt(celsius + 2)).toBe(upper)
})

it('a product agrees with the curve of the same salt, to what its ion pairs hold', () => {
  const both = solubilityProducts.flatMap(([text, product]) => {
    const found = findCurve(f(text))
    const solid = found && solidOf(found.curve, 25)
    return solid ? [{ text, off: Math.abs(solid.logK - Math.log(product)) }] : []
  })
  expect(both.length).toBeGreaterThan(8)
  expect(both.filter(({ off }) => off > 1.2)).toEqual([])
})

// Sources and marks as in the table; each against a second value from memory of another table (Merck Index, safety data of suppliers), g of anhydrous salt.
it.each([
  ['Na2S', 20, 18.6],
  ['Na2S2O5', 20, 65],
  ['CdCl2', 25, 120],
  ['ZnCl2', 25, 432],
  ['NaCN', 25, 63.7],
  ['C6H8O7', 20, 147],
  ['Fe(NO3)3', 20, 82.5],
  ['NaIO3', 20, 8.1],
  ['NiCl2', 25, 66],
])('%s at %d °C: %d g', (salt, celsius, grams) => {
  const found = saturationAt(findCurve(f(salt))!.curve, celsius)
  expect(found.ok && Math.abs(found.value.grams / grams - 1)).toBeLessThan(0.04)
})
