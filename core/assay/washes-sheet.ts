import type { Figure } from '#core/quantity'
import type { Cells, Finding, Shape } from './worksheet-kind'

export const washesShape: Shape = {
  name: 'Washes',
  about: 'One reading of each portion that ran off, until it no longer changes.',
  asked: [
    {
      key: 'what',
      label: 'What is read',
      what: 'choice',
      options: ['pH', 'conductivity', 'colour (absorbance)', 'acid or base (titrant used)'],
      example: 'pH',
    },
    {
      key: 'within',
      label: 'No change is within',
      what: 'quantity',
      kinds: ['mass fraction', 'number'],
      optional: true,
      example: '5 % (pH: 0.2)',
    },
  ],
  columns: [
    { key: 'portion', label: 'Portion', kinds: ['volume'], optional: true },
    { key: 'reading', label: 'Reading', kinds: ['number', 'volume'], negative: true },
  ],
  result: 'Change from the one before',
  unit: { scale: 1, text: '' },
  rows: 'series',
}

/** pH within 0.2, else within 5 % of the first reading: nothing more comes out; common practice, no source. */
const STEADY = { pH: 0.2, other: 0.05 } as const
/** Neutral to litmus: common practice, no source. */
const LITMUS = { from: 5, to: 8 } as const

export interface WashState {
  readonly readings: readonly number[]
  readonly changes: readonly number[]
  readonly isSteady: boolean
  /** Portions still needed if each takes the same share out of what is left; undefined where the readings do not tell. */
  readonly more?: number
  readonly findings: readonly Finding[]
  readonly headline?: string
}

/**
 * Judges the readings of successive washes. A wash that takes out a steady share makes each change q times the one before, and what is left to change
 * Δ·q/(1 − q) (the geometric series behind the washing rule); told as an estimate.
 */
export function judgeWashes(what: string | undefined, within: Figure | undefined, rows: readonly Cells[]): WashState {
  const readings = rows.flatMap(({ reading }) => (reading ? [reading.value] : []))
  const changes = readings.slice(1).map((value, i) => value - readings[i]!)
  const isPh = what === 'pH'
  const refused = misread(isPh, within, rows)
  if (refused) return { readings, changes, isSteady: false, findings: [refused] }
  const tolerance = within?.value ?? (isPh ? STEADY.pH : STEADY.other)
  const limit = isPh ? tolerance : tolerance * Math.max(Math.abs(readings[0] ?? 0), 1e-12)
  const last = changes.at(-1)
  const isSteady = last !== undefined && Math.abs(last) <= limit + 1e-12
  const more = isSteady ? 0 : portionsLeft(changes, limit)
  const millilitres = rows.reduce((sum, { portion }) => sum + (portion?.value ?? 0), 0)
  const words = readings.length < 2 ? undefined : isSteady ? 'no longer changes' : 'still changes'
  return {
    readings,
    changes,
    isSteady,
    ...(more !== undefined && { more }),
    findings: [
      ...(words
        ? [
            {
              tone: isSteady ? ('info' as const) : ('caution' as const),
              tag: isSteady ? 'Washed' : 'Wash on',
              text: isSteady
                ? `The wash ${words}: the last portion took out no more than ${isPh ? limit.toFixed(1) : `${(tolerance * 100).toFixed(0)} % of the first reading`}.`
                : `The wash ${words}${more === undefined ? '; the readings do not tell for how long' : `: about ${more} more ${more === 1 ? 'portion' : 'portions'} if each takes out the same share (an estimate)`}.`,
            },
          ]
        : []),
      ...litmus(isPh, isSteady, readings.at(-1)),
      ...(millilitres > 0
        ? [
            {
              tone: 'info' as const,
              tag: 'So far',
              text: `${millilitres.toFixed(1)}\u202fmL of wash went through; what the product lost to it is on Crystals.`,
            },
          ]
        : []),
    ],
    ...(words && { headline: `${readings.length} portions, last reading ${readings.at(-1)}, ${words}` }),
  }
}

/** Readings in two units, or a limit of the wrong kind, say nothing: a share of a pH is none, and 5 is not 5 %. */
function misread(isPh: boolean, within: Figure | undefined, rows: readonly Cells[]): Finding | undefined {
  const kinds = new Set(rows.flatMap(({ reading }) => (reading ? [reading.kind] : [])))
  if (kinds.size > 1)
    return {
      tone: 'caution',
      tag: 'Two units',
      text: 'Some readings are volumes, some bare numbers: give them all alike.',
    }
  if (within && (within.kind === 'mass fraction') === isPh)
    return {
      tone: 'caution',
      tag: 'What is no change',
      text: isPh ? 'For pH give a difference, such as 0.2.' : 'Give a share of the first reading, such as 5 %.',
    }
  return undefined
}

function portionsLeft(changes: readonly number[], limit: number): number | undefined {
  const [before, last] = changes.slice(-2)
  if (before === undefined || last === undefined || before === 0) return undefined
  const q = last / before
  if (q <= 0 || q >= 0.98) return undefined
  return Math.max(1, Math.ceil(Math.log(limit / Math.abs(last)) / Math.log(q)))
}

const litmus = (isPh: boolean, isSteady: boolean, last: number | undefined): Finding[] =>
  isPh && last !== undefined && (last < LITMUS.from || last > LITMUS.to)
    ? [
        {
          tone: 'caution',
          tag: 'Not neutral',
          text: `pH ${last} is not neutral to litmus${isSteady ? ', though it is steady: is it the wash water itself, or a salt that hydrolyses?' : ' yet.'}`,
        },
      ]
    : []
