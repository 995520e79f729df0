/** Ions as formulas write them, without their charge; names after IUPAC Recommendations 2005 (from memory). */
export interface IonRow {
  readonly text: string
  readonly charge: number
  readonly name: string
  readonly also?: readonly string[]
}

export const ionSource = 'IUPAC Red Book 2005, table IX (from memory)'

export const anions: readonly IonRow[] = [
  { text: 'F', charge: -1, name: 'fluoride' }, { text: 'Cl', charge: -1, name: 'chloride' }, { text: 'Br', charge: -1, name: 'bromide' }, { text: 'I', charge: -1, name: 'iodide' },
  { text: 'O', charge: -2, name: 'oxide' }, { text: 'S', charge: -2, name: 'sulfide' }, { text: 'Se', charge: -2, name: 'selenide' }, { text: 'N', charge: -3, name: 'nitride' }, { text: 'P', charge: -3, name: 'phosphide' },
  { text: 'OH', charge: -1, name: 'hydroxide' }, { text: 'HS', charge: -1, name: 'hydrogensulfide' }, { text: 'SH', charge: -1, name: 'hydrogensulfide' },
  { text: 'CN', charge: -1, name: 'cyanide' }, { text: 'SCN', charge: -1, name: 'thiocyanate' }, { text: 'NCS', charge: -1, name: 'thiocyanate' }, { text: 'OCN', charge: -1, name: 'cyanate' }, { text: 'N3', charge: -1, name: 'azide' },
  { text: 'NO2', charge: -1, name: 'nitrite' }, { text: 'NO3', charge: -1, name: 'nitrate' },
  { text: 'CO3', charge: -2, name: 'carbonate' }, { text: 'HCO3', charge: -1, name: 'hydrogencarbonate', also: ['bicarbonate'] },
  { text: 'C2O4', charge: -2, name: 'oxalate' }, { text: 'HC2O4', charge: -1, name: 'hydrogenoxalate' }, { text: 'HCOO', charge: -1, name: 'formate' }, { text: 'CH3COO', charge: -1, name: 'acetate' }, { text: 'C2H3O2', charge: -1, name: 'acetate' }, { text: 'OAc', charge: -1, name: 'acetate' },
  { text: 'C4H4O6', charge: -2, name: 'tartrate' }, { text: 'C6H5O7', charge: -3, name: 'citrate' }, { text: 'C3H2O4', charge: -2, name: 'malonate' }, { text: 'HC8H4O4', charge: -1, name: 'hydrogen phthalate' },
  { text: 'SO3', charge: -2, name: 'sulfite' }, { text: 'HSO3', charge: -1, name: 'hydrogensulfite', also: ['bisulfite'] }, { text: 'S2O5', charge: -2, name: 'disulfite', also: ['metabisulfite'] }, { text: 'S2O4', charge: -2, name: 'dithionite' },
  { text: 'SO4', charge: -2, name: 'sulfate', also: ['sulphate'] }, { text: 'HSO4', charge: -1, name: 'hydrogensulfate', also: ['bisulfate'] }, { text: 'S2O3', charge: -2, name: 'thiosulfate' }, { text: 'S2O8', charge: -2, name: 'peroxodisulfate', also: ['persulfate'] }, { text: 'S4O6', charge: -2, name: 'tetrathionate' }, { text: 'NH2SO3', charge: -1, name: 'amidosulfate', also: ['sulfamate'] },
  { text: 'PO4', charge: -3, name: 'phosphate' }, { text: 'HPO4', charge: -2, name: 'hydrogenphosphate' }, { text: 'H2PO4', charge: -1, name: 'dihydrogenphosphate' }, { text: 'P2O7', charge: -4, name: 'diphosphate', also: ['pyrophosphate'] }, { text: 'HPO3', charge: -2, name: 'phosphonate' },
  { text: 'ClO', charge: -1, name: 'hypochlorite' }, { text: 'ClO2', charge: -1, name: 'chlorite' }, { text: 'ClO3', charge: -1, name: 'chlorate' }, { text: 'ClO4', charge: -1, name: 'perchlorate' }, { text: 'BrO3', charge: -1, name: 'bromate' }, { text: 'IO3', charge: -1, name: 'iodate' }, { text: 'IO4', charge: -1, name: 'periodate' },
  { text: 'MnO4', charge: -1, name: 'permanganate' }, { text: 'MnO4', charge: -2, name: 'manganate' }, { text: 'CrO4', charge: -2, name: 'chromate' }, { text: 'Cr2O7', charge: -2, name: 'dichromate' }, { text: 'MoO4', charge: -2, name: 'molybdate' }, { text: 'Mo7O24', charge: -6, name: 'heptamolybdate' }, { text: 'WO4', charge: -2, name: 'tungstate' },
  { text: 'VO3', charge: -1, name: 'metavanadate' }, { text: 'VO4', charge: -3, name: 'vanadate' }, { text: 'SiO3', charge: -2, name: 'silicate' }, { text: 'B4O7', charge: -2, name: 'tetraborate' }, { text: 'BO3', charge: -3, name: 'borate' }, { text: 'BO2', charge: -1, name: 'metaborate' }, { text: 'BH4', charge: -1, name: 'tetrahydroborate' }, { text: 'BF4', charge: -1, name: 'tetrafluoroborate' }, { text: 'PF6', charge: -1, name: 'hexafluorophosphate' }, { text: 'SiF6', charge: -2, name: 'hexafluorosilicate' },
  { text: 'AsO4', charge: -3, name: 'arsenate' }, { text: 'SeO3', charge: -2, name: 'selenite' }, { text: 'SeO4', charge: -2, name: 'selenate' }, { text: 'SnO3', charge: -2, name: 'stannate' }, { text: 'FeO4', charge: -2, name: 'ferrate' },
]

export const cations: readonly IonRow[] = [
  { text: 'H', charge: 1, name: 'hydrogen' }, { text: 'NH4', charge: 1, name: 'ammonium' }, { text: 'H3O', charge: 1, name: 'oxonium' }, { text: 'N2H5', charge: 1, name: 'hydrazinium' }, { text: 'N2H6', charge: 2, name: 'hydrazinium' }, { text: 'NH3OH', charge: 1, name: 'hydroxylammonium' },
  { text: 'Hg2', charge: 2, name: 'mercury(I)' }, { text: 'VO', charge: 2, name: 'vanadyl' }, { text: 'TiO', charge: 2, name: 'titanyl' }, { text: 'ZrO', charge: 2, name: 'zirconyl' }, { text: 'UO2', charge: 2, name: 'uranyl' }, { text: 'BiO', charge: 1, name: 'bismuthyl' }, { text: 'NO', charge: 1, name: 'nitrosyl' },
]

/** Cations of a metal with oxygen, as what is under the oxygen: the metal and its state. */
export const oxoCations: readonly { readonly ion: string; readonly metal: string; readonly charge: number }[] = [
  { ion: 'VO', metal: 'V', charge: 4 },
  { ion: 'TiO', metal: 'Ti', charge: 4 },
  { ion: 'ZrO', metal: 'Zr', charge: 4 },
  { ion: 'BiO', metal: 'Bi', charge: 3 },
  { ion: 'UO2', metal: 'U', charge: 6 },
]

/** Anions that are one and the same in water, told by two formulas of their salts. */
export const sameInWater: readonly (readonly [string, string])[] = [['S2O5', 'HSO3']]

/** Usual charges of the metals as simple ions, most usual first; one charge alone needs no numeral in a name. */
export const metalCharges: Readonly<Record<string, readonly number[]>> = {
  Li: [1], Na: [1], K: [1], Rb: [1], Cs: [1], Ag: [1], Be: [2], Mg: [2], Ca: [2], Sr: [2], Ba: [2], Zn: [2], Cd: [2], Al: [3], Ga: [3], In: [3], Sc: [3], Y: [3], La: [3],
  Nd: [3], Pr: [3], Sm: [3], Gd: [3], Er: [3], Yb: [3], Dy: [3], Ho: [3], Tb: [3], Th: [4], Zr: [4], Hf: [4],
  Ti: [4, 3], V: [3, 4, 2], Cr: [3, 2, 6], Mn: [2, 3, 4], Fe: [3, 2], Co: [2, 3], Ni: [2, 3], Cu: [2, 1], Hg: [2, 1], Tl: [1, 3], Sn: [2, 4], Pb: [2, 4], Bi: [3], Sb: [3, 5], Ce: [3, 4], Eu: [3, 2],
  Mo: [6, 4, 3], W: [6], Pd: [2, 4], Pt: [2, 4], Au: [3, 1], Ru: [3, 2], Rh: [3], Ir: [3, 4], Os: [4], Re: [7], U: [6, 4], Nb: [5], Ta: [5],
}

/** Names of metals as the centre of a complex anion. */
export const anionStems: Readonly<Record<string, string>> = {
  Al: 'aluminate', Ti: 'titanate', V: 'vanadate', Cr: 'chromate', Mn: 'manganate', Fe: 'ferrate', Co: 'cobaltate', Ni: 'nickelate', Cu: 'cuprate', Zn: 'zincate', Zr: 'zirconate', Mo: 'molybdate', Ru: 'ruthenate', Rh: 'rhodate', Pd: 'palladate',
  Ag: 'argentate', Cd: 'cadmate', Sn: 'stannate', Sb: 'antimonate', Ce: 'cerate', W: 'tungstate', Re: 'rhenate', Os: 'osmate', Ir: 'iridate', Pt: 'platinate', Au: 'aurate', Hg: 'mercurate', Pb: 'plumbate', Bi: 'bismuthate', Mg: 'magnesate', Ca: 'calciate',
}

/** Cations that come along with the metal that a compound is made for, where there is another. */
export const counterIons: ReadonlySet<string> = new Set(['Li', 'Na', 'K', 'Rb', 'Cs'])

/** An oxide of a metal of this charge or more is an acid's anhydride rather than a base. */
export const ANHYDRIDE_FROM = 5
