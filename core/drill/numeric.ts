import { findUnit, toSignificant, workingOf, type Figure } from '#core/quantity'
import type { Made, Slip, Slipped } from './question'
import { allowance, lastPlaceOf, slipAllowance } from './tolerance'
import type { SlipId } from './slips'

export type Has = (slip: SlipId) => boolean

interface Numeric extends Omit<Made, 'answer' | 'working'> {
  /** The answer as the core computes it, with its working. */
  readonly figure: Figure
  /** Where the figure is one step short of what is asked. */
  readonly working?: Made['working']
  readonly unit: string
  readonly digits: number
  readonly within?: number
  /** The same on paper, in plain numbers, with none, one or two of the slips; in the fixed unit of the figure's kind. */
  readonly model: (has: Has) => number
  /** The slips that can be made here, the commonest first, and what each of them did. */
  readonly slips: Partial<Record<SlipId, string>>
}

const NONE: Has = () => false

/**
 * A question whose answer is a number. What each slip would give is the same arithmetic with that slip in it: single slips, factors of a thousand, digits that changed places, then
 * two slips together. What lies too close to the right answer, or to a likelier slip, is not among them: it could not be told.
 */
export function numeric({ figure, unit, digits, within, model, slips, working, ...rest }: Numeric): Made {
  const scale = findUnit(unit)
  if (!scale || scale.kind !== figure.kind) throw new Error(`A ${figure.kind} is not told in ${unit}.`)
  const value = figure.value
  const told = Object.entries(slips).map(([id, says]) => ({ id: id as SlipId, says }))
  const singles = told.map(slip => ({ of: [slip], answer: model(id => id === slip.id) }))
  const pairs = told.flatMap((one, i) =>
    told.slice(i + 1).map(other => ({ of: [one, other], answer: model(id => id === one.id || id === other.id) })),
  )
  const asked = { value, digits, size: scale.size }
  const all = [
    ...singles,
    ...(scale.size > 0 && unit !== '' ? thousands(value, unit) : []),
    ...swapped(asked),
    ...pairs,
  ]
  return {
    ...rest,
    working: working ?? workingOf(figure),
    answer: {
      is: 'number',
      kind: figure.kind,
      value,
      onPaper: model(NONE),
      unit,
      size: scale.size,
      digits,
      ...(within !== undefined && { within }),
      slipped: told.length === 0 ? [] : apart(all, value, digits, within),
    },
  }
}

function apart(
  all: readonly Slipped<number>[],
  right: number,
  digits: number,
  within: number | undefined,
): Slipped<number>[] {
  const kept: Slipped<number>[] = []
  const room = (value: number): number => slipAllowance(value, digits, within)
  for (const one of all) {
    const { answer } = one
    if (!Number.isFinite(answer) || answer <= 0) continue
    if (Math.abs(answer - right) <= allowance(right, digits, within) + room(answer)) continue
    if (kept.some(before => Math.abs(before.answer - answer) <= room(answer) / 2)) continue
    kept.push(one)
  }
  return kept
}

const THOUSANDS = new Set(['g', 'mg', 'mL', 'L', 'mol', 'mmol', 'mol/L', 'g/mol'])
const thousands = (value: number, unit: string): Slipped<number>[] =>
  THOUSANDS.has(unit)
    ? [1000, 1 / 1000].map(times => ({
        of: [
          { id: 'thousand', says: times > 1 ? 'That is a thousand times too much.' : 'That is a thousandth of it.' },
        ],
        answer: value * times,
      }))
    : []

/** The right answer, rounded as asked, with two neighbouring digits in each other's place. */
function swapped({ value, digits, size }: { value: number; digits: number; size: number }): Slipped<number>[] {
  const text = toSignificant(value / size, digits)
  const places = [...text].flatMap((char, i) => (/\d/.test(char) ? [i] : []))
  return places.slice(1).flatMap((place, i): Slipped<number>[] => {
    const before = places[i]!
    if (text[place] === text[before]) return []
    const chars = [...text]
    ;[chars[before], chars[place]] = [chars[place]!, chars[before]!]
    const says: Slip = {
      id: 'digits swapped',
      says: `${text} is right; ${chars.join('')} has two of its digits in each other’s place.`,
    }
    return [{ of: [says], answer: Number(chars.join('')) * size }]
  })
}

/** To so many digits, as somebody rounds in the middle. */
export const rounded = (value: number, digits: number): number => {
  const place = lastPlaceOf(value, digits)
  return Math.round(value / place) * place
}
