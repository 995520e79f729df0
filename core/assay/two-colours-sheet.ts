import { parseFormula } from '#core/formula'
import { product, sum, type Figure } from '#core/quantity'
import { theOther } from './the-other'
import { NOT_YET, refuse, type Cells, type Finding, type Outcome, type SheetKind } from './worksheet-kind'

const MOLAR = { scale: 1, text: 'mol/L' } as const
const absorptivity = (key: string, label: string, example: string) =>
  ({ key, label, what: 'quantity', kinds: ['number'], example }) as const

/** Below this the two colours are alike at both wavelengths, and any error of reading counts tenfold and more. */
const ALIKE = 0.1

/**
 * Two coloured components of one solution from its absorbances at two wavelengths: absorbances add up (Beer and Lambert), so two sums tell two concentrations.
 */
export const twoColoursSheet: SheetKind = {
  shape: {
    name: 'Two colours, two wavelengths',
    about:
      'One solution of two coloured components, read at two wavelengths: each absorbance is the sum of both, by the molar absorptivities that were found with each alone.',
    asked: [
      { key: 'first', label: 'First component', what: 'text', example: 'MnO4^-' },
      { key: 'second', label: 'Second component', what: 'text', example: 'Cr2O7^2-' },
      { key: 'path', label: 'Path, cm', what: 'quantity', kinds: ['number'], example: '1.000', nonZero: true },
      absorptivity('first1', 'First, at wavelength 1, L/(mol cm)', '2350'),
      absorptivity('first2', 'First, at wavelength 2', '95'),
      absorptivity('second1', 'Second, at wavelength 1', '11'),
      absorptivity('second2', 'Second, at wavelength 2', '369'),
    ],
    columns: [
      { key: 'a1', label: 'A at wavelength 1', kinds: ['number'], negative: true, instrument: 'absorbance' },
      { key: 'a2', label: 'A at wavelength 2', kinds: ['number'], negative: true, instrument: 'absorbance' },
      { key: 'dilution', label: 'Diluted, times', kinds: ['number'], optional: true, nonZero: true },
    ],
    result: 'First component',
    unit: MOLAR,
    rows: 'replicates',
  },
  method({ figures, texts }) {
    const { path, first1, first2, second1, second2 } = figures
    if (!path || !first1 || !first2 || !second1 || !second2) return NOT_YET
    const across = product('first at 1, second at 2', 'number', [first1, second2])
    const back = product('second at 1, first at 2', 'number', [second1, first2])
    const apart = sum('their difference', [
      [1, across],
      [-1, back],
    ])
    if (Math.abs(apart.value) < ALIKE * Math.max(across.value, back.value))
      return refuse(
        'second2',
        'Both components absorb alike at the two wavelengths: they cannot be told apart.',
        'Take wavelengths where one of them absorbs much more than the other.',
      )
    const part = (
      name: string,
      [a, by]: readonly [Figure, Figure],
      [b, less]: readonly [Figure, Figure],
      cells: Cells,
    ) =>
      product(
        `concentration of ${name}`,
        'concentration',
        [
          sum('absorbance that is its own, times the other’s absorptivity', [
            [1, product('', 'number', [a, by])],
            [-1, product('', 'number', [b, less])],
          ]),
          ...(cells.dilution ? [cells.dilution] : []),
        ],
        [apart, path],
      )
    const ofFirst = (a1: Figure, a2: Figure, cells: Cells) =>
      part(texts.first || 'the first', [a1, second2], [a2, second1], cells)
    const ofSecond = (a1: Figure, a2: Figure, cells: Cells) =>
      part(texts.second || 'the second', [a2, first1], [a1, first2], cells)
    return {
      problems: [],
      work(cells) {
        const { a1, a2 } = cells
        if (!a1 || !a2) return undefined
        return { value: ofFirst(a1, a2, cells) }
      },
      judge: outcome => ({
        findings: [
          ...negative(outcome, cells => both(cells, ofFirst, ofSecond), texts),
          ...theOther(
            outcome,
            typesetName(texts.second) || 'The second',
            MOLAR,
            cells => both(cells, ofFirst, ofSecond)?.[1],
          ),
        ],
      }),
    }
  },
}

/** What is typed as a formula is set as one. */
function typesetName(text: string | undefined): string | undefined {
  return text && parseFormula(text).ok ? `{${text}}` : text
}

type Part = (a1: Figure, a2: Figure, cells: Cells) => Figure
const both = (cells: Cells, first: Part, second: Part): readonly [Figure, Figure] | undefined =>
  cells.a1 && cells.a2 ? [first(cells.a1, cells.a2, cells), second(cells.a1, cells.a2, cells)] : undefined

const negative = (
  { whole }: Outcome,
  of: (cells: Cells) => readonly [Figure, Figure] | undefined,
  { first, second }: Readonly<Record<string, string>>,
): Finding[] =>
  whole.flatMap(({ cells, row }): Finding[] => {
    const [a, b] = of(cells) ?? []
    const name = a && a.value < 0 ? first || 'the first' : b && b.value < 0 ? second || 'the second' : undefined
    return name
      ? [
          {
            tone: 'caution',
            tag: 'Below none',
            text: `Replicate ${row} gives less than none of ${name}: something else absorbs, or the absorptivities are not of these wavelengths.`,
          },
        ]
      : []
  })
