import type { Step } from './search'
import { centreOf } from './complex'
import type { Stuff } from './stuff'

/** How much more than its share of a reagent goes in where what is left of it goes by itself: common practice of preparative texts, no source. */
const PEROXIDE = 1.3
const AMMONIA_ON_METAL = 1.5
const VOLATILE_ACID = 1.1

/** Equivalents of a reagent that falls apart or boils away; undefined for others. */
export function volatileExcess({ text, row }: Stuff, { target }: Step): number | undefined {
  if (text === 'H2O2') return PEROXIDE
  if (text === 'NH3' && centreOf(target)?.ligands.some(one => one.text === 'NH3')) return AMMONIA_ON_METAL
  const boils = row?.volatile === true || row?.state === 'gas'
  return boils && ACIDS.has(text) ? VOLATILE_ACID : undefined
}
const ACIDS = new Set(['HCl', 'HBr', 'HNO3', 'CH3COOH', 'HCOOH'])
