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
export interface AcidRow extends TreatedRow {
  /** What is left of it once neutral; undefined for an acid salt, whose cation stays with it. */
  readonly anion?: readonly [text: string, charge: number]
}
export interface BaseRow extends TreatedRow {
  readonly cation: readonly [text: string, charge: number]
}
export const acidsLeft: readonly AcidRow[] = [
  { of: 'HCl', count: 1, anion: ['Cl', 1] }, { of: 'HBr', count: 1, anion: ['Br', 1] }, { of: 'HI', count: 1, anion: ['I', 1] }, { of: 'HNO3', count: 1, anion: ['NO3', 1] }, { of: 'H2SO4', count: 2, anion: ['SO4', 2] }, { of: 'H3PO4', count: 2, anion: ['HPO4', 2] },
  { of: 'CH3COOH', count: 1, anion: ['CH3COO', 1] }, { of: 'HCOOH', count: 1, anion: ['HCOO', 1] }, { of: 'H2C2O4', count: 2, anion: ['C2O4', 2] }, { of: 'NaHSO4', count: 1 }, { of: 'KHSO4', count: 1 },
]
export const basesLeft: readonly BaseRow[] = [
  { of: 'NaOH', count: 1, cation: ['Na', 1] }, { of: 'KOH', count: 1, cation: ['K', 1] }, { of: 'LiOH', count: 1, cation: ['Li', 1] }, { of: 'NH3', count: 1, cation: ['NH4', 1] }, { of: 'Ca(OH)2', count: 2, cation: ['Ca', 2] }, { of: 'Ba(OH)2', count: 2, cation: ['Ba', 2] },
  { of: 'Na2CO3', count: 2, cation: ['Na', 1] }, { of: 'K2CO3', count: 2, cation: ['K', 1] }, { of: 'NaHCO3', count: 1, cation: ['Na', 1] }, { of: 'KHCO3', count: 1, cation: ['K', 1] }, { of: '(NH4)2CO3', count: 2, cation: ['NH4', 1] },
]
/** Electrons that one takes up until it is harmless. */
export const oxidantsLeft: readonly (TreatedRow & { readonly medium: 'acid' | 'alkali' })[] = [
  { of: 'KMnO4', count: 5, medium: 'acid' }, { of: 'NaMnO4', count: 5, medium: 'acid' }, { of: 'K2Cr2O7', count: 6, medium: 'acid' }, { of: 'Na2Cr2O7', count: 6, medium: 'acid' }, { of: '(NH4)2Cr2O7', count: 6, medium: 'acid' }, { of: 'K2CrO4', count: 3, medium: 'acid' }, { of: 'Na2CrO4', count: 3, medium: 'acid' }, { of: 'CrO3', count: 3, medium: 'acid' },
  { of: 'H2O2', count: 2, medium: 'acid' }, { of: 'K2S2O8', count: 2, medium: 'acid' }, { of: 'Na2S2O8', count: 2, medium: 'acid' }, { of: '(NH4)2S2O8', count: 2, medium: 'acid' }, { of: 'KIO3', count: 6, medium: 'acid' }, { of: 'KBrO3', count: 6, medium: 'acid' },
  { of: 'NaClO', count: 2, medium: 'alkali' }, { of: 'KClO', count: 2, medium: 'alkali' }, { of: 'I2', count: 2, medium: 'alkali' }, { of: 'Br2', count: 2, medium: 'alkali' }, { of: 'Cl2', count: 2, medium: 'alkali' },
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
