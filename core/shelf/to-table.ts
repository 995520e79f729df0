import { statedWords } from '#core/quantity'
import type { BottleRow } from './kept'
import type { Comes } from './label'

export const shelfColumns = [
  'code',
  'formula',
  'amount',
  'strength',
  'lot',
  'place',
  'words',
  'received',
  'opened',
  'expires',
] as const

/** The shelf as rows under `shelfColumns`: what each bottle holds now, as strong as it was last found. What a table of bottles reads is read from it again. */
export const tableOf = (bottles: readonly BottleRow[]): string[][] =>
  bottles.map(({ code, label, comes, amount, spread, unit, isEmpty, place, opened }) => [
    code,
    label.formula,
    isEmpty ? `0 ${unit}` : amount === undefined ? '' : statedWords(amount, spread || undefined, unit),
    strengthOf(comes),
    label.lot ?? '',
    place,
    label.words ?? '',
    label.received ?? '',
    opened ?? '',
    label.expires ?? '',
  ])

/** Without moisture, for which a table has no column. */
const strengthOf = (comes: Comes): string =>
  (comes.kind === 'solution' ? comes.concentration : 'assay' in comes ? comes.assay : undefined) ?? ''
