import { findElement, molarMassFigure, type Formula } from '#core/formula'
import { difference, formatValue, product, type Figure } from '#core/quantity'
import { explainAssay } from './problems'
import { smallRatios } from './small-ratios'
import { NOT_YET, type Finding, type Outcome, type SheetKind, type Worked } from './worksheet-kind'

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
      { key: 'metal', label: 'Metal taken', kinds: ['mass'] },
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
      work({ tare, metal: taken, left, gross, again }): Worked {
        const last = again ?? gross
        if (!tare || !taken || !last) return undefined
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
        findings: nitride(metal, other, outcome),
        choices: [smallRatios(metal.text, other.text, outcome)],
      }),
    }
  },
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
