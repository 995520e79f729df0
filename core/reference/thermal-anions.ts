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
