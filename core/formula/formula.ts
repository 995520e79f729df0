/** Atoms of each element in one formula unit, in the order they were written. */
export type Composition = ReadonlyMap<string, number>

/** A formula as read: its one canonical text, what it is made of, and its charge in units of e. */
export interface Formula {
  /** `·` before each added part, charges as `^2-`. Two formulas written alike have the same text. */
  readonly text: string
  readonly composition: Composition
  readonly charge: number
  /** Counts times this are whole: 2 for a hemihydrate, nearly always 1. */
  readonly denominator: number
}
