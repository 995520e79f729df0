/**
 * How one oxoanion is made into another of the same element, or of the element itself: texts of inorganic chemistry, from memory. Rows and no rule, since each has its own medium. A term is a substance, or an anion that
 * stands with the cation of what is made.
 */
export type OxoanionTerm = string | readonly [anion: string, charge: number]
export interface OxoanionReaction {
  readonly makes: readonly [anion: string, charge: number]
  readonly left: readonly OxoanionTerm[]
  readonly right: readonly OxoanionTerm[]
  readonly why: string
  readonly mind?: string
}

const OH: OxoanionTerm = ['OH', -1]
const halogen = (element: string): OxoanionReaction[] => [
  {
    makes: [`${element}O3`, -1],
    left: [`${element}2`, OH],
    right: [[element, -1], 'H2O'],
    why: 'Hot alkali takes the halogen apart to one of halate and five of halide.',
    mind: 'Five sixths of the halogen go to halide; the halate, less soluble cold, comes first.',
  },
  {
    makes: [`${element}O`, -1],
    left: [`${element}2`, OH],
    right: [[element, -1], 'H2O'],
    why: 'Cold alkali takes the halogen apart to hypohalite and halide.',
    mind: 'Kept ice cold, used the same day; never with acid or ammonia.',
  },
]

const halide = (element: string): OxoanionReaction => ({
  makes: [element, -1],
  left: [`${element}2`, OH, 'H2O2'],
  right: ['O2', 'H2O'],
  why: 'In alkali peroxide takes the halogen down to halide, and goes as oxygen.',
  mind: 'It foams: peroxide in drops until the colour is gone.',
})

export const oxoanionReactions: readonly OxoanionReaction[] = [
  ...['Br', 'I'].map(halide),
  { makes: ['Cr2O7', -2], left: [['CrO4', -2], 'HCl'], right: [['Cl', -1], 'H2O'], why: 'Acid joins two chromates to dichromate, which is less soluble cold.', mind: 'No more acid than that: more, and hot, sets chlorine free.' },
  { makes: ['Cr2O7', -2], left: [['CrO4', -2], 'HNO3'], right: [['NO3', -1], 'H2O'], why: 'Acid joins two chromates to dichromate, which is less soluble cold.' },
  ...['Cl', 'Br', 'I'].flatMap(halogen),
  { makes: ['BrO3', -1], left: [['Br', -1], 'KMnO4', 'H2O'], right: ['MnO2', 'KOH'], why: 'Permanganate takes bromide up in neutral water.', mind: 'The dioxide is filtered off hot; a drop of alcohol takes what is left of the permanganate.' },
  { makes: ['IO3', -1],  left: [['I', -1], 'KMnO4', 'H2O'], right: ['MnO2', 'KOH'], why: 'Permanganate takes iodide up in neutral water.', mind: 'The dioxide is filtered off hot; a drop of alcohol takes what is left of the permanganate.' },
  { makes: ['IO3', -1],  left: ['I2', ['ClO3', -1]], right: ['Cl2'], why: 'Chlorate oxidises iodine, and chlorine goes.', mind: 'A drop of nitric acid starts it; chlorine: in a hood.' },
  { makes: ['S2O3', -2], left: [['SO3', -2], 'S'], right: [], why: 'Boiled with sulfur, sulfite takes one atom of it up.', mind: 'Sulfur wetted with alcohol first; what is left of it is filtered off.' },
  { makes: ['SO4', -2],  left: [['SO3', -2], 'H2O2'], right: ['H2O'], why: 'Peroxide takes sulfite to sulfate.' },
  { makes: ['NO2', -1],  left: [['NO3', -1], 'Pb'], right: ['PbO'], why: 'Molten nitrate gives one oxygen to lead.', mind: 'A melt at 400 °C with lead: in a hood.' },
  { makes: ['MnO4', -1], left: [['MnO4', -2], 'CO2'], right: ['MnO2', ['CO3', -2]], why: 'Once less alkaline, manganate goes to permanganate and dioxide, two to one.', mind: 'Filtered through glass: paper takes permanganate down.' },
  { makes: ['MnO4', -1], left: [['MnO4', -2], 'Cl2'], right: [['Cl', -1]], why: 'Chlorine takes all the manganate to permanganate.', mind: 'Chlorine: in a hood, with a trap.' },
  { makes: ['Cr2O7', -2], left: [['CrO4', -2], 'H2SO4'], right: [['SO4', -2], 'H2O'], why: 'Acid joins two chromates to dichromate, which is less soluble cold.' },
  { makes: ['CrO4', -2], left: [['Cr2O7', -2], OH], right: ['H2O'], why: 'Alkali takes dichromate apart to chromate.' },
  { makes: ['CrO4', -2], left: [['Cr2O7', -2], ['CO3', -2]], right: ['CO2'], why: 'Carbonate takes dichromate apart to chromate.' },
  { makes: ['ClO4', -1], left: [['ClO3', -1]], right: [['Cl', -1]], why: 'Just molten, chlorate goes to perchlorate and chloride.', mind: 'Chlorate melts go off with anything that burns.' },
] // prettier-ignore
