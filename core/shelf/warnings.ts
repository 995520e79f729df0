import { parseQuantity } from '#core/quantity'
import { agedOf, type Aged } from './ageing'
import type { Comes, Label } from './label'

/** Whether it is low by the mark on its label, expired, or soon. */
export interface Running {
  readonly isLow: boolean
  readonly isExpired: boolean
  /** Days until it expires, where they are few. */
  readonly expiresIn?: number
}
/** What a bottle is worth a look for. */
export interface BottleWarnings extends Running {
  readonly aged?: Aged
}
export interface Standing {
  readonly label: Label
  readonly comes: Comes
  readonly amount?: number
  readonly isEmpty: boolean
  readonly opened?: string
  readonly strengthAt?: string
}

/** A month: time to order another, by common practice. */
const SOON = 30
const DAY = 86_400_000

export function runningOf(
  { label, amount, isEmpty }: Pick<Standing, 'label' | 'amount' | 'isEmpty'>,
  today: string,
): Running {
  const mark =
    label.low === undefined
      ? undefined
      : parseQuantity(label.low, { kinds: ['mass', 'volume'], name: 'low', source: 'label' })
  const left =
    label.expires === undefined ? undefined : Math.floor((Date.parse(label.expires) - Date.parse(today)) / DAY)
  return {
    isLow: !isEmpty && amount !== undefined && mark !== undefined && mark.ok && amount < mark.value.value,
    isExpired: left !== undefined && left < 0,
    ...(left !== undefined && left >= 0 && left <= SOON && { expiresIn: left }),
  }
}

/** Low, by the mark that is on its label; expired, or soon; weaker than its label, since its strength was last known. */
export function warningsOf(standing: Standing, today: string): BottleWarnings {
  const { label, comes, isEmpty, opened, strengthAt } = standing
  const aged = isEmpty
    ? undefined
    : agedOf(label.formula, comes, { since: strengthAt ?? label.received, opened }, today)
  return { ...runningOf(standing, today), ...(aged && { aged }) }
}

/** How strong it is, in the words of its label. */
export function strengthText(comes: Comes): string {
  switch (comes.kind) {
    case 'solid':
    case 'liquid':
      return [comes.assay, comes.kind === 'solid' && comes.moisture ? `moisture ${comes.moisture}` : '']
        .filter(Boolean)
        .join(', ')
    case 'solution':
      return comes.concentration
    case 'gas':
      return ''
  }
}
