/** Shorthand of the bench for whole substances, as chemists write it in equations: each stands for one formula. Common practice. */
export const everyday: ReadonlyMap<string, string> = new Map([
  ['HOAc', 'CH3COOH'],
  ['AcOH', 'CH3COOH'],
  ['HAc', 'CH3COOH'],
  ['NaOAc', 'CH3COONa'],
  ['AcONa', 'CH3COONa'],
  ['KOAc', 'CH3COOK'],
  ['AcOK', 'CH3COOK'],
  ['NH4OAc', 'CH3COONH4'],
  ['Ac2O', '(CH3CO)2O'],
  ['OAc-', 'CH3COO^-'],
  ['OAc^-', 'CH3COO^-'],
  ['AcO-', 'CH3COO^-'],
  ['EtOH', 'C2H5OH'],
  ['MeOH', 'CH3OH'],
  ['H2ox', 'H2C2O4'],
  ['Hacac', 'C5H8O2'],
])

/** Groups of a salt that are written short; within square brackets they are ligands and stay. */
const GROUPS: readonly (readonly [short: string, full: string])[] = [['(OAc)', '(CH3COO)']]

/** A salt with its groups written in full: `Zn(OAc)2.2H2O` is `Zn(CH3COO)2.2H2O`. */
export const groupsInFull = (text: string): string =>
  text.includes('[') ? text : GROUPS.reduce((done, [short, full]) => done.replaceAll(short, full), text)
