/** How strongly an aqua ion gives protons: pKa at 25 °C (texts of inorganic chemistry, from memory). Below about 3 a basic salt falls out of water that is not acid. */
export const aquaAcids: readonly { readonly ion: string; readonly charge: number; readonly pKa: number }[] = [
  { ion: 'Bi', charge: 3, pKa: 1.1 },
  { ion: 'Sb', charge: 3, pKa: 0.9 },
  { ion: 'Sn', charge: 4, pKa: -0.5 },
  { ion: 'Sn', charge: 2, pKa: 3.4 },
  { ion: 'Ti', charge: 4, pKa: -0.7 },
  { ion: 'Zr', charge: 4, pKa: -0.3 },
  { ion: 'Fe', charge: 3, pKa: 2.2 },
  { ion: 'Hg', charge: 2, pKa: 3.4 },
  { ion: 'Cr', charge: 3, pKa: 4.0 },
  { ion: 'Al', charge: 3, pKa: 5.0 },
  { ion: 'Be', charge: 2, pKa: 5.4 },
  { ion: 'Cu', charge: 2, pKa: 7.5 },
  { ion: 'Pb', charge: 2, pKa: 7.6 },
  { ion: 'Zn', charge: 2, pKa: 9.0 },
  { ion: 'Co', charge: 2, pKa: 9.7 },
  { ion: 'Ni', charge: 2, pKa: 9.9 },
]
