/**
 * Diamagnetic corrections, 10⁻⁶ cm³/mol (cgs): G. A. Bain and J. F. Berry, J. Chem. Educ. 85 (2008) 532, and Pascal's constants in the form of
 * A. Earnshaw, Introduction to Magnetochemistry, 1968 (both from memory). A metal's ion is told by its charge, a ligand by its formula, whatever charge it brings.
 */
export interface DiamagneticRow {
  readonly formula: string
  /** Left out for ligands and molecules. */
  readonly charge?: number
  readonly susceptibility: number
}
export const diamagnetic = [
  { formula: 'Li',      charge: 1,  susceptibility: -1.0 },
  { formula: 'Na',      charge: 1,  susceptibility: -6.8 },
  { formula: 'K',       charge: 1,  susceptibility: -14.9 },
  { formula: 'Rb',      charge: 1,  susceptibility: -22.5 },
  { formula: 'Cs',      charge: 1,  susceptibility: -35.0 },
  { formula: 'NH4',     charge: 1,  susceptibility: -13.3 },
  { formula: 'Mg',      charge: 2,  susceptibility: -5.0 },
  { formula: 'Ca',      charge: 2,  susceptibility: -10.4 },
  { formula: 'Sr',      charge: 2,  susceptibility: -19.0 },
  { formula: 'Ba',      charge: 2,  susceptibility: -26.5 },
  { formula: 'Zn',      charge: 2,  susceptibility: -15.0 },
  { formula: 'Cd',      charge: 2,  susceptibility: -24 },
  { formula: 'Hg',      charge: 2,  susceptibility: -40 },
  { formula: 'Al',      charge: 3,  susceptibility: -2 },
  { formula: 'Ag',      charge: 1,  susceptibility: -28 },
  { formula: 'Ti',      charge: 3,  susceptibility: -9 },
  { formula: 'V',       charge: 3,  susceptibility: -10 },
  { formula: 'V',       charge: 4,  susceptibility: -7 },
  { formula: 'Cr',      charge: 2,  susceptibility: -15 },
  { formula: 'Cr',      charge: 3,  susceptibility: -11 },
  { formula: 'Mn',      charge: 2,  susceptibility: -14 },
  { formula: 'Mn',      charge: 3,  susceptibility: -10 },
  { formula: 'Fe',      charge: 2,  susceptibility: -12.8 },
  { formula: 'Fe',      charge: 3,  susceptibility: -10 },
  { formula: 'Co',      charge: 2,  susceptibility: -12 },
  { formula: 'Co',      charge: 3,  susceptibility: -10 },
  { formula: 'Ni',      charge: 2,  susceptibility: -12 },
  { formula: 'Cu',      charge: 2,  susceptibility: -11 },
  { formula: 'Cu',      charge: 1,  susceptibility: -12 },
  { formula: 'F',       charge: -1, susceptibility: -9.1 },
  { formula: 'Cl',      charge: -1, susceptibility: -23.4 },
  { formula: 'Br',      charge: -1, susceptibility: -34.6 },
  { formula: 'I',       charge: -1, susceptibility: -50.6 },
  { formula: 'OH',      charge: -1, susceptibility: -12.0 },
  { formula: 'O',       charge: -2, susceptibility: -12.0 },
  { formula: 'NO2',     charge: -1, susceptibility: -10.0 },
  { formula: 'NO3',     charge: -1, susceptibility: -18.9 },
  { formula: 'CN',      charge: -1, susceptibility: -13.0 },
  { formula: 'SCN',     charge: -1, susceptibility: -31.0 },
  { formula: 'ClO4',    charge: -1, susceptibility: -32.0 },
  { formula: 'IO3',     charge: -1, susceptibility: -51 },
  { formula: 'BF4',     charge: -1, susceptibility: -37 },
  { formula: 'CH3COO',  charge: -1, susceptibility: -31.5 },
  { formula: 'C2O4',    charge: -2, susceptibility: -34 },
  { formula: 'CO3',     charge: -2, susceptibility: -28.0 },
  { formula: 'SO4',     charge: -2, susceptibility: -40.1 },
  { formula: 'SO3',     charge: -2, susceptibility: -38 },
  { formula: 'S2O3',    charge: -2, susceptibility: -46 },
  { formula: 'PtCl6',   charge: -2, susceptibility: -148 },
  { formula: 'H2O',     susceptibility: -13 },
  { formula: 'NH3',     susceptibility: -18 },
  { formula: 'C2H8N2',  susceptibility: -46.5 },
  { formula: 'C5H5N',   susceptibility: -49 },
  { formula: 'C10H8N2', susceptibility: -105 },
  { formula: 'C12H8N2', susceptibility: -128 },
  { formula: 'C5H7O2',  susceptibility: -52 },
  { formula: 'C2H4NO2', susceptibility: -37 },
] as const satisfies readonly DiamagneticRow[]

/**
 * Substances that a magnetic balance is set by: mass susceptibility at 20 °C, 10⁻⁶ cm³/g, and the Weiss constant by which it falls as 1/(T + θ), K.
 * B. N. Figgis and R. S. Nyholm, J. Chem. Soc. 1958, 4190, and N. F. Curtis, J. Chem. Soc. 1961, 3147 (both from memory).
 */
export const magneticStandards = [
  { formula: 'Hg[Co(NCS)4]', susceptibility: 16.44, uncertainty: 0.08, weiss: 10 },
  { formula: '[Ni(en)3]S2O3', susceptibility: 11.04, uncertainty: 0.08, weiss: -43 },
] as const

/**
 * Magnetic moments near room temperature, Bohr magnetons, by a metal's oxidation state and its unpaired electrons: F. A. Cotton and G. Wilkinson, Advanced
 * Inorganic Chemistry, and B. N. Figgis and J. Lewis, Prog. Inorg. Chem. 6 (1964) 37 (both from memory). Where orbital motion counts they lie above the spin alone.
 */
export interface UsualMoment {
  readonly metal: string
  readonly state: number
  readonly unpaired: number
  readonly from: number
  readonly to: number
  /** What such an ion is called, where it says something. */
  readonly called?: string
}
export const usualMoments: readonly UsualMoment[] = [
  { metal: 'Ti', state: 3, unpaired: 1, from: 1.65, to: 1.8 },
  { metal: 'V',  state: 4, unpaired: 1, from: 1.65, to: 1.8 },
  { metal: 'V',  state: 3, unpaired: 2, from: 2.6,  to: 2.95 },
  { metal: 'Cr', state: 3, unpaired: 3, from: 3.7,  to: 3.95 },
  { metal: 'Cr', state: 2, unpaired: 4, from: 4.7,  to: 4.95, called: 'high spin' },
  { metal: 'Cr', state: 2, unpaired: 2, from: 3.1,  to: 3.35, called: 'low spin' },
  { metal: 'Mn', state: 3, unpaired: 4, from: 4.7,  to: 5.05, called: 'high spin' },
  { metal: 'Mn', state: 3, unpaired: 2, from: 3.1,  to: 3.35, called: 'low spin' },
  { metal: 'Mn', state: 2, unpaired: 5, from: 5.65, to: 6.1,  called: 'high spin' },
  { metal: 'Mn', state: 2, unpaired: 1, from: 1.8,  to: 2.2,  called: 'low spin' },
  { metal: 'Fe', state: 3, unpaired: 5, from: 5.6,  to: 6.1,  called: 'high spin' },
  { metal: 'Fe', state: 3, unpaired: 1, from: 1.9,  to: 2.6,  called: 'low spin' },
  { metal: 'Fe', state: 2, unpaired: 4, from: 5.0,  to: 5.7,  called: 'high spin' },
  { metal: 'Co', state: 2, unpaired: 3, from: 4.2,  to: 5.2,  called: 'high spin, tetrahedral up to 4.8' },
  { metal: 'Co', state: 2, unpaired: 1, from: 1.8,  to: 2.9,  called: 'low spin' },
  { metal: 'Ni', state: 2, unpaired: 2, from: 2.8,  to: 4.1,  called: 'octahedral to 3.5, tetrahedral above 3.2' },
  { metal: 'Cu', state: 2, unpaired: 1, from: 1.7,  to: 2.2 },
]
