import type { RecordPart } from '#core/document'

/** A piece of text: plain words, where formulas stand in braces; words with a meaning of their own; or a time, which is shown in the reader's zone. */
export type Run =
  | string
  | { readonly as: 'strong' | 'figure' | 'struck' | 'open' | 'quiet'; readonly text: string }
  | { readonly as: 'day' | 'clock' | 'time'; readonly at: string }
export type Words = readonly Run[]

export interface Column {
  readonly name: string
  /** A column of figures. */
  readonly isFigure?: true
}

/** What stands in a record, one below the other. Each has a name of its own, at which a reviewer can say something. */
export type Block = { readonly id: string } & (
  | {
      readonly is: 'words'
      readonly words: Words
      readonly at?: string
      /** The revision whose change of the plan it tells. */
      readonly revision?: number
    }
  | { readonly is: 'caution'; readonly words: Words }
  | {
      readonly is: 'table'
      readonly caption: string
      readonly columns: readonly Column[]
      readonly rows: readonly (readonly Words[])[]
    }
  | {
      readonly is: 'chart'
      readonly caption: string
      readonly x: string
      readonly y: string
      readonly points: readonly (readonly [number, number])[]
      readonly isDotted?: true
    }
  | { readonly is: 'photo'; readonly sha256: string; readonly words: Words }
)

export interface Section {
  readonly id: string
  readonly part: RecordPart
  readonly title: string
  readonly blocks: readonly Block[]
}

/** A batch as a document that a stranger could repeat and check: plain data, which a page, a print, a PDF and a signature read alike. */
export interface RecordPage {
  readonly format: 'zip-ledger/record'
  readonly version: 1
  readonly lab: string
  readonly code: string
  readonly title: string
  readonly by: readonly string[]
  /** When the first and the last thing was recorded. */
  readonly begun?: string
  readonly ended?: string
  readonly sections: readonly Section[]
}

export const strong = (text: string): Run => ({ as: 'strong', text })
export const figure = (text: string): Run => ({ as: 'figure', text })
export const struck = (text: string): Run => ({ as: 'struck', text })
export const open = (text: string): Run => ({ as: 'open', text })
export const quiet = (text: string): Run => ({ as: 'quiet', text })
export const day = (at: string): Run => ({ as: 'day', at })
export const clock = (at: string): Run => ({ as: 'clock', at })
export const time = (at: string): Run => ({ as: 'time', at })

export type Said = Run | Words | undefined
/** Runs one after the other, what is undefined left out. */
export const words = (...runs: readonly Said[]): Words =>
  runs.flatMap(run => (run === undefined ? [] : isList(run) ? [...run] : [run]))
const isList = (run: Run | Words): run is Words => Array.isArray(run)

/** Several texts in one sentence, with something between them. */
export const joined = (all: readonly Words[], between: string): Words =>
  all.flatMap((one, i) => (i === 0 ? [...one] : [between, ...one]))

/** What a line says without its look: formulas as they are typed, times as they are stored. */
export const plainText = (all: Words): string =>
  all
    .map(run => (typeof run === 'string' ? run : 'text' in run ? run.text : run.at))
    .join('')
    .replace(/[{}]/g, '')

/** Everything that stands open in a record. */
export const openIn = ({ sections }: RecordPage): { readonly section: string; readonly text: string }[] =>
  sections.flatMap(({ id, blocks }) =>
    blocks
      .flatMap(block => (block.is === 'table' ? block.rows.flat(2) : block.is === 'chart' ? [] : block.words))
      .flatMap(run => (typeof run === 'object' && run.as === 'open' ? [{ section: id, text: run.text }] : [])),
  )

/** Gives blocks their names within a section. */
export const named = (section: string, blocks: readonly Unnamed[]): Block[] =>
  blocks.map((block, i) => ({ id: `${section}.${i + 1}`, ...block }) as Block)
type WithoutId<T> = T extends unknown ? Omit<T, 'id'> : never
export type Unnamed = WithoutId<Block>
export const paragraph = (...runs: readonly Said[]): Unnamed => ({ is: 'words', words: words(...runs) })
