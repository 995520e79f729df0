/**
 * What is usual for small residues at a teaching or preparative bench: common practice, no source; what a reagent gives and takes is stoichiometry.
 * Local rules decide what may be treated at all.
 */
export interface TreatedRow {
  /** As a formula of what is left, or the ion of it. */
  readonly of: string
  /** Equivalents to one: acid, base, electrons taken, or charge of the metal ion. */
  readonly count: number
}
/** Oxidising ions and molecules: electrons that one takes up until it is harmless, and whether that is done in acid. */
export const oxidantsLeft: readonly (TreatedRow & { readonly charge: number; readonly medium: 'acid' | 'alkali' })[] = [
  { of: 'MnO4', charge: -1, count: 5, medium: 'acid' }, { of: 'Cr2O7', charge: -2, count: 6, medium: 'acid' }, { of: 'CrO4', charge: -2, count: 3, medium: 'acid' }, { of: 'CrO3', charge: 0, count: 3, medium: 'acid' },
  { of: 'H2O2', charge: 0, count: 2, medium: 'acid' }, { of: 'S2O8', charge: -2, count: 2, medium: 'acid' }, { of: 'IO3', charge: -1, count: 6, medium: 'acid' }, { of: 'BrO3', charge: -1, count: 6, medium: 'acid' },
  { of: 'ClO', charge: -1, count: 2, medium: 'alkali' }, { of: 'I2', charge: 0, count: 2, medium: 'alkali' }, { of: 'Br2', charge: 0, count: 2, medium: 'alkali' }, { of: 'Cl2', charge: 0, count: 2, medium: 'alkali' },
]
/** Metal ions that are thrown down and collected as a solid, with the charge they have, and what throws them down. */
export const metalsLeft: readonly (TreatedRow & { readonly as: 'carbonate' | 'hydroxide' | 'sulfate' | 'chloride' })[] = [
  { of: 'Ni', count: 2, as: 'carbonate' }, { of: 'Cu', count: 2, as: 'carbonate' }, { of: 'Co', count: 2, as: 'carbonate' }, { of: 'Zn', count: 2, as: 'carbonate' }, { of: 'Cd', count: 2, as: 'carbonate' }, { of: 'Pb', count: 2, as: 'carbonate' }, { of: 'Mn', count: 2, as: 'carbonate' },
  { of: 'Cr', count: 3, as: 'hydroxide' }, { of: 'Al', count: 3, as: 'hydroxide' }, { of: 'Ba', count: 2, as: 'sulfate' }, { of: 'Ag', count: 1, as: 'chloride' },
]
/** What is never treated by a rule of this kind: collected, and someone who knows is asked. */
export const neverTreated: readonly (readonly [element: string, why: string])[] = [
  ['Hg', 'mercury'], ['As', 'arsenic'], ['Tl', 'thallium'], ['Be', 'beryllium'], ['Os', 'osmium'], ['Se', 'selenium'], ['U', 'uranium'], ['Th', 'thorium'],
]
export const neverTreatedIons: readonly (readonly [ion: string, why: string])[] = [
  ['CN', 'cyanide: acid sets hydrogen cyanide free'], ['N3', 'azide: acid sets hydrazoic acid free, heavy metals make explosives'], ['F', 'fluoride: acid sets hydrogen fluoride free'], ['ClO4', 'perchlorate'], ['ClO3', 'chlorate'], ['S', 'sulfide: acid sets hydrogen sulfide free'],
]
