/** How metals and their oxides behave beside their potentials: texts of inorganic chemistry, from memory. */

/** Metals that an acid covers with a skin of oxide or of its own salt, and which. */
export const passiveIn: readonly { readonly metal: string; readonly acid: string; readonly why: string }[] = [
  { metal: 'Al', acid: 'HNO3',  why: 'nitric acid covers aluminium with a skin of oxide' },
  { metal: 'Cr', acid: 'HNO3',  why: 'nitric acid covers chromium with a skin of oxide' },
  { metal: 'Ti', acid: 'HNO3',  why: 'nitric acid covers titanium with a skin of oxide' },
  { metal: 'Sn', acid: 'HNO3',  why: 'nitric acid turns tin into its dioxide, which does not dissolve' },
  { metal: 'Sb', acid: 'HNO3',  why: 'nitric acid turns antimony into its oxide, which does not dissolve' },
  { metal: 'W',  acid: 'HNO3',  why: 'nitric acid turns tungsten into its oxide, which does not dissolve' },
  { metal: 'Mo', acid: 'HNO3',  why: 'nitric acid turns molybdenum into its oxide' },
  { metal: 'Al', acid: 'H3PO4', why: 'the phosphate covers the metal' },
  { metal: 'Al', acid: 'CH3COOH', why: 'a weak acid does not open the oxide skin of aluminium' },
] // prettier-ignore

/** Oxides that have been hot enough to be sold as powders, and that acid then hardly touches: they are fused or boiled with strong acid for days. */
export const inertOxides: readonly string[] = ['Al2O3', 'Cr2O3', 'TiO2', 'SnO2', 'SiO2', 'ZrO2', 'CeO2', 'BeO']

/** Oxides that acid takes slowly: hot, strong, for hours, and the finer the better. */
export const slowOxides: readonly string[] = ['NiO', 'Fe2O3', 'Fe3O4', 'Co3O4']

/** Metals that take caustic alkali with hydrogen. */
export const dissolveInCaustic: readonly { readonly metal: string; readonly charge: number }[] = [
  { metal: 'Al', charge: 3 },
  { metal: 'Zn', charge: 2 },
]

/** Ions whose hydroxide gives up its water as it falls: the oxide is what comes. */
export const oxideFalls: readonly { readonly metal: string; readonly charge: number }[] = [
  { metal: 'Ag', charge: 1 }, { metal: 'Hg', charge: 2 }, { metal: 'Cu', charge: 1 }, { metal: 'Au', charge: 1 },
] // prettier-ignore

/** Metals on which peroxide only falls apart. */
export const breakPeroxide: readonly string[] = ['Ag', 'Pt', 'Pd', 'Mn']

/** Metals that take water apart in the cold, and those that do it too fiercely to be planned for a bench. */
export const takeWater: readonly { readonly metal: string; readonly charge: number; readonly fierce?: true }[] = [
  { metal: 'Ca', charge: 2 }, { metal: 'Sr', charge: 2 }, { metal: 'Ba', charge: 2 },
  { metal: 'Li', charge: 1, fierce: true }, { metal: 'Na', charge: 1, fierce: true }, { metal: 'K', charge: 1, fierce: true }, { metal: 'Rb', charge: 1, fierce: true }, { metal: 'Cs', charge: 1, fierce: true },
] // prettier-ignore

/** What a metal burns to in air or oxygen at red heat. */
export const burnsTo: readonly { readonly metal: string; readonly oxide: string }[] = [
  { metal: 'Mg', oxide: 'MgO' }, { metal: 'Cu', oxide: 'CuO' }, { metal: 'Zn', oxide: 'ZnO' }, { metal: 'Fe', oxide: 'Fe3O4' }, { metal: 'Pb', oxide: 'PbO' }, { metal: 'Sn', oxide: 'SnO2' }, { metal: 'Ca', oxide: 'CaO' }, { metal: 'Bi', oxide: 'Bi2O3' }, { metal: 'Co', oxide: 'Co3O4' }, { metal: 'Cd', oxide: 'CdO' }, { metal: 'Mo', oxide: 'MoO3' }, { metal: 'W', oxide: 'WO3' }, { metal: 'Ni', oxide: 'NiO' },
] // prettier-ignore

/** The state in which a metal stands with a halogen that is there in plenty, hot. */
export const halidesOf: readonly { readonly metal: string; readonly halogen: string; readonly charge: number }[] = [
  ...(['Mg', 'Zn', 'Ca', 'Cd', 'Co', 'Ni', 'Mn'] as const).flatMap(metal => ['Cl2', 'Br2', 'I2'].map(halogen => ({ metal, halogen, charge: 2 }))),
  ...(['Cl2', 'Br2', 'I2'] as const).map(halogen => ({ metal: 'Al', halogen, charge: 3 })),
  { metal: 'Fe', halogen: 'Cl2', charge: 3 }, { metal: 'Fe', halogen: 'Br2', charge: 3 }, { metal: 'Fe', halogen: 'I2', charge: 2 },
  { metal: 'Cu', halogen: 'Cl2', charge: 2 }, { metal: 'Cu', halogen: 'Br2', charge: 2 }, { metal: 'Cu', halogen: 'I2', charge: 1 },
  { metal: 'Sn', halogen: 'Cl2', charge: 4 }, { metal: 'Sn', halogen: 'Br2', charge: 4 }, { metal: 'Sn', halogen: 'I2', charge: 4 },
  { metal: 'Bi', halogen: 'Cl2', charge: 3 }, { metal: 'Bi', halogen: 'I2', charge: 3 }, { metal: 'Sb', halogen: 'Cl2', charge: 3 }, { metal: 'Sb', halogen: 'I2', charge: 3 },
  { metal: 'Cr', halogen: 'Cl2', charge: 3 }, { metal: 'Cr', halogen: 'Br2', charge: 3 }, { metal: 'Ti', halogen: 'Cl2', charge: 4 }, { metal: 'Hg', halogen: 'I2', charge: 2 }, { metal: 'Hg', halogen: 'Cl2', charge: 2 }, { metal: 'Pb', halogen: 'I2', charge: 2 },
] // prettier-ignore
