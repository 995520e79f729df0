import { molarMassFigure, type Formula } from '#core/formula'
import {
  exact,
  formatValue,
  product,
  standardUncertainty,
  statedWords,
  toSignificant,
  type Figure,
} from '#core/quantity'
import {
  calibrate,
  readSamples,
  type Calibrated,
  type Calibration,
  type Fitting,
  type Row,
  type SampleReading,
} from './calibrate'
import { partsFindings, perVolume } from './parts-per-million'
import { plainCoefficients } from './least-squares'
import type { Cells, Choices, Column, Finding, Shape } from './worksheet-kind'

const FITS = ['a line', 'a line, standards by their spreads', 'a curve (second order)'] as const

export const absorbanceShape: Shape = {
  name: 'Absorbance',
  about:
    'Standards of known concentration give the line; the samples are read off it. Rows with a concentration are standards, rows without are samples; samples of one name are repeats.',
  asked: [
    { key: 'wavelengths', label: 'Wavelengths, nm', what: 'text', example: '810, 635' },
    {
      key: 'salt',
      label: 'Coloured salt, as weighed (optional)',
      what: 'formula',
      optional: true,
      example: 'K3[Fe(C2O4)3]·3H2O',
    },
    {
      key: 'path',
      label: 'Path, cm',
      what: 'quantity',
      kinds: ['number'],
      optional: true,
      example: '1.00',
      nonZero: true,
    },
    {
      key: 'whole',
      label: 'Of a liquor: its whole volume (optional)',
      what: 'quantity',
      kinds: ['volume'],
      optional: true,
      nonZero: true,
      example: '42 mL',
    },
    { key: 'fit', label: 'Read by', what: 'choice', options: FITS, optional: true, example: 'a line' },
  ],
  columns: [
    { key: 'label', label: 'Name', kinds: [], optional: true },
    {
      key: 'concentration',
      label: 'Concentration',
      kinds: ['concentration', 'mass per volume', 'mass fraction'],
      optional: true,
    },
    { key: 'weighed', label: 'or weighed', kinds: ['mass'], optional: true, nonZero: true },
    { key: 'madeUp', label: 'made up to', kinds: ['volume'], optional: true, nonZero: true },
    { key: 'dilution', label: 'Diluted, times', kinds: ['number'], optional: true, nonZero: true },
  ],
  result: 'Concentration',
  unit: { scale: 1, text: '' },
  rows: 'series',
}

const Y = 'Absorbance'
export const MOST_WAVELENGTHS = 4

/** The wavelengths asked for, nm; one unnamed where none reads. */
export function wavelengthsOf(given: Readonly<Record<string, string>>): string[] {
  const read = (given.wavelengths ?? '').match(/\d+(\.\d+)?/g) ?? []
  return read.length > 0 ? [...new Set(read)].slice(0, MOST_WAVELENGTHS) : ['']
}

/** One column of absorbances for each wavelength, and one for the spread of each where standards count by it. */
export const absorbanceColumns = (given: Readonly<Record<string, string>>): Column[] => [
  ...wavelengthsOf(given).map((nm, i): Column => ({
    key: `a${i + 1}`,
    label: nm ? `A at ${nm} nm` : 'Absorbance',
    kinds: ['number'],
    negative: true,
    instrument: 'absorbance',
  })),
  ...(fittingOf(given).weighted ? [SPREAD] : []),
]
const SPREAD: Column = { key: 'spread', label: 'its spread, s', kinds: ['number'], optional: true, nonZero: true }

const fittingOf = ({ fit }: Readonly<Record<string, string>>): Fitting => ({
  degree: fit === FITS[2] ? 2 : 1,
  weighted: fit === FITS[1],
})

/** What was weighed and made up is a concentration: in moles where the salt is named, in grams else. */
function withConcentration(cells: Cells, salt: Formula | undefined): Cells {
  const { concentration, weighed, madeUp } = cells
  if (concentration) return { ...cells, concentration: perVolume(concentration) }
  if (!weighed || !madeUp) return cells
  const made = salt
    ? product(`concentration of {${salt.text}}`, 'concentration', [weighed], [molarMassFigure(salt), madeUp], 1000)
    : product('concentration', 'mass per volume', [weighed], [madeUp])
  return { ...cells, concentration: made }
}

/** With fewer standards than a line wants: the absorptivity of each, and why nothing is read off. */
function fewStandards(
  given: Readonly<Record<string, string>>,
  rows: readonly Row[],
  unit: string,
  path: number | undefined,
): { findings: Finding[]; headline?: string } {
  const standards = rows.filter(({ cells }) => cells.concentration)
  const [wavelength = ''] = wavelengthsOf(given)
  const told = standards.flatMap(({ cells: { concentration, a1 }, label }) =>
    concentration && a1 && path && unit === 'mol/L'
      ? [{ label, value: product('molar absorptivity', 'number', [a1], [concentration, exact(path)]) }]
      : [],
  )
  const words = (value: Figure): string => statedWords(value.value, 2 * standardUncertainty(value), 'L/(mol cm)')
  const findings: Finding[] = told.map(({ label, value }) => ({
    tone: 'info',
    tag: `Absorptivity${at(wavelength)}`,
    text: `${label || 'One standard'}: ${words(value)} by itself, without a line. What a blank absorbs is still in it.`,
  }))
  if (rows.some(({ cells }) => cells.concentration || cells.a1)) {
    const there =
      standards.length === 0
        ? 'No row is a standard yet: give concentrations, or what was weighed and made up'
        : `${standards.length === 1 ? 'One standard is' : `${standards.length} standards are`} there`
    const wants = [...(path ? [] : ['the path']), ...(unit === 'mol/L' ? [] : ['the salt, for moles'])]
    const needed =
      fittingOf(given).degree === 2
        ? 'a curve that samples are read off wants four with an absorbance'
        : fittingOf(given).weighted
          ? 'a line by spreads wants three, each with an absorbance and its spread'
          : 'a line that samples are read off wants three with an absorbance'
    findings.push({
      tone: 'info',
      tag: 'No line yet',
      text: `${there}; ${needed}.${wants.length > 0 ? ` A molar absorptivity wants ${wants.join(' and ')}.` : ''}`,
    })
  }
  const [first] = told
  return { findings, ...(first && { headline: `molar absorptivity ${words(first.value)}` }) }
}

const MOLAR = { size: 1, unit: 'mol/L' } as const
/** Standards below this, g/L, are told in mg/L. */
const SMALL = 0.1
/** Held as g/mL; people read g/L, or mg/L of dilute standards. */
function massUnit(rows: readonly Row[]): { readonly size: number; readonly unit: string } {
  const most = Math.max(0, ...rows.map(({ cells }) => cells.concentration?.value ?? 0))
  return 1000 * most < SMALL ? { size: 1e6, unit: 'mg/L' } : { size: 1000, unit: 'g/L' }
}

/** Beer's and Lambert's law by a line for each wavelength, and the samples read off it. Nothing until three standards are there. */
export function judgeAbsorbance(
  given: Readonly<Record<string, string>>,
  typed: readonly Row[],
  path: number | undefined,
  salt?: Formula,
): Calibrated {
  const rows = typed.map(row => ({ ...row, cells: withConcentration(row.cells, salt) }))
  const kinds = new Set(rows.flatMap(({ cells }) => (cells.concentration ? [cells.concentration.kind] : [])))
  if (kinds.size > 1)
    return {
      calibrations: [],
      readings: [],
      unit: '',
      y: Y,
      choices: [],
      findings: [
        {
          tone: 'caution',
          tag: 'Two units',
          text: 'Some standards are in moles, some in grams to the volume: give them all in one.',
        },
      ],
    }
  const isMolar = !kinds.has('mass per volume')
  const { size, unit } = isMolar ? MOLAR : massUnit(rows)
  const calibrations = wavelengthsOf(given).flatMap(
    (wavelength, i) => calibrate(rows, `a${i + 1}`, wavelength, size, fittingOf(given)) ?? [],
  )
  const readings = calibrations.flatMap(calibration => readSamples(calibration, rows))
  const alone = calibrations.length === 0 ? fewStandards(given, rows, unit, isMolar ? path : undefined) : undefined
  const headline = (readings[0] && `${readings[0].name} ${wordsOf(readings[0], unit)}`) ?? alone?.headline
  return {
    calibrations,
    readings,
    unit,
    y: Y,
    findings: [
      ...partsFindings(typed),
      ...(alone?.findings ?? []),
      ...calibrations.flatMap(one => lineFindings(one, unit, isMolar ? path : undefined)),
      ...agreement(readings),
    ],
    choices: readings.length > 0 ? [tableOf(readings, unit)] : [],
    ...(headline && { headline }),
  }
}

const wordsOf = ({ concentration, uncertainty }: SampleReading, unit: string): string =>
  statedWords(concentration, uncertainty, unit)
const at = (wavelength: string): string => (wavelength ? ` at ${wavelength} nm` : '')

function tableOf(readings: readonly SampleReading[], unit: string): Choices {
  return {
    title: 'Read off, ± one standard uncertainty',
    mark: 'within the standards',
    head: ['Sample', 'wavelength', 'concentration', '95 % range'],
    rows: readings.map(one => ({
      cells: [
        one.name,
        one.wavelength ? `${one.wavelength} nm` : '',
        `${wordsOf(one, unit)}${one.outside ? ', off the standards' : ''}`,
        rangeOf(one, unit),
      ],
      fits: !one.outside,
    })),
  }
}

/** Both ends to the same place; a side that no reading ends is said so. */
function rangeOf({ low, high, uncertainty }: SampleReading, unit: string): string {
  const tell = (end: number): string => toSignificant(end, Math.max(2, placesOf(end, uncertainty)))
  if (low === undefined && high === undefined) return 'not told: the line is too unsure'
  if (low === undefined) return `up to ${tell(high ?? 0)} ${unit}`
  return high === undefined
    ? `from ${tell(low)} ${unit} without end`
    : `${tell(low)} to ${tell(high)} ${unit}`.replaceAll('-', '−')
}
/** Digits of an end that reach one further than its uncertainty. */
const placesOf = (value: number, uncertainty: number): number =>
  uncertainty > 0 && value !== 0 ? Math.floor(Math.log10(Math.abs(value))) - Math.floor(Math.log10(uncertainty)) + 2 : 4

function lineFindings(
  { wavelength, fit, doubtful, bend }: Calibration,
  unit: string,
  path: number | undefined,
): Finding[] {
  const [constant, linear, square] = plainCoefficients(fit)
  if (!constant || !linear) return []
  const slopeText = `${formatValue(linear.value, 'number', 4)} ± ${formatValue(linear.error, 'number', 2)}`
  const isOff = Math.abs(constant.value) > 3 * constant.error && Math.abs(constant.value) > 0.005
  const squareText = square
    ? ` ${square.value < 0 ? '−' : '+'} (${formatValue(Math.abs(square.value), 'number', 4)} ± ${formatValue(square.error, 'number', 2)}) c²`
    : ''
  const r2 = fit.r2 === undefined ? 'not told: all read the same' : fit.r2.toFixed(5)
  const absorptivity = square
    ? ''
    : path
      ? ` Molar absorptivity ${formatValue(linear.value / path, 'number', 4)} L/(mol cm).`
      : unit === 'mol/L'
        ? ' Give the path for the molar absorptivity.'
        : ''
  return [
    {
      tone: 'info',
      tag: `${square ? 'Curve' : fit.meanWeight === 1 ? 'Line' : 'Line by spreads'}${at(wavelength)}`,
      text: `A = ${constant.value.toFixed(4).replace('-', '−')} + ${slopeText} c${squareText}, ${fit.n} standards, r² ${r2}.${absorptivity}`,
    },
    ...(bend === undefined
      ? []
      : [
          {
            tone: 'caution' as const,
            tag: `It bends${at(wavelength)}`,
            text: `The standards bend ${bend < 0 ? 'down' : 'up'} from the line (quadratic term, t = ${bend.toFixed(1).replace('-', '−')}): samples read off it are wrong by that. Take weaker standards, or read by a curve of second order.`,
          },
        ]),
    ...(isOff
      ? [
          {
            tone: 'caution' as const,
            tag: 'Off the origin',
            text: `The line meets zero concentration at A = ${constant.value.toFixed(3).replace('-', '−')}: was the blank the same solution without the coloured salt?`,
          },
        ]
      : []),
    ...doubtful.map(row => ({
      tone: 'caution' as const,
      tag: 'Off the line',
      text: `Row ${row + 1}${at(wavelength)} stands off the line of the others. It still counts; look for a reason before you strike it.`,
    })),
  ]
}

/** Whether two wavelengths tell one concentration. */
function agreement(readings: readonly SampleReading[]): Finding[] {
  return [...new Set(readings.map(({ name }) => name))].flatMap((name): Finding[] => {
    const [a, b] = readings.filter(one => one.name === name)
    if (!a || !b) return []
    const apart = Math.abs(a.concentration - b.concentration) / Math.hypot(a.uncertainty, b.uncertainty)
    if (apart <= 2) return []
    return [
      {
        tone: 'caution',
        tag: 'Wavelengths differ',
        text: `${name} reads differently at ${a.wavelength} and ${b.wavelength} nm, ${apart.toFixed(1)} standard uncertainties apart: something else in it absorbs.`,
      },
    ]
  })
}
