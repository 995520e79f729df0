import { findElement, molarMass, molarMassFigure, type Formula } from '#core/formula'
import { difference, formatValue, product, statedWords, type Figure } from '#core/quantity'
import { anions, metalCharges } from '#core/reference'
import { explainAssay } from './problems'
import { smallRatios } from './small-ratios'
import { NOT_YET, type Cells, type Finding, type Outcome, type SheetKind, type Worked } from './worksheet-kind'

/** A metal weighed, and what it became: atoms of the other element to one of the metal. */
export const compositionSheet: SheetKind = {
  shape: {
    name: 'Composition',
    about:
      'A metal weighed before, its compound after: the other element is the difference. Burnt in air, a little nitride comes with the oxide: wet it, ignite it again, and weigh that. Where metal stays undissolved, weigh it too.',
    asked: [
      { key: 'metal', label: 'Metal', what: 'formula', example: 'Mg' },
      { key: 'other', label: 'Other element', what: 'formula', example: 'O' },
    ],
    columns: [
      { key: 'tare', label: 'Vessel', kinds: ['mass'] },
      { key: 'withMetal', label: 'Vessel with the metal', kinds: ['mass'], optional: true },
      { key: 'metal', label: 'or metal taken', kinds: ['mass'], optional: true },
      { key: 'left', label: 'Metal left', kinds: ['mass'], optional: true },
      { key: 'gross', label: 'Vessel with the product', kinds: ['mass'] },
      { key: 'again', label: 'wetted, ignited again', kinds: ['mass'], optional: true },
    ],
    result: 'Atoms to one of the metal',
    unit: { scale: 1, text: '' },
    rows: 'replicates',
  },
  method({ formulas: { metal, other } }) {
    if (!metal || !other) return NOT_YET
    for (const [key, formula] of [
      ['metal', metal],
      ['other', other],
    ] as const)
      if (!findElement(formula.text))
        return { problems: [{ key, ...explainAssay({ code: 'empirical.not-element', symbol: formula.text }) }] }
    if (metal.text === other.text)
      return { problems: [{ key: 'other', ...explainAssay({ code: 'empirical.too-few' }) }] }
    return {
      problems: [],
      work(cells): Worked {
        const { tare, withMetal, left, gross, again } = cells
        const last = again ?? gross
        if (!tare || !last) return undefined
        if (withMetal && withMetal.value <= tare.value)
          return {
            problem: {
              key: 'withMetal',
              why: 'This is no more than the empty vessel.',
              fix: 'Check whether the two are swapped.',
            },
          }
        const taken = takenOf(cells)
        if (!taken) return undefined
        if (left && left.value >= taken.value)
          return {
            problem: {
              key: 'left',
              why: 'No metal dissolved by this.',
              fix: 'Check the metal taken and the metal left.',
            },
          }
        const used = left ? difference('metal that reacted', taken, left) : taken
        const product_ = difference('product', last, tare)
        if (product_.value <= used.value)
          return {
            problem: {
              key: again ? 'again' : 'gross',
              why: 'The product weighs no more than the metal in it.',
              fix: 'Check the vessel and both weighings; was something lost?',
            },
          }
        return { value: ratioOf(metal, used, other, difference(`{${other.text}} taken up`, product_, used)) }
      },
      judge: outcome => ({
        findings: [
          ...percents(metal, other, outcome),
          ...explained(metal, other, outcome),
          ...nitride(metal, other, outcome),
        ],
        choices: [smallRatios(metal.text, other.text, outcome)],
      }),
    }
  },
}

/** The metal by its own weighing, or by that of the vessel with it. */
const takenOf = ({ tare, withMetal, metal }: Cells): Figure | undefined =>
  withMetal && tare ? difference('metal taken', withMetal, tare) : metal

/** What of the compound each element is, from the mean. */
function percents(metal: Formula, other: Formula, { mean, expanded }: Outcome): Finding[] {
  const [m, x] = [molarMass(metal), mean * molarMass(other)]
  const share = (100 * m) / (m + x)
  // d(share)/d(ratio), to first order.
  const spread = ((share * (100 - share)) / 100 / mean) * expanded
  return [
    {
      tone: 'info',
      tag: 'Percent',
      text: `{${metal.text}} ${statedWords(share, spread, '%')}, {${other.text}} ${statedWords(100 - share, spread, '%')} of the compound.`,
    },
  ]
}

/** Atoms to one of the metal where the charges of the two are not known: small numbers. */
const SIMPLE = [1 / 2, 2 / 3, 1, 4 / 3, 3 / 2, 2, 5 / 2, 3, 4, 5]

/** Atoms to one of the metal that its usual charges ask for, two of them mixed one to two as in Fe3O4 among them, in their order. */
function ratiosOf(metal: Formula, other: Formula): readonly number[] {
  const states = metalCharges[metal.text]
  const charge = anions.find(({ text }) => text === other.text)?.charge
  if (!states || charge === undefined) return SIMPLE
  const mixed = states.flatMap(low => states.flatMap(high => (high === low + 1 ? [(low + 2 * high) / 3] : [])))
  return [...states, ...mixed].map(state => state / -charge).toSorted((a, b) => a - b)
}

/** Surplus of more than this part of the compound is no moisture that a dried solid holds; a judgement, no source. */
const MOST_WATER = 0.15

/** What mass would explain a mean that no simple formula meets: water where it is too heavy, and how much is missing where it is too light. */
function explained(metal: Formula, other: Formula, { mean, expanded, whole }: Outcome): Finding[] {
  const ratios = ratiosOf(metal, other)
  const nearest = ratios.reduce((a, b) => (Math.abs(b - mean) < Math.abs(a - mean) ? b : a))
  if (Math.abs(nearest - mean) <= Math.max(expanded, 0.02 * mean)) return []
  const below = ratios.filter(ratio => ratio <= mean).at(-1)
  const formulaOf = (ratio: number): string => {
    const m = [1, 2, 3].find(count => Math.abs(ratio * count - Math.round(ratio * count)) < 1e-9) ?? 1
    const count = (n: number): string => (n === 1 ? '' : String(n))
    return `{${metal.text}${count(m)}${other.text}${count(Math.round(ratio * m))}}`
  }
  return whole.flatMap(({ row, cells }): Finding[] => {
    const { tare, left, gross, again } = cells
    const taken = takenOf(cells)
    const last = again ?? gross
    if (!taken || !tare || !last) return []
    const moles = (taken.value - (left?.value ?? 0)) / molarMass(metal)
    const found = last.value - tare.value
    const massAt = (ratio: number): number => moles * (molarMass(metal) + ratio * molarMass(other))
    const surplus = below === undefined ? -1 : found - massAt(below)
    if (below !== undefined && surplus > 0 && surplus < MOST_WATER * found)
      return [
        {
          tone: 'caution',
          tag: 'What would explain it',
          text: `Replicate ${row}: ${formulaOf(below)} with ${formatValue(surplus, 'mass', 2)} of water in it weighs the same. Dry it on and weigh again.`,
        },
      ]
    return [
      {
        tone: 'caution',
        tag: 'What would explain it',
        text: `Replicate ${row}: for ${formulaOf(nearest)} ${formatValue(Math.abs(massAt(nearest) - found), 'mass', 2)} ${massAt(nearest) > found ? 'is missing: not all of the metal reacted, or some was lost' : 'is too much'}.`,
      },
    ]
  })
}

const amountOf = (formula: Formula, mass: Figure): Figure =>
  product(`amount of {${formula.text}}`, 'amount', [mass], [molarMassFigure(formula)])
const ratioOf = (metal: Formula, mass: Figure, other: Formula, taken: Figure): Figure =>
  product(`{${other.text}} to one {${metal.text}}`, 'number', [amountOf(other, taken)], [amountOf(metal, mass)])

/** g/mol that one nitrogen is lighter than the 1.5 oxygens that stand for it in the oxide of the same metal: 3/2 O − N. */
const GAIN = 1.5 * 15.999 - 14.007

/**
 * Nitride in what was burnt: wetted and ignited it turns to oxide, and each nitrogen gains 3/2 O − N. Told as a share of the burnt solid,
 * by its nitrogen; only for an oxide, and only where both weighings are there.
 */
function nitride(metal: Formula, other: Formula, { whole }: Outcome): Finding[] {
  if (other.text !== 'O') return []
  return whole.flatMap(({ row, cells: { gross, again, tare } }): Finding[] => {
    if (!gross || !tare) return []
    if (!again)
      return [
        {
          tone: 'info',
          tag: 'Nitride',
          text: `Replicate ${row} was not wetted and ignited again: if {${metal.text}} takes up nitrogen in air, it is too light by that.`,
        },
      ]
    const gained = again.value - gross.value
    if (gained < 0)
      return [
        {
          tone: 'caution',
          tag: 'Nitride',
          text: `Replicate ${row} lost ${formatValue(-gained, 'mass', 2)} on the second ignition: it was still wet, or not burnt through, or something spat out.`,
        },
      ]
    const nitrogen = (gained / GAIN) * 14.007
    return [
      {
        tone: 'info',
        tag: 'Nitride',
        text: `Replicate ${row} gained ${formatValue(gained, 'mass', 2)}: ${formatValue(nitrogen, 'mass', 2)} of nitrogen had been bound as nitride (${((nitrogen / (gross.value - tare.value)) * 100).toPrecision(2)} % of the burnt solid). The second weighing counts.`,
      },
    ]
  })
}
