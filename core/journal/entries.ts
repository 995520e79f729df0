/** What a reading is about: one reagent's charge, one crop of the product, or the pot as it stands. */
export type About =
  | { readonly what: 'charge'; readonly stage: string; readonly species: string }
  | { readonly what: 'product'; readonly stage: string; readonly crop: number }
  | { readonly what: 'pot'; readonly stage: string }

export type Measure = 'gross' | 'tare' | 'net' | 'volume' | 'temperature'

interface Written {
  /** Made by whoever wrote it, so that sending it twice changes nothing. */
  readonly id: string
  /** When it was read or seen, ISO 8601. */
  readonly at: string
  readonly by: string
}

export interface Reading extends Written {
  readonly kind: 'reading'
  readonly about: About
  readonly measure: Measure
  /** As the instrument showed it, with its unit: `88.437 g`. */
  readonly value: string
  readonly instrument?: string
  readonly typed: boolean
}

export interface Remark extends Written {
  readonly kind: 'observation' | 'note'
  readonly stage: string
  readonly text: string
}

/** Names the entry it corrects and says why. What is not given instead strikes the entry out. */
export interface Correction extends Written {
  readonly kind: 'correction'
  readonly corrects: string
  readonly why: string
  readonly instead?: string
}

export type Entry = Reading | Remark | Correction
