/** What an ion or ligand of a product is usually weighed as, the surest first: texts of quantitative analysis, from memory. */
export interface WeighingForm {
  readonly analyte: string
  readonly weighedAs: string
}
export const weighingForms: readonly WeighingForm[] = [
  { analyte: 'Ni', weighedAs: 'Ni(C4H7N2O2)2' },
  { analyte: 'SO4', weighedAs: 'BaSO4' },
  { analyte: 'Cl', weighedAs: 'AgCl' },
  { analyte: 'Br', weighedAs: 'AgBr' },
  { analyte: 'I', weighedAs: 'AgI' },
  { analyte: 'Ba', weighedAs: 'BaSO4' },
  { analyte: 'Al', weighedAs: 'Al(C9H6NO)3' },
  { analyte: 'Mg', weighedAs: 'Mg2P2O7' },
  { analyte: 'Ca', weighedAs: 'CaC2O4·H2O' },
  { analyte: 'Fe', weighedAs: 'Fe2O3' },
  { analyte: 'Pb', weighedAs: 'PbSO4' },
  { analyte: 'Cr', weighedAs: 'Cr2O3' },
  { analyte: 'Cu', weighedAs: 'CuSCN' },
]

/** How an ion or ligand of a product is usually titrated, the surest first: texts of quantitative analysis, from memory. */
export interface UsualTitration {
  readonly species: string
  readonly titrant: string
  readonly equation: string
}
export const usualTitrations: readonly UsualTitration[] = [
  { species: 'Fe^2+', titrant: 'MnO4^-', equation: 'MnO4^- + 5 Fe^2+ + 8 H^+ -> Mn^2+ + 5 Fe^3+ + 4 H2O' },
  { species: 'C2O4^2-', titrant: 'MnO4^-', equation: '2 MnO4^- + 5 C2O4^2- + 16 H^+ -> 2 Mn^2+ + 10 CO2 + 8 H2O' },
  { species: 'CO3^2-', titrant: 'H^+', equation: 'CO3^2- + 2 H^+ -> CO2 + H2O' },
  { species: 'Cl^-', titrant: 'Ag^+', equation: 'Ag^+ + Cl^- -> AgCl' },
  { species: 'Br^-', titrant: 'Ag^+', equation: 'Ag^+ + Br^- -> AgBr' },
  { species: 'NH3', titrant: 'H^+', equation: 'NH3 + H^+ -> NH4^+' },
  { species: 'Zn^2+', titrant: 'H2C10H12N2O8^2-', equation: 'Zn^2+ + H2C10H12N2O8^2- -> ZnC10H12N2O8^2- + 2 H^+' },
  { species: 'Mg^2+', titrant: 'H2C10H12N2O8^2-', equation: 'Mg^2+ + H2C10H12N2O8^2- -> MgC10H12N2O8^2- + 2 H^+' },
  { species: 'Ca^2+', titrant: 'H2C10H12N2O8^2-', equation: 'Ca^2+ + H2C10H12N2O8^2- -> CaC10H12N2O8^2- + 2 H^+' },
  { species: 'Ni^2+', titrant: 'H2C10H12N2O8^2-', equation: 'Ni^2+ + H2C10H12N2O8^2- -> NiC10H12N2O8^2- + 2 H^+' },
  { species: 'Cu^2+', titrant: 'H2C10H12N2O8^2-', equation: 'Cu^2+ + H2C10H12N2O8^2- -> CuC10H12N2O8^2- + 2 H^+' },
]
