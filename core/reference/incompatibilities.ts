/**
 * What must not meet by accident: two kinds of substance, and what they make. Common laboratory knowledge, no source; it is not
 * complete, and a site's rules come first. `kind` words are told by `core/species`.
 */
export type DangerKind =
  | 'acid' | 'strong acid' | 'base' | 'cyanide' | 'bound cyanide' | 'sulfide' | 'sulfite' | 'fluoride' | 'hypochlorite' | 'chlorate' | 'permanganate' | 'oxidiser'
  | 'reductant' | 'organic' | 'ammonia' | 'ammonium' | 'silver' | 'chloride' | 'nitrite' | 'azide' | 'peroxide' | 'active metal' | 'light metal' | 'water' | 'conc. sulfuric acid' // prettier-ignore

export interface Incompatibility {
  readonly one: DangerKind
  readonly other: DangerKind
  readonly makes: string
  /** What an acid sets free here, and the pKa of it: an acid that is much weaker does not. Of chlorine it is the pH at which as much of it as of its acid stands in a chloride of 1 mol/L. */
  readonly frees?: { readonly text: string; readonly pKa: number }
}
/** The first that fits two substances is told of them. The pKa are those of `protons.ts`, of hydrazoic and nitrous acid from the same texts. */
export const incompatibilities: readonly Incompatibility[] = [
  { one: 'cyanide', other: 'acid', makes: 'hydrogen cyanide, which kills within minutes', frees: { text: 'HCN', pKa: 9.2 } },
  { one: 'bound cyanide', other: 'strong acid', makes: 'hydrogen cyanide, once it is hot or strong' },
  { one: 'fluoride', other: 'acid', makes: 'hydrogen fluoride, which goes through the skin and takes glass', frees: { text: 'HF', pKa: 3.17 } },
  { one: 'sulfide', other: 'acid', makes: 'hydrogen sulfide, poisonous and numbing the nose', frees: { text: 'H2S', pKa: 7 } },
  { one: 'sulfite', other: 'acid', makes: 'sulfur dioxide', frees: { text: 'SO2', pKa: 1.9 } },
  { one: 'hypochlorite', other: 'ammonia', makes: 'chloramines and, with more, explosive nitrogen trichloride' },
  { one: 'hypochlorite', other: 'ammonium', makes: 'chloramines and, with more, explosive nitrogen trichloride' },
  { one: 'hypochlorite', other: 'acid', makes: 'chlorine', frees: { text: 'Cl2', pKa: 3.4 } },
  { one: 'chlorate', other: 'strong acid', makes: 'chlorine dioxide, which explodes' },
  { one: 'chlorate', other: 'reductant', makes: 'a mixture that can go off by rubbing' },
  { one: 'chlorate', other: 'ammonium', makes: 'ammonium chlorate, which explodes by itself' },
  { one: 'permanganate', other: 'conc. sulfuric acid', makes: 'manganese heptoxide, which explodes' },
  { one: 'permanganate', other: 'chloride', makes: 'chlorine, once it is acid' },
  { one: 'silver', other: 'ammonia', makes: 'on standing, a black solid that explodes when touched: make fresh, acidify at once after use' },
  { one: 'nitrite', other: 'ammonium', makes: 'ammonium nitrite, which can explode when warm' },
  { one: 'nitrite', other: 'acid', makes: 'nitrogen oxides', frees: { text: 'HNO2', pKa: 3.15 } },
  { one: 'azide', other: 'acid', makes: 'hydrazoic acid, poisonous and explosive', frees: { text: 'HN3', pKa: 4.7 } },
  { one: 'light metal', other: 'water', makes: 'hydrogen, which catches fire by itself' },
  { one: 'light metal', other: 'acid', makes: 'hydrogen, which catches fire by itself' },
  { one: 'peroxide', other: 'organic', makes: 'organic peroxides, which explode (acetone above all)' },
  { one: 'peroxide', other: 'active metal', makes: 'oxygen and heat at once' },
  { one: 'oxidiser', other: 'organic', makes: 'a mixture that can catch fire' },
  { one: 'oxidiser', other: 'reductant', makes: 'much heat, and sometimes fire' },
  { one: 'ammonium', other: 'base', makes: 'ammonia' },
] // prettier-ignore

/** What ions and molecules bring; acids by how readily they give a proton, oxidisers by their statements, and metals by their potentials come beside. */
export const dangerOfIons: Readonly<Record<string, DangerKind>> = {
  CN: 'cyanide', S: 'sulfide', HS: 'sulfide', SO3: 'sulfite', HSO3: 'sulfite', S2O5: 'sulfite', F: 'fluoride', HF2: 'fluoride', ClO: 'hypochlorite', ClO3: 'chlorate', MnO4: 'permanganate', Cl: 'chloride',
  NO2: 'nitrite', N3: 'azide', OH: 'base', NH4: 'ammonium', Ag: 'silver', BH4: 'reductant', H2PO2: 'reductant',
} // prettier-ignore
/** What a ligand brings in a complex that holds it fast. */
export const dangerOfLigands: Readonly<Record<string, DangerKind>> = { CN: 'bound cyanide' }
export const dangerOfMolecules: Readonly<Record<string, DangerKind>> = {
  NH3: 'ammonia', H2O2: 'peroxide', H2O: 'water', H2SO4: 'conc. sulfuric acid', S: 'reductant', P: 'reductant', P4: 'reductant', S8: 'reductant', C: 'reductant', Si: 'reductant', B: 'reductant',
} // prettier-ignore
/** Metals that water itself dissolves, with their standard potentials at 25 °C, V (CRC Handbook, from memory). */
export const lightMetals: readonly { readonly metal: string; readonly potential: number }[] = [
  { metal: 'Li', potential: -3.04 }, { metal: 'Na', potential: -2.71 }, { metal: 'K', potential: -2.93 }, { metal: 'Rb', potential: -2.98 }, { metal: 'Cs', potential: -3.03 },
  { metal: 'Ca', potential: -2.87 }, { metal: 'Sr', potential: -2.9 }, { metal: 'Ba', potential: -2.91 },
] // prettier-ignore
