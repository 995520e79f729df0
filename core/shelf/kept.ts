import { given, standardUncertainty } from '#core/quantity'
import type { Holding, Taken } from './holding'
import type { Comes, KnownBy, Label } from './label'

/** What a batch took, as it is kept and sent: g, or mL. */
export interface KeptTaken extends Omit<Taken, 'amount'> {
  readonly value: number
  readonly uncertainty: number
  readonly kind: 'mass' | 'volume'
}
export const takenOf = ({ value, uncertainty, kind, ...rest }: KeptTaken): Taken => ({
  ...rest,
  amount: given(value, kind, 'taken', { source: `${rest.batch} ${rest.stage} ${rest.species}`, uncertainty }),
})
export const keptTaken = ({ amount, ...rest }: Taken): KeptTaken => ({
  ...rest,
  value: amount.value,
  uncertainty: standardUncertainty(amount),
  kind: amount.kind as KeptTaken['kind'],
})

/** A bottle as the shelf shows it: what is written on it, and how it stands after its facts, in g or mL. */
export interface BottleRow {
  readonly code: string
  readonly version: number
  readonly label: Label
  readonly name: string
  readonly place: string
  readonly unit: Holding['unit']
  readonly amount?: number
  readonly spread?: number
  readonly isEmpty: boolean
  readonly comes: Comes
  readonly known: KnownBy
  readonly opened?: string
  readonly strengthAt?: string
  /** The day on which it was last looked at in its place, and the day on which it was not found there, where that is the later. */
  readonly seen?: string
  readonly missing?: string
}
