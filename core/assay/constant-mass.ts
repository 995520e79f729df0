import { LEAST_DRYING } from '#core/reference'
import { formatValue, type Figure } from '#core/quantity'
import type { Asked, Cells, Column, Finding, Outcome } from './worksheet-kind'

/**
 * How far two weighings of one thing may differ and count as constant: 0.3 mg on a four-place balance, 5 mg on a two-place one, 1 mg between;
 * common practice, no source.
 */
export function constantTolerance({ decimals = 4 }: Figure): number {
  if (decimals >= 4) return 3e-4
  return decimals === 3 ? 1e-3 : decimals === 2 ? 5e-3 : 0.5 * 10 ** -decimals
}

/** A second weighing, and how long it was dried between the two. */
export const driedOn = (label: string): readonly Column[] => [
  { key: 'again', label, kinds: ['mass'], optional: true },
  { key: 'driedOn', label: 'after so long', kinds: ['time'], optional: true, nonZero: true },
]
export const balanceNoise: Asked = {
  key: 'noise',
  label: 'Balance’s own spread, s (optional)',
  what: 'quantity',
  kinds: ['mass'],
  optional: true,
  example: '0.1 mg: of one vessel weighed ten times',
  nonZero: true,
}

/** Two weighings of one mass differ by no more than this in 95 of 100 pairs: 1.96 √2 s. */
const PAIR = 1.96 * Math.SQRT2

/**
 * Whether second weighings show constant mass: they agree within the balance's own spread where it is known, within common practice else, and there was drying between
 * them. One weighing alone shows nothing.
 */
export function constancy({ whole }: Outcome, first: 'gross' | 'after', noise: Figure | undefined): Finding[] {
  const twice = whole.flatMap(({ row, cells }) => {
    const [before, again] = [cells[first], cells.again]
    return before && again ? [{ row, before, again, cells }] : []
  })
  if (twice.length === 0)
    return [{ tone: 'info', tag: 'Constant mass', text: 'No second weighing is noted: nothing shows that it was dry.' }]
  const found = twice.flatMap(({ row, before, again, cells }) => judged(row, before, again, cells, noise))
  const agrees = found.length === 0
  return agrees
    ? [
        {
          tone: 'info',
          tag: 'Constant mass',
          text: `Every second weighing agrees with the first${twice.some(({ cells }) => !cells.driedOn) ? '; say how long was dried between them, since two weighings in one go prove nothing' : ''}.`,
        },
      ]
    : found
}

function judged(
  row: number,
  before: Figure,
  again: Figure,
  { driedOn: time }: Cells,
  noise: Figure | undefined,
): Finding[] {
  const limit = noise ? PAIR * noise.value : Math.max(constantTolerance(before), constantTolerance(again))
  const change = again.value - before.value
  const by = formatValue(Math.abs(change), 'mass', 2)
  const caution = (text: string): Finding[] => [
    { tone: 'caution', tag: 'Not constant', text: `Replicate ${row} ${text}` },
  ]
  if (change < -limit - 1e-9)
    return caution(
      `still lost ${by}; two weighings should agree to ${formatValue(limit, 'mass', 1)}. Dry on and weigh again; if it goes on, it begins to decompose.`,
    )
  if (change > limit + 1e-9)
    return caution(`gained ${by}: it took up water while it cooled, or takes up oxygen. Cool it in a desiccator.`)
  return time && time.value < LEAST_DRYING
    ? caution(
        `was dried on for ${formatValue(time.value * 60, 'number', 2)} min only: the balance is steady, but nothing shows that it was dry. Ten minutes at least, and longer in a thick layer.`,
      )
    : []
}
