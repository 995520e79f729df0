/**
 * What gives protons in water, and how strongly: pKa at 25 °C of the first proton that goes, and how many go to a base that is strong enough. Strong acids fall apart
 * whole. CRC Handbook and texts of inorganic chemistry (from memory); what a charged row is of is an ion, else a molecule.
 */
export interface DonorRow {
  readonly of: string
  readonly charge: number
  readonly gives: number
  readonly pKa: number
  /** What is left of it once they are gone. */
  readonly leaves: string
  readonly leavesCharge: number
}
export const protonDonors: readonly DonorRow[] = [
  { of: 'HCl',      charge: 0,  gives: 1, pKa: -7,   leaves: 'Cl',      leavesCharge: -1 },
  { of: 'HBr',      charge: 0,  gives: 1, pKa: -9,   leaves: 'Br',      leavesCharge: -1 },
  { of: 'HI',       charge: 0,  gives: 1, pKa: -10,  leaves: 'I',       leavesCharge: -1 },
  { of: 'HNO3',     charge: 0,  gives: 1, pKa: -1.4, leaves: 'NO3',     leavesCharge: -1 },
  { of: 'HClO4',    charge: 0,  gives: 1, pKa: -8,   leaves: 'ClO4',    leavesCharge: -1 },
  { of: 'H2SO4',    charge: 0,  gives: 2, pKa: -3,   leaves: 'SO4',     leavesCharge: -2 },
  { of: 'HSO4',     charge: -1, gives: 1, pKa: 1.99, leaves: 'SO4',     leavesCharge: -2 },
  { of: 'NH2SO3H',  charge: 0,  gives: 1, pKa: 1.0,  leaves: 'NH2SO3',  leavesCharge: -1 },
  { of: 'H2C2O4',   charge: 0,  gives: 2, pKa: 1.25, leaves: 'C2O4',    leavesCharge: -2 },
  { of: 'HC2O4',    charge: -1, gives: 1, pKa: 4.27, leaves: 'C2O4',    leavesCharge: -2 },
  { of: 'H3PO4',    charge: 0,  gives: 2, pKa: 2.15, leaves: 'HPO4',    leavesCharge: -2 },
  { of: 'H2PO4',    charge: -1, gives: 1, pKa: 7.2,  leaves: 'HPO4',    leavesCharge: -2 },
  { of: 'HF',       charge: 0,  gives: 1, pKa: 3.17, leaves: 'F',       leavesCharge: -1 },
  { of: 'HCOOH',    charge: 0,  gives: 1, pKa: 3.75, leaves: 'HCOO',    leavesCharge: -1 },
  { of: 'CH3COOH',  charge: 0,  gives: 1, pKa: 4.76, leaves: 'CH3COO',  leavesCharge: -1 },
  { of: 'C6H8O7',   charge: 0,  gives: 3, pKa: 3.13, leaves: 'C6H5O7',  leavesCharge: -3 },
  { of: 'C4H6O6',   charge: 0,  gives: 2, pKa: 2.98, leaves: 'C4H4O6',  leavesCharge: -2 },
  { of: 'NH4',      charge: 1,  gives: 1, pKa: 9.25, leaves: 'NH3',     leavesCharge: 0 },
]

/**
 * What takes protons in water: pKa of what it becomes, how many it takes, and what then leaves as gas, stays, or is water. Same sources. A solid takes them as well, once the acid is
 * stronger by far.
 */
export interface AcceptorRow {
  readonly of: string
  readonly charge: number
  readonly takes: number
  readonly pKa: number
  /** pKa of each proton that it can take, the first first: what a solid of it is dissolved by. */
  readonly steps: readonly number[]
  readonly becomes: readonly { readonly text: string; readonly charge: number; readonly count: number; readonly gas?: true }[]
}
export const protonAcceptors: readonly AcceptorRow[] = [
  { of: 'O',      charge: -2, takes: 2, pKa: 15.7, steps: [17.4, 14.0], becomes: [{ text: 'H2O', charge: 0, count: 1 }] },
  { of: 'OH',     charge: -1, takes: 1, pKa: 15.7, steps: [14.0], becomes: [{ text: 'H2O', charge: 0, count: 1 }] },
  { of: 'PO4',    charge: -3, takes: 1, pKa: 12.4, steps: [12.4, 7.2, 2.15], becomes: [{ text: 'HPO4', charge: -2, count: 1 }] },
  { of: 'S',      charge: -2, takes: 2, pKa: 7.0,  steps: [13.0, 7.0], becomes: [{ text: 'H2S', charge: 0, count: 1, gas: true }] },
  { of: 'NH3',    charge: 0,  takes: 1, pKa: 9.25, steps: [9.25], becomes: [{ text: 'NH4', charge: 1, count: 1 }] },
  { of: 'CN',     charge: -1, takes: 1, pKa: 9.2,  steps: [9.2], becomes: [{ text: 'HCN', charge: 0, count: 1, gas: true }] },
  { of: 'CO3',    charge: -2, takes: 2, pKa: 6.35, steps: [10.33, 6.35], becomes: [{ text: 'CO2', charge: 0, count: 1, gas: true }, { text: 'H2O', charge: 0, count: 1 }] },
  { of: 'HCO3',   charge: -1, takes: 1, pKa: 6.35, steps: [6.35], becomes: [{ text: 'CO2', charge: 0, count: 1, gas: true }, { text: 'H2O', charge: 0, count: 1 }] },
  { of: 'SO3',    charge: -2, takes: 2, pKa: 1.9,  steps: [7.2, 1.9], becomes: [{ text: 'SO2', charge: 0, count: 1, gas: true }, { text: 'H2O', charge: 0, count: 1 }] },
  { of: 'HSO3',   charge: -1, takes: 1, pKa: 1.9,  steps: [1.9], becomes: [{ text: 'SO2', charge: 0, count: 1, gas: true }, { text: 'H2O', charge: 0, count: 1 }] },
  { of: 'CH3COO', charge: -1, takes: 1, pKa: 4.76, steps: [4.76], becomes: [{ text: 'CH3COOH', charge: 0, count: 1 }] },
  { of: 'HCOO',   charge: -1, takes: 1, pKa: 3.75, steps: [3.75], becomes: [{ text: 'HCOOH', charge: 0, count: 1 }] },
]

/** Acids too weak to dissolve or to make a salt by, but stronger than others that they set free: pKa of the first proton. Same sources. */
export const weakDonors: readonly { readonly of: string; readonly charge: number; readonly pKa: number }[] = [
  { of: 'H2S', charge: 0, pKa: 7.0 }, { of: 'HSO3', charge: -1, pKa: 7.2 }, { of: 'HClO', charge: 0, pKa: 7.5 }, { of: 'HCN', charge: 0, pKa: 9.2 }, { of: 'H3BO3', charge: 0, pKa: 9.24 }, { of: 'HCO3', charge: -1, pKa: 10.33 },
] // prettier-ignore
