import { formatValue } from '#core/quantity'
import { bandOver, fitLine, readBack, worstPoint, type Line, type Point } from './calibration'
import type { Cells, Choices, Column, Finding, Shape } from './worksheet-kind'

export const absorbanceShape: Shape = {
  name: 'Absorbance',
  about:
    'Standards of known concentration give the line; the samples are read off it. Rows with a concentration are standards, rows without are samples; samples of one name are repeats.',
  asked: [
    { key: 'wavelengths', label: 'Wavelengths, nm', what: 'text', example: '810, 635' },
    { key: 'path', label: 'Path, cm', what: 'quantity', kinds: ['number'], optional: true, example: '1.00' },
  ],
  columns: [
    { key: 'label', label: 'Name', kinds: [], optional: true },
    { key: 'concentration', label: 'Concentration', kinds: ['concentration', 'mass per volume'], optional: true },
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

interface Row {
  readonly cells: Cells
  readonly label: string
}
const BAND_STEPS = 24

/** Beer's and Lambert's law by a line for each wavelength, and the samples read off it. Nothing until three standards are there. */
export function judgeAbsorbance(
  given: Readonly<Record<string, string>>,
  rows: readonly Row[],
  path: number | undefined,
): AbsorbanceResult {
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
      return cells.concentration && a ? [{ x: cells.concentration.value * size, y: a.value, row }] : []
    })
    const line = fitLine(points)
    if (!line) return []
    const worst = worstPoint(points)
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
        doubtful: worst?.suspected ? [points[worst.index]!.row] : [],
        samples,
      },
    ]
  })
  const readings = calibrations.flatMap(calibration => readSamples(calibration, rows))
  const headline = readings[0] && `${readings[0].name} ${wordsOf(readings[0], unit)}`
  return {
    calibrations,
    readings,
    unit,
    findings: [
      ...calibrations.flatMap(one => lineFindings(one, unit, isMolar ? path : undefined)),
      ...agreement(readings),
    ],
    choices: readings.length > 0 ? [tableOf(readings, unit)] : [],
    ...(headline && { headline }),
  }
}

function readSamples({ line, samples, wavelength }: Calibration, rows: readonly Row[]): SampleReading[] {
  const dilutionOf = (row: number): number => rows[row]!.cells.dilution?.value ?? 1
  const groups = new Map<string, { name: string; dilution: number; ys: number[] }>()
  for (const { name, row, y } of samples) {
    const dilution = dilutionOf(row)
    // Repeats are read as one mean only where they were diluted alike.
    const others = samples.some(one => one.name === name && dilutionOf(one.row) !== dilution)
    const shown = others ? `${name}, diluted ${dilution} times` : name
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
        concentration: read.x * dilution,
        uncertainty: read.uncertainty * dilution,
        repeats: ys.length,
        outside: read.x < line.from || read.x > line.to,
      },
    ]
  })
}

const wordsOf = ({ concentration, uncertainty }: SampleReading, unit: string): string => {
  const decimals = Math.min(8, Math.max(0, 1 - Math.floor(Math.log10(Math.max(uncertainty, 1e-9)))))
  return `${concentration.toFixed(decimals)} ± ${uncertainty.toFixed(decimals)}\u202f${unit}`
}
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

function lineFindings({ wavelength, line, doubtful }: Calibration, unit: string, path: number | undefined): Finding[] {
  const { slope, slopeError, intercept, interceptError, r2, n } = line
  const slopeText = `${formatValue(slope, 'number', 4)} ± ${formatValue(slopeError, 'number', 2)}`
  const isOff = Math.abs(intercept) > 3 * interceptError && Math.abs(intercept) > 0.005
  return [
    {
      tone: 'info',
      tag: `Line${at(wavelength)}`,
      text: `A = ${intercept.toFixed(4).replace('-', '−')} + ${slopeText} c, ${n} standards, r² ${r2.toFixed(5)}.${
        path
          ? ` Molar absorptivity ${formatValue(slope / path, 'number', 4)} L/(mol cm).`
          : unit === 'mol/L'
            ? ' Give the path for the molar absorptivity.'
            : ''
      }`,
    },
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
