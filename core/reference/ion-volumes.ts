/**
 * Conventional partial molar volumes of ions in water at 25 °C and infinite dilution, mL/mol, with H+ at zero: F. J. Millero,
 * Chem. Rev. 71 (1971) 147 (from memory, to about 1 mL/mol). For an estimate of the density of a liquor.
 */
export const ionVolumeSource = 'Millero, Chem. Rev. 71 (1971) 147, partial molar volumes of ions (from memory); an estimate'

export const ionVolumes: Readonly<Record<string, number>> = {
  'H^+': 0, 'Li^+': -0.9, 'Na^+': -1.2, 'K^+': 9.0, 'Rb^+': 14.1, 'Cs^+': 21.3, 'NH4^+': 17.9, 'Ag^+': -0.7, 'Tl^+': 10.6,
  'Mg^2+': -21.2, 'Ca^2+': -17.9, 'Sr^2+': -18.2, 'Ba^2+': -12.5, 'Mn^2+': -17.7, 'Fe^2+': -24.7, 'Co^2+': -24.0, 'Ni^2+': -24.0, 'Cu^2+': -25.5, 'Zn^2+': -21.6, 'Cd^2+': -20.0, 'Pb^2+': -15.5, 'Hg^2+': -19.3, 'Be^2+': -12.0,
  'Al^3+': -42.2, 'Fe^3+': -43.7, 'Cr^3+': -39.5, 'La^3+': -39.1,
  'F^-': -1.2, 'Cl^-': 17.8, 'Br^-': 24.7, 'I^-': 36.2, 'OH^-': -4.0, 'NO3^-': 29.0, 'NO2^-': 26.2, 'ClO3^-': 36.7, 'ClO4^-': 44.1, 'BrO3^-': 35.3, 'IO3^-': 25.3, 'MnO4^-': 42.5, 'SCN^-': 35.7, 'HCO3^-': 23.4, 'HSO4^-': 35.7, 'H2PO4^-': 29.1, 'CH3COO^-': 40.5, 'HCOO^-': 26.2,
  'SO4^2-': 14.0, 'SO3^2-': 8.9, 'S2O3^2-': 33.2, 'CO3^2-': -4.3, 'CrO4^2-': 19.7, 'Cr2O7^2-': 73.0, 'C2O4^2-': 16.0, 'MoO4^2-': 28.9, 'WO4^2-': 25.7, 'HPO4^2-': 7.7, 'S2O8^2-': 66.0,
  'PO4^3-': -22.0,
}

/** Density of water, g/mL, by °C: CRC Handbook (from memory). */
export const waterDensities = [
  [0, 0.9998], [10, 0.9997], [20, 0.9982], [25, 0.9970], [30, 0.9957], [40, 0.9922], [50, 0.9880], [60, 0.9832], [70, 0.9778], [80, 0.9718], [90, 0.9653], [100, 0.9584],
] as const
