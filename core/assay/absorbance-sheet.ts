import { molarMassFigure, type Formula } from '#core/formula'
import { exact, formatValue, product, standardUncertainty, statedWords, type Figure } from '#core/quantity'
import { bandOver, bendOf, fitLine, readBack, worstPoint, type Line, type Point } from './calibration'
import type { Cells, Choices, Column, Finding, Shape } from './worksheet-kind'

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
  ],
  columns: [
    { key: 'label', label: 'Name', kinds: [], optional: true },
    { key: 'concentration', label: 'Concentration', kinds: ['concentration', 'mass per volume'], optional: true },
    { key: 'weighed', label: 'or weighed', kinds: ['mass'], optional: true, nonZero: true },
    { key: 'madeUp', label: 'made up to', kinds: ['volume'], optional: true, nonZero: true },
    { key: 'dilution', label: 'Diluted, times', kinds: ['number'], optional: true, nonZero: true },
  ],
  result: 'Concentration',
  unit: { scale: 1, text: '' },
  rows: 'series',
}

export const MOST_WAVELENGTHS = 4

/** The wavelengths asked for, nm; one unnamed where none reads. */
export function wavelengthsOf(given: Readonly<Record<string, string>>): string[] {
  const read = (given.wavelengths ?? '').match(/\d+(\.\d+)?/g) ?? []
  return read.length > 0 ? [...new Set(read)].slice(0, MOST_WAVELENGTHS) : ['']
}

/** One column of absorbances for each wavelength. */
export const absorbanceColumns = (given: Readonly<Record<string, string>>): Column[] =>
  wavelengthsOf(given).map((nm, i) => ({
    key: `a${i + 1}`,
    label: nm ? `A at ${nm} nm` : 'Absorbance',
    kinds: ['number'],
    negative: true,
  }))

export interface Calibration {
  readonly wavelength: string
  readonly points: readonly (Point & { readonly row: number })[]
  readonly line: Line
  /** [x, lower, upper] of the 95 % confidence band. */
  readonly band: readonly (readonly [number, number, number])[]
  readonly doubtful: readonly number[]
  /** Student's t of the bend, where there is one. */
  readonly bend?: number
  readonly samples: readonly (Point & { readonly row: number; readonly name: string })[]
}
export interface SampleReading {
  readonly name: string
  readonly wavelength: string
  readonly concentration: number
  readonly uncertainty: number
  readonly repeats: number
  readonly outside: boolean
}
export interface AbsorbanceResult {
  readonly calibrations: readonly Calibration[]
  readonly readings: readonly SampleReading[]
  readonly unit: string
  readonly findings: readonly Finding[]
  readonly choices: readonly Choices[]
  readonly headline?: string
}

/** What was weighed and made up is a concentration: in moles where the salt is named, in grams else. */
function withConcentration(cells: Cells, salt: Formula | undefined): Cells {
  const { concentration, weighed, madeUp } = cells
  if (concentration || !weighed || !madeUp) return cells
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
        : `${standards.length} of the three standards ${standards.length === 1 ? 'is' : 'are'} there`
    const wants = [...(path ? [] : ['the path']), ...(unit === 'mol/L' ? [] : ['the salt, for moles'])]
    findings.push({
      tone: 'info',
      tag: 'No line yet',
      text: `${there}; a line that samples are read off wants three with an absorbance.${wants.length > 0 ? ` A molar absorptivity wants ${wants.join(' and ')}.` : ''}`,
    })
  }
  const [first] = told
  return { findings, ...(first && { headline: `molar absorptivity ${words(first.value)}` }) }
}

interface Row {
  readonly cells: Cells
  readonly label: string
}
const BAND_STEPS = 24

/** Beer's and Lambert's law by a line for each wavelength, and the samples read off it. Nothing until three standards are there. */
export function judgeAbsorbance(
  given: Readonly<Record<string, string>>,
  typed: readonly Row[],
  path: number | undefined,
  salt?: Formula,
): AbsorbanceResult {
  const rows = typed.map(row => ({ ...row, cells: withConcentration(row.cells, salt) }))
  const kinds = new Set(rows.flatMap(({ cells }) => (cells.concentration ? [cells.concentration.kind] : [])))
  if (kinds.size > 1)
    return {
      calibrations: [],
      readings: [],
      unit: '',
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
  // Held as g/mL; people read g/L.
  const size = isMolar ? 1 : 1000
  const unit = isMolar ? 'mol/L' : 'g/L'
  const calibrations = wavelengthsOf(given).flatMap((wavelength, i): Calibration[] => {
    const points = rows.flatMap(({ cells }, row) => {
      const a = cells[`a${i + 1}`]
      return cells.concentration && a
        ? [{ x: cells.concentration.value * size, y: a.value, row, resolution: 10 ** -(a.decimals ?? 12) }]
        : []
    })
    const line = fitLine(points)
    if (!line) return []
    const step = Math.max(0, ...points.map(({ resolution }) => resolution))
    const worst = worstPoint(points, step)
    const bend = bendOf(points, step)
    const samples = rows.flatMap(({ cells, label }, row) => {
      const a = cells[`a${i + 1}`]
      const read = a && !cells.concentration ? readBack(line, a.value, 1) : undefined
      return read && a ? [{ x: read.x, y: a.value, row, name: label || 'Sample' }] : []
    })
    return [
      {
        wavelength,
        points,
        line,
        band: bandOver(line, BAND_STEPS),
        ...(bend?.bends && { bend: bend.t }),
        doubtful: worst?.suspected ? [points[worst.index]!.row] : [],
        samples,
      },
    ]
  })
  const readings = calibrations.flatMap(calibration => readSamples(calibration, rows))
  const alone = calibrations.length === 0 ? fewStandards(given, rows, unit, isMolar ? path : undefined) : undefined
  const headline = (readings[0] && `${readings[0].name} ${wordsOf(readings[0], unit)}`) ?? alone?.headline
  return {
    calibrations,
    readings,
    unit,
    findings: [
      ...(alone?.findings ?? []),
      ...calibrations.flatMap(one => lineFindings(one, unit, isMolar ? path : undefined)),
      ...agreement(readings),
    ],
    choices: readings.length > 0 ? [tableOf(readings, unit)] : [],
    ...(headline && { headline }),
  }
}

interface Dilution {
  readonly times: number
  readonly uncertainty: number
}
/** A whole number without more is a count, and exact; what was written with a spread or with decimals was measured. */
function readDilution(figure: Figure | undefined): Dilution {
  if (!figure) return { times: 1, uncertainty: 0 }
  const isCount = figure.made.how === 'given' && figure.made.shape === 'even' && figure.decimals === 0
  return { times: figure.value, uncertainty: isCount ? 0 : standardUncertainty(figure) }
}

function readSamples({ line, samples, wavelength }: Calibration, rows: readonly Row[]): SampleReading[] {
  const dilutionOf = (row: number): Dilution => readDilution(rows[row]?.cells.dilution)
  const groups = new Map<string, { name: string; dilution: Dilution; ys: number[] }>()
  for (const { name, row, y } of samples) {
    const dilution = dilutionOf(row)
    // Repeats are read as one mean only where they were diluted alike.
    const others = samples.some(one => one.name === name && dilutionOf(one.row).times !== dilution.times)
    const shown = others ? `${name}, diluted ${dilution.times} times` : name
    const group = groups.get(shown) ?? { name: shown, dilution, ys: [] }
    groups.set(shown, { ...group, ys: [...group.ys, y] })
  }
  return [...groups.values()].flatMap(({ name, dilution, ys }) => {
    const read = readBack(line, ys.reduce((sum, y) => sum + y, 0) / ys.length, ys.length)
    if (!read) return []
    return [
      {
        name,
        wavelength,
        concentration: read.x * dilution.times,
        uncertainty: Math.hypot(read.uncertainty * dilution.times, read.x * dilution.uncertainty),
        repeats: ys.length,
        outside: read.x < line.from || read.x > line.to,
      },
    ]
  })
}

const wordsOf = ({ concentration, uncertainty }: SampleReading, unit: string): string =>
  statedWords(concentration, uncertainty, unit)
const at = (wavelength: string): string => (wavelength ? ` at ${wavelength} nm` : '')

function tableOf(readings: readonly SampleReading[], unit: string): Choices {
  return {
    title: 'Read off the line, ± one standard uncertainty',
    mark: 'within the standards',
    head: ['Sample', 'wavelength', 'concentration'],
    rows: readings.map(one => ({
      cells: [
        one.name,
        one.wavelength ? `${one.wavelength} nm` : '',
        `${wordsOf(one, unit)}${one.outside ? ', off the standards' : ''}`,
      ],
      fits: !one.outside,
    })),
  }
}

function lineFindings(
  { wavelength, line, doubtful, bend }: Calibration,
  unit: string,
  path: number | undefined,
): Finding[] {
  const { slope, slopeError, intercept, interceptError, r2, n } = line
  const slopeText = `${formatValue(slope, 'number', 4)} ± ${formatValue(slopeError, 'number', 2)}`
  const isOff = Math.abs(intercept) > 3 * interceptError && Math.abs(intercept) > 0.005
  return [
    {
      tone: 'info',
      tag: `Line${at(wavelength)}`,
      text: `A = ${intercept.toFixed(4).replace('-', '−')} + ${slopeText} c, ${n} standards, r² ${r2 === undefined ? 'not told: all read the same' : r2.toFixed(5)}.${
        path
          ? ` Molar absorptivity ${formatValue(slope / path, 'number', 4)} L/(mol cm).`
          : unit === 'mol/L'
            ? ' Give the path for the molar absorptivity.'
            : ''
      }`,
    },
    ...(bend === undefined
      ? []
      : [
          {
            tone: 'caution' as const,
            tag: `It bends${at(wavelength)}`,
            text: `The standards bend ${bend < 0 ? 'down' : 'up'} from the line (quadratic term, t = ${bend.toFixed(1).replace('-', '−')}): samples read off it are wrong by that. Take weaker standards, or read between two close ones.`,
          },
        ]),
    ...(isOff
      ? [
          {
            tone: 'caution' as const,
            tag: 'Off the origin',
            text: `The line meets zero concentration at A = ${intercept.toFixed(3).replace('-', '−')}: was the blank the same solution without the coloured salt?`,
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
