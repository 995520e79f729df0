/**
 * Limits at the workplace in ppm by volume, and lower explosive limits in % by volume of air.
 * EU: indicative occupational exposure limit values, Directives 2000/39/EC, 2006/15/EC, 2009/161/EU, (EU) 2017/164; NIOSH: Pocket Guide
 * (recommended limits); IEC: IEC 60079-20-1 for explosive limits. All recalled from memory. A site's own limits come first.
 */
export interface ExposureRow {
  readonly formula: string
  /** Mean over eight hours. */
  readonly eightHours?: number
  /** Mean over fifteen minutes, or a ceiling. */
  readonly short?: number
  /** Percent by volume at which it can be lit. */
  readonly explosive?: number
  readonly source: string
  /** What a trap holds it with, and how many moles of it one mole of that takes up. */
  readonly trap?: readonly { readonly reagent: string; readonly per: number; readonly why: string }[]
}

const EU = 'EU indicative limit values (from memory)'
const NIOSH = 'NIOSH Pocket Guide (from memory)'
const IEC = 'IEC 60079-20-1 (from memory)'

const caustic = (per: number, why: string) => ({ reagent: 'NaOH', per, why })

export const exposureLimits: readonly ExposureRow[] = [
  { formula: 'H2',   explosive: 4.0, source: IEC },
  { formula: 'CO2',  eightHours: 5000, source: EU },
  { formula: 'CO',   eightHours: 20, short: 100, explosive: 10.9, source: `${EU}; ${IEC}` },
  { formula: 'NO',   eightHours: 2, source: EU },
  { formula: 'NO2',  eightHours: 0.5, short: 1, source: EU, trap: [caustic(1, '2 NO2 + 2 NaOH → NaNO2 + NaNO3 + H2O; NO alone passes through: bleed in air first')] },
  { formula: 'N2O',  eightHours: 25, source: NIOSH },
  { formula: 'SO2',  eightHours: 0.5, short: 1, source: EU, trap: [caustic(0.5, 'SO2 + 2 NaOH → Na2SO3 + H2O')] },
  { formula: 'H2S',  eightHours: 5, short: 10, explosive: 4.0, source: `${EU}; ${IEC}`, trap: [caustic(0.5, 'H2S + 2 NaOH → Na2S + 2 H2O')] },
  { formula: 'NH3',  eightHours: 20, short: 50, explosive: 15, source: `${EU}; ${IEC}`, trap: [{ reagent: 'H2SO4', per: 2, why: '2 NH3 + H2SO4 → (NH4)2SO4' }, { reagent: 'HCl', per: 1, why: 'NH3 + HCl → NH4Cl' }] },
  { formula: 'HCl',  eightHours: 5, short: 10, source: EU, trap: [caustic(1, 'HCl + NaOH → NaCl + H2O')] },
  { formula: 'HBr',  short: 2, source: EU, trap: [caustic(1, 'HBr + NaOH → NaBr + H2O')] },
  { formula: 'HF',   eightHours: 1.8, short: 3, source: EU, trap: [caustic(1, 'HF + NaOH → NaF + H2O')] },
  { formula: 'HCN',  eightHours: 0.9, short: 4.5, explosive: 5.4, source: `${EU}; ${IEC}`, trap: [caustic(1, 'HCN + NaOH → NaCN + H2O; the trap is then itself a poison')] },
  { formula: 'F2',   eightHours: 1, short: 2, source: EU },
  { formula: 'Cl2',  short: 0.5, source: EU, trap: [caustic(0.5, 'Cl2 + 2 NaOH → NaCl + NaClO + H2O')] },
  { formula: 'Br2',  eightHours: 0.1, source: EU, trap: [caustic(0.5, 'Br2 + 2 NaOH → NaBr + NaBrO + H2O')] },
  { formula: 'ClO2', eightHours: 0.1, short: 0.3, source: NIOSH },
  { formula: 'O3',   short: 0.1, source: NIOSH },
  { formula: 'HNO3', short: 1, source: EU, trap: [caustic(1, 'HNO3 + NaOH → NaNO3 + H2O')] },
  { formula: 'CH3COOH', eightHours: 10, short: 20, explosive: 4.0, source: `${EU}; ${IEC}` },
  { formula: 'HCOOH', eightHours: 5, source: EU },
  { formula: 'PH3',  eightHours: 0.1, short: 0.2, explosive: 1.6, source: `${EU}; ${IEC}` },
  { formula: 'AsH3', short: 0.0006, source: NIOSH },
  { formula: 'CH4',  explosive: 4.4, source: IEC },
  { formula: 'C2H5OH', eightHours: 1000, explosive: 3.1, source: `${NIOSH}; ${IEC}` },
  { formula: 'CH3OH', eightHours: 200, explosive: 6.0, source: `${EU}; ${IEC}` },
  { formula: 'C3H6O', eightHours: 500, explosive: 2.5, source: `${EU}; ${IEC}` },
]
