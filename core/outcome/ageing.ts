import { parseFormula } from '#core/formula'
import { ageings, type AgeingRow } from '#core/reference'
import { partsOfIons } from './relatives'

/** How a substance loses strength on the shelf, by its ions or by what it is; undefined where none is known. */
export function ageingRow(species: string): AgeingRow | undefined {
  const read = parseFormula(species)
  if (!read.ok) return undefined
  const parts = new Set([species, ...(partsOfIons(read.value)?.map(({ text }) => text) ?? [])])
  return ageings.find(({ of }) => parts.has(of))
}
