/**
 * Oxidants in acid: electrons that one takes up, and the standard potential, V (CRC Handbook, from memory). Those above 1.3 V set chlorine free from acid chloride, the last of them only
 * when it is strong and warm.
 */
export interface OxidantRow {
  readonly of: string
  readonly charge: number
  readonly electrons: number
  readonly potential: number
}
export const oxidants: readonly OxidantRow[] = [
  { of: 'S2O8',  charge: -2, electrons: 2, potential: 2.01 },
  { of: 'H2O2',  charge: 0,  electrons: 2, potential: 1.76 },
  { of: 'ClO',   charge: -1, electrons: 2, potential: 1.63 },
  { of: 'MnO4',  charge: -1, electrons: 5, potential: 1.51 },
  { of: 'BrO3',  charge: -1, electrons: 5, potential: 1.48 },
  { of: 'ClO3',  charge: -1, electrons: 5, potential: 1.47 },
  { of: 'PbO2',  charge: 0,  electrons: 2, potential: 1.46 },
  { of: 'Cr2O7', charge: -2, electrons: 6, potential: 1.33 },
  { of: 'CrO4',  charge: -2, electrons: 3, potential: 1.33 },
  { of: 'NO3',   charge: -1, electrons: 3, potential: 0.96 },
  { of: 'IO3',   charge: -1, electrons: 5, potential: 1.2 },
  { of: 'MnO2',  charge: 0,  electrons: 2, potential: 1.22 },
]
/** Chlorine from chloride, V (as above). */
export const CHLORINE = 1.36

/** Anions whose salts are not heated to dryness, with all cations or with some: texts of laboratory safety, from memory; not complete. */
export const notToDryness: readonly { readonly anion: string; readonly with?: readonly string[]; readonly why: string }[] = [
  { anion: 'N3',    why: 'azides explode, those of heavy metals when they are touched' },
  { anion: 'ClO4',  why: 'perchlorates explode with anything that burns, and by themselves with ammonia or amines on the metal' },
  { anion: 'ClO3',  why: 'chlorates go off with anything that burns' },
  { anion: 'BrO3',  why: 'bromates go off with anything that burns' },
  { anion: 'MnO4',  with: ['NH4'], why: 'ammonium permanganate explodes' },
  { anion: 'Cr2O7', with: ['NH4'], why: 'ammonium dichromate burns by itself once it is hot' },
  { anion: 'NO3',   with: ['NH4'], why: 'ammonium nitrate can explode when it is heated dry' },
  { anion: 'NO2',   with: ['NH4'], why: 'ammonium nitrite can explode when it is warm' },
]
/** Salts that never see an oven: the same texts. */
export const notWarmed: readonly { readonly anion: string; readonly with?: readonly string[]; readonly why: string }[] = [
  ...notToDryness.filter(row => row.with !== undefined),
  { anion: 'N3', why: 'azides explode' },
  { anion: 'ClO4', with: ['NH4'], why: 'ammonium perchlorate explodes when it is hot' },
  { anion: 'S2O8', why: 'peroxodisulfates give off oxygen when they are warm, and faster as they do' },
]
/** Ions and elements that burn with an oxidant: the same texts. */
export const fuels: readonly string[] = ['S', 'P', 'C', 'C2O4', 'C4H4O6', 'C6H5O7', 'HCOO', 'CH3COO', 'NH4', 'S2O3', 'SO3', 'CN', 'NCS', 'Mg', 'Al', 'Zn', 'Fe']
/** Oxoanions that make a mixture with them which can go off: the same texts. */
export const violentOxidants: readonly string[] = ['ClO3', 'BrO3', 'ClO4', 'MnO4']
