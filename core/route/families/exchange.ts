import { acidOf, saltOf, USUAL_CATIONS, type Part } from '../compose'
import type { Family } from '../family'
import { alone } from '../first'
import { dissolves, simple } from '../properties'
import { isFrom } from '../shelf'
import type { Stuff } from '../stuff'
import { isAlkali, isOf, solubleSaltsOf, twoIons } from './sources'

/** Cations that take an anion down with them. */
const PRECIPITANTS: readonly Part[] = [
  { text: 'Ba', charge: 2 },
  { text: 'Ca', charge: 2 },
  { text: 'Pb', charge: 2 },
  { text: 'Ag', charge: 1 },
]

/** A co-product that is only sparing leaves some of itself in the product: gypsum, 2 g/L. A judgement, the price of a recrystallisation in two batches of five. */
const STAYS_IN_PART = 4

export const otherComesDown: Family = {
  id: 'the other salt comes down',
  name: 'two salts that exchange ions: the co-product comes down',
  medium: 'water',
  isRedox: false,
  cost: 3,
  minutes: 120,
  drafts: target => {
    const ions = twoIons(target)
    if (!ions || !dissolves(target)) return []
    const { metal, anion } = ions
    const salts = [
      ...new Set([
        ...solubleSaltsOf(metal, anion.text),
        ...(isAlkali(metal) ? [saltOf(metal, { text: 'CO3', charge: -2 })] : []),
      ]),
    ]
    return salts.flatMap(salt =>
      PRECIPITANTS.flatMap(precipitant => {
        const carrier = saltOf(precipitant, anion)
        const beside = saltOf(precipitant, salt.anions[0]!)
        if (!carrier.row || carrier.row.water === 'insoluble' || beside.standing !== 'solid' || !beside.row) return []
        return [
          {
            left: [salt.text, carrier.text],
            right: [beside.text],
            why: `{${beside.text}} hardly dissolves and is filtered off: the liquor holds {${target.text}} alone.`,
            mind: 'Just enough of each: what is over stays in the product. Test the clear liquor with a drop of both.',
            ...(beside.row.water === 'slightly' && { cost: STAYS_IN_PART }),
          },
        ]
      }),
    )
  },
}

export const lessSolubleFirst: Family = {
  id: 'the less soluble comes first',
  name: 'two salts that exchange ions: the product crystallises first',
  medium: 'water',
  isRedox: false,
  cost: 4,
  minutes: 240,
  drafts: target => {
    const ions = twoIons(target)
    if (!ions || !dissolves(target)) return []
    const { metal, anion } = ions
    return solubleSaltsOf(metal, anion.text).flatMap(salt =>
      USUAL_CATIONS.filter(cation => cation.text !== metal.text).flatMap(cation => {
        const carrier = saltOf(cation, anion)
        const beside = saltOf(cation, salt.anions[0]!)
        return carrier.row && dissolves(carrier) && dissolves(beside) && isLeast(target, [salt, carrier, beside])
          ? [
              {
                left: [salt.text, carrier.text],
                right: [beside.text],
                why: `Both stay dissolved hot; on cooling {${target.text}} comes before {${beside.text}}.`,
              },
            ]
          : []
      }),
    )
  },
}

/** Ice cold, the product has to be clearly less soluble than each other salt that the four ions make, by a fifth at least, a judgement; the model then says. */
const CLEARLY = 0.8

const ICE = 5

const isLeast = (target: Stuff, others: readonly Stuff[]): boolean => {
  const own = alone(target, ICE)
  return own !== undefined && others.every(other => own < CLEARLY * (alone(other, ICE) ?? 0))
}

/** Acids that boil off hot, and those that drive them out. */
const DRIVEN: readonly Part[] = [
  { text: 'Cl', charge: -1 },
  { text: 'NO3', charge: -1 },
  { text: 'CH3COO', charge: -1 },
]

export const drivenOut: Family = {
  id: 'drive the acid out',
  name: 'a salt fumed with sulfuric acid',
  medium: 'water',
  isRedox: false,
  cost: 5,
  minutes: 180,
  // A salt that is there: none is made to be fumed, since its maker would have taken sulfuric acid at once.
  drafts: (target, shelf) => {
    const parts = simple(target)
    if (!parts || !['SO4', 'HSO4'].includes(parts.anion.text) || !dissolves(target)) return []
    return DRIVEN.flatMap(anion => {
      const salt = saltOf(parts.metal, anion)
      if (!isFrom(shelf, salt)) return []
      const gone = acidOf(anion)
      return salt.row && gone
        ? [
            {
              left: [salt.text, 'H2SO4'],
              right: [gone.text],
              why: `Sulfuric acid stays when {${gone.text}} boils off.`,
              mind: 'Acid fumes: a hood, a trap, and heat to fumes of sulfuric acid.',
            },
          ]
        : []
    })
  },
}

/** Water and carbon dioxide, or an oxide with water: what a base makes by taking up gas or water. */
export const slaking: Family = {
  id: 'slaking',
  name: 'an oxide and water',
  medium: 'water',
  isRedox: false,
  cost: 0,
  minutes: 30,
  drafts: target => {
    const parts = simple(target)
    if (!parts || !isOf(parts.anion, 'OH')) return []
    const oxide = saltOf(parts.metal, { text: 'O', charge: -2 })
    return oxide.row?.water === 'reacts' || oxide.row?.water === 'soluble'
      ? [
          {
            left: [oxide.text, 'H2O'],
            right: [],
            why: `{${oxide.text}} takes water up, with heat.`,
            mind: 'It boils and spits: oxide into water, in portions.',
          },
        ]
      : []
  },
}

export const exchangeFamilies: readonly Family[] = [otherComesDown, lessSolubleFirst, drivenOut, slaking]
