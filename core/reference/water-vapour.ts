/**
 * Pressure of water vapour over two hydrates that stand together, torr at 25 °C, and the heat that a mole of water takes to leave, kJ. International Critical Tables, volume 7; CRC Handbook; figures for oxalic acid and
 * the copper sulfates as in textbooks of physical chemistry. All from memory, to about a tenth.
 */
export interface HydratePressure {
  readonly higher: string
  readonly lower: string
  readonly torr: number
  readonly heat: number
}
export const hydratePressureSource = 'International Critical Tables, vapour pressures of hydrates (from memory)'
export const hydratePressures: readonly HydratePressure[] = [
  { higher: 'CuSO4·5H2O',     lower: 'CuSO4·3H2O',    torr: 7.8,  heat: 57 },
  { higher: 'CuSO4·3H2O',     lower: 'CuSO4·H2O',     torr: 5.6,  heat: 54 },
  { higher: 'CuSO4·H2O',      lower: 'CuSO4',         torr: 0.8,  heat: 55 },
  { higher: 'H2C2O4·2H2O',    lower: 'H2C2O4',        torr: 2.6,  heat: 60 },
  { higher: 'Na2SO4·10H2O',   lower: 'Na2SO4',        torr: 19.2, heat: 52 },
  { higher: 'Na2HPO4·12H2O',  lower: 'Na2HPO4·7H2O',  torr: 19.1, heat: 54 },
  { higher: 'Na2HPO4·7H2O',   lower: 'Na2HPO4·2H2O',  torr: 14.5, heat: 54 },
  { higher: 'MgSO4·7H2O',     lower: 'MgSO4·6H2O',    torr: 12.1, heat: 59 },
  { higher: 'ZnSO4·7H2O',     lower: 'ZnSO4·6H2O',    torr: 14.5, heat: 58 },
  { higher: 'FeSO4·7H2O',     lower: 'FeSO4·4H2O',    torr: 14.0, heat: 56 },
  { higher: 'CoSO4·7H2O',     lower: 'CoSO4·6H2O',    torr: 16.7, heat: 57 },
  { higher: 'NiSO4·7H2O',     lower: 'NiSO4·6H2O',    torr: 20.7, heat: 54 },
  { higher: 'CaCl2·6H2O',     lower: 'CaCl2·4H2O',    torr: 5.1,  heat: 58 },
] // prettier-ignore

/**
 * Relative humidity over saturated solutions at 25 °C, a share of 1. L. Greenspan, J. Res. Natl. Bur. Stand. 81A (1977) 89; calcium chloride, calcium and ammonium nitrate from other tables. From memory.
 */
export const saturatedHumiditySource = 'Greenspan 1977, humidity over saturated solutions at 25 °C (from memory)'
export const saturatedHumidities: readonly (readonly [salt: string, share: number])[] = [
  ['NaOH', 0.082], ['LiCl', 0.113], ['CH3COOK', 0.225], ['CaCl2', 0.29], ['KF', 0.308], ['MgCl2', 0.328], ['NaI', 0.382], ['K2CO3', 0.432], ['Ca(NO3)2', 0.5], ['Mg(NO3)2', 0.529], ['NaBr', 0.576], ['NH4NO3', 0.62], ['CuCl2', 0.68],
  ['CoCl2', 0.649], ['KI', 0.689], ['SrCl2', 0.709], ['NaNO3', 0.743], ['NaCl', 0.753], ['NH4Cl', 0.786], ['KBr', 0.809], ['(NH4)2SO4', 0.81], ['KCl', 0.843], ['KNO3', 0.936], ['K2SO4', 0.973],
] // prettier-ignore

/** Water vapour that a fresh drying agent leaves, torr near 25 °C: milligrams to the litre of dried air in CRC Handbook (from memory), 1 mg/L as 1.03 torr. Silica gel from fresh to half spent. */
export const dryingAgents = {
  'calcium chloride': 0.36,
  'silica gel': 0.03,
  'sulfuric acid': 0.003,
  'potassium hydroxide': 0.002,
} as const

/** Vapour pressure of water, torr, °C (CRC Handbook, from memory). */
export const waterPressures: readonly (readonly [celsius: number, torr: number])[] = [
  [0, 4.58], [5, 6.54], [10, 9.21], [15, 12.79], [20, 17.54], [25, 23.76], [30, 31.82], [35, 42.18], [40, 55.32], [50, 92.51], [60, 149.4], [70, 233.7], [80, 355.1], [90, 525.8], [100, 760],
] // prettier-ignore
