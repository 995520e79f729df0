/**
 * Solubility products at 25 °C, CRC Handbook, Solubility product constants (from memory, to about 0.1 in the logarithm).
 * Manganese sulfide as it is thrown down (pink; the green form has 3e-14). Oxalates of iron, cobalt and nickel, chromium hydroxide, barium phosphate: Lange's Handbook (from memory).
 * Barium hydroxide is left out: the product printed for it is a twentieth of what its measured solubility needs.
 */
export const solubilityProductSource = 'CRC Handbook, Solubility product constants (from memory)'

export const solubilityProducts: readonly (readonly [salt: string, product: number])[] = [
  ['AgCl', 1.77e-10], ['AgBr', 5.35e-13], ['AgI', 8.52e-17], ['AgCN', 5.97e-17], ['AgSCN', 1.03e-12], ['Ag2CrO4', 1.12e-12], ['Ag2CO3', 8.46e-12], ['Ag2SO4', 1.2e-5], ['Ag3PO4', 8.89e-17], ['Ag2C2O4', 5.4e-12], ['AgIO3', 3.17e-8], ['AgBrO3', 5.38e-5], ['CH3COOAg', 1.94e-3], ['Ag2S', 6e-51], ['AgOH', 2e-8],
  ['Al(OH)3', 1.3e-33], ['AlPO4', 9.84e-21], ['BaCO3', 2.58e-9], ['BaCrO4', 1.17e-10], ['BaF2', 1.84e-7], ['BaSO4', 1.08e-10], ['BaSO3', 5e-10], ['Ba3(PO4)2', 3.4e-23], ['BaC2O4', 1.6e-7], ['Ba(IO3)2', 4.01e-9],
  ['Be(OH)2', 6.92e-22], ['BiI3', 7.71e-19], ['Bi(OH)3', 6e-31], ['CdCO3', 1e-12], ['Cd(OH)2', 7.2e-15], ['CdS', 1e-27], ['CdC2O4·3H2O', 1.42e-8],
  ['CaCO3', 3.36e-9], ['CaF2', 3.45e-11], ['Ca(OH)2', 5.02e-6], ['CaC2O4·H2O', 2.32e-9], ['CaSO4', 4.93e-5], ['CaSO4·2H2O', 3.14e-5], ['Ca3(PO4)2', 2.07e-33], ['Ca(IO3)2', 6.47e-6], ['CaHPO4', 1e-7],
  ['Cr(OH)3', 6.3e-31], ['Co(OH)2', 5.92e-15], ['CoCO3', 1e-10], ['CoC2O4·2H2O', 6.3e-8], ['CoS', 5e-22], ['CuCl', 1.72e-7], ['CuBr', 6.27e-9], ['CuI', 1.27e-12], ['CuSCN', 1.77e-13], ['Cu(OH)2', 2.2e-20], ['CuCO3', 1.4e-10], ['CuC2O4', 4.43e-10], ['CuS', 8e-37],
  ['FeC2O4·2H2O', 3.2e-7], ['Fe(OH)2', 4.87e-17], ['FeCO3', 3.13e-11], ['Fe(OH)3', 2.79e-39], ['FeS', 8e-19], ['FePO4·2H2O', 9.91e-16], ['La(OH)3', 2e-21], ['PbBr2', 6.6e-6], ['PbCO3', 7.4e-14], ['PbCl2', 1.7e-5], ['PbCrO4', 2.8e-13], ['PbF2', 3.3e-8], ['PbI2', 9.8e-9], ['PbSO4', 2.53e-8], ['Pb(OH)2', 1.43e-20], ['PbS', 3e-28], ['PbC2O4', 8.5e-9],
  ['Li2CO3', 8.15e-4], ['LiF', 1.84e-3], ['Li3PO4', 2.37e-11], ['MgCO3·3H2O', 2.38e-6], ['MgCO3', 6.82e-6], ['MgF2', 5.16e-11], ['Mg(OH)2', 5.61e-12], ['MgC2O4·2H2O', 4.83e-6], ['MgNH4PO4·6H2O', 2.5e-13], ['Mn(OH)2', 2e-13], ['MnCO3', 2.24e-11], ['MnC2O4·2H2O', 1.7e-7], ['MnS', 3e-11],
  ['Hg2Cl2', 1.43e-18], ['Hg2Br2', 6.4e-23], ['Hg2I2', 5.2e-29], ['HgI2', 2.9e-29], ['HgS', 2e-53], ['NiCO3', 1.42e-7], ['Ni(OH)2', 5.48e-16], ['NiC2O4·2H2O', 4e-10], ['NiS', 4e-20], ['KClO4', 1.05e-2], ['K2[PtCl6]', 7.48e-6],
  ['SrCO3', 5.6e-10], ['SrF2', 4.33e-9], ['SrSO4', 3.44e-7], ['SrC2O4', 5e-8], ['SrCrO4', 2.2e-5], ['Sn(OH)2', 5.45e-27], ['SnS', 1e-26], ['TlCl', 1.86e-4], ['TlBr', 3.71e-6], ['TlI', 5.54e-8], ['Y(OH)3', 1e-22], ['Zn(OH)2', 3e-17], ['ZnCO3', 1.46e-10], ['ZnC2O4·2H2O', 1.38e-9], ['ZnS', 2e-25],
]
