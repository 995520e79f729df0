/** Oxides and acids that a base takes up, with the anions that come of them (texts of inorganic chemistry, from memory), and whether water is enough or a melt is needed. */
export interface AcidicOxideRow {
  readonly anion: string
  readonly from: string
  readonly in: 'water' | 'melt'
}
export const acidicOxides: readonly AcidicOxideRow[] = [
  { anion: 'CO3',   from: 'CO2',    in: 'water' },
  { anion: 'HCO3',  from: 'CO2',    in: 'water' },
  { anion: 'SO3',   from: 'SO2',    in: 'water' },
  { anion: 'HSO3',  from: 'SO2',    in: 'water' },
  { anion: 'S2O5',  from: 'SO2',    in: 'water' },
  { anion: 'CrO4',  from: 'CrO3',   in: 'water' },
  { anion: 'Cr2O7', from: 'CrO3',   in: 'water' },
  { anion: 'MoO4',  from: 'MoO3',   in: 'water' },
  { anion: 'Mo7O24', from: 'MoO3',  in: 'water' },
  { anion: 'WO4',   from: 'WO3',    in: 'water' },
  { anion: 'VO3',   from: 'V2O5',   in: 'water' },
  { anion: 'PO4',   from: 'P4O10',  in: 'water' },
  { anion: 'B4O7',  from: 'H3BO3',  in: 'water' },
  { anion: 'BO2',   from: 'H3BO3',  in: 'water' },
  { anion: 'SeO3',  from: 'SeO2',   in: 'water' },
  { anion: 'SiO3',  from: 'SiO2',   in: 'melt' },
  { anion: 'SnO3',  from: 'SnO2',   in: 'melt' },
] // prettier-ignore

/** Anions of a metal that its lower state goes to by oxidation in alkali: in a melt with nitrate, chlorate or air, or in water with peroxide. The same texts. */
export const oxidisedInAlkali: readonly { readonly anion: string; readonly charge: number; readonly metal: string; readonly state: number; readonly oxide: string; readonly in: readonly ('water' | 'melt')[] }[] = [
  { anion: 'CrO4', charge: -2, metal: 'Cr', state: 3, oxide: 'Cr2O3', in: ['melt', 'water'] },
  { anion: 'MnO4', charge: -2, metal: 'Mn', state: 4, oxide: 'MnO2', in: ['melt'] },
] // prettier-ignore
