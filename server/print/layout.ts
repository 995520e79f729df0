import { parseFormula, typeset } from '#core/formula'
import { runText, type Reader, type Run, type Words } from '#core/record'
import type { Face } from './fonts'

/** A piece of a line in one look. */
export interface Piece {
  readonly text: string
  readonly font: string
  readonly size: number
  /** Above the line, or below it. */
  readonly rise: number
  readonly colour: string
  readonly isStruck: boolean
  readonly width: number
}
export interface Line {
  readonly pieces: readonly Piece[]
  readonly width: number
}

/** What measures text: a font that can draw it, and how wide it is there. */
export interface Ruler {
  fontFor(face: Face, letter: string): string
  widthOf(text: string, font: string, size: number): number
}

export const colours = {
  ink: '#1d2428',
  soft: '#5b6469',
  open: '#8a4b00',
  struck: '#a12622',
  rule: '#d9d5cb',
  accent: '#17675a',
} as const

/** Letters that are drawn as others: no font here has them, and nothing is lost. */
const SPACE = /[\u202f\u2009\u00a0]/g
/** What no font can draw, such as a control character, is told by its number. */
const CONTROL = /[\u0000-\u0008\u000b-\u001f\u007f-\u009f]/g

interface Look {
  readonly face: Face
  readonly colour: string
  readonly isStruck: boolean
}
const looks: Readonly<Record<string, Look>> = {
  strong: { face: 'strong', colour: colours.ink, isStruck: false },
  figure: { face: 'figure', colour: colours.ink, isStruck: false },
  struck: { face: 'figure', colour: colours.struck, isStruck: true },
  open: { face: 'text', colour: colours.open, isStruck: false },
  quiet: { face: 'text', colour: colours.soft, isStruck: false },
}
const PLAIN: Look = { face: 'text', colour: colours.ink, isStruck: false }

const lookOf = (run: Run): Look => (typeof run === 'string' ? PLAIN : (looks[run.as] ?? PLAIN))

/** A unit that stays together: letters up to where a line may break. */
interface Word {
  readonly pieces: Piece[]
  readonly width: number
  readonly isSpace: boolean
}

/** Breaks words into lines of a width. A word that is wider alone is broken where it ends. */
export function linesOf(all: Words, size: number, width: number, ruler: Ruler, reader: Reader): Line[] {
  const lines: Line[] = []
  let pieces: Piece[] = []
  let used = 0
  const end = (): void => {
    while (pieces.at(-1)?.text === ' ') used -= pieces.pop()!.width
    lines.push({ pieces: merged(pieces), width: used })
    pieces = []
    used = 0
  }
  for (const word of wordsOf(all, size, width, ruler, reader)) {
    if (word === 'break') {
      end()
      continue
    }
    if (used + word.width > width + 0.01 && pieces.length > 0 && !word.isSpace) end()
    if (word.isSpace && pieces.length === 0) continue
    pieces.push(...word.pieces)
    used += word.width
  }
  if (pieces.length > 0 || lines.length === 0) end()
  return lines
}

/** Pieces of one look beside each other are drawn as one; their widths add up, since text is set word by word. */
function merged(pieces: readonly Piece[]): Piece[] {
  const all: Piece[] = []
  for (const piece of pieces) {
    const last = all.at(-1)
    const isSame =
      last &&
      last.font === piece.font &&
      last.size === piece.size &&
      last.rise === piece.rise &&
      last.colour === piece.colour &&
      last.isStruck === piece.isStruck
    if (isSame) all[all.length - 1] = { ...last, text: last.text + piece.text, width: last.width + piece.width }
    else all.push(piece)
  }
  return all
}

function* wordsOf(all: Words, size: number, width: number, ruler: Ruler, reader: Reader): Generator<Word | 'break'> {
  let glued: Piece[] = []
  const flush = function* (): Generator<Word> {
    if (glued.length === 0) return
    const whole = glued.reduce((sum, piece) => sum + piece.width, 0)
    if (whole <= width) yield { pieces: glued, width: whole, isSpace: false }
    else for (const piece of glued) yield* cut(piece, width, ruler)
    glued = []
  }
  for (const run of all) {
    const look = lookOf(run)
    const text = (look === looks.open ? 'Open: ' : '') + runText(run, reader)
    for (const [i, part] of text.split(/[{}]/).entries()) {
      if (i % 2 === 1) {
        glued.push(...formulaPieces(part, size, look, ruler))
        continue
      }
      for (const token of part
        .replace(SPACE, '\u00a0')
        .replace(CONTROL, told)
        .split(/([ \n])/)) {
        if (token === '') continue
        if (token === ' ' || token === '\n') {
          yield* flush()
          if (token === '\n') yield 'break'
          else {
            const [space] = piecesOf(' ', size, 0, look, ruler)
            yield { pieces: [space!], width: space!.width, isSpace: true }
          }
        } else glued.push(...piecesOf(token, size, 0, look, ruler))
      }
    }
  }
  yield* flush()
}
const told = (letter: string): string =>
  letter === '\n' || letter === '\t' ? ' ' : `[U+${letter.codePointAt(0)!.toString(16).toUpperCase()}]`

function* cut(piece: Piece, width: number, ruler: Ruler): Generator<Word> {
  let text = ''
  for (const letter of piece.text) {
    if (text !== '' && ruler.widthOf(text + letter, piece.font, piece.size) > width) {
      const wide = ruler.widthOf(text, piece.font, piece.size)
      yield { pieces: [{ ...piece, text, width: wide }], width: wide, isSpace: false }
      text = ''
    }
    text += letter
  }
  const wide = ruler.widthOf(text, piece.font, piece.size)
  if (text !== '') yield { pieces: [{ ...piece, text, width: wide }], width: wide, isSpace: false }
}

const LOWERED = { line: [1, 0], sub: [0.72, -0.14], sup: [0.72, 0.34] } as const

function formulaPieces(text: string, size: number, look: Look, ruler: Ruler): Piece[] {
  const read = parseFormula(text)
  return typeset(read.ok ? read.value.text : text).flatMap(({ place, text: part }) => {
    const [scale, rise] = LOWERED[place]
    return piecesOf(part, size * scale, rise * size, look, ruler)
  })
}

/** Words of a look that were measured already; a journal says the same ones thousands of times. */
const measured = new WeakMap<Ruler, Map<string, readonly Piece[]>>()
const MOST_MEASURED = 20_000

function piecesOf(text: string, size: number, rise: number, look: Look, ruler: Ruler): readonly Piece[] {
  let words = measured.get(ruler)
  if (!words) measured.set(ruler, (words = new Map()))
  const key = `${look.face} ${look.colour} ${size} ${rise} ${text}`
  const known = words.get(key)
  if (known) return known
  const pieces = cutByFont(text, size, rise, look, ruler)
  if (words.size > MOST_MEASURED) words.clear()
  words.set(key, pieces)
  return pieces
}

/** Cuts text where another font has to draw it. */
function cutByFont(text: string, size: number, rise: number, { face, colour, isStruck }: Look, ruler: Ruler): Piece[] {
  const runs: { font: string; text: string }[] = []
  for (const letter of text) {
    const shown = letter === '\u00a0' ? ' ' : letter
    const font = ruler.fontFor(face, shown)
    const last = runs.at(-1)
    if (last?.font === font) last.text += shown
    else runs.push({ font, text: shown })
  }
  return runs.map(({ font, text: part }) => ({
    text: part,
    font,
    size,
    rise,
    colour,
    isStruck,
    width: ruler.widthOf(part, font, size),
  }))
}
