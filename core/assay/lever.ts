import { molarMass, parseFormula, withWaters, type Formula } from '#core/formula'

export interface Lever {
  readonly lower: string
  readonly upper: string
  /** Of the formula units, and of the mass, that are the upper hydrate; fractions of one. */
  readonly upperUnits: number
  readonly upperShare: number
}

/** A solid between two hydrates as a mixture of both, by the lever: waters found, over those of the lower and the upper one. */
export function leverOf(salt: Formula, below: number, above: number, found: number): Lever {
  const [lower, upper] = [withWaters(salt.text, below), withWaters(salt.text, above)]
  const units = (found - below) / (above - below)
  const mass = (text: string): number => {
    const read = parseFormula(text)
    if (!read.ok) throw new Error(`${text} does not read.`)
    return molarMass(read.value)
  }
  const heavy = units * mass(upper)
  return { lower, upper, upperUnits: units, upperShare: heavy / (heavy + (1 - units) * mass(lower)) }
}
