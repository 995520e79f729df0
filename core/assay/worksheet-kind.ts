import type { Reaction } from '#core/equation'
import type { Formula } from '#core/formula'
import type { Advice, Span } from '#core/problem'
import type { Figure, Kind } from '#core/quantity'
import type { CurvePoints } from './curve-points'

/** An assay as it is typed and kept: what is sought, and one row of readings for each replicate. Texts with units; nothing computed. */
export interface Worksheet {
  readonly id: string
  readonly kind: WorksheetKind
  readonly name: string
  /** What the kind asks for, by its own keys. */
  readonly given: Readonly<Record<string, string>>
  readonly rows: readonly Readonly<Record<string, string>>[]
  /** The points of a thermogram or a spectrum, as read from its file. */
  readonly curve?: CurvePoints
}
export const worksheetKinds = [
  'gravimetric',
  'hydrate',
  'titration',
  'back titration',
  'standardisation',
  'composition',
  'mixture',
  'absorbance',
  'standard addition',
  'conductometric',
  'spectrum',
  'thermogram',
  'washes',
  'two salts',
  'two readings',
  'two colours',
  'conductance',
  'loss on drying',
  'ion exchange',
  'decomposition',
  'magnetic',
  'liquor',
  'own',
] as const
export type WorksheetKind = (typeof worksheetKinds)[number]

export interface Column {
  readonly key: string
  readonly label: string
  /** Kinds of quantity; none for a word. */
  readonly kinds: readonly Kind[]
  readonly optional?: true
  readonly negative?: true
  /** Zero would mean nothing here. */
  readonly nonZero?: true
  /** What an instrument of the bench can read into it. */
  readonly instrument?: 'temperature' | 'absorbance' | 'conductivity'
}
export interface Asked {
  readonly key: string
  readonly label: string
  readonly what: 'formula' | 'equation' | 'quantity' | 'choice' | 'text'
  readonly kinds?: readonly Kind[]
  readonly options?: readonly string[]
  /** Options that are told by what stands in another field: the salts by their names. */
  readonly named?: Readonly<Record<string, string>>
  readonly optional?: true
  /** Zero would mean nothing here. */
  readonly nonZero?: true
  /** It holds a line of text. */
  readonly wide?: true
  readonly example: string
}
export interface Unit {
  readonly scale: number
  readonly text: string
}
export const PERCENT: Unit = { scale: 100, text: '%' }

export interface Shape {
  readonly name: string
  readonly about: string
  readonly asked: readonly Asked[]
  readonly columns: readonly Column[]
  readonly result: string
  readonly unit: Unit
  /** What its rows are: repeats of one measurement, points of a series, or none where a file is read. */
  readonly rows: 'replicates' | 'series' | 'file'
}

export interface FieldProblem extends Advice {
  readonly key: string
  readonly span?: Span
}
/** What the worksheet says of its result, as a remark. Formulas stand in braces. */
export interface Finding {
  readonly tone: 'info' | 'caution'
  readonly tag: string
  readonly text: string
}
/** Possibilities set against what was measured: forms, ratios, candidates. */
export interface Choices {
  readonly title: string
  /** What the rows that fit are marked with; “fits” where nothing is said, and no mark where it is empty. */
  readonly mark?: string
  readonly head: readonly string[]
  readonly rows: readonly { readonly cells: readonly string[]; readonly fits: boolean }[]
}

/** What the asked fields hold, read. */
export interface AskedValues {
  readonly formulas: Readonly<Record<string, Formula>>
  readonly figures: Readonly<Record<string, Figure>>
  readonly reactions: Readonly<Record<string, Reaction>>
  readonly texts: Readonly<Record<string, string>>
}
export type Cells = Readonly<Record<string, Figure>>
export type Worked = { readonly value: Figure } | { readonly problem: FieldProblem } | undefined

/** What the replicates say together: the mean and its uncertainty, scaled as shown. */
export interface Outcome {
  readonly values: readonly number[]
  readonly mean: number
  /** Combined standard uncertainty of the mean, and its half-width at 95 %. */
  readonly uncertainty: number
  readonly expanded: number
  /** The rows that are whole, by their number on the sheet. */
  readonly whole: readonly { readonly row: number; readonly cells: Cells }[]
}
export interface Judged {
  readonly findings?: readonly Finding[]
  readonly choices?: readonly Choices[]
}

/** How a kind works its rows out, once what it asks for is there. */
export interface Method {
  readonly problems: readonly FieldProblem[]
  readonly factor?: Figure
  readonly work?: (cells: Cells) => Worked
  readonly judge?: (outcome: Outcome) => Judged
}
export interface SheetKind {
  readonly shape: Shape
  readonly method: (asked: AskedValues) => Method
}

export const NOT_YET: Method = { problems: [] }
export const refuse = (key: string, why: string, fix: string): Method => ({ problems: [{ key, why, fix }] })
