/**
 * Which metal ions hold which ligands in water, and how many: log₁₀ of the overall constant at 25 °C where one is at hand (Smith and Martell, Critical stability constants; texts of inorganic chemistry; all from
 * memory, to about half a unit). Chromium(III) takes amines only where there is no water, and is not here with them. What is not here is not known to hold: a preparation that needs it is not proposed.
 */
export interface ComplexIonRow {
  readonly metal: string
  readonly charge: number
  readonly ligand: string
  /** How many at most. */
  readonly most: number
  readonly logBeta?: number
}

const row = (ligand: string, ...metals: readonly (readonly [string, number, number, number?])[]): ComplexIonRow[] =>
  metals.map(([metal, charge, most, logBeta]) => ({ metal, charge, ligand, most, ...(logBeta !== undefined && { logBeta }) }))

export const complexIons: readonly ComplexIonRow[] = [
  ...row('NH3', ['Cu', 2, 4, 12.6], ['Cu', 1, 2, 10.6], ['Ni', 2, 6, 8.7], ['Co', 2, 6, 5.1], ['Co', 3, 6, 35], ['Zn', 2, 4, 9.1], ['Cd', 2, 6, 5.1], ['Ag', 1, 2, 7.2], ['Hg', 2, 4, 19.3], ['Pd', 2, 4, 29], ['Pt', 2, 4, 35], ['Pt', 4, 6], ['Rh', 3, 6], ['Ru', 3, 6], ['Ru', 2, 6]),
  ...row('en', ['Cu', 2, 2, 20.0], ['Ni', 2, 3, 18.3], ['Co', 2, 3, 13.9], ['Co', 3, 3, 48.7], ['Zn', 2, 3, 14.1], ['Cd', 2, 3, 12.1], ['Fe', 2, 3, 9.7], ['Mn', 2, 3, 5.7], ['Pd', 2, 2, 26.9], ['Pt', 2, 2], ['Rh', 3, 3], ['Hg', 2, 2, 23.3]),
  ...row('pn', ['Cu', 2, 2, 19.7], ['Ni', 2, 3, 18.0], ['Co', 3, 3]), ...row('tn', ['Cu', 2, 2, 16.9], ['Ni', 2, 3, 12.8], ['Co', 3, 3]), ...row('dien', ['Cu', 2, 2, 20.9], ['Ni', 2, 2, 18.6], ['Co', 3, 2]),
  ...row('py', ['Cu', 2, 4, 6.0], ['Ni', 2, 4, 3.5], ['Co', 2, 4, 2.4], ['Zn', 2, 2, 1.6], ['Ag', 1, 2, 4.1], ['Cd', 2, 4, 2.5]),
  ...row('phen', ['Fe', 2, 3, 21.0], ['Fe', 3, 3, 14.1], ['Ni', 2, 3, 24.3], ['Co', 2, 3, 19.8], ['Co', 3, 3], ['Cu', 2, 3, 21.0], ['Zn', 2, 3, 17.0], ['Ru', 2, 3], ['Mn', 2, 3, 10.3], ['Cd', 2, 3, 14.3]),
  ...row('bipy', ['Fe', 2, 3, 17.2], ['Ni', 2, 3, 20.2], ['Co', 2, 3, 15.9], ['Co', 3, 3], ['Cu', 2, 3, 17.0], ['Zn', 2, 3, 13.2], ['Ru', 2, 3]),
  ...row('terpy', ['Fe', 2, 2, 20.9], ['Co', 2, 2, 18.3], ['Ni', 2, 2, 21.8]),
  ...row('C2O4', ['Cu', 2, 2, 10.3], ['Fe', 3, 3, 18.5], ['Cr', 3, 3, 15.4], ['Al', 3, 3, 16.3], ['Co', 3, 3, 20], ['Co', 2, 2, 7.0], ['Ni', 2, 2, 7.6], ['Zn', 2, 2, 7.6], ['Mn', 3, 3, 19.4], ['V', 3, 3], ['Fe', 2, 2, 5.2], ['Ga', 3, 3, 18], ['Rh', 3, 3], ['Ti', 3, 2], ['Sn', 4, 3], ['VO', 2, 2, 12.5], ['Pd', 2, 2]),
  ...row('C3H2O4', ['Cu', 2, 2, 7.8], ['Fe', 3, 3, 15.7], ['Cr', 3, 3, 15.7], ['Al', 3, 3], ['Co', 3, 3], ['Mn', 3, 3]),
  ...row('CN', ['Fe', 2, 6, 35.4], ['Fe', 3, 6, 43.6], ['Co', 3, 6, 64], ['Ni', 2, 4, 30.2], ['Cu', 1, 4, 30.3], ['Ag', 1, 2, 20.5], ['Au', 1, 2, 38], ['Zn', 2, 4, 19.6], ['Cd', 2, 4, 18.0], ['Hg', 2, 4, 39.0], ['Cr', 3, 6], ['Mn', 3, 6], ['Mn', 2, 6], ['Pd', 2, 4, 42], ['Pt', 2, 4]),
  ...row('NO2', ['Co', 3, 6], ['Co', 2, 6], ['Ni', 2, 6], ['Cu', 2, 6], ['Rh', 3, 6]),
  ...row('NCS', ['Hg', 2, 4, 21.8], ['Co', 2, 4, 2.2], ['Cr', 3, 6], ['Fe', 3, 6, 6.3], ['Zn', 2, 4, 3.0], ['Ni', 2, 6], ['Co', 3, 6], ['Cu', 2, 4]),
  ...row('SCN', ['Hg', 2, 4, 21.8], ['Co', 2, 4, 2.2], ['Cr', 3, 6], ['Fe', 3, 6, 6.3], ['Zn', 2, 4, 3.0], ['Ni', 2, 6], ['Co', 3, 6], ['Pd', 2, 4], ['Pt', 2, 4]),
  ...row('Cl', ['Cu', 2, 4], ['Cu', 1, 4, 5.7], ['Co', 2, 4], ['Co', 3, 3], ['Zn', 2, 4, 0.2], ['Hg', 2, 4, 15.1], ['Cd', 2, 6, 1.7], ['Pt', 4, 6], ['Pt', 2, 4, 16.6], ['Pd', 2, 4, 11.5], ['Pd', 4, 6], ['Sn', 4, 6], ['Sn', 2, 3, 2.0], ['Fe', 3, 6, 2.1], ['Au', 3, 4, 26], ['Sb', 5, 6], ['Sb', 3, 6], ['Bi', 3, 6, 6.5], ['Pb', 4, 6], ['Mn', 2, 6], ['Mn', 3, 5], ['Mn', 4, 6], ['Ni', 2, 4], ['Cr', 3, 6], ['Rh', 3, 6], ['Ir', 3, 6], ['Ir', 4, 6], ['Mo', 3, 6], ['Ru', 3, 6], ['Os', 4, 6], ['Ti', 4, 6], ['Te', 4, 6], ['In', 3, 6], ['Tl', 3, 6], ['Ce', 4, 6], ['Ag', 1, 2, 5.3]),
  ...row('Br', ['Cu', 2, 4], ['Hg', 2, 4, 21.0], ['Cd', 2, 4, 3.7], ['Pt', 4, 6], ['Pt', 2, 4], ['Sn', 4, 6], ['Bi', 3, 6, 9.7], ['Co', 2, 4], ['Zn', 2, 4], ['Au', 3, 4], ['Co', 3, 3], ['Pd', 2, 4]),
  ...row('I', ['Hg', 2, 4, 29.8], ['Cd', 2, 4, 5.4], ['Bi', 3, 6, 18.8], ['Pb', 2, 4, 4.5], ['Cu', 1, 4], ['Ag', 1, 4, 13.7], ['Sn', 4, 6], ['Pt', 4, 6], ['Pd', 2, 4]),
  ...row('F', ['Al', 3, 6, 20.7], ['Fe', 3, 6, 16], ['Ti', 4, 6], ['Zr', 4, 6], ['Sn', 4, 6], ['Cr', 3, 6], ['Sb', 5, 6], ['Mn', 4, 6], ['Be', 2, 4, 13]),
  ...row('OH', ['Al', 3, 4, 33], ['Zn', 2, 4, 15.5], ['Sn', 4, 6], ['Sn', 2, 3, 25], ['Cr', 3, 6, 29], ['Pb', 2, 4, 16], ['Pb', 4, 6], ['Be', 2, 4, 15], ['Ga', 3, 4, 39], ['Cu', 2, 4, 16], ['Sb', 5, 6], ['Pt', 4, 6]),
  ...row('C5H7O2', ['Cu', 2, 2, 15.0], ['Fe', 3, 3, 26.3], ['Al', 3, 3, 22.3], ['Cr', 3, 3], ['Co', 3, 3], ['Co', 2, 2, 9.5], ['Ni', 2, 2, 10.8], ['Mn', 3, 3], ['Mn', 2, 2, 7.3], ['VO', 2, 2, 15.8], ['Zn', 2, 2, 9.1], ['Zr', 4, 4], ['Mg', 2, 2, 6.3], ['Be', 2, 2, 14.5], ['Ga', 3, 3], ['Pd', 2, 2], ['Ru', 3, 3], ['Fe', 2, 2]),
  ...row('C4H7N2O2', ['Ni', 2, 2, 17.6], ['Pd', 2, 2, 34], ['Cu', 2, 2, 19], ['Co', 2, 2, 16.5]),
  ...row('C2H4NO2', ['Cu', 2, 2, 15.1], ['Ni', 2, 3, 14.2], ['Zn', 2, 2, 9.1], ['Co', 3, 3], ['Co', 2, 2, 8.4], ['Cr', 3, 3], ['Cd', 2, 2, 7.9]),
  ...row('C9H6NO', ['Al', 3, 3], ['Mg', 2, 2, 11.8], ['Zn', 2, 2, 15.8], ['Cu', 2, 2, 23], ['Fe', 3, 3, 36], ['Cd', 2, 2], ['Bi', 3, 3], ['Ni', 2, 2, 18], ['Co', 2, 2, 17], ['Mn', 2, 2, 12]),
  ...row('C10H12N2O8', ['Ca', 2, 1, 10.7], ['Mg', 2, 1, 8.8], ['Fe', 3, 1, 25.1], ['Cu', 2, 1, 18.8], ['Ni', 2, 1, 18.6], ['Co', 3, 1, 41], ['Zn', 2, 1, 16.5], ['Cr', 3, 1, 23.4], ['Mn', 2, 1, 13.9], ['Al', 3, 1, 16.4]),
  ...row('CH4N2S', ['Cu', 1, 4, 15.4], ['Ag', 1, 3, 13.1], ['Pb', 2, 6], ['Cd', 2, 4], ['Zn', 2, 2], ['Bi', 3, 6]),
  ...row('S2O3', ['Ag', 1, 2, 13.5], ['Cu', 1, 2, 12.2], ['Au', 1, 2, 28]),
  ...row('NO3', ['Ce', 4, 6]), ...row('CO3', ['Co', 3, 3]), ...row('CH3COO', ['Cr', 2, 4], ['Cr', 3, 6]),
  ...row('C2H6OS', ['Cu', 2, 2], ['Fe', 3, 6], ['Ru', 2, 4], ['Pt', 2, 2]),
] // prettier-ignore

/** Potentials of a metal's two states while these ligands hold it, V at 25 °C against hydrogen (texts of inorganic chemistry, from memory): how far they make the higher state easy to reach. */
export const complexCouples: readonly { readonly metal: string; readonly upper: number; readonly ligand: string; readonly potential: number }[] = [
  { metal: 'Co', upper: 3, ligand: 'NH3',      potential: 0.06 },
  { metal: 'Co', upper: 3, ligand: 'en',       potential: -0.2 },
  { metal: 'Co', upper: 3, ligand: 'CN',       potential: -0.83 },
  { metal: 'Co', upper: 3, ligand: 'C2O4',     potential: 0.57 },
  { metal: 'Co', upper: 3, ligand: 'NO2',      potential: 0.3 },
  { metal: 'Co', upper: 3, ligand: 'CO3',      potential: 0.2 },
  { metal: 'Co', upper: 3, ligand: 'C5H7O2',   potential: 0.4 },
  { metal: 'Co', upper: 3, ligand: 'C2H4NO2',  potential: 0.2 },
  { metal: 'Co', upper: 3, ligand: 'C10H12N2O8', potential: 0.37 },
  { metal: 'Co', upper: 3, ligand: 'phen',     potential: 0.37 },
  { metal: 'Co', upper: 3, ligand: 'bipy',     potential: 0.31 },
  { metal: 'Fe', upper: 3, ligand: 'C2O4',     potential: 0.02 },
  { metal: 'Fe', upper: 3, ligand: 'CN',       potential: 0.36 },
  { metal: 'Fe', upper: 3, ligand: 'phen',     potential: 1.13 },
  { metal: 'Mn', upper: 3, ligand: 'C5H7O2',   potential: 0.6 },
  { metal: 'Mn', upper: 3, ligand: 'CN',       potential: -0.24 },
  { metal: 'Ag', upper: 1, ligand: 'CN',       potential: -0.31 },
] // prettier-ignore

/** Ligands that are bases of about the strength of ammonia, as molecules: where one is there, no acid is left free (texts, from memory). */
export const basicLigands: readonly string[] = ['NH3', 'C2H8N2', 'C3H10N2', 'C4H13N3']
