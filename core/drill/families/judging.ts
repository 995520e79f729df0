import { printReaction } from '#core/equation'
import { formsOf } from '#core/formula'
import { judgeYield } from '#core/outcome'
import { incompatibilities, metalsInAcid, nobleMetals, type DangerKind } from '#core/reference'
import { clashesOf, dangerKinds } from '#core/species'
import { saltOf } from '#core/route'
import type { Dice } from '../dice'
import type { Family } from '../family'
import { formula, massOf, preparations, reactionOf, type Preparation } from '../pool'
import type { Slip } from '../question'
import { measuredFigure, sheetFor } from '../sheets'

/** What must not meet: all that these make together, and nothing else. */
export const cautionFamily: Family = {
  id: 'caution',
  name: 'Which caution applies',
  skill: 'Judgement',
  steps: ['two substances', 'three of them', 'four of them'],
  make(dice, level) {
    const kept = dice.shuffled(MEETING).slice(0, level + 1)
    const clashes = clashesOf(kept.map(formula))
    const right = [...new Set(clashes.map(({ makes }) => makes))]
    if (right.length === 0 || right.length > 3) return undefined
    const others = dice.shuffled(incompatibilities.filter(row => !meetsIn(row, kept)).map(({ makes }) => makes))
    const options = dice.shuffled([...right, ...[...new Set(others)].slice(0, 5 - right.length)])
    const places = right.map(makes => options.indexOf(makes)).toSorted((a, b) => a - b)
    const missed = (i: number): Slip => {
      const clash = clashes.find(({ makes }) => makes === options[i])!
      return { id: 'a danger missed', says: `${clash.one} and ${clash.other} make ${clash.makes}.` }
    }
    return {
      ask: 'These stand on one bench. What can form where two of them meet?',
      facts: kept.map(text => `{${text}}`),
      answer: {
        is: 'choice',
        options: options.map(capital),
        right: places,
        several: true,
        slipped: [
          ...places.flatMap(left =>
            places.length > 1 ? [{ of: [missed(left)], answer: places.filter(i => i !== left) }] : [],
          ),
          ...options.flatMap((option, i) =>
            places.includes(i)
              ? []
              : [
                  {
                    of: [{ id: 'a danger too many' as const, says: `Nothing here makes ${option}.` }],
                    answer: [...places, i].toSorted((a, b) => a - b),
                  },
                ],
          ),
        ],
      },
      why: [
        ...clashes.map(({ one, other, makes }) => `${capital(one)} and ${other}: ${makes}.`),
        'This is the usual list, and not complete: your site’s rules and a competent person come first.',
      ],
    }
  },
}

/** Whether any pair of these is one that a row speaks of, as the first that it makes or as another. */
function meetsIn({ makes }: { readonly makes: string }, kept: readonly string[]): boolean {
  const kinds = kept.map(text => dangerKinds(formula(text)))
  const pair = (one: DangerKind, other: DangerKind): boolean =>
    kinds.some((mine, i) => mine.includes(one) && kinds.some((its, j) => i !== j && its.includes(other)))
  return incompatibilities.some(row => row.makes === makes && pair(row.one, row.other))
}
const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)

/** What stands about on a bench where salts are made, and may not meet everything. */
const MEETING = [
  'NaClO', 'HCl', 'NH3', 'H2SO4', 'KMnO4', 'NaOH', 'Na2SO3', 'NaNO2', 'KClO3', 'C2H5OH', 'CH3COCH3', 'H2O2', 'NH4Cl', 'AgNO3', 'Na2S', 'Zn', 'Mg', 'S', 'HNO3', 'NaCl', 'KCN', 'NaN3',
] as const // prettier-ignore

interface Explained {
  readonly says: string
  readonly grams: number
}

/** One mass, and what could have been weighed. */
export const explainFamily: Family = {
  id: 'explain',
  name: 'What would explain this yield',
  skill: 'Judgement',
  steps: ['forms and water', 'forms, water and what was left', 'another limiting reagent too'],
  make(dice, level) {
    const one = dice.pick(
      preparations().filter(({ form, product }) => form !== product && formsOf(formula(product)).length > 1),
    )
    const mass = dice.measured(4, 20, 4)
    const sheet = sheetFor(one, [
      { species: one.start, supply: { kind: 'solid' }, charge: { mass: `${mass} g` } },
      { species: one.acid, supply: { kind: 'solid' } },
    ])
    const theoretical = sheet.products[0]!.theoretical
    const all = candidates(dice.whole(8, 14), level, one, theoretical.value, Number(mass))
    const planted = dice.pick(all)
    const apart = all.filter(({ grams }) => grams === planted.grams || Math.abs(grams / planted.grams - 1) > 0.04)
    const options = dice.shuffled([planted, ...dice.shuffled(apart.filter(one => one !== planted)).slice(0, 3)])
    if (options.length < 3) return undefined
    const crop = (planted.grams * dice.between(0.995, 1)).toFixed(2)
    const at = options.indexOf(planted)
    const { percent } = judgeYield(formula(one.form), theoretical, measuredFigure(`${crop} g`, 'mass', 'weighed'), [])
    return {
      ask: `${mass} g of {${one.start}} gave ${crop} g that were taken for {${one.form}}: ${(percent.value * 100).toFixed(1)} % of ${theoretical.value.toFixed(2)} g. Which of these alone would explain it?`,
      facts: [`Equation: {${one.equation}}`, 'Nothing else was lost.'],
      answer: {
        is: 'choice',
        options: options.map(({ says }) => says),
        right: [at],
        several: false,
        slipped: options.flatMap(({ grams, says }, i) =>
          i === at
            ? []
            : [
                {
                  of: [
                    {
                      id: 'wrong way of the sum' as const,
                      says: `${says}: that would weigh ${grams.toFixed(2)} g, and ${crop} g were weighed.`,
                    },
                  ],
                  answer: [i],
                },
              ],
        ),
      },
      why: options.map(({ says, grams }) => `${says}: ${grams.toFixed(2)} g.`),
    }
  },
}

function candidates(wet: number, level: number, one: Preparation, most: number, charged: number): Explained[] {
  const per = massOf(one.form)
  const forms = formsOf(formula(one.product)).filter(text => Math.abs(massOf(text) - per) > 0.01)
  return [
    ...forms.map(form => ({ says: `It is all {${form}}`, grams: (most * massOf(form)) / per })),
    { says: `It is still wet, ${wet} % of it water`, grams: most / (1 - wet / 100) },
    ...(level > 1
      ? [
          { says: 'A third of it stayed in the liquor', grams: (most * 2) / 3 },
          { says: 'Half of it stayed in the liquor', grams: most / 2 },
          {
            says: `A tenth of the {${one.start}} did not react, and is in the crop`,
            grams: most * 0.9 + charged * 0.1,
          },
        ]
      : []),
    ...(level > 2
      ? [
          {
            says: `There was acid for three quarters of the {${one.start}} only, and the rest was filtered off`,
            grams: most * 0.75,
          },
          { says: 'Twice as much was charged as was written down', grams: most * 2 },
        ]
      : []),
  ]
}

/** Which first step goes: equations that all balance, of which one happens. */
export const routeFamily: Family = {
  id: 'route',
  name: 'Plan a route',
  skill: 'Judgement',
  steps: ['bases and acids', 'metals and acids', 'metals that no acid takes'],
  make(dice, level) {
    const isReactive = ({ cation }: Preparation): boolean => metalsInAcid.some(({ metal }) => metal === cation.text)
    const fits = (one: Preparation): boolean =>
      one.cation.charge === 2 &&
      (level === 3 ? isNoble(one.cation.text) : isReactive(one) && (level === 2) === (one.start === one.cation.text))
    const one = dice.pick(preparations().filter(fits))
    const nots = dice.shuffled(notHappening(one, dice)).slice(0, 3)
    const options = dice.shuffled([{ equation: one.equation, why: '' }, ...nots])
    const at = options.findIndex(({ equation }) => equation === one.equation)
    return {
      ask: `You want {${one.form}}. All of these balance: which one goes, and leaves it to be crystallised?`,
      answer: {
        is: 'choice',
        options: options.map(({ equation }) => `{${equation}}`),
        right: [at],
        several: false,
        slipped: options.flatMap(({ why }, i) =>
          i === at ? [] : [{ of: [{ id: 'does not happen' as const, says: why }], answer: [i] }],
        ),
      },
      why: [
        `{${one.equation}} goes, and water or a gas is all that is left beside the product.`,
        ...nots.map(({ equation, why }) => `{${equation}}: ${why}`),
      ],
    }
  },
}

const isNoble = (metal: string): boolean => nobleMetals.some(one => one.metal === metal)

interface Not {
  readonly equation: string
  readonly why: string
}
const SODIUM = { text: 'Na', charge: 1 }
/** A sixth of a volt apart is clear of what concentrations can turn round at a bench. A judgement. */
const CLEAR = 0.17

/** Equations to the same salt that balance and do not go, with the reason. */
function notHappening({ product, acid, cation, anion }: Preparation, dice: Dice): Not[] {
  const found: Not[] = []
  const add = (equation: string, why: string): void => void found.push({ equation: balanced(equation), why })
  const other = anion.text === 'Cl' ? { text: 'NO3', charge: -1 } : { text: 'Cl', charge: -1 }
  const sodium = saltOf(SODIUM, anion).text
  add(
    `${saltOf(cation, other).text} + ${sodium} -> ${product} + ${saltOf(SODIUM, other).text}`,
    'All four salts dissolve: nothing falls and nothing escapes, so the pot holds the same ions as before.',
  )
  const own = metalsInAcid.find(({ metal }) => metal === cation.text)
  const lesser = metalsInAcid.filter(
    ({ metal, charge, potential }) =>
      charge === 2 && metal !== cation.text && potential < (own?.potential ?? 0) - CLEAR,
  )
  if (lesser.length > 0) {
    const { metal, potential } = dice.pick(lesser)
    add(
      `${cation.text} + ${saltOf({ text: metal, charge: 2 }, anion).text} -> ${product} + ${metal}`,
      `{${metal}} is the less noble metal (${potential.toFixed(2)} V): it goes into solution and throws {${cation.text}} out, not the other way round.`,
    )
  }
  if (isNoble(cation.text))
    add(
      `${cation.text} + ${acid} -> ${product} + H2`,
      `{${cation.text}} is nobler than hydrogen: this acid does not take it without an oxidant.`,
    )
  add(
    `${cation.text} + ${sodium} -> ${product} + Na`,
    'Sodium is far less noble: it would go back into the water at once.',
  )
  return found
}

const balanced = (equation: string): string => printReaction(reactionOf(equation))
