export interface ThermalAnionRow {
  readonly of: string
  /** What it becomes, and how many of that one of it gives; its charge stays in the solid. */
  readonly to: string
  readonly per: number
  readonly gone: string
  /** A cation that goes with it. */
  readonly with?: string
}

/** How the anions of a dry salt give way when it is heated in air: texts of thermogravimetry and inorganic chemistry, from memory. */
export const thermalAnions: readonly ThermalAnionRow[] = [
  { of: 'C2O4', to: 'CO3', per: 1, gone: 'CO' },
  { of: 'CO3', to: 'O', per: 1, gone: 'CO2' },
  { of: 'HCO3', to: 'CO3', per: 1 / 2, gone: 'H2O and CO2' },
  { of: 'OH', to: 'O', per: 1 / 2, gone: 'H2O' },
  { of: 'HCOO', to: 'CO3', per: 1 / 2, gone: 'CO and H2' },
  { of: 'CH3COO', to: 'CO3', per: 1 / 2, gone: 'acetone' },
  { of: 'C2H3O2', to: 'CO3', per: 1 / 2, gone: 'acetone' },
  { of: 'SO4', to: 'O', per: 1, gone: 'SO3' },
  { of: 'SO3', to: 'O', per: 1, gone: 'SO2' },
  { of: 'NO3', to: 'O', per: 1 / 2, gone: 'NO2 and O2' },
  { of: 'HPO4', to: 'P2O7', per: 1 / 2, gone: 'H2O' },
  { of: 'PO4', to: 'P2O7', per: 1 / 2, gone: 'NH3 and H2O', with: 'NH4' },
]

/** Anions whose ammonium salt leaves as a whole when it is heated, as vapour or as gases: what is said of it. From memory, as above. */
export const leaveWithAmmonium: Readonly<Record<string, string>> = {
  F: 'NH4F', Cl: 'NH4Cl', Br: 'NH4Br', I: 'NH4I', NO3: 'N2O and H2O', NO2: 'N2 and H2O', CO3: 'NH3, CO2 and H2O', HCO3: 'NH3, CO2 and H2O', SO4: 'NH3, SO3 and H2O', C2O4: 'NH3, CO, CO2 and H2O',
}

/**
 * Metals whose oxide M3O4 stands in air at red heat, between MO and M2O3 (texts of inorganic chemistry, from memory). Oxides of a metal of two and of another
 * of three positive charges make a spinel of the two.
 */
export const spinelMetals: readonly string[] = ['Mn', 'Fe', 'Co']

/** Metals whose hydrated chloride gives off hydrogen chloride with its last water, and leaves a basic chloride and the oxide (from memory). */
export const hydrolysedChlorides: readonly string[] = ['Mg', 'Al', 'Fe', 'Cr', 'Zn', 'Bi', 'Sn', 'Be', 'Ti', 'Zr', 'Sc', 'La', 'Ce', 'Ga', 'In']
