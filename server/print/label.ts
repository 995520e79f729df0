import { encode } from 'uqr'
import type { Pictogram } from '#core/remarks'
import { PLAIN_READER, type Words } from '#core/record'
import { colours, linesOf, type Line, type Ruler } from './layout'

/** What stands on a vial or a bottle. Words hold formulas in braces. */
export interface Label {
  readonly code: string
  readonly form: string
  readonly name: string
  readonly mass?: string
  readonly made: string
  readonly by: string
  readonly lab: string
  readonly pictograms: readonly Pictogram[]
  readonly signal?: string
  /** The gravest statements of its label, in words. */
  readonly statements: string
  readonly keep?: string
  readonly address: string
}

/** Something drawn on a label, in points from its upper left corner. */
export type Mark =
  | { readonly is: 'line'; readonly line: Line; readonly x: number; readonly y: number; readonly size: number }
  | {
      readonly is: 'shape'
      /** A path in a square of 100, and how long that square’s side is drawn. */
      readonly d: string
      readonly x: number
      readonly y: number
      readonly side: number
      readonly colour: string
      /** Drawn as a line of so much, in the square’s own measure; filled where it is left out. */
      readonly line?: number
    }

/** 70 by 42.3 mm: three by seven of them fill a sheet of A4. Points. */
export const LABEL = { width: 198.4, height: 120 }
const EDGE = 9
const CODE = 46
const PICTURE = 28
const LEADING = 1.32
/** Small print is made smaller until it fits: below the last size nobody reads it, and what is still too much is cut. */
const SMALL = [6.4, 5.8, 5.2]
const FRAME = 'M50 4L96 50L50 96L4 50z'
const RED = '#c8102e'

/** Lays a label out: what it is at its head, its code to scan in the corner, hazards with their pictures below. */
export function labelMarks(label: Label, ruler: Ruler): Mark[] {
  const head = new Column(EDGE, 8, LABEL.width - CODE - 10 - EDGE, ruler)
  head.add([{ as: 'strong', text: `{${label.form}}` }], 12.5)
  head.add([label.name], 7.6)
  head.add([{ as: 'figure', text: [label.code, label.mass].filter(Boolean).join('  ') }], 8.2)
  const below = Math.max(head.y, CODE + 4)
  const pictures = label.pictograms.slice(0, 4)
  const wide = LABEL.width - 2 * EDGE - pictures.length * (PICTURE + 1)
  const foot = smallPrint(label, below, wide, ruler)
  return [
    ...codeMarks(label.address),
    ...head.marks,
    ...foot,
    ...pictures.flatMap(({ shape }, i): Mark[] => {
      const at = { x: LABEL.width - EDGE + 3 - (pictures.length - i) * (PICTURE + 1), y: below + 4, side: PICTURE }
      return [
        { is: 'shape', d: FRAME, ...at, colour: RED, line: 5 },
        {
          is: 'shape',
          d: shape,
          x: at.x + PICTURE * 0.05,
          y: at.y + PICTURE * 0.05,
          side: PICTURE * 0.9,
          colour: '#000000',
        },
      ]
    }),
  ]
}

function smallPrint(label: Label, y: number, width: number, ruler: Ruler): Mark[] {
  const { made, by, lab, signal, statements, keep } = label
  for (const size of SMALL) {
    const column = new Column(EDGE, y, width, ruler)
    column.add([[made, by, lab].filter(Boolean).join(', ')], size)
    column.add([{ as: 'strong', text: [signal && `${signal}.`, statements].filter(Boolean).join(' ') }], size)
    if (keep) column.add([keep], size)
    if (column.y <= LABEL.height - 4) return column.marks
    if (size === SMALL.at(-1)) return column.marks.filter(mark => mark.y + size * LEADING <= LABEL.height - 4)
  }
  return []
}

class Column {
  readonly marks: (Mark & { is: 'line' })[] = []
  constructor(
    readonly x: number,
    public y: number,
    readonly width: number,
    readonly ruler: Ruler,
  ) {}
  add(words: Words, size: number): void {
    for (const line of linesOf(words, size, this.width, this.ruler, PLAIN_READER)) {
      this.marks.push({ is: 'line', line, x: this.x, y: this.y, size })
      this.y += size * LEADING
    }
    this.y += size * 0.2
  }
}

/** A code to be scanned, with its quiet zone: one path, a stroke for each run of dark cells in a row. */
function codeMarks(text: string): Mark[] {
  const { data, size } = encode(text, { border: 2, ecc: 'M' })
  const step = 100 / size
  const high = round(step + 0.1)
  const runs = data.flatMap((row, i) =>
    row.flatMap((isDark, j) => {
      if (!isDark || row[j - 1]) return []
      const end = row.indexOf(false, j)
      const wide = round(((end < 0 ? size : end) - j) * step + 0.1)
      return [`M${round(j * step)} ${round(i * step)}h${wide}v${high}h${-wide}z`]
    }),
  )
  return [{ is: 'shape', d: runs.join(''), x: LABEL.width - CODE - 6, y: 5, side: CODE, colour: colours.ink }]
}
const round = (value: number): number => Math.round(value * 100) / 100
