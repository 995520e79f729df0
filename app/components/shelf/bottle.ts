import { statedWords, toSignificant } from '#core/quantity'
import type { BottleFact, BottleRow, KeptTaken, Reserved } from '#core/shelf'

export interface Bottle extends BottleRow {
  /** What open batches have yet to take out of it, in its unit. */
  readonly held?: number
}
export interface BottlePage extends Bottle {
  readonly facts: readonly BottleFact[]
  readonly taken: readonly KeptTaken[]
  readonly reserved: readonly Reserved[]
  /** What stands in the same place and must not meet it. */
  readonly neighbours: readonly { readonly code: string; readonly formula: string; readonly makes: string }[]
}

/** What it holds, with how sure that is. */
export const amountText = ({ amount, spread, unit, isEmpty }: Bottle): string =>
  isEmpty ? 'empty' : amount === undefined ? 'not known' : statedWords(amount, spread, unit)

export const today = (): string => new Date().toISOString().slice(0, 10)

/** The code of a bottle as it was scanned or typed: alone, or as the end of its address. */
export const codeIn = (text: string): string => text.trim().split('/').at(-1)?.toUpperCase() ?? ''

/** `14.2 g`: to three places, as a plan is. */
export const heldWords = (held: number, unit: Bottle['unit']): string => `${toSignificant(held, 3)}\u202f${unit}`
