import { molarMass, type Formula } from '#core/formula'
import { componentsOf } from './components'
import { chargeOf, precipitate } from './precipitation'
import { findProduct } from './solids'

/** The bench that a precipitation is planned for: what should come down, in how much liquor, and which of its two ions is the precipitant. */
export interface PrecipitationCase {
  readonly salt: Formula
  readonly grams: number
  readonly millilitres: number
  readonly precipitant: 0 | 1
}
export interface PrecipitationRow {
  /** Of the precipitant, over what the other ion needs. */
  readonly excess: number
  readonly complete: number
  /** g of the salt that stay in the liquor for want of completeness. */
  readonly lost: number
  readonly ionicStrength: number
  readonly withActivities: boolean
}

const EXCESSES = [0, 0.02, 0.05, 0.1, 0.2, 0.5, 1] as const

/** The two ions of a sparingly soluble salt, in the order of its formula; undefined without a product, or with more than two ions. */
export function ionsOfSparing(salt: Formula): readonly [string, string] | undefined {
  const known = findProduct(salt)
  const keys = known && componentsOf(known.salt).map(({ key }) => key)
  return keys?.length === 2 ? [keys[0]!, keys[1]!] : undefined
}

/**
 * How completely a sparingly soluble salt comes down with each excess of the precipitant, in the cold (25 °C). The ions that come in with
 * the two are taken as singly charged and stay; complexes with the excess and hydrolysis are not in it. Undefined as for `precipitate`.
 */
export function precipitationTable({
  salt,
  grams,
  millilitres,
  precipitant,
}: PrecipitationCase): PrecipitationRow[] | undefined {
  const known = findProduct(salt)
  if (!known || !ionsOfSparing(salt) || !(grams > 0) || !(millilitres > 0)) return undefined
  const mass = molarMass(known.form)
  const litres = millilitres / 1000
  const parts = componentsOf(known.salt)
  return EXCESSES.flatMap(excess => {
    const made = grams / mass / litres
    const [a, b] = parts.map(({ count }, i) => count * made * (i === precipitant ? 1 + excess : 1)) as [number, number]
    const partners = (a * Math.abs(chargeOf(parts[0]!.key)) + b * Math.abs(chargeOf(parts[1]!.key))) / 2
    const told = precipitate(salt, [a, b], partners)
    if (!told) return []
    const wanted = 1 - precipitant
    const left = told.left[wanted]!
    const share = Math.min(1, left / (parts[wanted]!.count * made))
    return [
      {
        excess,
        complete: 1 - share,
        lost: share * grams,
        ionicStrength: told.ionicStrength,
        withActivities: told.withActivities,
      },
    ]
  })
}
