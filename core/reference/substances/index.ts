import { acidsAndGases } from './acids-and-gases'
import { alkaliAndAmmonium } from './alkali-and-ammonium'
import { alkalineEarthsAndPBlock } from './alkaline-earths-and-p-block'
import { doubleSaltsAndComplexes } from './double-salts-and-complexes'
import type { SubstanceBlock, SubstanceRow } from './row'
import { transitionMetals } from './transition-metals'

export { hazardStatements, type HazardCode } from './hazards'
export type { Dissolves, FormRow, InAir, SubstanceBlock, SubstanceRow } from './row'

export const substanceBlocks: readonly SubstanceBlock[] = [
  acidsAndGases,
  alkaliAndAmmonium,
  alkalineEarthsAndPBlock,
  transitionMetals,
  doubleSaltsAndComplexes,
]

/** Substances of preparative work. A substance's forms are its known hydrates, as waters per formula. */
export const substances: readonly SubstanceRow[] = substanceBlocks.flatMap(({ rows }) => rows)
