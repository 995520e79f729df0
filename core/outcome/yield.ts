import { molarMassFigure, relate, type Formula } from '#core/formula'
import { exact, product, type Figure } from '#core/quantity'

export interface FormYield {
  readonly form: string
  readonly theoretical: Figure
  /** Of the theoretical, as a fraction. */
  readonly percent: Figure
}

export interface Yield {
  readonly theoretical: Figure
  readonly actual: Figure
  readonly percent: Figure
  /** What the same mass would be as each form; forms that hold no whole number of the product's units are left out. */
  readonly forms: readonly FormYield[]
}

/** Percent yield on the isolated form, and what the same mass would be as other forms of the same substance. */
export function judgeYield(wanted: Formula, theoretical: Figure, actual: Figure, forms: readonly Formula[]): Yield {
  return {
    theoretical,
    actual,
    percent: percentOf(actual, theoretical),
    forms: forms.flatMap(form => {
      const relation = relate(form, wanted)
      if (!relation) return []
      const as = product(
        `theoretical yield as {${form.text}}`,
        'mass',
        [theoretical, molarMassFigure(form)],
        [molarMassFigure(wanted), ...(relation.units === 1 ? [] : [exact(relation.units)])],
      )
      return [{ form: form.text, theoretical: as, percent: percentOf(actual, as) }]
    }),
  }
}

/** Percent yield, a fraction of one. */
export const percentOf = (actual: Figure, theoretical: Figure): Figure =>
  product('percent yield', 'mass fraction', [actual], [theoretical])

/** Mass of product that a mass of `from` can give at most, when `perProduct` formula units of it end in one of the product. */
export const theoreticalFrom = (from: Formula, mass: Figure, perProduct: Figure, wanted: Formula): Figure =>
  product(`theoretical yield of {${wanted.text}}`, 'mass', [
    product(
      `amount of {${wanted.text}}`,
      'amount',
      [mass],
      [molarMassFigure(from), ...(perProduct.value === 1 ? [] : [perProduct])],
    ),
    molarMassFigure(wanted),
  ])
