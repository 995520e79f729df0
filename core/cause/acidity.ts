import { parseFormula } from '#core/formula'
import { partsOfIons } from '#core/outcome'
import { ANHYDRIDE_FROM } from '#core/reference'
import type { StageSheet } from '#core/sheet'

/** What keeps the liquor in the end: a base in excess, an acid in excess, an acid that was used up, or salts alone. */
export type Acidity = 'base' | 'acid' | 'acid used up' | 'salts'

const BASES: ReadonlySet<string> = new Set(['OH', 'CO3'])

const partsIn = (form: string) => {
  const read = parseFormula(form)
  return (read.ok && partsOfIons(read.value)) || []
}
/** True of a hydroxide, a carbonate, an oxide that takes protons. */
export const isBase = (form: string): boolean => {
  const parts = partsIn(form)
  const isOxide =
    parts.some(({ text }) => text === 'O') && parts.every(({ charge, text }) => text === 'O' || charge < ANHYDRIDE_FROM)
  return isOxide || parts.some(({ text }) => BASES.has(text))
}
export const isAcid = (form: string): boolean => partsIn(form).some(({ text }) => text === 'H')

/** Mol below which nothing is left to speak of. */
const LEAST = 1e-6

/** By what of the sheet's reagents is left over. */
export function acidityOf({ reagents }: Pick<StageSheet, 'reagents'>): Acidity {
  const planned = reagents.filter(one => one.planned)
  const over = planned.filter(({ leftover }) => leftover.amount.value > LEAST)
  if (over.some(({ species }) => isBase(species))) return 'base'
  if (over.some(({ species }) => isAcid(species))) return 'acid'
  return planned.some(({ species }) => isAcid(species)) ? 'acid used up' : 'salts'
}
