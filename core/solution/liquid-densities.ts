/** g/mL at 20 °C: CRC Handbook, from memory. */
export const WATER_DENSITY = 0.9982
export const ETHANOL_DENSITY = 0.789
/** Alcohol, methanol and acetone alike, for how far they thin the liquor that clings: they differ by less than that estimate. */
export const SOLVENT_DENSITY = 0.79
