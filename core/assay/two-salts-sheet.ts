import { difference, product, sum } from '#core/quantity'
import { carriersOf } from './carrier'
import { gravimetricFactor } from './gravimetric'
import { explainAssay } from './problems'
import { NOT_YET, PERCENT, refuse, type SheetKind } from './worksheet-kind'

/** Two salts that give one precipitate in unlike amounts to the gram: how much of each, from both masses. */
export const twoSaltsSheet: SheetKind = {
  shape: {
    name: 'Two salts, one precipitate',
    about:
      'A mixture of two salts, all thrown down as one compound that each gives in another amount to the gram: two masses tell two parts. The less the two amounts differ, the more every error of weighing counts.',
    asked: [
      { key: 'first', label: 'First salt', what: 'formula', example: 'NaCl' },
      { key: 'second', label: 'Second salt', what: 'formula', example: 'BaCl2' },
      { key: 'weighedAs', label: 'Weighed as', what: 'formula', example: 'AgCl' },
    ],
    columns: [
      { key: 'sample', label: 'Mixture', kinds: ['mass'], nonZero: true },
      { key: 'tare', label: 'Crucible or paper', kinds: ['mass'] },
      { key: 'gross', label: 'with the precipitate', kinds: ['mass'] },
    ],
    result: 'First salt in the mixture',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { first, second, weighedAs } }) {
    if (!first || !second || !weighedAs) return NOT_YET
    const [one, other] = [gravimetricFactor(first, weighedAs), gravimetricFactor(second, weighedAs)]
    if (!one.ok) return { problems: [{ key: 'first', ...explainAssay(one.problem) }] }
    if (!other.ok) return { problems: [{ key: 'second', ...explainAssay(other.problem) }] }
    // Grams of the precipitate that one gram of each gives.
    const [gives, givesToo] = [
      product(`{${weighedAs.text}} from {${first.text}}`, 'number', [], [one.value]),
      product(`{${weighedAs.text}} from {${second.text}}`, 'number', [], [other.value]),
    ]
    const apart = difference('difference of the two', gives, givesToo)
    if (Math.abs(apart.value) < 0.01 * gives.value)
      return refuse(
        'second',
        'Both salts give the same mass of precipitate to the gram: the masses cannot tell them apart.',
        'Weigh as something that they give unequally, or titrate.',
      )
    return {
      problems: [],
      work({ sample, tare, gross }) {
        if (!sample || !tare || !gross) return undefined
        if (gross.value < tare.value)
          return {
            problem: {
              key: 'gross',
              why: 'This is below the empty vessel.',
              fix: 'Check whether the two are swapped.',
            },
          }
        const precipitate = difference('precipitate', gross, tare)
        const asSecond = product(`precipitate, were all of it {${second.text}}`, 'mass', [sample, givesToo])
        const mass = product(
          `mass of {${first.text}}`,
          'mass',
          [
            sum('more than that', [
              [1, precipitate],
              [-1, asSecond],
            ]),
          ],
          [apart],
        )
        const share = mass.value / sample.value
        if (share < -0.005 || share > 1.005)
          return {
            problem: {
              key: 'gross',
              why: `That much precipitate comes from no mixture of the two: ${(100 * share).toFixed(1)} % of it would be ${first.text}.`,
              fix: 'Was it dry, and are these the two salts? Check the weighings.',
            },
          }
        return { value: product(`{${first.text}} in the mixture`, 'mass fraction', [mass], [sample]) }
      },
      judge: ({ mean }) => ({
        findings: [
          {
            tone: 'info',
            tag: 'The other salt',
            text: `The rest, ${(100 - mean).toFixed(2)} %, is {${second.text}}. One gram of {${first.text}} gives ${gives.value.toFixed(4)} g of {${weighedAs.text}}, one of {${second.text}} ${givesToo.value.toFixed(4)} g, counted by {${carriersOf(first, weighedAs)[0]?.by ?? ''}}.`,
          },
        ],
      }),
    }
  },
}
