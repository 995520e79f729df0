/**
 * What loses strength on the shelf, by ion or molecule, and how. Texts of inorganic chemistry and of reagents (from memory). `year`: how much of its strength goes in a year, as a
 * share of it, in a bottle that was not opened and in one that is in use, where that is a figure worth having; common practice, no source, from memory: bottles differ by as much again,
 * which is what the estimate takes for its uncertainty.
 */
export interface AgeingRow {
  readonly of: string
  /** Of an ion its charge: tin(II) and not tin(IV), sulfite and not sulfur trioxide. */
  readonly charge?: number
  /** Only of what water dissolves: a hydroxide or sulfide that stays a stone in water keeps. */
  readonly isSoluble?: true
  readonly how: string
  readonly year?: { readonly closed: number; readonly open: number }
}
export const ageings: readonly AgeingRow[] = [
  { of: 'NH3', how: 'ammonia goes flat', year: { closed: 0.01, open: 0.12 } },
  { of: 'OH', charge: -1, isSoluble: true, how: 'hydroxides take up water and carbon dioxide', year: { closed: 0.005, open: 0.03 } },
  { of: 'O2', charge: -2, how: 'peroxides decompose', year: { closed: 0.02, open: 0.1 } },
  { of: 'SO3', charge: -2, how: 'sulfites oxidise to sulfate', year: { closed: 0.01, open: 0.05 } },
  { of: 'S2O5', charge: -2, how: 'sulfites oxidise to sulfate', year: { closed: 0.01, open: 0.05 } },
  { of: 'S2O4', charge: -2, how: 'dithionite decomposes in damp air', year: { closed: 0.03, open: 0.25 } },
  { of: 'S', charge: -2, isSoluble: true, how: 'sulfides oxidise and take up water', year: { closed: 0.02, open: 0.15 } },
  { of: 'H2O2', how: 'peroxide decomposes', year: { closed: 0.02, open: 0.1 } },
  { of: 'ClO', charge: -1, how: 'hypochlorite decomposes', year: { closed: 0.5, open: 0.7 } },
  { of: 'NO2', charge: -1, how: 'nitrites oxidise to nitrate', year: { closed: 0.002, open: 0.01 } },
  { of: 'Sn', charge: 2, how: 'tin(II) oxidises', year: { closed: 0.01, open: 0.08 } },
  { of: 'CaO', how: 'quicklime slakes and takes up carbon dioxide', year: { closed: 0.02, open: 0.2 } },
  { of: 'S2O8', charge: -2, how: 'peroxodisulfate loses oxygen', year: { closed: 0.02, open: 0.08 } },
]

/**
 * What an unexpected colour means, by what must be in the pot for it: parts of its ions. Texts of inorganic chemistry and of qualitative analysis (from memory).
 */
export const colourMeanings: readonly {
  readonly of: readonly string[]
  readonly colours: readonly string[]
  readonly means: string
}[] = [
  { of: ['S', 'SO3'], colours: ['orange', 'yellow', 'red'], means: 'polysulfide' },
  { of: ['S', 'OH'], colours: ['orange', 'yellow', 'red'], means: 'polysulfide' },
  { of: ['Mg', 'O2'], colours: ['yellow', 'green'], means: 'nitride, from the nitrogen of the air' },
  { of: ['Ca', 'O2'], colours: ['brown', 'black'], means: 'nitride, from the nitrogen of the air' },
  { of: ['Li', 'O2'], colours: ['red', 'brown', 'black'], means: 'nitride, from the nitrogen of the air' },
  { of: ['Fe'], colours: ['yellow', 'brown', 'orange', 'red'], means: 'iron(III), by air' },
  { of: ['Mn'], colours: ['brown', 'black'], means: 'manganese(IV) oxide, by air' },
  { of: ['Co'], colours: ['brown', 'black'], means: 'cobalt(III), by air' },
  { of: ['Cu'], colours: ['brown', 'black', 'red'], means: 'copper(I), or copper oxide' },
  { of: ['Ag'], colours: ['black', 'brown', 'violet'], means: 'silver, by light or a reductant' },
  { of: ['I'], colours: ['brown', 'yellow', 'violet'], means: 'iodine, by air and acid' },
  { of: ['Br'], colours: ['orange', 'brown', 'yellow'], means: 'bromine, by an oxidant in acid' },
  { of: ['NO2'], colours: ['brown'], means: 'nitrogen dioxide, by acid' },
  { of: ['Cr'], colours: ['yellow', 'orange', 'green'], means: 'chromium in another state' },
  { of: ['Hg2'], colours: ['black', 'brown'], means: 'mercury, by disproportion' },
  { of: ['Sn'], colours: ['brown', 'black', 'yellow'], means: 'tin oxidised, or its sulfide' },
]
