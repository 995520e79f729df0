/**
 * What may join a route though nobody named it: acids, bases, salts and gases that a preparative bench has or gets without asking, in classes of how readily it is taken. Common practice, no source.
 */
export interface UsualReagent {
  readonly formula: string
  /** 0 stands on every bench, 1 in the store, 2 is dear, poisonous or wants its own equipment. */
  readonly class: 0 | 1 | 2
}

const of = (grade: UsualReagent['class'], ...formulas: readonly string[]): UsualReagent[] =>
  formulas.map(formula => ({ formula, class: grade }))

export const usualReagents: readonly UsualReagent[] = [
  ...of(0, 'H2O', 'O2', 'HCl', 'H2SO4', 'HNO3', 'CH3COOH', 'NH3', 'NaOH', 'KOH', 'H2O2', 'Na2CO3', 'NaHCO3', 'K2CO3', 'NaCl', 'KCl', 'NH4Cl', '(NH4)2SO4', 'H2C2O4', 'Na2SO4', 'K2SO4', 'KI', 'KNO3', 'NH4NO3', 'K2C2O4', 'CaCl2'),
  ...of(1, 'Zn', 'Fe', 'Cu', 'Mg', 'Al', 'C6H12O6', 'H3PO4', 'HClO4', 'HCOOH', 'C6H8O7', 'C4H6O6', 'H3BO3', 'NH2SO3H', '(NH4)2CO3', 'NH4HCO3', 'KHCO3', 'LiOH', 'Li2CO3', 'NaNO3', 'NaBr', 'KBr', 'NH4Br', 'NaI', 'NH4I', 'NaF', 'KF', 'NH4F',
    'CH3COONa', 'CH3COOK', 'CH3COONH4', 'HCOONa', 'Na2C2O4', 'KHC2O4', '(NH4)2C2O4', 'Na2S2O3', 'Na2SO3', 'NaHSO3', 'Na2S2O5', 'K2S2O5', 'Na3PO4', 'Na2HPO4', 'NaH2PO4', 'K2HPO4', 'KH2PO4', 'K3PO4', '(NH4)2HPO4', 'NH4H2PO4',
    'CaO', 'Ca(OH)2', 'CaCO3', 'MgSO4', 'MgCl2', 'BaCl2', 'Ba(OH)2', 'Ba(NO3)2', 'NaNO2', 'KNO2', 'KSCN', 'NH4SCN', 'NaSCN', 'Na2S', 'S', 'C', 'I2', 'CO2', 'SO2', 'C2H5OH', 'CO(NH2)2', 'NaClO', 'K2S2O8', '(NH4)2S2O8', 'KMnO4', 'K3[Fe(CN)6]', 'K4[Fe(CN)6]', 'KClO3', 'Na3C6H5O7', 'KNaC4H4O6', 'KHSO4', 'NaHSO4', 'Na2B4O7', 'C2H5NO2', 'C4H8N2O2', 'C5H8O2', 'Na2C10H14N2O8'),
  ...of(2, 'Cl2', 'Br2', 'H2', 'N2', 'H2S', 'HF', 'HBr', 'HI', 'KCN', 'NaCN', 'AgNO3', 'Pb(NO3)2', 'Pb(CH3COO)2', 'PbO2', 'K2CrO4', 'K2Cr2O7', 'Na2Cr2O7', 'KBrO3', 'KIO3', 'C2H8N2', 'C12H8N2', 'C10H8N2', 'C5H5N', 'C9H7NO', 'SnCl2', 'RbCl', 'CsCl', 'N2H6SO4', 'NH3OHCl', 'Na2MoO4', 'Na2WO4', '(NH4)6Mo7O24', 'NH4VO3', 'CO'),
] // prettier-ignore
