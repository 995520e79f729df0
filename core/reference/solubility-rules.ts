/**
 * Which salts water does not dissolve, where no table says more: by their anion, but for those with these cations; or only with these. The rules of texts of inorganic
 * chemistry (from memory).
 */
export interface SolubilityRule {
  readonly anion: string
  readonly charge: number
  readonly butWith?: readonly string[]
  readonly onlyWith?: readonly string[]
}
const ALKALI = ['Li', 'Na', 'K', 'Rb', 'Cs', 'NH4', 'H'] as const
export const solubilityRules: readonly SolubilityRule[] = [
  { anion: 'OH',   charge: -1, butWith: [...ALKALI, 'Ba', 'Sr', 'Tl'] },
  { anion: 'O',    charge: -2, butWith: [...ALKALI, 'Ba', 'Sr', 'Ca'] },
  { anion: 'CO3',  charge: -2, butWith: ALKALI },
  { anion: 'PO4',  charge: -3, butWith: ALKALI.filter(one => one !== 'Li') },
  { anion: 'S',    charge: -2, butWith: [...ALKALI, 'Mg', 'Ca', 'Sr', 'Ba'] },
  { anion: 'SO3',  charge: -2, butWith: ALKALI },
  { anion: 'C2O4', charge: -2, butWith: [...ALKALI, 'Be', 'Al', 'Fe', 'Cr'] },
  { anion: 'CrO4', charge: -2, onlyWith: ['Ba', 'Pb', 'Ag', 'Hg2', 'Bi'] },
  { anion: 'SO4',  charge: -2, onlyWith: ['Ba', 'Sr', 'Pb', 'Hg2'] },
  { anion: 'Cl',   charge: -1, onlyWith: ['Ag', 'Hg2', 'Pb'] },
  { anion: 'Br',   charge: -1, onlyWith: ['Ag', 'Hg2', 'Pb'] },
  { anion: 'I',    charge: -1, onlyWith: ['Ag', 'Hg2', 'Hg', 'Pb', 'Cu', 'Bi'] },
  { anion: 'F',    charge: -1, onlyWith: ['Mg', 'Ca', 'Sr', 'Ba', 'Pb'] },
]
