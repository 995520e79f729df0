import { molarMassFigure } from '#core/formula'
import { product, sum, type Figure } from '#core/quantity'
import { theOther } from './the-other'
import { ofWhole } from './titration'
import { aliquotAsked, aliquotOf, at, byVolume, sample } from './titration-parts'
import { NOT_YET, PERCENT, refuse, type AskedValues, type Method, type SheetKind } from './worksheet-kind'

/** What one formula unit of a component takes of the titrant, to the first reading and to the second. */
type Takes = readonly [number, number]

/** `1, 2`: two numbers from 0 to 12. */
function readTakes(text: string | undefined): Takes | undefined {
  const numbers = (text ?? '').match(/\d+(?:\.\d+)?/g)?.map(Number) ?? []
  const [one, two, ...more] = numbers
  return one !== undefined && two !== undefined && more.length === 0 && Math.max(one, two) <= 12
    ? [one, two]
    : undefined
}

/**
 * Two components of one sample from two readings of one titrant: two end points of one titration, or one titration of all and another with one of them masked.
 * Each reading is a sum over both; two sums tell two amounts.
 */
export const twoReadingsSheet: SheetKind = {
  shape: {
    name: 'Two components, two end points',
    about:
      'One sample, two readings of one titrant, each counted from the start: two end points of one titration (carbonate beside hydroxide or hydrogencarbonate, by phenolphthalein and methyl orange), or all of it and then with one component masked. Say how much of the titrant one formula unit of each takes to each reading.',
    asked: [
      {
        key: 'concentration',
        label: 'Strength of the titrant',
        what: 'quantity',
        kinds: ['concentration'],
        example: '0.1000 mol/L',
        nonZero: true,
      },
      { key: 'first', label: 'First component', what: 'formula', example: 'NaOH' },
      { key: 'firstTakes', label: 'takes, to the first and second reading', what: 'text', example: '1, 1' },
      { key: 'second', label: 'Second component', what: 'formula', example: 'Na2CO3' },
      { key: 'secondTakes', label: 'takes, to the first and second reading', what: 'text', example: '1, 2' },
      ...aliquotAsked,
    ],
    columns: [
      sample,
      { key: 'v1', label: 'Titrant, first reading', kinds: ['volume'] },
      { key: 'v2', label: 'second reading', kinds: ['volume'] },
    ],
    result: 'First component in the sample',
    unit: PERCENT,
    rows: 'replicates',
  },
  method({ formulas: { first, second }, figures, texts }: AskedValues): Method {
    const { concentration } = figures
    if (!first || !second || !concentration || !texts.firstTakes || !texts.secondTakes) return NOT_YET
    const [a, b] = [readTakes(texts.firstTakes), readTakes(texts.secondTakes)]
    if (!a || !b)
      return refuse(
        a ? 'secondTakes' : 'firstTakes',
        'These are not two numbers.',
        'Give 1, 2: one to the first reading, two to the second.',
      )
    const apart = a[0] * b[1] - b[0] * a[1]
    if (Math.abs(apart) < 1e-9)
      return refuse(
        'secondTakes',
        'Both components take the titrant alike: two readings cannot tell them apart.',
        'Check the numbers, or mask one of them.',
      )
    const divided = aliquotOf(figures)
    if ('refused' in divided) return divided.refused
    const amountOf = (name: string, [over, under]: Takes, volumes: readonly [Figure, Figure]): Figure =>
      product(
        `amount of {${name}}`,
        'amount',
        [
          sum(`titrant that {${name}} took, to the formula unit`, [
            [over / apart, volumes[0]],
            [under / apart, volumes[1]],
          ]),
          concentration,
        ],
        [],
        1e-3,
      )
    const parts = (v1: Figure, v2: Figure) => ({
      mine: amountOf(first.text, [b[1], -b[0]], [v1, v2]),
      theirs: amountOf(second.text, [-a[1], a[0]], [v1, v2]),
    })
    const share = (amount: Figure, formula: typeof first, of: Figure) => {
      const whole = ofWhole(amount, divided.aliquot)
      return whole.ok
        ? {
            value: product(
              `{${formula.text}} in the sample`,
              'mass fraction',
              [whole.value, molarMassFigure(formula)],
              [of],
            ),
          }
        : { problem: at('v1', whole.problem) }
    }
    return {
      problems: [],
      work({ sample, v1, v2 }) {
        if (!sample || !v1 || !v2) return undefined
        const { mine, theirs } = parts(v1, v2)
        const least = LEAST * concentration.value * Math.max(v1.value, v2.value) * 1e-3
        const negative = mine.value < -least ? first.text : theirs.value < -least ? second.text : undefined
        if (negative)
          return {
            problem: {
              key: 'v2',
              why: `These readings leave less than none of ${negative}.`,
              fix: `It is not in the sample, another component is, or the readings are not both counted from the start.`,
            },
          }
        return share(mine, first, sample)
      },
      judge: outcome => ({
        findings: [
          ...byVolume(outcome),
          ...theOther(outcome, `{${second.text}}`, PERCENT, ({ sample, v1, v2 }) => {
            const worked = sample && v1 && v2 ? share(parts(v1, v2).theirs, second, sample) : undefined
            return worked && 'value' in worked ? worked.value : undefined
          }),
        ],
      }),
    }
  },
}

/** A component may come out below none by this part of the titrant: a drop more or less. A judgement, no source. */
const LEAST = 0.01
