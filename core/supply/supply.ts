import { molarMassFigure, type Formula, type Relation } from '#core/formula'
import { difference, exact, product, type Figure } from '#core/quantity'
import { CELSIUS_ZERO, GAS_CONSTANT } from '#core/reference'
import type { Strength } from './strength'

/** A reagent as it comes, read and matched to the species that reacts. */
export interface Supply {
  readonly kind: 'solid' | 'solution' | 'liquid' | 'gas' | 'stage'
  readonly species: Formula
  readonly weighed: Formula
  readonly relation: Relation
  readonly assay?: Figure
  readonly strength?: Strength
  readonly density?: Figure
  /** Mass fraction of water in the solid. */
  readonly moisture?: Figure
  /** What the rest of a technical solid does. */
  readonly rest?: 'residue' | 'soluble'
  /** Comes dissolved, in the pot of the stage before. */
  readonly inPot?: true
  /** Of what an earlier stage made, so much is taken. */
  readonly share?: Figure
  /** Molar volume of the gas in the room, mL/mol. */
  readonly molarVolume?: Figure
}

interface Ratio {
  readonly over: readonly Figure[]
  readonly under: readonly Figure[]
  readonly conversion: number
}

const ofSpecies = (supply: Supply): string => `{${supply.species.text}}`

const unitsFigure = ({ relation, species, weighed }: Supply): Figure[] =>
  relation.units === 1 ? [] : [exact(relation.units, 'number', `{${species.text}} in {${weighed.text}}`)]

/** Moles of the reacting species in a gram of what goes on the balance; undefined where the strength by mass is not known. */
function perGram(supply: Supply): Ratio | undefined {
  if (supply.kind === 'solution') {
    const fraction = supply.strength?.massFraction
    return fraction && { over: [fraction], under: [molarMassFigure(supply.species)], conversion: 1 }
  }
  return {
    over: [...(supply.assay ? [supply.assay] : []), ...unitsFigure(supply)],
    under: [molarMassFigure(supply.weighed)],
    conversion: 1,
  }
}

/** Moles of the reacting species in a mL; undefined for what is not measured by volume. */
function perMillilitre(supply: Supply): Ratio | undefined {
  switch (supply.kind) {
    case 'solution':
      return supply.strength?.molarity && { over: [supply.strength.molarity], under: [], conversion: 1e-3 }
    case 'gas':
      return supply.molarVolume && { over: [], under: [supply.molarVolume], conversion: 1 }
    case 'liquid': {
      const byMass = perGram(supply)!
      return supply.density && { ...byMass, over: [supply.density, ...byMass.over] }
    }
    default:
      return undefined
  }
}

const times = (name: string, start: Figure, { over, under, conversion }: Ratio): Figure =>
  product(name, 'amount', [start, ...over], under, conversion)

export const amountFromMass = (supply: Supply, mass: Figure): Figure | undefined => {
  const ratio = perGram(supply)
  return ratio && times(`amount of ${ofSpecies(supply)}`, mass, ratio)
}

export const amountFromVolume = (supply: Supply, volume: Figure): Figure | undefined => {
  const ratio = perMillilitre(supply)
  return ratio && times(`amount of ${ofSpecies(supply)}`, volume, ratio)
}

/** What to put on the balance for an amount of the reacting species, assay and hydrate included. */
export function massFor(supply: Supply, amount: Figure): Figure | undefined {
  const ratio = perGram(supply)
  return (
    ratio &&
    product(
      `mass of {${supply.weighed.text}} to weigh`,
      'mass',
      [amount, ...ratio.under],
      ratio.over,
      1 / ratio.conversion,
    )
  )
}

export function volumeFor(supply: Supply, amount: Figure): Figure | undefined {
  const ratio = perMillilitre(supply)
  return (
    ratio &&
    product(
      `volume of ${ofSpecies(supply)} to measure`,
      'volume',
      [amount, ...ratio.under],
      ratio.over,
      1 / ratio.conversion,
    )
  )
}

/** An amount left over, as the pure weighed formula. */
export const leftoverMass = (supply: Supply, amount: Figure): Figure =>
  product(`{${supply.weighed.text}} left over`, 'mass', [amount, molarMassFigure(supply.weighed)], unitsFigure(supply))

/** Water that comes with an amount of the reagent, and whether a density had to be guessed for it. */
export function waterWith(
  supply: Supply,
  amount: Figure,
  water: Formula,
): { readonly water: Figure; readonly estimated: boolean } {
  const waterMass = molarMassFigure(water)
  if (supply.kind === 'solution') {
    const whole = massFor(supply, amount)
    if (whole) {
      const solute = product(`{${supply.species.text}} in its solution`, 'mass', [
        amount,
        molarMassFigure(supply.species),
      ])
      return { water: difference(`water with ${ofSpecies(supply)}`, whole, solute), estimated: false }
    }
    const asWater = exact(0.997, 'density', 'density of water', '0.997 g/mL')
    return {
      water: product(`water with ${ofSpecies(supply)}, as if the solute took no room`, 'mass', [
        volumeFor(supply, amount)!,
        asWater,
      ]),
      estimated: true,
    }
  }
  const waters = exact(supply.relation.waters / supply.relation.units, 'number', 'waters')
  return { water: product(`water with ${ofSpecies(supply)}`, 'mass', [amount, waters, waterMass]), estimated: false }
}

/** Volume of one mole of an ideal gas, mL/mol: RT/p. */
export function idealMolarVolume(celsius: number, kilopascal: number): Figure {
  const value = (GAS_CONSTANT * (celsius + CELSIUS_ZERO) * 1000) / kilopascal
  return exact(
    value,
    'molar volume',
    `molar volume of a gas at ${celsius} °C and ${kilopascal} kPa`,
    `${(value / 1000).toFixed(3)} L/mol`,
  )
}
