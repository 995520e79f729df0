/**
 * Names that the kitchen, the shop, the quarry and old books give, and what is meant in which form; of what is sold in water, how strong it usually is (% by mass). Common usage, from memory; a bottle's own label comes first.
 */
export interface EverydayName {
  readonly formula: string
  readonly names: readonly string[]
  /** Mass percent, where it is sold in water. */
  readonly percent?: number
}

export const everydayNames: readonly EverydayName[] = [
  { formula: 'MgSO4·7H2O', names: ['epsom salt', 'epsom salts', 'bitter salt'] },
  { formula: 'Na2SO4·10H2O', names: ['glauber salt', 'glauber’s salt', 'glaubers salt'] },
  { formula: 'Na2CO3·10H2O', names: ['washing soda', 'soda crystals', 'crystal soda'] },
  { formula: 'Na2CO3', names: ['soda ash', 'calcined soda'] },
  { formula: 'NaHCO3', names: ['baking soda', 'bicarbonate of soda'] },
  { formula: 'NaOH', names: ['lye', 'caustic soda', 'drain crystals'] },
  { formula: 'KOH', names: ['caustic potash'] },
  { formula: 'K2CO3', names: ['potash', 'pearl ash', 'potash carbonate'] },
  { formula: 'CaO', names: ['lime', 'quicklime', 'burnt lime'] },
  { formula: 'Ca(OH)2', names: ['slaked lime', 'hydrated lime', 'pickling lime', 'garden lime'] },
  { formula: 'CaCO3', names: ['limestone', 'chalk', 'marble', 'eggshell', 'egg shells', 'seashells', 'calcite', 'aragonite', 'oyster shells'] },
  { formula: 'CaSO4·2H2O', names: ['gypsum'] },
  { formula: 'CaSO4·0.5H2O', names: ['plaster of paris', 'plaster'] },
  { formula: 'CuSO4·5H2O', names: ['blue vitriol', 'bluestone', 'blue stone', 'chalcanthite'] },
  { formula: 'FeSO4·7H2O', names: ['green vitriol', 'copperas', 'melanterite', 'lawn iron'] },
  { formula: 'ZnSO4·7H2O', names: ['white vitriol', 'zinc vitriol'] },
  { formula: 'NiSO4·7H2O', names: ['nickel vitriol'] },
  { formula: '(NH4)2Fe(SO4)2·6H2O', names: ['mohr salt', 'mohr’s salt', 'mohrs salt', 'ferrous ammonium sulfate'] },
  { formula: '(NH4)2Ni(SO4)2·6H2O', names: ['double nickel salt'] },
  { formula: 'KAl(SO4)2·12H2O', names: ['alum', 'potash alum', 'potassium alum', 'styptic alum'] },
  { formula: 'NH4Al(SO4)2·12H2O', names: ['ammonium alum', 'ammonia alum'] },
  { formula: 'KCr(SO4)2·12H2O', names: ['chrome alum', 'potassium chrome alum'] },
  { formula: 'NH4Fe(SO4)2·12H2O', names: ['iron alum', 'ferric alum', 'ferric ammonium sulfate'] },
  { formula: 'KNO3', names: ['saltpetre', 'saltpeter', 'nitre', 'niter', 'stump remover'] },
  { formula: 'NaNO3', names: ['chile saltpetre', 'chile saltpeter', 'soda nitre'] },
  { formula: 'NH4Cl', names: ['sal ammoniac', 'salmiac'] },
  { formula: 'Na2S2O3·5H2O', names: ['hypo', 'photographer’s hypo', 'fixing salt'] },
  { formula: 'Na2B4O7·10H2O', names: ['borax'] },
  { formula: 'H3BO3', names: ['boracic acid'] },
  { formula: 'NaCl', names: ['salt', 'table salt', 'common salt', 'rock salt', 'halite', 'kitchen salt'] },
  { formula: 'KCl', names: ['sylvite', 'lite salt', 'muriate of potash'] },
  { formula: 'CaCl2', names: ['damp absorber', 'road salt flakes'] },
  { formula: 'CH3COOH', names: ['vinegar', 'white vinegar'], percent: 5 },
  { formula: 'CH3COOH', names: ['vinegar essence'], percent: 25 },
  { formula: 'H2SO4', names: ['battery acid', 'accumulator acid'], percent: 37 },
  { formula: 'H2SO4', names: ['drain-cleaner acid', 'drain cleaner acid', 'oil of vitriol', 'vitriol', 'sulfuric drain cleaner'], percent: 91 },
  { formula: 'HCl', names: ['muriatic acid', 'spirits of salt', 'brick cleaner', 'pool acid'], percent: 31 },
  { formula: 'HNO3', names: ['aqua fortis'], percent: 65 },
  { formula: 'NaClO', names: ['bleach', 'household bleach'], percent: 5 },
  { formula: 'NH3', names: ['household ammonia', 'ammonia water', 'ammonia solution', 'aqueous ammonia', 'ammonium hydroxide', 'spirit of hartshorn'], percent: 10 },
  { formula: 'H2O2', names: ['peroxide', 'drugstore peroxide', 'hydrogen peroxide solution'], percent: 3 },
  { formula: 'H3PO4', names: ['rust remover', 'rust converter'], percent: 30 },
  { formula: 'NH2SO3H', names: ['descaler'] },
  { formula: 'C6H8O7', names: ['lemon acid', 'sour salt'] },
  { formula: 'H2C2O4·2H2O', names: ['wood bleach', 'bar keeper’s acid'] },
  { formula: 'KHC2O4', names: ['salt of sorrel', 'sorrel salt'] },
  { formula: 'KNaC4H4O6·4H2O', names: ['rochelle salt', 'seignette salt'] },
  { formula: 'Al', names: ['aluminium foil', 'aluminum foil', 'tin foil', 'drink can', 'aluminium can'] },
  { formula: 'Fe', names: ['steel wool', 'iron nails', 'nails', 'iron filings', 'steel'] },
  { formula: 'Cu', names: ['copper wire', 'copper pipe', 'copper coins'] },
  { formula: 'Zn', names: ['zinc roofing', 'mossy zinc'] },
  { formula: 'Fe2O3', names: ['rust', 'haematite', 'hematite', 'red ochre', 'iron oxide red'] },
  { formula: 'Fe3O4', names: ['magnetite', 'lodestone', 'iron oxide black', 'hammer scale'] },
  { formula: 'MnO2', names: ['pyrolusite', 'black manganese', 'braunstein', 'battery black'] },
  { formula: 'CuCO3·Cu(OH)2', names: ['malachite', 'basic copper carbonate', 'copper carbonate', 'verditer'] },
  { formula: 'Cu2O', names: ['cuprite'] },
  { formula: 'CuO', names: ['tenorite', 'black copper oxide'] },
  { formula: 'ZnCO3', names: ['smithsonite', 'calamine'] },
  { formula: 'ZnO', names: ['zincite', 'zinc white', 'chinese white'] },
  { formula: 'ZnS', names: ['sphalerite', 'zinc blende', 'zincblende'] },
  { formula: 'PbS', names: ['galena'] },
  { formula: 'PbCO3', names: ['cerussite'] },
  { formula: 'PbO', names: ['litharge', 'massicot'] },
  { formula: 'Pb3O4', names: ['red lead', 'minium'] },
  { formula: '(PbCO3)2·Pb(OH)2', names: ['white lead'] },
  { formula: 'Pb(CH3COO)2·3H2O', names: ['sugar of lead'] },
  { formula: 'PbCrO4', names: ['chrome yellow', 'crocoite'] },
  { formula: 'Cu(CH3COO)2·H2O', names: ['verdigris', 'neutral verdigris'] },
  { formula: 'MgO', names: ['magnesia', 'periclase', 'burnt magnesia'] },
  { formula: 'MgCO3', names: ['magnesite'] },
  { formula: 'Mg(OH)2', names: ['milk of magnesia', 'brucite'] },
  { formula: 'FeCO3', names: ['siderite'] },
  { formula: 'MnCO3', names: ['rhodochrosite'] },
  { formula: 'BaCO3', names: ['witherite'] },
  { formula: 'BaSO4', names: ['barite', 'barytes', 'blanc fixe', 'heavy spar'] },
  { formula: 'SrCO3', names: ['strontianite'] },
  { formula: 'SrSO4', names: ['celestine', 'celestite'] },
  { formula: 'CaF2', names: ['fluorite', 'fluorspar'] },
  { formula: 'KMgCl3·6H2O', names: ['carnallite'] },
  { formula: 'K2Mg(SO4)2·6H2O', names: ['schönite', 'schoenite', 'picromerite'] },
  { formula: 'TiO2', names: ['rutile', 'anatase', 'titanium white'] },
  { formula: 'SnO2', names: ['cassiterite', 'tinstone', 'putty powder'] },
  { formula: 'Al2O3', names: ['alumina', 'corundum'] },
  { formula: 'SiO2', names: ['sand', 'quartz', 'silica'] },
  { formula: 'AgNO3', names: ['lunar caustic'] },
  { formula: 'Hg2Cl2', names: ['calomel'] },
  { formula: 'HgCl2', names: ['corrosive sublimate'] },
  { formula: 'Fe4[Fe(CN)6]3', names: ['prussian blue', 'berlin blue'] },
  { formula: 'K4[Fe(CN)6]·3H2O', names: ['yellow prussiate', 'yellow prussiate of potash'] },
  { formula: 'K3[Fe(CN)6]', names: ['red prussiate', 'red prussiate of potash'] },
  { formula: 'K3[Fe(C2O4)3]·3H2O', names: ['potassium ferrioxalate', 'ferrioxalate'] },
  { formula: '[Co(NH3)6]Cl3', names: ['luteo cobalt chloride', 'luteocobaltic chloride'] },
  { formula: '[Co(NH3)5Cl]Cl2', names: ['purpureo cobalt chloride', 'purpureocobaltic chloride'] },
  { formula: 'BiOCl', names: ['bismuth oxychloride', 'pearl white'] },
  { formula: 'C18H15P', names: ['pph3', 'triphenylphosphine', 'triphenylphosphane'] },
  { formula: 'C4H8N2O2', names: ['dmgh2', 'h2dmg', 'hdmg'] },
  { formula: 'C5H8O2', names: ['hacac', 'acach'] },
  { formula: 'C9H7NO', names: ['hoxin', 'oxine', '8-hydroxyquinoline'] },
  { formula: 'C2H5NO2', names: ['hgly'] },
  { formula: 'Na3[Co(NO2)6]', names: ['sodium cobaltinitrite'] },
  { formula: 'K3[Co(NO2)6]', names: ['potassium cobaltinitrite', 'fischer’s salt'] },
  { formula: 'KMnO4', names: ['condy’s crystals', 'condys crystals'] },
  { formula: 'K2Cr2O7', names: ['bichrome', 'potassium bichromate'] },
  { formula: 'S', names: ['flowers of sulfur', 'brimstone'] },
  { formula: 'C', names: ['charcoal', 'coke'] },
  { formula: 'C6H12O6', names: ['grape sugar', 'dextrose'] },
  { formula: 'C2H5OH', names: ['alcohol', 'spirit', 'methylated spirit'], percent: 94 },
  { formula: 'CO2', names: ['dry ice'] },
] // prettier-ignore

/** Names that told the state of a metal by their ending. */
export const oldMetalNames: readonly (readonly [name: string, metal: string, charge: number])[] = [
  ['cuprous', 'Cu', 1], ['cupric', 'Cu', 2], ['ferrous', 'Fe', 2], ['ferric', 'Fe', 3], ['stannous', 'Sn', 2], ['stannic', 'Sn', 4], ['plumbous', 'Pb', 2], ['plumbic', 'Pb', 4],
  ['mercurous', 'Hg2', 2], ['mercuric', 'Hg', 2], ['cobaltous', 'Co', 2], ['cobaltic', 'Co', 3], ['nickelous', 'Ni', 2], ['manganous', 'Mn', 2], ['manganic', 'Mn', 3], ['chromous', 'Cr', 2], ['chromic', 'Cr', 3],
  ['cerous', 'Ce', 3], ['ceric', 'Ce', 4], ['argentous', 'Ag', 1], ['aurous', 'Au', 1], ['auric', 'Au', 3], ['titanous', 'Ti', 3], ['titanic', 'Ti', 4], ['thallous', 'Tl', 1], ['thallic', 'Tl', 3], ['antimonous', 'Sb', 3], ['bismuthous', 'Bi', 3],
] // prettier-ignore

/** The state that is meant where a name leaves it out, by usage; the first that a table knows a salt of. */
export const unsaidStates: Readonly<Record<string, readonly number[]>> = {
  Cu: [2, 1], Co: [2, 3], Ni: [2], Mn: [2, 4], Cr: [3], Fe: [2, 3], Sn: [2, 4], Pb: [2, 4], Hg: [2], Bi: [3], Sb: [3], Ce: [3, 4], Ti: [4, 3], V: [5, 4], Au: [3], Pt: [4, 2], Pd: [2], Tl: [1], Mo: [6], W: [6],
} // prettier-ignore

/** Words for the shape or grade of what is in a bottle: they say nothing of what it is. */
export const shapeWords: readonly string[] = [
  'turnings', 'granules', 'granulated', 'granular', 'powder', 'powdered', 'foil', 'wire', 'filings', 'shot', 'ribbon', 'sheet', 'scrap', 'wool', 'chips', 'shavings', 'pellets', 'lumps', 'lump', 'crystals', 'dust', 'metal', 'pieces', 'strip', 'strips', 'rod', 'flakes', 'beads', 'prills',
  'solution', 'technical', 'pure', 'dilute', 'diluted', 'conc', 'conc.', 'concentrated', 'glacial', 'fuming', 'dry', 'fresh', 'grade', 'reagent', 'aqueous', 'ore', 'mineral', 'some', 'the', 'a', 'an', 'my', 'our', 'clean', 'old', 'waste', 'leftover', 'spent', 'cis-', 'trans-', 'cis', 'trans',
] // prettier-ignore

/** Other spellings of words in names. */
export const otherSpellings: readonly (readonly [other: string, ours: string])[] = [
  ['aluminum', 'aluminium'], ['cesium', 'caesium'], ['sulphur', 'sulfur'], ['ethylenediamine', 'ethane-1,2-diamine'], ['bichromate', 'dichromate'], ['hyposulfite', 'thiosulfate'], ['muriate', 'chloride'],
] // prettier-ignore
