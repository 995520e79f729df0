/**
 * What leaves with the steam of a boiling liquor. With an azeotrope: its mass fraction at one atmosphere, and how steeply the vapour falls off below it, fitted to the usual tables (at half the
 * azeotrope’s strength the vapour of hydrochloric acid is about a sixteenth of it); without one the relative volatility by mass. CRC Handbook and Perry’s tables, from memory: an estimate, salts in the liquor
 * drive more out.
 */
export interface VapourRow {
  readonly of: string
  readonly azeotrope?: number
  readonly power?: number
  readonly volatility?: number
}
export const vapours: readonly VapourRow[] = [
  { of: 'NH3',     volatility: 20 },
  { of: 'HCl',     azeotrope: 0.202, power: 4 },
  { of: 'HBr',     azeotrope: 0.476, power: 4 },
  { of: 'HI',      azeotrope: 0.57,  power: 4 },
  { of: 'HNO3',    azeotrope: 0.68,  power: 4 },
  { of: 'HCOOH',   azeotrope: 0.775, power: 1.4 },
  { of: 'CH3COOH', volatility: 0.65 },
]
