/**
 * Groups of atoms that a reaction leaves whole as long as anything else can give: their element would have to change its state of oxidation. Named by the ions and molecules that hold one; texts of
 * inorganic chemistry, from memory. First those that change least readily.
 */
export const keptGroups: readonly { readonly name: string; readonly of: readonly string[] }[] = [
  { name: 'sulfate', of: ['SO4', 'HSO4', 'H2SO4'] },
  { name: 'phosphate', of: ['PO4', 'HPO4', 'H2PO4', 'H3PO4'] },
  { name: 'carbonate', of: ['CO3', 'HCO3', 'CO2'] },
  { name: 'acetate', of: ['CH3COO', 'CH3COOH'] },
  { name: 'ammonia', of: ['NH3', 'NH4'] },
  { name: 'nitrate', of: ['NO3', 'HNO3'] },
  { name: 'perchlorate', of: ['ClO4', 'HClO4'] },
  { name: 'oxalate', of: ['C2O4', 'HC2O4', 'H2C2O4'] },
  { name: 'cyanide', of: ['CN', 'HCN'] },
  { name: 'thiocyanate', of: ['SCN', 'NCS', 'HSCN'] },
  { name: 'nitrite', of: ['NO2', 'HNO2'] },
  { name: 'acetylacetone', of: ['C5H8O2', 'C5H7O2', 'acac'] },
  { name: 'ethane-1,2-diamine', of: ['C2H8N2', 'en'] },
  { name: 'glycine', of: ['C2H5NO2', 'C2H4NO2', 'gly'] },
  { name: 'dimethylglyoxime', of: ['C4H8N2O2', 'C4H7N2O2', 'dmg'] },
  { name: 'quinolinol', of: ['C9H7NO', 'C9H6NO', 'oxin'] },
  { name: 'pyridine', of: ['C5H5N', 'py'] },
  { name: 'phenanthroline', of: ['C12H8N2', 'phen'] },
  { name: 'bipyridine', of: ['C10H8N2', 'bipy', 'bpy'] },
  { name: 'thiourea', of: ['CH4N2S', 'tu'] },
  // Oxygen that hangs on oxygen: peroxide gives it off as O2, and takes none of water's.
  { name: 'oxygen on oxygen', of: ['H2O2', 'O2', 'HO2'] },
]
