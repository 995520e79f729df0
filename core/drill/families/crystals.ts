import { product, exact } from '#core/quantity'
import {
  arrivals,
  findCurve,
  justSaturated,
  potOfSolutes,
  restOf,
  saturationAt,
  type Arrival,
  type PotState,
} from '#core/solution'
import { ionText } from '#core/species'
import { saltOf } from '#core/route'
import type { Dice } from '../dice'
import type { Family } from '../family'
import { numeric } from '../numeric'
import { formula, massOf } from '../pool'
import type { Slip } from '../question'
import type { SlipId } from '../slips'
import { measuredFigure } from '../sheets'

interface Ion {
  readonly text: string
  readonly charge: number
}
const CATIONS: readonly Ion[] = [
  { text: 'Na', charge: 1 },
  { text: 'K', charge: 1 },
  { text: 'NH4', charge: 1 },
]
const ANIONS: readonly Ion[] = [
  { text: 'Cl', charge: -1 },
  { text: 'NO3', charge: -1 },
  { text: 'SO4', charge: -2 },
]
/** Metals whose sulfates pair with those of potassium and ammonium. */
const PAIRING = ['Ni', 'Co', 'Cu', 'Zn', 'Mg', 'Mn', 'Fe']
const [HOT, COLD] = [80, 5] as const

/** One pot of so many moles of two salts, with a little more water than holds them hot, and what comes down as it cools. */
function cooled(
  solutes: readonly { readonly form: ReturnType<typeof formula>; readonly mass: number }[],
): { water: number; pot: PotState; order: Arrival[] } | undefined {
  const pot = potOfSolutes(1000, solutes, HOT)
  const least = pot.ok ? justSaturated(pot.value, HOT) : undefined
  if (!pot.ok || least === undefined) return undefined
  const water = Math.ceil((least * 1.1) / 10) * 10
  const full = { ...pot.value, water }
  return { water, pot: full, order: arrivals(full, HOT, COLD) }
}

/** °C above and below the first crystals at which the pot is asked: more than the answer is rounded by. */
const BESIDE = 1

/** Nothing stands just above where a salt comes, and just below it nothing else does. */
function comesAlone(pot: PotState, { celsius, salt }: Arrival): boolean {
  const at = (degrees: number): string[] | undefined => {
    const rest = restOf({ ...pot, celsius: degrees })
    return rest.ok ? rest.value.solids.map(({ solid }) => solid.salt.text) : undefined
  }
  const below = at(celsius - BESIDE)
  return (celsius + BESIDE > HOT || at(celsius + BESIDE)?.length === 0) && below?.length === 1 && below[0] === salt
}

/** Which salt comes down first from a pot of ions, by the same model that the sheet asks. */
export const firstFamily: Family = {
  id: 'first',
  name: 'Which salt comes first',
  skill: 'Crystals',
  steps: ['two salts with an ion in common', 'two salts, four ions', 'where a double salt can form'],
  make(dice, level) {
    const drawn = level === 3 ? doubles(dice) : pairs(dice, level)
    if (!drawn) return undefined
    const { put, options } = drawn
    const solutes = put.map(({ text, moles }) => ({ form: formula(text), mass: moles * massOf(text) }))
    const cool = cooled(solutes)
    const first = cool?.order[0]
    if (!cool || !first) return undefined
    const keyOf = (text: string): string => findCurve(formula(text))?.curve.salt.text ?? formula(text).text
    const right = options.findIndex(text => keyOf(text) === keyOf(first.form) || text === first.salt)
    // A close race is no fair question: the model is not that sure.
    if (right < 0 || first.celsius <= COLD + 2 || (cool.order[1] && first.celsius - cool.order[1].celsius < 6))
      return undefined
    // What came earlier and is gone again by the end, such as another double salt, makes it no fair question either.
    if (!comesAlone(cool.pot, first)) return undefined
    const soluble = options.map(text => {
      const curve = findCurve(formula(text))?.curve
      const at = curve && saturationAt(curve, COLD)
      return at?.ok ? at.value.grams : Infinity
    })
    const least = soluble.indexOf(Math.min(...soluble))
    const slipOf = (i: number): Slip | undefined => {
      const is = (id: SlipId, says: string): Slip => ({ id, says })
      if (i === least)
        return is(
          'by the table alone',
          `{${options[i]!}} alone dissolves least, but there is not so much of its ions that it would come before {${first.form}}.`,
        )
      if (put.some(({ text }) => text === options[i]))
        return is(
          'as it was put in',
          `{${options[i]!}} went in, but the pot holds ions: {${first.form}} comes first, from ${first.celsius.toFixed(0)} °C.`,
        )
      return undefined
    }
    return {
      ask: `These are dissolved together in ${cool.water} g of hot water and cooled from ${HOT} to ${COLD} °C. Which comes down first?`,
      facts: put.map(({ text, moles }) => `{${text}}: ${moles.toFixed(2)} mol`),
      answer: {
        is: 'choice',
        options: options.map(text => `{${text}}`),
        right: [right],
        several: false,
        slipped: options.flatMap((_, i) => {
          const slip = i === right ? undefined : slipOf(i)
          return slip ? [{ of: [slip], answer: [i] }] : []
        }),
      },
      why: [
        `The model puts ${cool.order.map(({ form, celsius, mass }) => `{${form}} from ${celsius.toFixed(0)} °C, ${mass.toFixed(0)} g by ${COLD} °C`).join('; ')}. It is an estimate.`,
      ],
    }
  },
}

const text = (cation: Ion, anion: Ion): string => saltOf(cation, anion).text

function pairs(dice: Dice, level: 1 | 2) {
  const [a, b] = dice.shuffled(CATIONS) as [Ion, Ion]
  const [x, y] = dice.shuffled(ANIONS) as [Ion, Ion]
  const put = (
    level === 1
      ? dice.chance(0.5)
        ? [
            [a, x],
            [b, x],
          ]
        : [
            [a, x],
            [a, y],
          ]
      : [
          [a, x],
          [b, y],
        ]
  ) as [Ion, Ion][]
  const options =
    level === 1
      ? put
      : ([
          [a, x],
          [b, y],
          [a, y],
          [b, x],
        ] as [Ion, Ion][])
  return {
    put: put.map(([cation, anion]) => ({
      text: text(cation, anion),
      moles: dice.whole(5, 14) / 10 / (anion.charge === -2 ? 2 : 1),
    })),
    options: dice.shuffled(options.map(([cation, anion]) => text(cation, anion))),
  }
}

function doubles(dice: Dice) {
  const metal = dice.pick(PAIRING)
  const mono = dice.pick([CATIONS[1]!, CATIONS[2]!])
  const [sulfate, other] = [`${metal}SO4`, text(mono, ANIONS[2]!)]
  const double = `${ionText(mono.text, 2)}${metal}(SO4)2·6H2O`
  const moles = dice.whole(2, 8) / 10
  return {
    put: [
      { text: sulfate, moles },
      { text: other, moles: moles * dice.pick([0.5, 1, 1, 1.5]) },
    ],
    options: dice.shuffled([sulfate, other, double]),
  }
}

/** What is left of the liquor after a wash in portions. */
export const washFamily: Family = {
  id: 'wash',
  name: 'Wash plan',
  skill: 'Crystals',
  steps: ['two portions', 'several portions', 'how many portions it takes'],
  make(dice, level) {
    const clings = dice.measured(2, 9, 2)
    const portion = dice.whole(2, 6) * 5
    const r = Number(clings)
    const facts = [
      `${clings} mL of liquor clings to the crystals, before and after each portion.`,
      `Each portion is ${portion} mL, mixed well with what clings, and sucked off.`,
    ]
    const clinging = measuredFigure(`${clings} mL`, 'volume', 'liquor that clings')
    const both = measuredFigure(`${(r + portion).toFixed(1)} mL`, 'volume', 'with a portion')
    const thin = product('left by one portion', 'mass fraction', [clinging], [both])
    if (level < 3) {
      const n = level === 1 ? 2 : dice.whole(3, 4)
      return numeric({
        ask: `What share of the salts that clung to the crystals is left after ${n} portions, in percent?`,
        facts,
        figure: product(
          `left by ${n} portions`,
          'mass fraction',
          Array.from({ length: n }, () => thin),
        ),
        unit: '%',
        digits: 2,
        model: has => {
          if (has('one large portion')) return r / (r + n * portion)
          const once = has('inverted') ? r / portion : r / (r + portion)
          return has('portions divided') ? once / n : once ** n
        },
        slips: {
          'one large portion': `${n * portion} mL at once leave ${((100 * r) / (r + n * portion)).toPrecision(2)} %; in ${n} portions less stays.`,
          'portions divided': `One portion leaves ${((100 * r) / (r + portion)).toPrecision(3)} %, and the next leaves that share of what is left.`,
          inverted: `The portion mixes with what clings: ${clings} of ${(r + portion).toFixed(1)} mL stay.`,
        },
      })
    }
    const wanted = dice.pick([1, 0.5, 0.1, 2])
    const needed = Math.ceil(Math.log(wanted / 100) / Math.log(r / (r + portion)))
    return numeric({
      ask: `How many portions does it take until less than ${wanted} % of the salts that clung is left?`,
      facts,
      figure: exact(needed, 'number', 'portions'),
      working: Array.from({ length: needed }, (_, i) => ({
        name: `left by ${i + 1}`,
        relation: `(${clings} ÷ ${(r + portion).toFixed(1)})${i === 0 ? '' : ` to the power of ${i + 1}`}`,
        result: `${(100 * (r / (r + portion)) ** (i + 1)).toPrecision(3)} %`,
      })),
      unit: '',
      digits: 1,
      within: 0.4,
      model: has =>
        has('one large portion')
          ? Math.ceil(((r * 100) / wanted - r) / portion)
          : has('inverted')
            ? Math.ceil(Math.log(wanted / 100) / Math.log(r / portion))
            : needed,
      slips: {
        'one large portion': 'That much would have to be poured on at once; in portions it takes less.',
        inverted: `The portion mixes with what clings: ${clings} of ${(r + portion).toFixed(1)} mL stay.`,
      },
    })
  },
}
