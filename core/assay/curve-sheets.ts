import { explainFormula, parseFormula } from '#core/formula'
import type { CurvePoints } from './curve-points'
import { bandsOf, dipsOf, isTransmittance, type Band } from './spectrum'
import { plateausOf, stepsOf, type Plateau, type Step } from './thermogram'
import type { Choices, FieldProblem, Finding, Shape } from './worksheet-kind'

export const thermogramShape: Shape = {
  name: 'Thermogram',
  about:
    'Mass against temperature, read from a file of two columns (CSV): each step is set against what the salt could lose.',
  asked: [{ key: 'form', label: 'What was weighed in', what: 'formula', example: 'CuSO4·5H2O' }],
  columns: [],
  result: 'Steps',
  unit: { scale: 1, text: '' },
  rows: 'file',
}
export const spectrumShape: Shape = {
  name: 'Spectrum',
  about: 'A spectrum read from a JCAMP-DX file or a table of two columns (CSV), with its bands.',
  asked: [
    { key: 'sample', label: 'Of what', what: 'text', example: 'CuSO4, 0.02 mol/L in water, 1 cm' },
    {
      key: 'bands',
      label: 'Bands are',
      what: 'choice',
      options: ['as the file shows', 'its maxima (absorbance)', 'its minima (transmittance)'],
      optional: true,
      example: 'as the file shows',
    },
  ],
  columns: [],
  result: 'Bands',
  unit: { scale: 1, text: '' },
  rows: 'file',
}

export interface CurveResult {
  readonly problems: readonly FieldProblem[]
  readonly plateaus: readonly Plateau[]
  readonly steps: readonly Step[]
  readonly bands: readonly Band[]
  readonly findings: readonly Finding[]
  readonly choices: readonly Choices[]
  readonly headline?: string
}
const EMPTY: CurveResult = { problems: [], plateaus: [], steps: [], bands: [], findings: [], choices: [] }
const percent = (share: number): string => (share * 100).toFixed(2)

/** Reads the steps of a thermogram and says what fits each. */
export function judgeThermogram(given: Readonly<Record<string, string>>, curve: CurvePoints | undefined): CurveResult {
  if (!curve) return EMPTY
  const plateaus = plateausOf(curve)
  const text = given.form?.trim() ?? ''
  const form = text ? parseFormula(text) : undefined
  if (form && !form.ok)
    return {
      ...EMPTY,
      plateaus,
      problems: [
        {
          key: 'form',
          span: form.problem.span,
          ...explainFormula(form.problem),
        },
      ],
    }
  if (plateaus.length < 2)
    return {
      ...EMPTY,
      plateaus,
      findings: [
        {
          tone: 'caution',
          tag: 'No step',
          text: 'The mass does not change by one percent: nothing to assign.',
        },
      ],
    }
  if (!form?.ok) return { ...EMPTY, plateaus }
  const steps = stepsOf(form.value, plateaus)
  const first = steps.map(({ candidates }) => candidates.find(({ fits }) => fits))
  return {
    ...EMPTY,
    plateaus,
    steps,
    findings: steps.flatMap((step, i): Finding[] =>
      first[i]
        ? step.endsFlat
          ? []
          : [
              {
                tone: 'info',
                tag: `Step ${i + 1}`,
                text: 'It runs into the next one without a level between: heat more slowly to part them.',
              },
            ]
        : [
            {
              tone: 'caution',
              tag: `Step ${i + 1}`,
              text: `${percent(step.gone)} % gone fits nothing that {${form.value.text}} would leave within half a percentage point: a step cut short, a mixture, or another salt.${betweenTwo(step)}`,
            },
          ],
    ),
    choices: [
      {
        title: 'What each step leaves',
        head: ['Step', 'gone by then, %', 'left', 'would be, %'],
        rows: steps.flatMap(({ from, to, gone, candidates }, i) =>
          candidates.map(({ residue, words, expected, fits }, j) => ({
            cells: [
              j === 0 ? `${i + 1}: ${from.toFixed(0)} to ${to.toFixed(0)} °C` : '',
              j === 0 ? percent(gone) : '',
              `{${residue}}, ${words.replace('H2O', '{H2O}')}`,
              percent(expected),
            ],
            fits,
          })),
        ),
      },
    ],
    headline: steps
      .map(({ gone }, i) => `${percent(gone)} % gone${first[i] ? ` ({${first[i].residue}})` : ' (nothing fits)'}`)
      .join(', '),
  }
}

/** By the lever: a loss between those of two residues as a mixture of both. */
function betweenTwo({ gone, candidates }: Step): string {
  const sorted = candidates.toSorted((a, b) => a.expected - b.expected)
  const more = sorted.find(({ expected }) => expected > gone)
  const less = sorted.findLast(({ expected }) => expected <= gone)
  if (!more || !less) return ''
  const share = (gone - less.expected) / (more.expected - less.expected)
  return ` As a mixture of {${less.residue}} and {${more.residue}}, ${(100 * share).toFixed(0)} % of it has gone on to {${more.residue}}.`
}

/** Names a spectrum's bands: its maxima, or its minima where it shows how much light comes through. */
export function judgeSpectrum(given: Readonly<Record<string, string>>, curve: CurvePoints | undefined): CurveResult {
  if (!curve) return EMPTY
  const isDown = given.bands?.includes('minima') || (!given.bands?.includes('maxima') && isTransmittance(curve))
  const bands = isDown ? dipsOf(curve) : bandsOf(curve)
  const number = (value: number): string => String(Number(value.toPrecision(4)))
  return {
    ...EMPTY,
    bands,
    findings: [
      ...(bands.length === 0
        ? [{ tone: 'info' as const, tag: 'No band', text: 'Nothing in this range stands out by 3 % of its height.' }]
        : []),
      ...(isDown && !given.bands?.includes('minima')
        ? [
            {
              tone: 'info' as const,
              tag: 'Transmittance',
              text: 'Most of the curve lies high, with dips in it: it is read as transmittance, and its minima are the bands. Say otherwise at “Bands are”.',
            },
          ]
        : []),
    ],
    choices:
      bands.length === 0
        ? []
        : [
            {
              title: 'Bands',
              mark: '',
              head: [curve.x, curve.y, 'over its valley'],
              rows: bands.map(({ x, y, prominence }) => ({
                cells: [number(x), number(y), number(prominence)],
                fits: true,
              })),
            },
          ],
    ...(bands.length > 0 && { headline: `bands at ${bands.map(({ x }) => number(x)).join(', ')} ${curve.x}` }),
  }
}
