import { standardUncertainty, statedWords } from '#core/quantity'
import { breakOf } from './break-point'
import { drawnOver, type Calibrated, type Row } from './calibrate'
import { slopeAt, type Fit } from './least-squares'
import type { AskedValues, Finding, Shape } from './worksheet-kind'

/** A titration, or a precipitation, whose end is where the conductance turns. */
export const conductometricShape: Shape = {
  name: 'End point by conductance',
  about:
    'The conductance while a titrant goes in: one ion takes the place of another up to the end, and all that is added conducts after it. Two straight branches meet at the end point; dilution is put right by the volume at the start.',
  asked: [
    {
      key: 'start',
      label: 'Volume at the start',
      what: 'quantity',
      kinds: ['volume'],
      example: '100.0 mL',
      nonZero: true,
    },
    {
      key: 'concentration',
      label: 'Strength of the titrant (optional)',
      what: 'quantity',
      kinds: ['concentration'],
      optional: true,
      example: '0.1000 mol/L',
      nonZero: true,
    },
    {
      key: 'takes',
      label: 'of it, to one formula unit sought (optional)',
      what: 'quantity',
      kinds: ['number'],
      optional: true,
      example: '1',
      nonZero: true,
    },
  ],
  columns: [
    { key: 'volume', label: 'Titrant added', kinds: ['volume'] },
    { key: 'conductivity', label: 'Conductivity', kinds: ['conductivity'], instrument: 'conductivity' },
  ],
  result: 'End point',
  unit: { scale: 1, text: 'mL' },
  rows: 'series',
}

const RAW = {
  calibrations: [],
  readings: [],
  unit: 'mL',
  y: 'Conductivity × dilution, mS/cm',
  findings: [],
  choices: [],
} as const

/** The end point by its two branches, and what it counts. */
export function judgeConductometric({ figures }: AskedValues, rows: readonly Row[]): Calibrated {
  const { start, concentration, takes } = figures
  const points = rows
    .flatMap(({ cells: { volume, conductivity } }, row) =>
      start && volume && conductivity
        ? [{ x: volume.value, y: (conductivity.value * (start.value + volume.value)) / start.value, row }]
        : [],
    )
    .toSorted((a, b) => a.x - b.x)
  if (points.length === 0) return RAW
  const found = breakOf(points)
  if (!found) return { ...RAW, findings: [noEnd(points.length)] }
  const { x, before, after } = found
  // The crossing is no surer than the volumes are read.
  const uncertainty = Math.hypot(found.uncertainty, readingOf(rows))
  const branch = (name: string, fit: Fit, from: number, to: number) => ({
    name,
    wavelength: '',
    points: points.filter(point => (name === 'Before' ? point.x <= x : point.x > x)),
    fit,
    drawn: drawnOver({ ...fit, from, to }),
    doubtful: [],
    samples: [],
  })
  const per = takes?.value ?? 1
  const amount = concentration ? (1e-3 * x * concentration.value) / per : undefined
  const amountSpread =
    amount !== undefined && concentration
      ? amount * Math.hypot(uncertainty / x, standardUncertainty(concentration) / concentration.value)
      : undefined
  return {
    ...RAW,
    calibrations: [branch('Before', before, before.from, x), branch('After', after, x, after.to)],
    headline: `end at ${statedWords(x, uncertainty, 'mL')}${
      amount === undefined ? '' : `, ${statedWords(1000 * amount, 1000 * (amountSpread ?? 0), 'mmol')} sought`
    }`,
    findings: [
      {
        tone: 'info',
        tag: 'Two branches',
        text: `${before.n} points before, ${after.n} after; slopes ${tell(slopeAt(before, 0))} and ${tell(slopeAt(after, 0))} mS/cm to the mL. ± is one standard uncertainty, from how the points scatter about both lines.`,
      },
      ...blunt(before, after),
    ],
  }
}

/** What one volume is read to, as a standard uncertainty: the least sure of them. */
const readingOf = (rows: readonly Row[]): number =>
  Math.max(0, ...rows.map(({ cells: { volume } }) => (volume ? standardUncertainty(volume) : 0)))

const tell = (slope: number): string => slope.toPrecision(3).replace('-', '−')

/** Slopes nearer to each other than this make an end that is hard to see; a judgement, no source. */
const BLUNT = 0.2
function blunt(before: Fit, after: Fit): Finding[] {
  const [a, b] = [slopeAt(before, 0), slopeAt(after, 0)]
  return Math.abs(a - b) < BLUNT * Math.max(Math.abs(a), Math.abs(b))
    ? [
        {
          tone: 'caution',
          tag: 'A blunt end',
          text: 'Both branches rise or fall nearly alike: the end is badly told. Take a titrant whose ion conducts less than the one it replaces, and a stronger one.',
        },
      ]
    : []
}

const noEnd = (n: number): Finding => ({
  tone: 'info',
  tag: 'No end point yet',
  text:
    n < 6
      ? `${n === 1 ? 'One point is' : `${n} points are`} there; two branches want three each.`
      : 'No two straight branches meet among these points: add titrant beyond the end, and give the volumes as they were added up.',
})
