/**
 * Ligands that are written by an abbreviation in round brackets, as they sit on the metal: formula, charge, how many sites they
 * take. Names and abbreviations: IUPAC Recommendations 2005 (Red Book), tables VII and IR-9 (from memory).
 */
export interface LigandRow {
  readonly abbreviation: string
  readonly name: string
  readonly formula: string
  readonly charge: number
  /** Donor atoms that bind to one metal. */
  readonly sites: number
  readonly note?: string
}

export const ligandSource = 'IUPAC Red Book 2005, tables VII and IR-9 (from memory)'

export const ligands = [
  { abbreviation: 'en',   name: 'ethane-1,2-diamine',              formula: 'C2H8N2',     charge: 0,  sites: 2 },
  { abbreviation: 'pn',   name: 'propane-1,2-diamine',             formula: 'C3H10N2',    charge: 0,  sites: 2 },
  { abbreviation: 'tn',   name: 'propane-1,3-diamine',             formula: 'C3H10N2',    charge: 0,  sites: 2 },
  { abbreviation: 'dien', name: 'diethylenetriamine',              formula: 'C4H13N3',    charge: 0,  sites: 3 },
  { abbreviation: 'ox',   name: 'oxalato',                         formula: 'C2O4',       charge: -2, sites: 2 },
  { abbreviation: 'mal',  name: 'malonato',                        formula: 'C3H2O4',     charge: -2, sites: 2 },
  { abbreviation: 'acac', name: 'acetylacetonato',                 formula: 'C5H7O2',     charge: -1, sites: 2 },
  { abbreviation: 'py',   name: 'pyridine',                        formula: 'C5H5N',      charge: 0,  sites: 1 },
  { abbreviation: 'bipy', name: '2,2′-bipyridine',                 formula: 'C10H8N2',    charge: 0,  sites: 2 },
  { abbreviation: 'bpy',  name: '2,2′-bipyridine',                 formula: 'C10H8N2',    charge: 0,  sites: 2 },
  { abbreviation: 'phen', name: '1,10-phenanthroline',             formula: 'C12H8N2',    charge: 0,  sites: 2 },
  { abbreviation: 'terpy', name: '2,2′:6′,2″-terpyridine',         formula: 'C15H11N3',   charge: 0,  sites: 3 },
  { abbreviation: 'dmg',  name: 'dimethylglyoximato',              formula: 'C4H7N2O2',   charge: -1, sites: 2, note: 'Once deprotonated, as in Ni(dmg)2; the free dimethylglyoxime has one H more.' },
  { abbreviation: 'Hdmg', name: 'dimethylglyoximato',              formula: 'C4H7N2O2',   charge: -1, sites: 2, note: 'The same as dmg, with its H written.' },
  { abbreviation: 'gly',  name: 'glycinato',                       formula: 'C2H4NO2',    charge: -1, sites: 2 },
  { abbreviation: 'edta', name: 'ethylenediaminetetraacetato',     formula: 'C10H12N2O8', charge: -4, sites: 6 },
  { abbreviation: 'Y',    name: 'ethylenediaminetetraacetato',     formula: 'C10H12N2O8', charge: -4, sites: 6, note: 'Only as (Y) inside square brackets; elsewhere Y is yttrium.' },
  { abbreviation: 'oxin', name: 'quinolin-8-olato',                formula: 'C9H6NO',     charge: -1, sites: 2 },
  { abbreviation: 'OAc',  name: 'acetato',                         formula: 'C2H3O2',     charge: -1, sites: 1 },
  { abbreviation: 'tu',   name: 'thiourea',                        formula: 'CH4N2S',     charge: 0,  sites: 1 },
  { abbreviation: 'dmso', name: 'dimethyl sulfoxide',              formula: 'C2H6OS',     charge: 0,  sites: 1 },
] as const satisfies readonly LigandRow[]

/** Ligands written by their formula: name in a complex, charge, sites. */
export const plainLigands = [
  { formula: 'NH3', name: 'ammine', charge: 0, sites: 1 },
  { formula: 'H2O', name: 'aqua', charge: 0, sites: 1 },
  { formula: 'CO', name: 'carbonyl', charge: 0, sites: 1 },
  { formula: 'NO', name: 'nitrosyl', charge: 1, sites: 1 },
  { formula: 'F', name: 'fluorido', charge: -1, sites: 1 },
  { formula: 'Cl', name: 'chlorido', charge: -1, sites: 1 },
  { formula: 'Br', name: 'bromido', charge: -1, sites: 1 },
  { formula: 'I', name: 'iodido', charge: -1, sites: 1 },
  { formula: 'OH', name: 'hydroxido', charge: -1, sites: 1 },
  { formula: 'CN', name: 'cyanido', charge: -1, sites: 1 },
  { formula: 'SCN', name: 'thiocyanato', charge: -1, sites: 1 },
  { formula: 'NCS', name: 'thiocyanato', charge: -1, sites: 1 },
  { formula: 'NO2', name: 'nitrito', charge: -1, sites: 1 },
  { formula: 'NO3', name: 'nitrato', charge: -1, sites: 1 },
  { formula: 'ONO', name: 'nitrito', charge: -1, sites: 1 },
  { formula: 'N3', name: 'azido', charge: -1, sites: 1 },
  { formula: 'O', name: 'oxido', charge: -2, sites: 1 },
  { formula: 'CO3', name: 'carbonato', charge: -2, sites: 2 },
  { formula: 'C2O4', name: 'oxalato', charge: -2, sites: 2 },
  { formula: 'SO4', name: 'sulfato', charge: -2, sites: 1 },
  { formula: 'S2O3', name: 'thiosulfato', charge: -2, sites: 1 },
  { formula: 'C5H7O2', name: 'acetylacetonato', charge: -1, sites: 2 },
  { formula: 'C4H7N2O2', name: 'dimethylglyoximato', charge: -1, sites: 2 },
  { formula: 'C2H4NO2', name: 'glycinato', charge: -1, sites: 2 },
  { formula: 'C9H6NO', name: 'quinolin-8-olato', charge: -1, sites: 2 },
  { formula: 'CH3COO', name: 'acetato', charge: -1, sites: 1 },
  { formula: 'C5H5N', name: 'pyridine', charge: 0, sites: 1 },
  { formula: 'C2H8N2', name: 'ethane-1,2-diamine', charge: 0, sites: 2 },
] as const
