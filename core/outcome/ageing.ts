import { findSubstance, parseFormula } from '#core/formula'
import { ageings, type AgeingRow } from '#core/reference'
import { partsOfIons } from './relatives'

/** How a substance loses strength on the shelf, by its ions or by what it is; undefined where none is known. */
export function ageingRow(species: string): AgeingRow | undefined {
  const read = parseFormula(species)
  if (!read.ok) return undefined
  const parts = partsOfIons(read.value) ?? []
  const water = findSubstance(read.value)?.row.water
  return ageings.find(
    ({ of, charge, isSoluble }) =>
      (charge === undefined
        ? of === read.value.text
        : parts.some(part => part.text === of && part.charge === charge)) &&
      (!isSoluble || water === undefined || water === 'soluble' || water === 'reacts'),
  )
}
