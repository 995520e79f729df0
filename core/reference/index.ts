export { CELSIUS_ZERO, GAS_CONSTANT, ROOM } from './constants'
export { densityTables, type DensityTable } from './densities'
export { elements, type ElementRow } from './elements'
export { hazardStatements, substances, type HazardCode, type SubstanceRow } from './substances'
