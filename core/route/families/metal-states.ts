import { oxidants } from '#core/reference'
import { acidOf, oxidesOf, POTASSIUM, saltOf, SODIUM } from '../compose'
import type { Draft, Family } from '../family'
import {
  coupleOf,
  dissolves,
  isOxidising,
  pKaOf,
  potentialOf,
  reducingAt,
  simple,
  underOxo,
  volts,
} from '../properties'
import { mustBe, type Stuff } from '../stuff'
import { solubleSaltsOf } from './sources'
import { CHLORINE, CLEAR, halogenOf, HALOGENS, NITRIC, PEROXIDE } from './potentials'

export const oxidiseIon: Family = {
  id: 'oxidise an ion',
  name: 'an ion taken to its higher state',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 45,
  drafts: target => {
    const parts = simple(target)
    const acid = parts && acidOf(parts.anion)
    const couple = parts && coupleOf(parts.metal.text, parts.metal.charge)
    if (!parts || !acid || !couple || parts.anion.text === 'OH' || parts.anion.text === 'O') return []
    const lower = saltOf({ text: parts.metal.text, charge: couple.lower }, parts.anion)
    const halogen = halogenOf(parts.anion)
    const against = (oxidant: number, name: string): Pick<Draft, 'refused'> =>
      couple.potential > oxidant - CLEAR
        ? {
            refused: `{${name}} (${volts(oxidant)}) does not reach the couple of {${target.text}} (${volts(couple.potential)}).`,
          }
        : {}
    const gives = reducingAt(parts.anion)
    const spoils = gives !== undefined && gives < 1.2
    return [
      {
        left: [lower.text, acid.text, 'H2O2'],
        right: ['H2O'],
        why: `Peroxide in acid takes the ion up (${volts(couple.potential)}), and leaves only water.`,
        mind: 'It warms: in drops. What is left of the peroxide is boiled away.',
        ...against(spoils ? 0 : PEROXIDE, 'H2O2'),
      },
      {
        left: [lower.text, acid.text, 'HNO3'],
        right: ['NO', 'H2O'],
        why: `Hot nitric acid takes the ion up (${volts(couple.potential)}).`,
        mind: 'Nitrogen oxides: in a hood.',
        ...against(spoils ? 0 : NITRIC, 'HNO3'),
      },
      ...(halogen
        ? [
            {
              left: [lower.text, halogen],
              right: [],
              why: `{${halogen}} takes the ion up, and brings its own anion.`,
              mind: 'A poisonous gas: in a hood, with a trap.',
              ...against(HALOGENS.find(({ element }) => element === halogen)!.potential, halogen),
            },
          ]
        : []),
    ]
  },
}

export const reduceIon: Family = {
  id: 'reduce an ion',
  name: 'an ion taken to its lower state',
  medium: 'water',
  isRedox: true,
  cost: 2,
  minutes: 90,
  drafts: target => {
    const parts = simple(target)
    if (!parts) return []
    const { metal, anion } = parts
    const uppers = [metal.charge + 1, metal.charge + 2].filter(
      upper => coupleOf(metal.text, upper)?.lower === metal.charge || potentialOf(metal.text, upper) !== undefined,
    )
    return uppers.flatMap(upper => {
      const salt = saltOf({ text: metal.text, charge: upper }, anion)
      const others = solubleSaltsOf({ text: metal.text, charge: upper }, anion.text)
      return [
        ...(dissolves(salt)
          ? [
              {
                left: [salt.text, metal.text],
                right: [],
                why: 'The metal takes its own higher ion down: both meet half way.',
                mind: 'Boil without air, with metal left over at the end.',
              },
            ]
          : []),
        // Only with the anion of a strong acid: others throw the upper ion down before it is taken down.
        ...(fallsAs(target) && pKaOf(acidOf(anion) ?? target) < 0
          ? others.flatMap(other =>
              [POTASSIUM, SODIUM].flatMap(cation => {
                const halide = saltOf(cation, anion)
                const beside = saltOf(cation, other.anions[0]!)
                return [
                  {
                    left: [other.text, halide.text, metal.text],
                    right: [beside.text],
                    why: `The metal takes its own higher ion down, and {${target.text}} stays out of water.`,
                    mind: 'Without air; washed with water that holds sulfite.',
                  },
                  {
                    left: [other.text, halide.text, 'Na2SO3', 'H2O'],
                    right: ['Na2SO4', acidOf(other.anions[0]!)?.text ?? 'H2SO4'],
                    may: [beside.text],
                    why: `Sulfite takes the ion down, and {${target.text}} falls.`,
                    mind: 'Washed with water that holds a little sulfite, and dried fast.',
                  },
                  ...(anion.text === 'I'
                    ? [
                        {
                          left: [other.text, halide.text],
                          right: ['I2', beside.text],
                          why: 'Iodide takes the ion down by itself, and iodine comes with it.',
                          mind: 'The iodine is washed out, with thiosulfate or alcohol.',
                        },
                      ]
                    : []),
                ]
              }),
            )
          : []),
        ...(['O', 'OH'].includes(anion.text)
          ? []
          : [
              {
                left: [salt.text, 'SO2', 'H2O'],
                right: ['H2SO4', acidOf(anion)?.text ?? 'H2SO4'].filter((one, i, all) => all.indexOf(one) === i),
                why: 'Sulfur dioxide takes the ion down.',
                mind: 'Sulfuric acid is left in it.',
              },
            ]),
      ]
    })
  },
}

const fallsAs = (target: Stuff): boolean => target.standing === 'solid'

/** Oxides of a higher state that acid takes down to the salt of a lower: with hydrochloric acid by itself, with others by a reductant. */
export const higherOxide: Family = {
  id: 'higher oxide in acid',
  name: 'a higher oxide taken down in acid',
  medium: 'water',
  isRedox: true,
  cost: 3,
  minutes: 120,
  drafts: target => {
    const parts = simple(target)
    const acid = parts && acidOf(parts.anion)
    if (!parts || !acid || !dissolves(target) || (isOxidising(parts.anion) && parts.anion.text !== 'NO3')) return []
    const centre = underOxo(parts.metal)
    return oxidesOf(centre.text)
      .filter(oxide => stateIn(oxide, centre.text) > centre.charge)
      .flatMap(oxide => [
        ...(parts.anion.text === 'Cl' ? [byChloride(oxide, acid)] : []),
        ...REDUCTANTS.filter(({ below }) => reachOf(oxide, centre.text) > below).map(({ takes, gives, why, mind }) => ({
          left: [oxide.text, acid.text, takes],
          right: gives,
          may: ['H2O'],
          why,
          mind,
        })),
        ...(parts.anion.text === 'SO4' && reachOf(oxide, centre.text) > SULFITE
          ? [bySulfurDioxide(oxide, acid, centre !== parts.metal)]
          : []),
      ])
  },
}

/** An oxide that takes chloride to chlorine, which only the strongest do. */
const byChloride = (oxide: Stuff, acid: Stuff): Draft => ({
  left: [oxide.text, acid.text],
  right: ['Cl2', 'H2O'],
  why: `{${oxide.text}} takes the chloride to chlorine and comes down itself.`,
  mind: 'Chlorine comes off: a hood and a trap of alkali.',
  ...(![...oxide.elements].some(metal => metal !== 'O' && reachOf(oxide, metal) >= STRONG) && {
    refused: `{${oxide.text}} does not oxidise chloride (${volts(CHLORINE)}).`,
  }),
})
/** Manganese dioxide, at 1.22 V, does it in acid that is strong and hot. */
const STRONG = 1.2

const bySulfurDioxide = (oxide: Stuff, acid: Stuff, isOxo: boolean): Draft => ({
  left: [oxide.text, 'SO2', ...(isOxo ? [acid.text] : [])],
  right: [],
  may: ['H2O'],
  why: 'Sulfur dioxide takes the oxide down, and becomes sulfate.',
  mind: 'A poisonous gas: in a hood.',
})

/** What takes a higher oxide down in acid, with the potential over which the oxide has to stand, V: peroxide gives its electrons only to strong ones. Texts, from memory. */
const REDUCTANTS = [
  { takes: 'H2O2', gives: ['O2'], below: 1.15, why: 'Peroxide takes the oxide down as the acid dissolves it, and goes as oxygen.', mind: 'It foams: peroxide in drops.' },
  { takes: 'H2C2O4', gives: ['CO2'], below: 0.9, why: 'Oxalic acid takes the oxide down as the acid dissolves it, and goes as carbon dioxide.', mind: 'It foams once it is warm.' },
] as const // prettier-ignore
const SULFITE = 0.6

/** V at which an oxide takes electrons in acid: as an oxidant of the table, or by the couple of its metal. */
const reachOf = (oxide: Stuff, metal: string): number =>
  oxidants.find(({ of }) => of === oxide.text)?.potential ??
  coupleOf(metal, Math.ceil(stateIn(oxide, metal)))?.potential ??
  0

/** Mean state of the metal in an oxide. */
const stateIn = ({ formula }: Stuff, metal: string): number =>
  (2 * (formula.composition.get('O') ?? 0)) / (formula.composition.get(metal) ?? 1)

/** Permanganate in neutral water, where it stops at the dioxide. */
const permanganateTakenDown: readonly Draft[] = [
  {
    left: ['KMnO4', 'H2O2'],
    right: ['O2', 'KOH', 'H2O'],
    why: 'In neutral water peroxide takes permanganate down to the dioxide, which falls.',
    mind: 'It foams: in drops.',
  },
  {
    left: ['KMnO4', 'Na2SO3', 'H2O'],
    right: ['Na2SO4', 'KOH'],
    why: 'In neutral water sulfite takes permanganate down to the dioxide, which falls.',
  },
]

/** Manganese dioxide of permanganate and manganese(II), each meeting the other half way. */
export const meetHalfWay: Family = {
  id: 'meet half way',
  name: 'two states of a metal that meet half way',
  medium: 'water',
  isRedox: true,
  cost: 2,
  minutes: 90,
  drafts: target =>
    target.text === mustBe('MnO2').text
      ? [
          ...permanganateTakenDown,
          ...solubleSaltsOf({ text: 'Mn', charge: 2 }).map(salt => ({
            left: ['KMnO4', salt.text, 'H2O'],
            right: [saltOf(POTASSIUM, salt.anions[0]!).text, acidOf(salt.anions[0]!)!.text],
            why: 'Permanganate and manganese(II) meet half way, and the dioxide falls.',
          })),
        ]
      : [],
}

/** An ion of a metal taken down in alkali by a sugar, to the oxide of its lower state. */
export const sugar: Family = {
  id: 'sugar in alkali',
  name: 'a metal ion taken down by glucose in alkali',
  medium: 'water',
  isRedox: true,
  cost: 1,
  minutes: 60,
  drafts: target => {
    const parts = simple(target)
    if (!parts || parts.anion.text !== 'O' || !fallsAs(target)) return []
    const upper = [parts.metal.charge + 1].filter(charge => potentialOf(parts.metal.text, charge) !== undefined)
    return upper.flatMap(charge =>
      solubleSaltsOf({ text: parts.metal.text, charge }).map(salt => ({
        left: [salt.text, 'C6H12O6', 'NaOH'],
        right: ['NaC6H11O7', saltOf(SODIUM, salt.anions[0]!).text, 'H2O'],
        why: `Glucose in hot alkali takes the ion down (as tartrate, so that no hydroxide falls), and {${target.text}} comes.`,
        mind: 'Tartrate or citrate holds the metal in solution; the boil decides the colour.',
      })),
    )
  },
}

export const metalStateFamilies: readonly Family[] = [oxidiseIon, reduceIon, higherOxide, meetHalfWay, sugar]
