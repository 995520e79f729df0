import { burnsTo, hydrolysedChlorides, takeWater, thermalAnions } from '#core/reference'
import { basesOf, NITRATE, saltOf, type Part } from '../compose'
import type { Draft, Family } from '../family'
import { isMetal, potentialOf, simple } from '../properties'
import { isKnownDouble } from '../doubles'
import { mustBe, stuffOf } from '../stuff'

const ALKALI = ['Li', 'Na', 'K', 'Rb', 'Cs']

export const calcine: Family = {
  id: 'calcine',
  name: 'a carbonate, hydroxide, nitrate or oxalate heated to the oxide',
  medium: 'heat',
  isRedox: true,
  cost: 1,
  minutes: 180,
  drafts: target => {
    const parts = simple(target)
    if (!parts || parts.anion.text !== 'O' || ALKALI.includes(parts.metal.text)) return []
    const { metal } = parts
    return [
      ...basesOf(metal)
        .filter(({ key }) => key !== target.key)
        .map(base => ({
          left: [base.text],
          right: [],
          may: ['H2O', 'CO2'],
          why: `{${base.text}} gives off ${base.elements.has('C') ? 'carbon dioxide' : 'water'} when it is hot.`,
          mind: 'To constant mass, in a crucible that was weighed.',
        })),
      {
        left: [saltOf(metal, NITRATE).text],
        right: ['NO2', 'O2'],
        why: 'The nitrate of a heavy metal falls apart to its oxide.',
        mind: 'Nitrogen dioxide: in a hood.',
      },
      {
        left: [saltOf(metal, { text: 'C2O4', charge: -2 }).text],
        right: ['CO', 'CO2'],
        why: 'The oxalate falls apart to the oxide.',
        mind: 'Carbon monoxide, and it may glow: in a hood, spread thin.',
      },
    ]
  },
}

export const burn: Family = {
  id: 'burn',
  name: 'a metal heated in air',
  medium: 'heat',
  isRedox: true,
  cost: 3,
  minutes: 120,
  drafts: target =>
    burnsTo.flatMap(({ metal, oxide }) =>
      mustBe(oxide).key === target.key
        ? [
            {
              left: [metal, 'O2'],
              right: [],
              why: `Red hot in air, {${metal}} goes to {${oxide}}.`,
              mind: 'A skin of oxide slows it: fine metal, stirred, to constant mass.',
            },
          ]
        : [],
    ),
}

/** Salts that heat turns into others: by the table of what anions become. */
export const heatAnion: Family = {
  id: 'heat a salt',
  name: 'a salt heated to another',
  medium: 'heat',
  isRedox: true,
  cost: 1,
  minutes: 150,
  drafts: target => {
    const parts = simple(target)
    if (!parts) return []
    const { metal, anion } = parts
    const isLasting =
      anion.text !== 'CO3' || ALKALI.includes(metal.text) || (target.row?.decomposes ?? 0) > OXALATE_GONE
    const rows = thermalAnions.filter(row => row.to === anion.text && row.to !== 'O' && isLasting)
    return [
      ...rows.flatMap((row): Draft[] => {
        const charge = CHARGES[row.of]
        const gone = GASES[row.of]
        if (charge === undefined || !gone) return []
        if (row.with && anion.text === 'P2O7')
          return [
            {
              left: [doubleWith(metal, row.of)],
              right: ['NH3', 'H2O'],
              why: 'The ammonium phosphate goes to the diphosphate at red heat.',
              mind: 'Slowly, so that the paper burns first; to constant mass.',
            },
          ]
        const source = saltOf(metal, { text: row.of, charge })
        return [
          {
            left: [source.text],
            right: gone,
            why: `{${source.text}} gives off ${row.gone} when it is hot.`,
            mind: 'To constant mass.',
          },
        ]
      }),
      ...(anion.text === 'NO2' && ALKALI.includes(metal.text)
        ? [
            {
              left: [saltOf(metal, NITRATE).text],
              right: ['O2'],
              why: 'The nitrate of an alkali gives off oxygen and goes to the nitrite.',
              mind: 'Above 500 °C, and never whole: nitrate stays in it.',
            },
          ]
        : []),
    ]
  },
}
/** °C by which oxalates have given off their carbon monoxide: only a carbonate that outlasts it is left. */
const OXALATE_GONE = 600
const CHARGES: Readonly<Record<string, number>> = { C2O4: -2, HCO3: -1, HPO4: -2, PO4: -3, HCOO: -1, CH3COO: -1 }
const GASES: Readonly<Record<string, readonly string[]>> = {
  C2O4: ['CO'],
  HCO3: ['H2O', 'CO2'],
  HPO4: ['H2O'],
  PO4: ['NH3', 'H2O'],
}
const doubleWith = (metal: Part, anion: string): string => `${metal.text}NH4${anion}`

/** Acidic oxides of their ammonium salts, by heat alone; and of dichromate, which burns by itself. */
export const heatAmmonium: Family = {
  id: 'heat an ammonium salt',
  name: 'an ammonium salt heated to the oxide',
  medium: 'heat',
  isRedox: true,
  cost: 1,
  minutes: 120,
  drafts: target => {
    if (target.elements.size !== 2 || !target.elements.has('O')) return []
    return AMMONIUM_SALTS.flatMap(({ salt, oxide, right, mind }) =>
      mustBe(oxide).key === target.key
        ? [
            {
              left: [salt],
              right,
              why: `{${salt}} gives off all that its ammonium holds, and leaves {${oxide}}.`,
              mind,
            },
          ]
        : [],
    )
  },
}
/** What ammonium salts of acidic oxides leave (texts of inorganic chemistry, from memory). */
const AMMONIUM_SALTS: readonly { readonly salt: string; readonly oxide: string; readonly right: readonly string[]; readonly mind: string }[] = [
  { salt: 'NH4VO3', oxide: 'V2O5', right: ['NH3', 'H2O'], mind: 'In plenty of air, below 550 °C: ammonia takes it down otherwise.' },
  { salt: '(NH4)6Mo7O24', oxide: 'MoO3', right: ['NH3', 'H2O'], mind: 'In plenty of air, below 600 °C: the oxide sublimes above.' },
  { salt: '(NH4)2Cr2O7', oxide: 'Cr2O3', right: ['N2', 'H2O'], mind: 'It burns by itself once begun and throws a dust that causes cancer: a gram or two, in a hood, behind a screen.' },
] // prettier-ignore

export const noble: Family = {
  id: 'oxide to metal',
  name: 'an oxide taken down to its metal',
  medium: 'heat',
  isRedox: true,
  cost: 3,
  minutes: 120,
  drafts: target => {
    if (!isMetal(target)) return []
    const potential = potentialOf(target.text)!
    const oxides = [1, 2, 3]
      .map(charge => saltOf({ text: target.text, charge }, { text: 'O', charge: -2 }))
      .filter(({ row }) => row !== undefined)
    return oxides.flatMap((oxide): Draft[] => [
      ...(potential > 0.7
        ? [{ left: [oxide.text], right: ['O2'], why: 'The oxide of a noble metal falls apart when it is hot.' }]
        : []),
      {
        left: [oxide.text, 'H2'],
        right: ['H2O'],
        why: `Hydrogen takes {${oxide.text}} down.`,
        mind: 'Hydrogen over a hot tube: air is driven out first, and the gas tested.',
        ...(potential < -0.5 && {
          refused: `Hydrogen does not take {${oxide.text}} down: the metal is too base (${potential} V).`,
        }),
      },
      {
        left: [oxide.text, 'C'],
        right: ['CO2'],
        why: `Carbon takes {${oxide.text}} down.`,
        mind: 'Carbon monoxide: in a hood.',
        ...(potential < -0.5 && {
          refused: `Carbon at a bench's heat does not take {${oxide.text}} down: the metal is too base (${potential} V).`,
        }),
      },
    ])
  },
}

export const waterOnMetal: Family = {
  id: 'metal and water',
  name: 'a metal that takes water apart',
  medium: 'water',
  isRedox: true,
  cost: 3,
  minutes: 45,
  drafts: target => {
    const parts = simple(target)
    const row = parts && takeWater.find(one => one.metal === parts.metal.text && one.charge === parts.metal.charge)
    if (!parts || !row || parts.anion.text !== 'OH') return []
    return [
      {
        left: [row.metal, 'H2O'],
        right: ['H2'],
        why: `{${row.metal}} takes water apart, and hydrogen goes.`,
        ...(row.fierce && {
          refused: `{${row.metal}} catches fire on water: it is not planned for a bench. Begin with the carbonate and lime.`,
        }),
      },
    ]
  },
}

export const elements: Family = {
  id: 'two elements',
  name: 'a metal heated with sulfur or nitrogen',
  medium: 'heat',
  isRedox: true,
  cost: 2,
  minutes: 90,
  drafts: target => {
    const parts = simple(target)
    if (!parts || !['S', 'N'].includes(parts.anion.text) || ALKALI.includes(parts.metal.text)) return []
    const isNitride = parts.anion.text === 'N'
    return [
      {
        left: [parts.metal.text, isNitride ? 'N2' : 'S'],
        right: [],
        why: isNitride
          ? 'Red hot, the metal takes nitrogen up.'
          : 'Hot, the metal and sulfur join, and heat themselves.',
        mind: isNitride
          ? 'Air gives oxide beside it: a closed crucible or pure nitrogen.'
          : 'It glows through by itself: a few grams, behind a screen, in a hood.',
        ...(isNitride &&
          !['Mg', 'Ca', 'Al'].includes(parts.metal.text) && {
            refused: 'This metal does not take nitrogen up by heat alone.',
          }),
      },
    ]
  },
}

/** A halide that would lose its acid with its water, dried as its double salt with ammonium chloride, which keeps it whole and then sublimes. */
export const ownGuard: Family = {
  id: 'own guard',
  name: 'the ammonium double chloride heated: its ammonium chloride guards the salt and leaves',
  medium: 'heat',
  isRedox: false,
  cost: 2,
  minutes: 240,
  drafts: target => {
    const parts = simple(target)
    if (!parts || parts.anion.text !== 'Cl' || !hydrolysedChlorides.includes(parts.metal.text)) return []
    const double = stuffOf(`NH4${parts.metal.text}Cl${parts.metal.charge + 1}`)
    return double && isKnownDouble(double)
      ? [
          {
            left: [double.text],
            right: ['NH4Cl'],
            why: `Ammonium chloride gives hydrogen chloride as the water goes, so that {${target.text}} is not taken apart, and sublimes at the end.`,
            mind: 'Slowly to 200 °C until no more water comes, then hotter until no more smoke does: in a hood.',
          },
        ]
      : []
  },
}

export const heatFamilies: readonly Family[] = [
  calcine,
  burn,
  heatAnion,
  heatAmmonium,
  noble,
  waterOnMetal,
  elements,
  ownGuard,
]
