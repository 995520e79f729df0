import { standardUncertainty, statedWords, type Figure } from '#core/quantity'
import { drawnOver, type Calibrated, type Row } from './calibrate'
import { fitCurve, plainCoefficients, readFromCurve, type Fit } from './least-squares'
import { partsFindings, perVolume } from './parts-per-million'
import type { AskedValues, Finding, Shape } from './worksheet-kind'

/** Known amounts added to the sample itself: its own content is where the line meets the reading of a blank. */
export const standardAdditionShape: Shape = {
  name: 'Standard addition',
  about:
    'Equal portions of the sample, with more and more of a standard added, all made up to one volume and read. Whatever the sample does to the reading it does to the standard too; its own content is where the line would read nothing.',
  asked: [
    {
      key: 'blank',
      label: 'Reading of a blank (optional)',
      what: 'quantity',
      kinds: ['number'],
      optional: true,
      example: '0.00',
    },
    {
      key: 'dilution',
      label: 'Sample diluted in the flasks, times (optional)',
      what: 'quantity',
      kinds: ['number'],
      optional: true,
      example: '10',
      nonZero: true,
    },
  ],
  columns: [
    {
      key: 'concentration',
      label: 'Standard added, in the flask',
      kinds: ['concentration', 'mass per volume', 'mass fraction'],
    },
    { key: 'reading', label: 'Reading', kinds: ['number'], negative: true },
  ],
  result: 'Concentration',
  unit: { scale: 1, text: '' },
  rows: 'series',
}

const UNITS = { concentration: { size: 1, text: 'mol/L' }, 'mass per volume': { size: 1e6, text: 'mg/L' } } as const

/** The content of the sample by extrapolation (Miller and Miller, Statistics and Chemometrics for Analytical Chemistry, 5.8, from memory), with its 95 % range. */
export function judgeStandardAddition({ figures }: AskedValues, typed: readonly Row[]): Calibrated {
  const rows = typed.map(({ cells, ...row }) => ({
    ...row,
    cells: cells.concentration ? { ...cells, concentration: perVolume(cells.concentration) } : cells,
  }))
  const kinds = new Set(rows.flatMap(({ cells }) => (cells.concentration ? [cells.concentration.kind] : [])))
  const [kind = 'concentration'] = kinds
  const unit = kind === 'mass per volume' ? UNITS['mass per volume'] : UNITS.concentration
  const nothing = { calibrations: [], readings: [], unit: unit.text, y: 'Reading', findings: [], choices: [] }
  if (kinds.size > 1)
    return {
      ...nothing,
      findings: [
        {
          tone: 'caution',
          tag: 'Two units',
          text: 'Some additions are in moles, some in grams to the volume: give them all in one.',
        },
      ],
    }
  const points = rows.flatMap(({ cells: { concentration, reading } }, row) =>
    concentration && reading ? [{ x: concentration.value * unit.size, y: reading.value, row }] : [],
  )
  const fit = fitCurve(points, 1)
  if (!fit) return points.length === 0 ? nothing : { ...nothing, findings: [tooFew(points.length)] }
  const blank = figures.blank?.value ?? 0
  const read = readFromCurve(fit, blank, Infinity)
  const [constant, slope] = plainCoefficients(fit)
  if (!read || !constant || !slope || slope.value === 0) return { ...nothing, findings: [flat] }
  const times = figures.dilution?.value ?? 1
  const spread = Math.hypot(read.uncertainty, blankError(figures.blank, slope.value)) * times
  const content = -read.x * times
  const words = statedWords(content, spread, unit.text)
  return {
    ...nothing,
    calibrations: [
      { name: 'Line', wavelength: '', points, fit, drawn: drawnFrom(fit, read.x), doubtful: [], samples: [] },
    ],
    headline: `${times === 1 ? 'in the flask' : 'in the sample'} ${words}`,
    choices: [
      {
        title: 'Where the line reads nothing, ± one standard uncertainty',
        mark: '',
        head: ['by', 'concentration', '95 % range'],
        rows: [
          {
            cells: [
              times === 1 ? 'In the flask' : `In the sample, diluted ${times} times`,
              words,
              range(read, times, unit.text),
            ],
            fits: true,
          },
        ],
      },
    ],
    findings: [
      ...partsFindings(typed),
      {
        tone: 'info',
        tag: 'Line',
        text: `${constant.value.toPrecision(4)} + ${slope.value.toPrecision(4)} c, ${fit.n} points, r² ${fit.r2?.toFixed(5) ?? 'not told: all read the same'}.`,
      },
      ...belowNone(content),
      ...farOut(read.x, fit),
    ],
  }
}

const blankError = (blank: Figure | undefined, slope: number): number =>
  blank ? standardUncertainty(blank) / Math.abs(slope) : 0

function range(
  { low, high }: { low: number | undefined; high: number | undefined },
  times: number,
  unit: string,
): string {
  const tell = (end: number): string => (-end * times).toPrecision(3).replace('-', '−')
  if (low === undefined || high === undefined) return 'not told: the line is too unsure'
  return `${tell(high)} to ${tell(low)} ${unit}`
}

/** The line and its band, drawn from where it reads nothing. */
const drawnFrom = (fit: Fit, x: number) => drawnOver({ ...fit, from: Math.min(x, fit.from) })

const tooFew = (n: number): Finding => ({
  tone: 'info',
  tag: 'No line yet',
  text: `${n === 1 ? 'One portion has' : `${n} portions have`} both values; a line wants three that differ.`,
})
const flat: Finding = {
  tone: 'caution',
  tag: 'Flat',
  text: 'What was added does not change the reading: there is nothing to extrapolate.',
}
const belowNone = (content: number): Finding[] =>
  content < 0
    ? [
        {
          tone: 'caution',
          tag: 'Below none',
          text: 'The line reads less than the blank without any standard: check the blank and the order of the rows.',
        },
      ]
    : []
/** How far beyond the additions a line may be carried; common practice, no source. */
const FURTHEST = 2
const farOut = (x: number, { from, to }: Fit): Finding[] =>
  -x > FURTHEST * (to - from)
    ? [
        {
          tone: 'caution',
          tag: 'Small additions',
          text: 'The sample holds more than twice of all that was added: add more, or the line is carried too far.',
        },
      ]
    : []
