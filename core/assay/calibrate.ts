import { standardUncertainty, type Figure } from '#core/quantity'
import { bendOf, worstPoint, type Point } from './calibration'
import { errorAt, fitCurve, readFromCurve, valueAt, type Fit } from './least-squares'
import { studentT } from './student'
import type { Cells, Choices, Finding } from './worksheet-kind'

export interface Row {
  readonly cells: Cells
  readonly label: string
}
/** How standards make a line or a curve. */
export interface Fitting {
  readonly degree: 1 | 2
  /** Each standard counts by the spread that stands beside it. */
  readonly weighted: boolean
}
export interface Calibration {
  /** As its line is called in a drawing. */
  readonly name: string
  readonly wavelength: string
  readonly points: readonly (Point & { readonly row: number })[]
  readonly fit: Fit
  /** [x, y, lower, upper] over the standards: the curve and its 95 % confidence band. */
  readonly drawn: readonly (readonly [number, number, number, number])[]
  readonly doubtful: readonly number[]
  /** Student's t of the bend, where a line has one. */
  readonly bend?: number
  readonly samples: readonly (Point & { readonly row: number; readonly name: string })[]
}
export interface SampleReading {
  readonly name: string
  readonly wavelength: string
  readonly concentration: number
  readonly uncertainty: number
  /** Ends of the 95 % range, which need not lie evenly; undefined where the line is too unsure to end it. */
  readonly low: number | undefined
  readonly high: number | undefined
  readonly repeats: number
  readonly outside: boolean
}

/** What a series of standards, or of additions, says: lines to draw, what is read off them, and its words. */
export interface Calibrated {
  readonly calibrations: readonly Calibration[]
  readonly readings: readonly SampleReading[]
  /** Unit of what stands across, and the name of what stands up. */
  readonly unit: string
  readonly y: string
  readonly findings: readonly Finding[]
  readonly choices: readonly Choices[]
  readonly headline?: string
}

const STEPS = 24

/** A standard's weight: one over the square of its spread. */
const weightOf = (spread: Figure | undefined): number | undefined =>
  spread && spread.value > 0 ? 1 / spread.value ** 2 : undefined

/** The calibration at one wavelength, read from the column `key`; concentrations are multiplied by `size`. Undefined while there are too few standards. */
export function calibrate(
  rows: readonly Row[],
  key: string,
  wavelength: string,
  size: number,
  { degree, weighted }: Fitting,
): Calibration | undefined {
  const points = rows.flatMap(({ cells }, row) => {
    const a = cells[key]
    return cells.concentration && a
      ? [
          {
            x: cells.concentration.value * size,
            y: a.value,
            row,
            resolution: 10 ** -(a.decimals ?? 12),
            weight: weighted ? weightOf(cells.spread) : undefined,
          },
        ]
      : []
  })
  if (weighted && points.some(({ weight }) => weight === undefined)) return undefined
  const fit = fitCurve(points, degree)
  if (!fit) return undefined
  const step = Math.max(0, ...points.map(({ resolution }) => resolution))
  const isPlainLine = degree === 1 && !weighted
  const worst = isPlainLine ? worstPoint(points, step) : undefined
  const bend = isPlainLine ? bendOf(points, step) : undefined
  const samples = rows.flatMap(({ cells, label }, row) => {
    const a = cells[key]
    const read = a && !cells.concentration ? readFromCurve(fit, a.value, 1) : undefined
    return read && a ? [{ x: read.x, y: a.value, row, name: label || 'Sample' }] : []
  })
  return {
    name: wavelength ? `${wavelength} nm` : 'Line',
    wavelength,
    points,
    fit,
    drawn: drawnOver(fit),
    ...(bend?.bends && { bend: bend.t }),
    doubtful: worst?.suspected ? [points[worst.index]!.row] : [],
    samples,
  }
}

/** The curve over its standards, with the band t·s(y) at 95 %. */
export function drawnOver(fit: Fit): (readonly [number, number, number, number])[] {
  const t = studentT(0.95, fit.freedom)
  return Array.from({ length: STEPS + 1 }, (_, k) => {
    const x = fit.from + ((fit.to - fit.from) * k) / STEPS
    const y = valueAt(fit, x)
    const half = t * errorAt(fit, x)
    return [x, y, y - half, y + half] as const
  })
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

/** The samples of a calibration, repeats together, each with what it was diluted. */
export function readSamples({ fit, points, samples, wavelength }: Calibration, rows: readonly Row[]): SampleReading[] {
  const dilutionOf = (row: number): Dilution => readDilution(rows[row]?.cells.dilution)
  const groups = new Map<string, { name: string; dilution: Dilution; ys: number[]; weight: number | undefined }>()
  for (const { name, row, y } of samples) {
    const dilution = dilutionOf(row)
    // Repeats are read as one mean only where they were diluted alike.
    const others = samples.some(one => one.name === name && dilutionOf(one.row).times !== dilution.times)
    const shown = others ? `${name}, diluted ${dilution.times} times` : name
    const group = groups.get(shown)
    const weight = weightOf(rows[row]?.cells.spread) ?? group?.weight
    groups.set(shown, { name: shown, dilution, ys: [...(group?.ys ?? []), y], weight })
  }
  return [...groups.values()].flatMap(({ name, dilution, ys, weight }) => {
    const y = ys.reduce((sum, one) => sum + one, 0) / ys.length
    const read = readFromCurve(fit, y, ys.length, fit.meanWeight === 1 ? 1 : (weight ?? weightAt(fit, points, y)))
    if (!read) return []
    const spread = Math.hypot(read.uncertainty * dilution.times, read.x * dilution.uncertainty)
    // What the dilution adds widens each side by itself.
    const widened = (end: number | undefined, sign: 1 | -1): number | undefined =>
      end === undefined
        ? undefined
        : dilution.times * read.x +
          sign *
            Math.hypot(dilution.times * (end - read.x), studentT(0.95, fit.freedom) * read.x * dilution.uncertainty)
    return [
      {
        name,
        wavelength,
        concentration: read.x * dilution.times,
        uncertainty: spread,
        low: widened(read.low, -1),
        high: widened(read.high, 1),
        repeats: ys.length,
        outside: read.x < fit.from || read.x > fit.to,
      },
    ]
  })
}

/** The weight of a reading that came without a spread: that of the standards on both sides, their spreads in between in proportion. */
function weightAt(fit: Fit, points: readonly (Point & { readonly weight?: number | undefined })[], y: number): number {
  const known = points
    .map(point => ({ y: point.y, spread: 1 / Math.sqrt(point.weight ?? fit.meanWeight) }))
    .toSorted((a, b) => a.y - b.y)
  const above = known.findIndex(one => one.y >= y)
  const [low, high] = [known[above - 1], known[above]]
  const spread =
    low && high && high.y > low.y
      ? low.spread + ((high.spread - low.spread) * (y - low.y)) / (high.y - low.y)
      : ((high ?? known.at(-1))?.spread ?? 1 / Math.sqrt(fit.meanWeight))
  return 1 / spread ** 2
}
