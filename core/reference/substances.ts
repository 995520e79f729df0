/**
 * A first small table of substances of preparative work. All recalled from memory of the CRC Handbook of Chemistry and Physics
 * (Physical constants of inorganic compounds: forms, colour, solubility) and of the harmonised classification (CLP Annex VI:
 * hazards). A substance's forms are its known hydrates, as waters per formula, each with its colour.
 */
export interface SubstanceRow {
  readonly formula: string
  readonly name: string
  readonly state: 'solid' | 'liquid' | 'gas'
  /** What it does in cold water, in a word. */
  readonly water: 'soluble' | 'slightly' | 'insoluble' | 'reacts'
  readonly forms?: readonly (readonly [waters: number, colour: string, swatch: string])[]
  /** Boils away from its solution below about 130 °C. */
  readonly volatile?: true
  /** GHS hazard statements of the substance as usually handled. */
  readonly hazards?: readonly HazardCode[]
}

/** GHS hazard statements, UN GHS Rev. 9, Annex 3 (from memory). `rank` orders them in a margin, gravest first. */
export const hazardStatements = [
  { code: 'H330', rank: 1, text: 'is fatal if inhaled' },
  { code: 'H331', rank: 1, text: 'is toxic if inhaled' },
  { code: 'H300', rank: 1, text: 'is fatal if swallowed' },
  { code: 'H301', rank: 2, text: 'is toxic if swallowed' },
  { code: 'H350', rank: 1, text: 'may cause cancer' },
  { code: 'H350i', rank: 1, text: 'may cause cancer by inhalation' },
  { code: 'H360', rank: 1, text: 'may damage fertility or the unborn child' },
  { code: 'H340', rank: 1, text: 'may cause genetic defects' },
  { code: 'H341', rank: 2, text: 'is suspected of causing genetic defects' },
  { code: 'H351', rank: 2, text: 'is suspected of causing cancer' },
  { code: 'H314', rank: 2, text: 'causes severe skin burns and eye damage' },
  { code: 'H220', rank: 2, text: 'is an extremely flammable gas' },
  { code: 'H250', rank: 2, text: 'catches fire in air by itself' },
  { code: 'H260', rank: 2, text: 'gives off flammable gas in water, which may ignite' },
  { code: 'H228', rank: 3, text: 'is a flammable solid' },
  { code: 'H270', rank: 3, text: 'feeds fire: oxidiser' },
  { code: 'H271', rank: 2, text: 'may cause fire or explosion: strong oxidiser' },
  { code: 'H272', rank: 3, text: 'feeds fire: oxidiser' },
  { code: 'H302', rank: 4, text: 'is harmful if swallowed' },
  { code: 'H312', rank: 4, text: 'is harmful on the skin' },
  { code: 'H332', rank: 4, text: 'is harmful if inhaled' },
  { code: 'H334', rank: 2, text: 'may cause asthma if inhaled' },
  { code: 'H317', rank: 3, text: 'may sensitise skin' },
  { code: 'H318', rank: 3, text: 'causes serious eye damage' },
  { code: 'H319', rank: 5, text: 'irritates eyes' },
  { code: 'H315', rank: 5, text: 'irritates skin' },
  { code: 'H335', rank: 5, text: 'irritates the airways' },
  { code: 'H372', rank: 3, text: 'damages organs on repeated exposure' },
  { code: 'H373', rank: 4, text: 'may damage organs on repeated exposure' },
  { code: 'H410', rank: 6, text: 'is very toxic to water life, so it does not go down the drain' },
  { code: 'H411', rank: 6, text: 'is toxic to water life, so it does not go down the drain' },
] as const

export type HazardCode = (typeof hazardStatements)[number]['code']

const NICKEL = ['H350i', 'H360', 'H341', 'H334', 'H317', 'H372', 'H302', 'H410'] as const
const COBALT = ['H350i', 'H360', 'H341', 'H334', 'H317', 'H302', 'H410'] as const
const COPPER = ['H302', 'H318', 'H410'] as const
const ZINC = ['H302', 'H318', 'H410'] as const
const CHROMATE = ['H350', 'H340', 'H360', 'H330', 'H301', 'H314', 'H317', 'H334', 'H272', 'H410'] as const
const LEAD = ['H360', 'H302', 'H332', 'H373', 'H410'] as const
const BARIUM = ['H301', 'H332'] as const
const OXALATE = ['H302', 'H312'] as const

export const substances = [
  { formula: 'H2O',               name: 'water',                         state: 'liquid', water: 'soluble', forms: [[0, 'colourless', '#e8f1f5']] },
  { formula: 'H2',                name: 'hydrogen',                      state: 'gas',    water: 'insoluble', hazards: ['H220'] },
  { formula: 'O2',                name: 'oxygen',                        state: 'gas',    water: 'slightly', hazards: ['H270'] },
  { formula: 'N2',                name: 'nitrogen',                      state: 'gas',    water: 'insoluble' },
  { formula: 'CO2',               name: 'carbon dioxide',                state: 'gas',    water: 'slightly' },
  { formula: 'CO',                name: 'carbon monoxide',               state: 'gas',    water: 'insoluble', hazards: ['H331', 'H360', 'H220', 'H372'] },
  { formula: 'Cl2',               name: 'chlorine',                      state: 'gas',    water: 'slightly', hazards: ['H330', 'H270', 'H315', 'H319', 'H335', 'H410'] },
  { formula: 'NO',                name: 'nitrogen monoxide',             state: 'gas',    water: 'insoluble', hazards: ['H330', 'H270', 'H314'] },
  { formula: 'NO2',               name: 'nitrogen dioxide',              state: 'gas',    water: 'reacts', hazards: ['H330', 'H270', 'H314'] },
  { formula: 'N2O',               name: 'dinitrogen monoxide',           state: 'gas',    water: 'slightly', hazards: ['H270'] },
  { formula: 'SO2',               name: 'sulfur dioxide',                state: 'gas',    water: 'soluble', hazards: ['H331', 'H314'] },
  { formula: 'H2S',               name: 'hydrogen sulfide',              state: 'gas',    water: 'slightly', hazards: ['H330', 'H220', 'H410'] },
  { formula: 'NH3',               name: 'ammonia',                       state: 'gas',    water: 'soluble', hazards: ['H331', 'H314', 'H410'] },
  { formula: 'HCl',               name: 'hydrogen chloride',             state: 'gas',    water: 'soluble', hazards: ['H331', 'H314', 'H335'] },
  { formula: 'HBr',               name: 'hydrogen bromide',              state: 'gas',    water: 'soluble', hazards: ['H314', 'H335'] },
  { formula: 'HF',                name: 'hydrogen fluoride',             state: 'gas',    water: 'soluble', hazards: ['H330', 'H300', 'H314'] },
  { formula: 'HNO3',              name: 'nitric acid',                   state: 'liquid', water: 'soluble', volatile: true, hazards: ['H331', 'H314', 'H272'] },
  { formula: 'H2SO4',             name: 'sulfuric acid',                 state: 'liquid', water: 'soluble', hazards: ['H314'] },
  { formula: 'H3PO4',             name: 'phosphoric acid',               state: 'solid',  water: 'soluble', hazards: ['H314'] },
  { formula: 'CH3COOH',           name: 'acetic acid',                   state: 'liquid', water: 'soluble', volatile: true, hazards: ['H314'] },
  { formula: 'H2O2',              name: 'hydrogen peroxide',             state: 'liquid', water: 'soluble', hazards: ['H271', 'H302', 'H314', 'H332'] },
  { formula: 'H2C2O4',            name: 'oxalic acid',                   state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [2, 'colourless', '#f1f1ec']], hazards: [...OXALATE, 'H318'] },
  { formula: 'NaOH',              name: 'sodium hydroxide',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee']], hazards: ['H314'] },
  { formula: 'KOH',               name: 'potassium hydroxide',           state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee']], hazards: ['H314', 'H302'] },
  { formula: 'Ca(OH)2',           name: 'calcium hydroxide',             state: 'solid',  water: 'slightly', forms: [[0, 'white', '#f3f2ee']], hazards: ['H318', 'H315', 'H335'] },
  { formula: 'Mg(OH)2',           name: 'magnesium hydroxide',           state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'Ba(OH)2',           name: 'barium hydroxide',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee'], [8, 'colourless', '#f1f1ec']], hazards: ['H302', 'H314'] },
  { formula: 'Zn',                name: 'zinc',                          state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#a9aeb1']], hazards: ['H410'] },
  { formula: 'ZnO',               name: 'zinc oxide',                    state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H410'] },
  { formula: 'ZnCO3',             name: 'zinc carbonate',                state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'ZnSO4',             name: 'zinc sulfate',                  state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee'], [6, 'colourless', '#f1f1ec'], [7, 'colourless', '#f1f1ec']], hazards: [...ZINC] },
  { formula: 'ZnCl2',             name: 'zinc chloride',                 state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H302', 'H314', 'H410'] },
  { formula: 'Zn(NO3)2',          name: 'zinc nitrate',                  state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [4, 'colourless', '#f1f1ec'], [6, 'colourless', '#f1f1ec']], hazards: ['H272', 'H302', 'H318', 'H410'] },
  { formula: 'Cu',                name: 'copper',                        state: 'solid',  water: 'insoluble', forms: [[0, 'red-brown', '#b1673f']] },
  { formula: 'CuO',               name: 'copper(II) oxide',              state: 'solid',  water: 'insoluble', forms: [[0, 'black', '#2a2826']], hazards: ['H410'] },
  { formula: 'CuCO3·Cu(OH)2',     name: 'basic copper(II) carbonate',    state: 'solid',  water: 'insoluble', forms: [[0, 'green', '#4f9d7c']], hazards: ['H302', 'H332', 'H319', 'H410'] },
  { formula: 'CuSO4',             name: 'copper(II) sulfate',            state: 'solid',  water: 'soluble', forms: [[0, 'white', '#eceeec'], [1, 'pale blue', '#cfdfe8'], [3, 'blue', '#6f9fce'], [5, 'blue', '#2b64c4']], hazards: [...COPPER] },
  { formula: 'CuCl2',             name: 'copper(II) chloride',           state: 'solid',  water: 'soluble', forms: [[0, 'yellow-brown', '#9a7a34'], [2, 'blue-green', '#4aa7a0']], hazards: [...COPPER, 'H312'] },
  { formula: 'Cu(NO3)2',          name: 'copper(II) nitrate',            state: 'solid',  water: 'soluble', forms: [[0, 'blue-green', '#4aa7a0'], [2.5, 'blue', '#2f74c4'], [3, 'blue', '#2f74c4'], [6, 'blue', '#2f74c4']], hazards: ['H272', ...COPPER] },
  { formula: 'Cu(CH3COO)2',       name: 'copper(II) acetate',            state: 'solid',  water: 'soluble', forms: [[0, 'blue-green', '#2f8f86'], [1, 'dark green', '#1f7a66']], hazards: ['H302', 'H318', 'H410'] },
  { formula: '[Cu(NH3)4]SO4',     name: 'tetraamminecopper(II) sulfate', state: 'solid',  water: 'soluble', forms: [[0, 'deep blue', '#2a3fae'], [1, 'deep blue', '#24339c']], hazards: ['H302', 'H318', 'H410'] },
  { formula: 'K2[Cu(C2O4)2]',     name: 'potassium bis(oxalato)cuprate(II)', state: 'solid', water: 'slightly', forms: [[0, 'pale blue', '#8fb9dc'], [2, 'blue', '#3f8fd0']], hazards: [...OXALATE, 'H410'] },
  { formula: 'Co',                name: 'cobalt',                        state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#8d9194']], hazards: [...COBALT] },
  { formula: 'CoCO3',             name: 'cobalt(II) carbonate',          state: 'solid',  water: 'insoluble', forms: [[0, 'mauve', '#a0688e']], hazards: [...COBALT] },
  { formula: 'CoCl2',             name: 'cobalt(II) chloride',           state: 'solid',  water: 'soluble', forms: [[0, 'blue', '#5f7fd0'], [2, 'violet', '#8a5fb0'], [6, 'rose red', '#b9445f']], hazards: [...COBALT] },
  { formula: 'CoSO4',             name: 'cobalt(II) sulfate',            state: 'solid',  water: 'soluble', forms: [[0, 'rose', '#c98a9a'], [1, 'rose', '#c46a80'], [6, 'rose red', '#b9445f'], [7, 'rose red', '#b9445f']], hazards: [...COBALT] },
  { formula: 'Co(NO3)2',          name: 'cobalt(II) nitrate',            state: 'solid',  water: 'soluble', forms: [[0, 'pale red', '#c77a84'], [6, 'red', '#b23f55']], hazards: ['H272', ...COBALT] },
  { formula: 'Ni',                name: 'nickel',                        state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#9ea2a3']], hazards: ['H351', 'H317', 'H372'] },
  { formula: 'NiO',               name: 'nickel(II) oxide',              state: 'solid',  water: 'insoluble', forms: [[0, 'green', '#5d7a55']], hazards: ['H350i', 'H317', 'H372'] },
  { formula: 'NiCO3',             name: 'nickel(II) carbonate',          state: 'solid',  water: 'insoluble', forms: [[0, 'pale green', '#9cc79a']], hazards: [...NICKEL] },
  { formula: 'NiSO4',             name: 'nickel(II) sulfate',            state: 'solid',  water: 'soluble', forms: [[0, 'yellow', '#cfc45a'], [6, 'blue-green', '#2f9e8f'], [7, 'green', '#3f9e6f']], hazards: [...NICKEL] },
  { formula: 'NiCl2',             name: 'nickel(II) chloride',           state: 'solid',  water: 'soluble', forms: [[0, 'yellow', '#cdb04a'], [6, 'green', '#4fa868']], hazards: [...NICKEL, 'H331', 'H301'] },
  { formula: '(NH4)2Ni(SO4)2',    name: 'ammonium nickel(II) sulfate',   state: 'solid',  water: 'slightly', forms: [[0, 'yellow-green', '#b3bf5f'], [6, 'blue-green', '#3f9e8a']], hazards: [...NICKEL] },
  { formula: 'Ni(C4H7N2O2)2',     name: 'bis(dimethylglyoximato)nickel(II)', state: 'solid', water: 'insoluble', forms: [[0, 'red', '#c22a4a']], hazards: ['H317'] },
  { formula: 'Fe',                name: 'iron',                          state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#7d8184']] },
  { formula: 'Fe2O3',             name: 'iron(III) oxide',               state: 'solid',  water: 'insoluble', forms: [[0, 'red-brown', '#8a3a26']] },
  { formula: 'FeSO4',             name: 'iron(II) sulfate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#eceee8'], [1, 'pale', '#e3e8dc'], [4, 'green', '#9ec4a2'], [7, 'pale green', '#8fc2a6']], hazards: ['H302', 'H319', 'H315'] },
  { formula: 'FeCl3',             name: 'iron(III) chloride',            state: 'solid',  water: 'soluble', forms: [[0, 'dark green', '#2f4a3a'], [6, 'yellow-brown', '#b8862f']], hazards: ['H302', 'H318', 'H315'] },
  { formula: '(NH4)2Fe(SO4)2',    name: 'ammonium iron(II) sulfate',     state: 'solid',  water: 'soluble', forms: [[0, 'white', '#eceee8'], [6, 'pale green', '#a8d0b4']], hazards: ['H315', 'H319'] },
  { formula: 'MnO2',              name: 'manganese dioxide',             state: 'solid',  water: 'insoluble', forms: [[0, 'black', '#242222']], hazards: ['H302', 'H332'] },
  { formula: 'MnCO3',             name: 'manganese(II) carbonate',       state: 'solid',  water: 'insoluble', forms: [[0, 'pale pink', '#dcb9ab']] },
  { formula: 'MnSO4',             name: 'manganese(II) sulfate',         state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f1ebe8'], [1, 'pale pink', '#ecd5d3'], [4, 'pink', '#e6bcc0'], [5, 'pink', '#e6bcc0'], [7, 'pink', '#e6bcc0']], hazards: ['H318', 'H373', 'H411'] },
  { formula: 'MnCl2',             name: 'manganese(II) chloride',        state: 'solid',  water: 'soluble', forms: [[0, 'pink', '#e0b4ba'], [2, 'pink', '#e0b4ba'], [4, 'pink', '#e0a6b0']], hazards: ['H301', 'H318', 'H373', 'H411'] },
  { formula: 'KMnO4',             name: 'potassium permanganate',        state: 'solid',  water: 'soluble', forms: [[0, 'dark purple', '#3a1a3f']], hazards: ['H272', 'H302', 'H314', 'H410'] },
  { formula: 'MoO3',              name: 'molybdenum trioxide',           state: 'solid',  water: 'slightly', forms: [[0, 'pale yellow', '#e6e2c0']], hazards: ['H351', 'H319', 'H335'] },
  { formula: 'Na2MoO4',           name: 'sodium molybdate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [2, 'white', '#f3f2ee'], [10, 'colourless', '#f1f1ec']] },
  { formula: 'K2Cr2O7',           name: 'potassium dichromate',          state: 'solid',  water: 'soluble', forms: [[0, 'orange', '#d9601f']], hazards: [...CHROMATE] },
  { formula: 'K2CrO4',            name: 'potassium chromate',            state: 'solid',  water: 'soluble', forms: [[0, 'yellow', '#e3c22f']], hazards: ['H350i', 'H340', 'H317', 'H319', 'H315', 'H335', 'H410'] },
  { formula: 'Mg',                name: 'magnesium',                     state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#b4b8ba']], hazards: ['H228'] },
  { formula: 'MgO',               name: 'magnesium oxide',               state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'MgCO3',             name: 'magnesium carbonate',           state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee'], [3, 'white', '#f3f2ee']] },
  { formula: 'MgSO4',             name: 'magnesium sulfate',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee'], [6, 'colourless', '#f1f1ec'], [7, 'colourless', '#f1f1ec']] },
  { formula: 'MgCl2',             name: 'magnesium chloride',            state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [6, 'colourless', '#f1f1ec']] },
  { formula: 'CaO',               name: 'calcium oxide',                 state: 'solid',  water: 'reacts', forms: [[0, 'white', '#f3f2ee']], hazards: ['H318', 'H315', 'H335'] },
  { formula: 'CaCO3',             name: 'calcium carbonate',             state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'CaCl2',             name: 'calcium chloride',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [2, 'white', '#f3f2ee'], [6, 'colourless', '#f1f1ec']], hazards: ['H319'] },
  { formula: 'CaSO4',             name: 'calcium sulfate',               state: 'solid',  water: 'slightly', forms: [[0, 'white', '#f3f2ee'], [0.5, 'white', '#f3f2ee'], [2, 'white', '#f3f2ee']] },
  { formula: 'BaCl2',             name: 'barium chloride',               state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [2, 'colourless', '#f1f1ec']], hazards: [...BARIUM] },
  { formula: 'BaCO3',             name: 'barium carbonate',              state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H302'] },
  { formula: 'BaSO4',             name: 'barium sulfate',                state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'Al',                name: 'aluminium',                     state: 'solid',  water: 'insoluble', forms: [[0, 'grey', '#c2c6c8']] },
  { formula: 'Al2(SO4)3',         name: 'aluminium sulfate',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [16, 'white', '#f3f2ee'], [18, 'colourless', '#f1f1ec']], hazards: ['H318'] },
  { formula: 'KAl(SO4)2',         name: 'potassium aluminium sulfate',   state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [12, 'colourless', '#f1f1ec']] },
  { formula: 'Na2CO3',            name: 'sodium carbonate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'white', '#f3f2ee'], [7, 'colourless', '#f1f1ec'], [10, 'colourless', '#f1f1ec']], hazards: ['H319'] },
  { formula: 'NaHCO3',            name: 'sodium hydrogencarbonate',      state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'Na2SO4',            name: 'sodium sulfate',                state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [7, 'colourless', '#f1f1ec'], [10, 'colourless', '#f1f1ec']] },
  { formula: 'NaCl',              name: 'sodium chloride',               state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [2, 'colourless', '#f1f1ec']] },
  { formula: 'NaNO3',             name: 'sodium nitrate',                state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H272', 'H319'] },
  { formula: 'Na2SO3',            name: 'sodium sulfite',                state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [7, 'colourless', '#f1f1ec']] },
  { formula: 'Na2S2O3',           name: 'sodium thiosulfate',            state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [5, 'colourless', '#f1f1ec']] },
  { formula: 'Na2S2O5',           name: 'sodium disulfite',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H302', 'H318'] },
  { formula: 'CH3COONa',          name: 'sodium acetate',                state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [3, 'colourless', '#f1f1ec']] },
  { formula: 'KCl',               name: 'potassium chloride',            state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'KNO3',              name: 'potassium nitrate',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H272'] },
  { formula: 'K2SO4',             name: 'potassium sulfate',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'K2CO3',             name: 'potassium carbonate',           state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1.5, 'white', '#f3f2ee']], hazards: ['H315', 'H319', 'H335'] },
  { formula: 'K2C2O4',            name: 'potassium oxalate',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee'], [1, 'colourless', '#f1f1ec']], hazards: [...OXALATE] },
  { formula: 'NH4Cl',             name: 'ammonium chloride',             state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H302', 'H319'] },
  { formula: 'NH4NO3',            name: 'ammonium nitrate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: ['H272', 'H319'] },
  { formula: '(NH4)2SO4',         name: 'ammonium sulfate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']] },
  { formula: 'Pb(NO3)2',          name: 'lead(II) nitrate',              state: 'solid',  water: 'soluble', forms: [[0, 'white', '#f3f2ee']], hazards: [...LEAD, 'H272'] },
  { formula: 'PbO',               name: 'lead(II) oxide',                state: 'solid',  water: 'insoluble', forms: [[0, 'yellow', '#d9b84a']], hazards: [...LEAD] },
  { formula: 'PbSO4',             name: 'lead(II) sulfate',              state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#f3f2ee']], hazards: [...LEAD] },
  { formula: 'AgNO3',             name: 'silver nitrate',                state: 'solid',  water: 'soluble', forms: [[0, 'colourless', '#f1f1ec']], hazards: ['H272', 'H314', 'H410'] },
  { formula: 'AgCl',              name: 'silver chloride',               state: 'solid',  water: 'insoluble', forms: [[0, 'white', '#e9e7ee']], hazards: ['H410'] },
  { formula: 'S',                 name: 'sulfur',                        state: 'solid',  water: 'insoluble', forms: [[0, 'yellow', '#e6cf3f']], hazards: ['H228', 'H315'] },
] as const satisfies readonly SubstanceRow[]
