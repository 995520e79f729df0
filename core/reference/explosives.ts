/**
 * What explodes by rubbing, by warmth or by itself, and is not planned here: by the ions that stand together, by a ligand beside an oxidising anion, and single compounds that are no salts. Texts of laboratory safety
 * (Bretherick and others), from memory; not complete.
 */
export interface ExplosiveSalt {
  readonly anion: string
  readonly cations: readonly string[]
  readonly why: string
}
export const explosiveSalts: readonly ExplosiveSalt[] = [
  { anion: 'N3',    cations: ['Ag', 'Hg', 'Hg2', 'Pb', 'Cu', 'Cd', 'Tl', 'Au', 'Ni', 'Co', 'Mn', 'Zn'], why: 'azides of heavy metals explode when they are touched' },
  { anion: 'MnO4',  cations: ['NH4'], why: 'ammonium permanganate explodes' },
  { anion: 'ClO3',  cations: ['NH4'], why: 'ammonium chlorate explodes by itself' },
  { anion: 'BrO3',  cations: ['NH4'], why: 'ammonium bromate explodes by itself' },
  { anion: 'N3',    cations: ['NH4'], why: 'ammonium azide explodes' },
] // prettier-ignore
/** Ligands that burn, and anions that make them explode in the same crystal. */
export const burningLigands: readonly string[] = ['NH3', 'en', 'N2H4', 'NH2OH', 'py', 'bipy', 'phen']
export const explosiveAnions: readonly string[] = ['ClO4', 'ClO3', 'BrO3', 'MnO4', 'N3']
export const explosiveCompounds: readonly (readonly [formula: string, why: string])[] = [
  ['NI3', 'nitrogen triiodide explodes at a touch'], ['NCl3', 'nitrogen trichloride explodes'], ['NBr3', 'nitrogen tribromide explodes'],
  ['Ag3N', 'silver nitride explodes when it is touched'], ['Ag2C2', 'silver carbide explodes when it is touched'], ['Cu2C2', 'copper(I) carbide explodes when it is dry'],
  ['AgCNO', 'silver fulminate explodes at a touch'], ['Hg(CNO)2', 'mercury fulminate explodes when it is rubbed'],
  ['Mn2O7', 'manganese heptoxide explodes when it is warm'], ['Cl2O7', 'dichlorine heptoxide explodes'], ['ClO2', 'chlorine dioxide explodes'],
] // prettier-ignore
/** Complexes that are made in solution for a test and thrown away with acid at once, and are never kept or dried: the same texts. */
export const neverKept: readonly { readonly metal: string; readonly ligand: string; readonly why: string }[] = [
  { metal: 'Ag', ligand: 'NH3', why: 'silver in ammonia throws a black solid down as it stands, which explodes when it is touched' },
  { metal: 'Au', ligand: 'NH3', why: 'gold in ammonia throws a solid down that explodes when it is touched' },
] // prettier-ignore
