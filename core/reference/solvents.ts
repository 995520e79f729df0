/** Solvents by the names they are called by: formula, density at 20 °C in g/mL and boiling point in °C, and flash point. CRC Handbook (from memory). */
export interface SolventRow {
  readonly name: string
  readonly formula: string
  readonly density: number
  readonly boils: number
  /** Flash point, °C; none where it does not burn. */
  readonly flash?: number
  /** Forms peroxides in air and light: months after which it is tested or thrown away, while it is closed and once it is open. Common practice in laboratories, from memory; where a lab has its own months, those hold. */
  readonly peroxides?: { readonly closed: number; readonly open: number }
}
export const solvents: readonly SolventRow[] = [
  { name: 'water',             formula: 'H2O',     density: 0.9982, boils: 100 },
  { name: 'ethanol',           formula: 'C2H6O',   density: 0.7893, boils: 78.3, flash: 13 },
  { name: 'methanol',          formula: 'CH4O',    density: 0.7914, boils: 64.6, flash: 11 },
  { name: 'propan-2-ol',       formula: 'C3H8O',   density: 0.7855, boils: 82.3, flash: 12, peroxides: { closed: 18, open: 12 } },
  { name: 'acetone',           formula: 'C3H6O',   density: 0.7899, boils: 56.1, flash: -20 },
  { name: 'diethyl ether',     formula: 'C4H10O',  density: 0.7138, boils: 34.6, flash: -45, peroxides: { closed: 18, open: 6 } },
  { name: 'tetrahydrofuran',   formula: 'C4H8O',   density: 0.8892, boils: 66, flash: -14, peroxides: { closed: 18, open: 6 } },
  { name: 'ethyl acetate',     formula: 'C4H8O2',  density: 0.9003, boils: 77.1, flash: -4 },
  { name: 'acetonitrile',      formula: 'C2H3N',   density: 0.7857, boils: 81.6, flash: 2 },
  { name: 'dichloromethane',   formula: 'CH2Cl2',  density: 1.3266, boils: 39.6 },
  { name: 'hexane',            formula: 'C6H14',   density: 0.6603, boils: 68.7, flash: -22 },
  { name: 'toluene',           formula: 'C7H8',    density: 0.8668, boils: 110.6, flash: 4 },
  { name: 'pyridine',          formula: 'C5H5N',   density: 0.9819, boils: 115.2, flash: 20 },
  { name: 'dimethylformamide', formula: 'C3H7NO',  density: 0.9445, boils: 153, flash: 58 },
  { name: 'dimethyl sulfoxide', formula: 'C2H6OS', density: 1.101,  boils: 189, flash: 89 },
]
