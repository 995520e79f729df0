/**
 * Salts of several others whose solubility no curve of the tables tells. Each has its constant at 25 °C, as log₁₀ of the product of activities, or its own solubility alone there (mol of the salt in a kg of water),
 * from which the constant follows. At other temperatures it moves as those of the solids named, an estimate: what it is made of, in hydrates that together hold about
 * as much water as it does (joining them then costs little heat), or a double salt of the same kind that has a curve.
 * H: C. E. Harvie, N. Møller and J. H. Weare, Geochim. Cosmochim. Acta 48 (1984) 723; L: J. Locke, Am. Chem. J. 27 (1902) 455, solubilities at 25 °C; C: CRC Handbook. From memory.
 */
export interface DoubleSalt {
  readonly form: string
  readonly at25: { readonly logK: number } | { readonly alone: number }
  readonly movesAs: readonly (readonly [solid: string, count: number])[]
  readonly source: 'H' | 'L' | 'C'
}

export const doubleSaltSources = {
  H: 'Harvie, Møller and Weare 1984 (from memory)',
  L: 'Locke 1902, 25 °C (from memory); other temperatures after a relative',
  C: 'CRC Handbook, 25 °C (from memory); other temperatures after a relative',
} as const

/** Double salts that are known to crystallise, of which no solubility is at hand: that they may come is all that is told of them (texts of inorganic chemistry, from memory). */
export const doubleSaltsByName: readonly string[] = [
  'K2Fe(SO4)2·6H2O', 'K2Mn(SO4)2·4H2O', 'K2Cd(SO4)2·6H2O', '(NH4)2Cd(SO4)2·6H2O', 'Rb2Mg(SO4)2·6H2O', 'Cs2Mg(SO4)2·6H2O', 'Na2Zn(SO4)2·4H2O', 'Na2Ni(SO4)2·4H2O', 'Na2Co(SO4)2·4H2O', 'Na2Cu(SO4)2·2H2O',
  'RbAl(SO4)2·12H2O', 'CsAl(SO4)2·12H2O', 'KFe(SO4)2·12H2O', 'NH4MgCl3·6H2O', 'K2CuCl4·2H2O', '(NH4)2CuCl4·2H2O', 'K2ZnCl4', '(NH4)2ZnCl4', 'K2FeCl5·H2O', '(NH4)2FeCl5·H2O', 'KCdCl3·H2O', 'NaK5(CO3)3', 'NaKCO3·6H2O',
] // prettier-ignore

const TUTTON = [['(NH4)2Mg(SO4)2·6H2O', 1]] as const
const ALUM = [['KAl(SO4)2·12H2O', 1]] as const

export const doubleSalts: readonly DoubleSalt[] = [
  { form: 'K2Mg(SO4)2·6H2O', at25: { logK: -4.328 }, movesAs: [['K2SO4', 1], ['MgSO4·6H2O', 1]], source: 'H' },
  { form: 'K2Mg(SO4)2·4H2O', at25: { logK: -3.979 }, movesAs: [['K2SO4', 1], ['MgSO4·6H2O', 1]], source: 'H' },
  { form: 'Na2Mg(SO4)2·4H2O', at25: { logK: -2.347 }, movesAs: [['Na2SO4', 1], ['MgSO4·6H2O', 1]], source: 'H' },
  { form: 'K3Na(SO4)2', at25: { logK: -3.803 }, movesAs: [['K2SO4', 1.5], ['Na2SO4', 0.5]], source: 'H' },
  { form: 'KMgCl3·6H2O', at25: { logK: 4.33 }, movesAs: [['KCl', 1], ['MgCl2·6H2O', 1]], source: 'H' },
  { form: 'K2Ca(SO4)2·H2O', at25: { logK: -7.448 }, movesAs: [['K2SO4', 1], ['CaSO4·2H2O', 1]], source: 'H' },
  { form: 'Na2Ca(SO4)2', at25: { logK: -5.245 }, movesAs: [['Na2SO4', 1], ['CaSO4·2H2O', 1]], source: 'H' },
  { form: 'K2Cu(SO4)2·6H2O', at25: { alone: 0.351 }, movesAs: TUTTON, source: 'L' },
  { form: 'K2Ni(SO4)2·6H2O', at25: { alone: 0.207 }, movesAs: TUTTON, source: 'L' },
  { form: 'K2Co(SO4)2·6H2O', at25: { alone: 0.387 }, movesAs: TUTTON, source: 'L' },
  { form: 'K2Zn(SO4)2·6H2O', at25: { alone: 0.393 }, movesAs: TUTTON, source: 'L' },
  { form: '(NH4)2Cu(SO4)2·6H2O', at25: { alone: 0.7 }, movesAs: TUTTON, source: 'L' },
  { form: '(NH4)2Zn(SO4)2·6H2O', at25: { alone: 0.48 }, movesAs: TUTTON, source: 'L' },
  { form: '(NH4)2Mn(SO4)2·6H2O', at25: { alone: 1.31 }, movesAs: TUTTON, source: 'L' },
  { form: 'KCr(SO4)2·12H2O', at25: { alone: 0.441 }, movesAs: ALUM, source: 'C' },
  { form: 'NH4Cr(SO4)2·12H2O', at25: { alone: 0.404 }, movesAs: ALUM, source: 'C' },
  { form: 'NH4Fe(SO4)2·12H2O', at25: { alone: 1.65 }, movesAs: ALUM, source: 'C' },
] // prettier-ignore
