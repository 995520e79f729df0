import type { Family } from '../family'
import { baseFamilies } from './bases'
import { complexFamilies } from './complexes'
import { dissolvingFamilies } from './dissolving'
import { doubleSaltFamilies } from './double-salts'
import { exchangeFamilies } from './exchange'
import { heatFamilies } from './heat'
import { caustic } from './caustic'
import { displaceMetal } from './displacement'
import { halogenFamilies } from './halogens'
import { metalStateFamilies } from './metal-states'
import { oxoanionFamilies } from './oxoanions'
import { precipitateFamilies } from './precipitates'

/** The reaction families that routes are put together from. */
export const families: readonly Family[] = [
  ...dissolvingFamilies,
  ...baseFamilies,
  ...precipitateFamilies,
  ...exchangeFamilies,
  ...halogenFamilies,
  displaceMetal,
  ...metalStateFamilies,
  caustic,
  ...oxoanionFamilies,
  ...heatFamilies,
  ...doubleSaltFamilies,
  ...complexFamilies,
]
