import { statedWords } from '#core/quantity'
import type { BottleFact, Comes, KnownBy, Label } from '#core/shelf'

/** A bottle as the server tells it. */
export interface Bottle {
  readonly code: string
  readonly version: number
  readonly label: Label
  readonly name: string
  readonly place: string
  readonly unit: 'g' | 'mL'
  readonly amount?: number
  readonly spread?: number
  readonly isEmpty: boolean
  readonly comes: Comes
  readonly known: KnownBy
  readonly opened?: string
  readonly strengthAt?: string
}
export interface StoredTaken {
  readonly batch: string
  readonly stage: string
  readonly species: string
  readonly at: string
  readonly value: number
  readonly uncertainty: number
  readonly kind: 'mass' | 'volume'
}
export interface BottlePage extends Bottle {
  readonly facts: readonly BottleFact[]
  readonly taken: readonly StoredTaken[]
  /** What stands in the same place and must not meet it. */
  readonly neighbours: readonly { readonly code: string; readonly formula: string; readonly makes: string }[]
}

/** What it holds, with how sure that is. */
export const amountText = ({ amount, spread, unit, isEmpty }: Bottle): string =>
  isEmpty ? 'empty' : amount === undefined ? 'not known' : statedWords(amount, spread, unit)

export const today = (): string => new Date().toISOString().slice(0, 10)
