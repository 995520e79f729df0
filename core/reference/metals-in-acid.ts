/**
 * Metals that dilute acid dissolves with hydrogen, and the charge of the ion that they give: standard potentials at 25 °C below that of hydrogen, V (CRC Handbook, from memory). Lead is
 * left out: its own salts stop it. Nitric acid gives other gases.
 */
export interface MetalInAcid {
  readonly metal: string
  readonly charge: number
  readonly potential: number
}
export const metalsInAcid: readonly MetalInAcid[] = [
  { metal: 'Mg', charge: 2, potential: -2.37 },
  { metal: 'Al', charge: 3, potential: -1.66 },
  { metal: 'Mn', charge: 2, potential: -1.19 },
  { metal: 'Zn', charge: 2, potential: -0.76 },
  { metal: 'Cr', charge: 3, potential: -0.74 },
  { metal: 'Fe', charge: 2, potential: -0.44 },
  { metal: 'Cd', charge: 2, potential: -0.4 },
  { metal: 'Co', charge: 2, potential: -0.28 },
  { metal: 'Ni', charge: 2, potential: -0.25 },
  { metal: 'Sn', charge: 2, potential: -0.14 },
]
/** Anions whose acid oxidises the metal by itself: hydrogen is not what comes. */
export const oxidisingAnions: readonly string[] = ['NO3', 'ClO3', 'BrO3', 'IO3', 'MnO4', 'CrO4', 'Cr2O7', 'S2O8', 'ClO']
