import { molarMass, parseFormula, withWaters, type Formula } from '#core/formula'
import { solubilityProducts } from '#core/reference'
import { partsOf } from '#core/species'
import { componentsOf, type Component } from './components'
import { saturationAt, shippedCurves, type Curve } from './curve'

/** A solid that stands, as what it is made of. */
export interface StandingSolid {
  readonly form: Formula
  /** The anhydrous salt's formula. */
  readonly salt: Formula
  readonly components: readonly Component[]
  readonly waters: number
  /** g/mol of the solid. */
  readonly molarMass: number
}

/** A solid that could come down at a temperature, and its product limit in molalities. */
export interface Solid extends StandingSolid {
  /**
   * ln of the product of its ions' molalities at saturation, each to its count, with the water of a hydrate at the activity
   * exp(−0.018 Σm) of an ideal dilute solution; read off the salt's own curve.
   */
  readonly logK: number
  /** g of anhydrous salt in 100 g of water, alone; undefined for those known by their solubility product. */
  readonly alone: number | undefined
  readonly source: 'curve' | 'product'
  /** Its solubility here is drawn on between two ranges of the table. */
  readonly isDrawnOn?: true
}

export const WATER_MOLAR = 18.015
const KG = 1000

/** A salt with so many waters, as a solid that stands. */
export function solidWith(salt: Formula, waters: number): StandingSolid {
  const read = parseFormula(withWaters(salt.text, waters))
  const form = read.ok ? read.value : salt
  return { form, salt, components: componentsOf(salt), waters, molarMass: molarMass(salt) + waters * WATER_MOLAR }
}

/** The solid of a curve at a temperature; undefined off its range. */
export function solidOf(curve: Curve, celsius: number): Solid | undefined {
  const saturation = saturationAt(curve, celsius)
  if (!saturation.ok) return undefined
  const { grams, phase, isDrawnOn } = saturation.value
  const components = componentsOf(curve.salt)
  const molality = (grams * 10) / molarMass(curve.salt)
  const particles = components.reduce((total, { count }) => total + count, 0) * molality
  const logK =
    components.reduce((total, { count }) => total + count * Math.log(count * molality), 0) -
    phase.waters * (WATER_MOLAR / KG) * particles
  return {
    form: phase.form,
    salt: curve.salt,
    components,
    waters: phase.waters,
    molarMass: molarMass(phase.form),
    logK,
    alone: grams,
    source: 'curve',
    ...(isDrawnOn && { isDrawnOn }),
  }
}

interface Sparing {
  readonly form: Formula
  readonly salt: Formula
  readonly components: readonly Component[]
  readonly waters: number
  readonly product: number
}
let made: readonly Sparing[] | undefined
const sparing = (): readonly Sparing[] => (made ??= readProducts())

const readProducts = (): Sparing[] =>
  solubilityProducts.flatMap(([text, product]): Sparing[] => {
    const form = parseFormula(text)
    if (!form.ok) throw new Error(`The table of solubility products holds ${text}.`)
    const { parts, waters } = partsOf(form.value.text)
    const salt = parseFormula(parts.map(part => part.text).join('·'))
    if (!salt.ok) return []
    return [{ form: form.value, salt: salt.value, components: componentsOf(salt.value), waters, product }]
  })

/** A sparingly soluble salt by its formula, with or without water. */
export const findProduct = (salt: Formula): Sparing | undefined =>
  sparing().find(one => one.form.text === salt.text) ?? sparing().find(one => one.salt.text === salt.text)

/**
 * Every solid that a set of ions could make at a temperature: those of the curves that reach it, and the sparingly soluble ones by
 * their product at 25 °C. `leftOut` are curves that do not reach the temperature.
 */
export function solidsFor(
  keys: ReadonlySet<string>,
  celsius: number,
  own: readonly Curve[] = [],
): { solids: Solid[]; leftOut: Curve[] } {
  const solids: Solid[] = []
  const leftOut: Curve[] = []
  const seen = new Set<string>()
  for (const curve of [...own, ...shippedCurves()]) {
    if (seen.has(curve.salt.text) || !componentsOf(curve.salt).every(({ key }) => keys.has(key))) continue
    seen.add(curve.salt.text)
    const solid = solidOf(curve, celsius)
    if (solid) solids.push(solid)
    else leftOut.push(curve)
  }
  solids.push(...byProduct(keys, seen))
  return { solids, leftOut }
}

/** The sparing solids among those that ions could make, by their product at 25 °C; salts that have a curve are not among them. */
export function sparingFor(keys: ReadonlySet<string>): Solid[] {
  const curved = shippedCurves().filter(({ salt }) => componentsOf(salt).every(({ key }) => keys.has(key)))
  return byProduct(keys, new Set(curved.map(({ salt }) => salt.text)))
}

function byProduct(keys: ReadonlySet<string>, seen: ReadonlySet<string>): Solid[] {
  const solids: Solid[] = []
  for (const { form, salt, components, waters, product } of sparing()) {
    if (seen.has(salt.text) || !components.every(({ key }) => keys.has(key))) continue
    if (solids.some(solid => solid.salt.text === salt.text)) continue
    solids.push({
      form,
      salt,
      components,
      waters,
      molarMass: molarMass(form),
      logK: Math.log(product),
      alone: undefined,
      source: 'product',
    })
  }
  return solids
}
