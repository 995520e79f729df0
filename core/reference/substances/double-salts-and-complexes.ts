import type { SubstanceBlock } from './row'
import { CLEAR, WHITE } from './shades'

const NICKEL = ['H350i', 'H360', 'H341', 'H334', 'H317', 'H372', 'H302', 'H410'] as const
const COBALT = ['H350i', 'H360', 'H341', 'H334', 'H317', 'H302', 'H410'] as const
const COPPER = ['H302', 'H318', 'H410'] as const

export const doubleSaltsAndComplexes = {
  source: 'Textbooks of preparative inorganic chemistry; CRC Handbook; hazards by analogy with the metal’s simple salts (from memory)',
  rows: [
    { formula: 'KAl(SO4)2', name: 'potassium aluminium sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', acetone: 'insoluble', air: 'effloresces', forms: [[0, ...WHITE], [12, ...CLEAR, 92.5]], also: ['alum', 'potash alum', 'aluminium potassium sulfate'] },
    { formula: 'NH4Al(SO4)2', name: 'ammonium aluminium sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [12, ...CLEAR, 93.5]], also: ['ammonium alum', 'aluminium ammonium sulfate'] },
    { formula: 'NaAl(SO4)2', name: 'sodium aluminium sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'effloresces', forms: [[0, ...WHITE], [12, ...CLEAR, 60]] },
    { formula: 'KCr(SO4)2', name: 'potassium chromium(III) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'effloresces', forms: [[0, 'grey-green', '#8a9a80'], [12, 'dark violet', '#3f2a5a', 78]], hazards: ['H315', 'H319'], also: ['chrome alum', 'chromium(III) potassium sulfate'] },
    { formula: 'NH4Fe(SO4)2', name: 'ammonium iron(III) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'effloresces', forms: [[0, ...WHITE], [12, 'pale violet', '#cfc0d8', 37]], hazards: ['H315', 'H319', 'H335'], also: ['iron alum'] },
    { formula: 'KFe(SO4)2', name: 'potassium iron(III) sulfate', state: 'solid', water: 'soluble', air: 'effloresces', forms: [[0, ...WHITE], [12, 'pale violet', '#cfc0d8', 33]], hazards: ['H315', 'H319'] },
    { formula: '(NH4)2Fe(SO4)2', name: 'ammonium iron(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'white', '#eceee8'], [6, 'pale green', '#a8d0b4', 100]], hazards: ['H315', 'H319'] },
    { formula: '(NH4)2Ni(SO4)2', name: 'ammonium nickel(II) sulfate', state: 'solid', water: 'slightly', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'yellow-green', '#b3bf5f'], [6, 'blue-green', '#3f9e8a', 86]], hazards: [...NICKEL] },
    { formula: '(NH4)2Co(SO4)2', name: 'ammonium cobalt(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'pink', '#c98a9a'], [6, 'ruby red', '#a83a55', 90]], hazards: [...COBALT] },
    { formula: '(NH4)2Cu(SO4)2', name: 'ammonium copper(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'pale blue', '#b4d0e0'], [6, 'blue', '#4f9fd0', 80]], hazards: [...COPPER] },
    { formula: '(NH4)2Zn(SO4)2', name: 'ammonium zinc sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [6, ...CLEAR, 90]], hazards: ['H302', 'H318', 'H410'] },
    { formula: '(NH4)2Mg(SO4)2', name: 'ammonium magnesium sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [6, ...CLEAR, 120]] },
    { formula: '(NH4)2Mn(SO4)2', name: 'ammonium manganese(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [6, 'pale pink', '#ecd5d3', 90]], hazards: ['H318', 'H373', 'H411'] },
    { formula: 'K2Ni(SO4)2', name: 'potassium nickel(II) sulfate', state: 'solid', water: 'slightly', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'yellow-green', '#b3bf5f'], [6, 'blue-green', '#3f9e8a', 90]], hazards: [...NICKEL] },
    { formula: 'K2Co(SO4)2', name: 'potassium cobalt(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'pink', '#c98a9a'], [6, 'ruby red', '#a83a55', 75]], hazards: [...COBALT] },
    { formula: 'K2Cu(SO4)2', name: 'potassium copper(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'pale blue', '#b4d0e0'], [6, 'pale blue', '#7fbfe0', 70]], hazards: [...COPPER] },
    { formula: 'K2Mg(SO4)2', name: 'potassium magnesium sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [6, ...CLEAR, 72]] },
    { formula: 'K2Zn(SO4)2', name: 'potassium zinc sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [6, ...CLEAR, 75]], hazards: ['H302', 'H318', 'H410'] },
    { formula: 'KMgCl3', name: 'potassium magnesium chloride', state: 'solid', water: 'soluble', air: 'deliquesces', forms: [[0, ...WHITE], [6, ...CLEAR, 168]], also: ['carnallite'] },
    { formula: '[Cu(NH3)4]SO4', name: 'tetraamminecopper(II) sulfate', state: 'solid', water: 'soluble', ethanol: 'insoluble', acetone: 'insoluble', air: 'loses ammonia', forms: [[0, 'deep blue', '#2a3fae'], [1, 'deep blue', '#24339c', 30]], decomposes: 120, hazards: [...COPPER] },
    { formula: '[Ni(NH3)6]Cl2', name: 'hexaamminenickel(II) chloride', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'loses ammonia', forms: [[0, 'violet', '#7a6ab8']], decomposes: 100, hazards: [...NICKEL] },
    { formula: '[Co(NH3)6]Cl3', name: 'hexaamminecobalt(III) chloride', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'orange', '#d07a2a']], decomposes: 215, hazards: ['H302', 'H317', 'H334'] },
    { formula: '[Co(NH3)5Cl]Cl2', name: 'pentaamminechloridocobalt(III) chloride', state: 'solid', water: 'slightly', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'purple-red', '#8f2f5f']], decomposes: 180, hazards: ['H302', 'H317', 'H334'] },
    { formula: '[Co(NH3)4CO3]NO3', name: 'tetraamminecarbonatocobalt(III) nitrate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'purple', '#8a3a6a'], [0.5, 'purple', '#8a3a6a']], decomposes: 150, hazards: ['H272', 'H317', 'H334'] },
    { formula: '[Co(NH3)5(H2O)]Cl3', name: 'pentaammineaquacobalt(III) chloride', state: 'solid', water: 'soluble', ethanol: 'insoluble', forms: [[0, 'brick red', '#b0402a']], decomposes: 100, hazards: ['H302', 'H317', 'H334'] },
    { formula: '[Co(en)3]Cl3', name: 'tris(ethane-1,2-diamine)cobalt(III) chloride', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'yellow-orange', '#d8962a'], [3, 'yellow-orange', '#d8962a', 100]], decomposes: 250, hazards: ['H317', 'H334'] },
    { formula: '[Ni(en)3]Cl2', name: 'tris(ethane-1,2-diamine)nickel(II) chloride', state: 'solid', water: 'soluble', ethanol: 'slightly', air: 'keeps', forms: [[0, 'violet', '#8a5ab0'], [2, 'violet', '#8a5ab0', 100]], hazards: [...NICKEL] },
    { formula: 'K2[Cu(C2O4)2]', name: 'potassium bis(oxalato)cuprate(II)', state: 'solid', water: 'slightly', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'pale blue', '#8fb9dc'], [2, 'blue', '#3f8fd0', 130]], decomposes: 260, hazards: ['H302', 'H312', 'H410'] },
    { formula: 'K3[Fe(C2O4)3]', name: 'potassium tris(oxalato)ferrate(III)', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'darkens in light', forms: [[0, 'yellow-green', '#b8c46a'], [3, 'emerald green', '#3fae5a', 100]], decomposes: 230, hazards: ['H302', 'H312'] },
    { formula: 'K3[Cr(C2O4)3]', name: 'potassium tris(oxalato)chromate(III)', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'blue-green', '#3f6a70'], [3, 'dark blue-green', '#1f3a4a', 100]], hazards: ['H302', 'H312'] },
    { formula: 'K3[Al(C2O4)3]', name: 'potassium tris(oxalato)aluminate', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, ...WHITE], [3, ...CLEAR, 100]], hazards: ['H302', 'H312'] },
    { formula: 'K3[Co(C2O4)3]', name: 'potassium tris(oxalato)cobaltate(III)', state: 'solid', water: 'soluble', ethanol: 'insoluble', air: 'darkens in light', forms: [[0, 'green', '#3f7a4a'], [3, 'dark green', '#1f5a3a', 100]], hazards: ['H302', 'H312', 'H317'] },
    { formula: 'Na3[Co(NO2)6]', name: 'sodium hexanitritocobaltate(III)', state: 'solid', water: 'soluble', ethanol: 'slightly', forms: [[0, 'yellow', '#d8b02a']], decomposes: 220, hazards: ['H272', 'H317', 'H334', 'H351'] },
    { formula: 'K3[Co(NO2)6]', name: 'potassium hexanitritocobaltate(III)', state: 'solid', water: 'insoluble', ethanol: 'insoluble', forms: [[0, 'yellow', '#e0b83a']], decomposes: 200, hazards: ['H317', 'H334'] },
    { formula: 'Cu(C5H7O2)2', name: 'bis(acetylacetonato)copper(II)', state: 'solid', water: 'insoluble', ethanol: 'slightly', acetone: 'slightly', air: 'keeps', forms: [[0, 'blue', '#3f6fb8']], decomposes: 284, hazards: ['H315', 'H319', 'H335'] },
    { formula: 'Fe(C5H7O2)3', name: 'tris(acetylacetonato)iron(III)', state: 'solid', water: 'insoluble', ethanol: 'soluble', acetone: 'soluble', air: 'keeps', forms: [[0, 'red', '#a3382a']], decomposes: 180, hazards: ['H302', 'H318'] },
    { formula: 'Co(C5H7O2)3', name: 'tris(acetylacetonato)cobalt(III)', state: 'solid', water: 'insoluble', ethanol: 'soluble', acetone: 'soluble', air: 'keeps', forms: [[0, 'dark green', '#1f5a3a']], decomposes: 210, hazards: ['H317', 'H334'] },
    { formula: 'Cr(C5H7O2)3', name: 'tris(acetylacetonato)chromium(III)', state: 'solid', water: 'insoluble', ethanol: 'soluble', acetone: 'soluble', air: 'keeps', forms: [[0, 'red-violet', '#7a2a5a']] },
    { formula: 'Ni(C4H7N2O2)2', name: 'bis(dimethylglyoximato)nickel(II)', state: 'solid', water: 'insoluble', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'red', '#c22a4a']], decomposes: 250, hazards: ['H317'] },
    { formula: 'Cu(C2H4NO2)2', name: 'bis(glycinato)copper(II)', state: 'solid', water: 'slightly', ethanol: 'insoluble', air: 'keeps', forms: [[0, 'blue', '#4f7fd0'], [1, 'blue', '#4f7fd0', 130]], decomposes: 210, hazards: ['H302', 'H410'] },
    { formula: '[Fe(phen)3]SO4', name: 'tris(1,10-phenanthroline)iron(II) sulfate', state: 'solid', water: 'soluble', air: 'keeps', forms: [[0, 'red', '#b0281f']], hazards: ['H302'], also: ['ferroin'] },
    { formula: '(NH4)2[Ce(NO3)6]', name: 'ammonium hexanitratocerate(IV)', state: 'solid', water: 'soluble', ethanol: 'soluble', air: 'hygroscopic', forms: [[0, 'orange', '#d9762a']], decomposes: 107, hazards: ['H272', 'H302', 'H314', 'H317', 'H410'], also: ['cerium(IV) ammonium nitrate'] },
  ],
} as const satisfies SubstanceBlock
