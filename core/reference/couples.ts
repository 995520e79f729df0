/**
 * Standard potentials at 25 °C, V (CRC Handbook, from memory), by which a reaction that balances may yet not happen. Metals that hydrogen ion does not oxidise, with the ion that they would
 * give; ions of one metal in two states.
 */
export const nobleMetals: readonly { readonly metal: string; readonly charge: number; readonly potential: number }[] = [
  { metal: 'Sb', charge: 3, potential: 0.21 },
  { metal: 'Bi', charge: 3, potential: 0.31 },
  { metal: 'Cu', charge: 2, potential: 0.34 },
  { metal: 'Cu', charge: 1, potential: 0.52 },
  { metal: 'Ag', charge: 1, potential: 0.8 },
  { metal: 'Hg', charge: 2, potential: 0.85 },
  { metal: 'Pd', charge: 2, potential: 0.92 },
  { metal: 'Pt', charge: 2, potential: 1.18 },
  { metal: 'Au', charge: 3, potential: 1.5 },
]
/** Metals below hydrogen that dilute acid leaves all the same, since their own salts cover them. */
export const coveredMetals: readonly { readonly metal: string; readonly charge: number; readonly potential: number }[] = [
  { metal: 'Pb', charge: 2, potential: -0.13 },
]
export const ionCouples: readonly {
  readonly metal: string
  readonly upper: number
  readonly lower: number
  readonly potential: number
  /** With this anion, whose salt of the lower state hardly dissolves: the potential there. */
  readonly with?: string
}[] = [
  { metal: 'Ti', upper: 4, lower: 3, potential: 0.1 },
  { metal: 'Sn', upper: 4, lower: 2, potential: 0.15 },
  { metal: 'Cu', upper: 2, lower: 1, potential: 0.86, with: 'I' },
  { metal: 'Fe', upper: 3, lower: 2, potential: 0.77 },
  { metal: 'V', upper: 5, lower: 4, potential: 1.0 },
  { metal: 'Tl', upper: 3, lower: 1, potential: 1.25 },
  { metal: 'Mn', upper: 3, lower: 2, potential: 1.54 },
  { metal: 'Pb', upper: 4, lower: 2, potential: 1.69 },
  { metal: 'Ce', upper: 4, lower: 3, potential: 1.72 },
  { metal: 'Co', upper: 3, lower: 2, potential: 1.92 },
]
/** Anions that give electrons, and what they become: V. */
export const reducingAnions: readonly { readonly anion: string; readonly becomes: string; readonly potential: number }[] = [
  { anion: 'SO3', becomes: 'sulfate', potential: 0.17 },
  { anion: 'S',   becomes: 'sulfur', potential: -0.45 },
  { anion: 'I',   becomes: 'iodine', potential: 0.54 },
  { anion: 'Br',  becomes: 'bromine', potential: 1.09 },
  { anion: 'Cl',  becomes: 'chlorine', potential: 1.36 },
] // prettier-ignore
