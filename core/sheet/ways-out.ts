import { findSubstance, type Formula } from '#core/formula'
import type { Phase } from '#core/equation'
import type { SubstanceRow } from '#core/reference'

/** Rows of the lab's own, which come before the shipped ones. */
type Own = readonly SubstanceRow[] | undefined

/** The ways out of an excess among which a chemist chooses. */
export const chosenWays = [
  'filtered off',
  'boiled off',
  'stays in the liquor',
  'washed out',
  'left in on purpose',
  'quenched',
] as const

/** Where a substance goes after the reaction, proposed from what the table knows of it or chosen by the chemist. */
export type WayOut =
  | (typeof chosenWays)[number]
  | 'used up'
  | 'leaves as gas'
  | 'crystals'
  | 'stays in the pot'
  | 'precipitate'
  | 'not known'

/** True for what the table says is a gas at 25 °C, unless the equation says it is dissolved or condensed. */
export const isGas = (formula: Formula, phase?: Phase, own?: Own): boolean =>
  (phase === undefined || phase === 'g') && findSubstance(formula, own)?.row.state === 'gas'

/** What becomes of an excess: boiled off where it is volatile, filtered off where it does not dissolve, else in the liquor. */
export function wayOutOfExcess(formula: Formula, own?: Own): WayOut {
  const row = findSubstance(formula, own)?.row
  if (!row) return 'not known'
  if (row.state === 'gas' || row.volatile) return 'boiled off'
  return row.water === 'insoluble' ? 'filtered off' : 'stays in the liquor'
}

/** How a product comes: gas, precipitate, crystals of the wanted salt, or in the liquor. */
export function wayOutOfProduct(formula: Formula, phase: Phase | undefined, wanted: boolean, own?: Own): WayOut {
  if (isGas(formula, phase, own)) return 'leaves as gas'
  const row = findSubstance(formula, own)?.row
  if (row?.water === 'insoluble') return 'precipitate'
  if (wanted) return 'crystals'
  return row ? 'stays in the liquor' : 'not known'
}
