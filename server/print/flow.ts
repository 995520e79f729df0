import PDFDocument from 'pdfkit'
import { PLAIN_READER, type Reader, type Words } from '#core/record'
import { fontFiles, fontPath, type Face } from './fonts'
import { colours, linesOf, type Line, type Ruler } from './layout'

type Doc = InstanceType<typeof PDFDocument>
type Struct = ReturnType<Doc['struct']>

export interface Titled {
  readonly title: string
  readonly author: string
  readonly subject: string
  /** When it was made, and nothing besides: the same record gives the same file. */
  readonly at: Date
}
interface RowLook {
  readonly widths: readonly number[]
  readonly size: number
  readonly isFigure: readonly boolean[]
}

const A4 = { width: 595.28, height: 841.89 }
const MARGIN = { x: 56, top: 52, bottom: 62 }
const LEADING = 1.38
const CELL = 5
/** Below a row, before its line. */
const BELOW = 4
/** A column is as wide as the widest of so many rows asks for. */
const MEASURED = 120

/**
 * A PDF that is written from top to bottom, page by page, with its structure (headings, paragraphs, tables, figures) told to whoever reads it by ear.
 * Lengths in points.
 */
export class Flow {
  readonly doc: Doc
  readonly ruler: Ruler
  y = MARGIN.top
  private readonly root: Struct
  private readonly chunks: Buffer[] = []
  private readonly done: Promise<Buffer>
  private page = 0

  constructor(
    about: Titled,
    readonly reader: Reader = PLAIN_READER,
    readonly size = { ...A4 },
    readonly margin = { ...MARGIN },
  ) {
    this.doc = new PDFDocument({
      size: [size.width, size.height],
      margin: 0,
      autoFirstPage: false,
      bufferPages: true,
      tagged: true,
      pdfVersion: '1.7',
      lang: 'en',
      displayTitle: true,
      font: '',
      info: {
        Title: about.title,
        Author: about.author,
        Subject: about.subject,
        Creator: 'Zip Ledger',
        Producer: 'Zip Ledger',
        CreationDate: about.at,
        ModDate: about.at,
      },
    })
    this.done = new Promise((resolve, reject) => {
      this.doc.on('data', (chunk: Buffer) => this.chunks.push(chunk))
      this.doc.on('end', () => resolve(Buffer.concat(this.chunks)))
      this.doc.on('error', reject)
    })
    this.ruler = rulerOf(this.doc)
    this.root = this.doc.struct('Document')
    this.doc.addStructure(this.root)
    this.newPage()
    this.y = margin.top
  }

  get width(): number {
    return this.size.width - 2 * this.margin.x
  }
  get bottom(): number {
    return this.size.height - this.margin.bottom
  }

  newPage(): void {
    this.doc.addPage({ size: [this.size.width, this.size.height], margin: 0 })
    this.page += 1
    this.y = this.margin.top
  }
  /** A new page where so much no longer fits onto this one. */
  need(height: number): void {
    if (this.y + height > this.bottom && this.y > this.margin.top) this.newPage()
  }
  space(height: number): void {
    this.y += height
  }

  add(kind: string, options: object = {}): Struct {
    const struct = this.doc.struct(kind, options as never)
    this.root.add(struct)
    return struct
  }
  private child(parent: Struct, kind: string): Struct {
    const struct = this.doc.struct(kind)
    parent.add(struct)
    return struct
  }
  /** Draws as content of a structure. */
  mark(struct: Struct, kind: string, draw: () => void): void {
    const content = this.doc.markStructureContent(kind)
    draw()
    this.doc.endMarkedContent()
    struct.add(content)
  }
  /** Draws what only decorates. */
  artifact(draw: () => void): void {
    this.doc.markContent('Artifact', { type: 'Layout' } as never)
    draw()
    this.doc.endMarkedContent()
  }

  lines(words: Words, size: number, width: number): Line[] {
    return linesOf(words, size, width, this.ruler, this.reader)
  }
  drawLine(line: Line, x: number, y: number, size: number, width?: number, isRight = false): void {
    let at = isRight && width !== undefined ? x + width - line.width : x
    for (const { text, font, size: own, rise, colour, isStruck, width: wide } of line.pieces) {
      this.doc.font(font).fontSize(own).fillColor(colour)
      this.doc.text(text, at, y + size - rise, { lineBreak: false, baseline: 'alphabetic' })
      if (isStruck)
        this.doc
          .moveTo(at, y + size * 0.7)
          .lineTo(at + wide, y + size * 0.7)
          .lineWidth(0.8)
          .strokeColor(colour)
          .stroke()
      at += wide
    }
  }

  heading(level: 1 | 2 | 3, words: Words, size: number): void {
    const lines = this.lines(words, size, this.width)
    // A heading stands with what follows it.
    this.need(lines.length * size * LEADING + 46)
    const struct = this.add(`H${level}`)
    for (const line of lines) {
      this.mark(struct, `H${level}`, () => this.drawLine(line, this.margin.x, this.y, size))
      this.y += size * LEADING
    }
  }

  /** A paragraph; `beside` stands in the margin before it, as a clock time does; `until` is where it ends at the right. */
  paragraph(
    words: Words,
    size = 9.5,
    { indent = 0, beside, until }: { indent?: number; beside?: Words; until?: number } = {},
  ): void {
    const width = (until ?? this.margin.x + this.width) - this.margin.x - indent
    const lines = this.lines(words, size, width)
    const struct = this.add('P')
    lines.forEach((line, i) => {
      this.need(size * LEADING)
      this.mark(struct, 'P', () => {
        if (i === 0 && beside) this.drawLine(this.lines(beside, size, indent)[0]!, this.margin.x, this.y, size)
        this.drawLine(line, this.margin.x + indent, this.y, size)
      })
      this.y += size * LEADING
    })
    this.y += size * 0.3
  }

  /** A table whose columns share the width by what they hold; its head comes again on each page. */
  table(head: readonly { name: string; isFigure?: boolean }[], rows: readonly (readonly Words[])[], size = 8.2): void {
    const widths = this.columnWidths(head, rows, size)
    const table = this.add('Table')
    const laid = (row: readonly Words[]): Line[][] =>
      row.map((words, i) => this.lines(words, size, (widths[i] ?? 0) - 2 * CELL))
    const look: RowLook = { widths, size, isFigure: head.map(one => one.isFigure === true) }
    const heads = laid(head.map(({ name }): Words => [{ as: 'quiet', text: name }]))
    const headHeight = heightOf(heads, size)
    this.need(headHeight + 2 * size * LEADING)
    this.drawRow(table, 'TH', heads, look)
    for (const row of rows) {
      const lines = laid(row)
      if (this.y + Math.min(heightOf(lines, size), this.bottom - this.margin.top - headHeight) > this.bottom) {
        this.newPage()
        this.drawRow(table, 'TH', heads, look)
      }
      this.drawRow(table, 'TD', lines, look)
    }
    this.y += 6
  }

  private drawRow(
    table: Struct,
    kind: 'TH' | 'TD',
    all: readonly (readonly Line[])[],
    { widths, size, isFigure }: RowLook,
  ): void {
    const row = this.child(table, 'TR')
    const structs = all.map(() => this.child(row, kind))
    const most = Math.max(...all.map(({ length }) => length))
    for (let n = 0; n < most; n++) {
      // A row that is longer than a page goes on.
      this.need(size * LEADING)
      let x = this.margin.x
      all.forEach((lines, i) => {
        const line = lines[n]
        const at = x + CELL
        const wide = widths[i] ?? 0
        if (line && structs[i])
          this.mark(structs[i], kind, () => this.drawLine(line, at, this.y, size, wide - 2 * CELL, isFigure[i]))
        x += wide
      })
      this.y += size * LEADING
    }
    this.y += BELOW
    const at = this.y - 1.5
    this.artifact(() =>
      this.doc
        .moveTo(this.margin.x, at)
        .lineTo(this.margin.x + this.width, at)
        .lineWidth(kind === 'TH' ? 1 : 0.5)
        .strokeColor(kind === 'TH' ? colours.ink : colours.rule)
        .stroke(),
    )
  }

  /** Each column as wide as its widest line where all fit; otherwise narrow ones keep their width, and wide ones share what is left by how much they hold. */
  private columnWidths(head: readonly { name: string }[], rows: readonly (readonly Words[])[], size: number): number[] {
    const wanted = head.map(({ name }, i) => {
      const texts: Words[] = [[{ as: 'quiet', text: name }], ...rows.slice(0, MEASURED).map(row => row[i] ?? [])]
      return (
        Math.max(...texts.map(words => Math.max(...this.lines(words, size, 1e6).map(({ width }) => width)))) +
        2 * CELL +
        1
      )
    })
    const sum = wanted.reduce((all, one) => all + one, 0)
    if (sum <= this.width) return wanted.map(one => one + ((this.width - sum) * one) / sum)
    const fair = this.width / head.length
    const narrow = wanted.map(one => one <= fair)
    const left = this.width - wanted.reduce((all, one, i) => all + (narrow[i] ? one : 0), 0)
    const weight = wanted.reduce((all, one, i) => all + (narrow[i] ? 0 : Math.sqrt(one)), 0)
    return wanted.map((one, i) => (narrow[i] ? one : (left * Math.sqrt(one)) / weight))
  }

  /** A line or its points over two axes, drawn as vectors, with words for whoever does not see it. */
  chart({
    caption,
    x,
    y,
    points,
    isDotted,
  }: {
    caption: string
    x: string
    y: string
    points: readonly (readonly [number, number])[]
    isDotted?: boolean
  }): void {
    const height = 130
    this.need(height + 34)
    const xs = points.map(([one]) => one)
    const ys = points.map(([, one]) => one)
    const [x0, x1] = [Math.min(...xs), Math.max(...xs)]
    const [y0, y1] = [Math.min(...ys), Math.max(...ys)]
    const left = this.margin.x + 52
    const top = this.y + 6
    const wide = Math.min(360, this.width - 60)
    const px = (value: number): number => left + (x1 > x0 ? ((value - x0) / (x1 - x0)) * wide : wide / 2)
    const py = (value: number): number => top + height - (y1 > y0 ? ((value - y0) / (y1 - y0)) * height : height / 2)
    const figure = this.add('Figure', {
      alt: `${caption}: ${y} over ${x}, from ${short(x0)} to ${short(x1)}; ${y} between ${short(y0)} and ${short(y1)}.`,
    })
    this.mark(figure, 'Figure', () => {
      const { doc } = this
      doc.lineWidth(0.6).strokeColor(colours.soft)
      doc
        .moveTo(left, top)
        .lineTo(left, top + height)
        .lineTo(left + wide, top + height)
        .stroke()
      doc.lineWidth(1.1).strokeColor(colours.accent).fillColor(colours.accent)
      points.forEach(([a, b], i) => (i === 0 ? doc.moveTo(px(a), py(b)) : doc.lineTo(px(a), py(b))))
      doc.stroke()
      if (isDotted) for (const [a, b] of points) doc.circle(px(a), py(b), 2.2).fill()
      const label = (text: string, at: number, line: number, isRight = false): void =>
        this.drawLine(
          this.lines([{ as: 'quiet', text }], 7.5, 1000)[0]!,
          at,
          line,
          7.5,
          isRight ? 46 : undefined,
          isRight,
        )
      label(short(y1), this.margin.x, top - 3, true)
      label(short(y0), this.margin.x, top + height - 6, true)
      label(short(x0), left, top + height + 4)
      label(`${short(x1)} ${x}`, left + wide - 60, top + height + 4)
      label(y, left + 5, top - 4)
    })
    this.y = top + height + 22
  }

  /** A picture, not larger than a third of a page. */
  picture(data: Buffer, words: Words): void {
    const box = { width: this.width * 0.6, height: 230 }
    this.need(box.height + 30)
    const figure = this.add('Figure', {
      alt: this.lines(words, 9, 1e6)
        .flatMap(({ pieces }) => pieces.map(({ text }) => text))
        .join(''),
    })
    const opened = (this.doc as unknown as { openImage(data: Buffer): { width: number; height: number } }).openImage(
      data,
    )
    const scale = Math.min(box.width / opened.width, box.height / opened.height)
    this.mark(figure, 'Figure', () =>
      this.doc.image(opened as never, this.margin.x, this.y, {
        width: opened.width * scale,
        height: opened.height * scale,
      }),
    )
    this.y += opened.height * scale + 4
    this.paragraph(words, 8.5)
  }

  /** Ends the file, with what stands at the foot of each page. */
  end(foot: (page: number, of: number) => string): Promise<Buffer> {
    const range = this.doc.bufferedPageRange()
    for (let i = 0; i < range.count; i++) {
      this.doc.switchToPage(range.start + i)
      const [line] = this.lines([{ as: 'quiet', text: foot(i + 1, range.count) }], 7.8, this.width)
      this.doc.markContent('Artifact', { type: 'Pagination' } as never)
      if (line) this.drawLine(line, this.margin.x, this.size.height - this.margin.bottom + 24, 7.8)
      this.doc.endMarkedContent()
    }
    this.doc.end()
    return this.done
  }
}

const heightOf = (cells: readonly (readonly Line[])[], size: number): number =>
  Math.max(...cells.map(({ length }) => length)) * size * LEADING + BELOW

const short = (value: number): string => String(Number(value.toPrecision(4)))

/** Measures text by the fonts of a document. */
export function rulerOf(doc: Doc): Ruler {
  const names = new Map<Face, readonly string[]>()
  for (const [face, files] of Object.entries(fontFiles) as [Face, readonly string[]][]) {
    files.forEach((file, i) => doc.registerFont(`${face}${i}`, fontPath(file)))
    names.set(
      face,
      files.map((_, i) => `${face}${i}`),
    )
  }
  const has = new Map<string, boolean>()
  const knows = (font: string, letter: string): boolean => {
    const key = font + letter
    const known = has.get(key)
    if (known !== undefined) return known
    doc.font(font)
    const { font: inner } = (doc as unknown as { _font: { font: { hasGlyphForCodePoint(point: number): boolean } } })
      ._font
    const is = inner.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0)
    has.set(key, is)
    return is
  }
  const widths = new Map<string, number>()
  return {
    fontFor(face, letter) {
      const all = names.get(face) ?? []
      return all.find(font => knows(font, letter)) ?? all.at(-1) ?? ''
    },
    widthOf(text, font, size) {
      const key = `${font} ${text}`
      const known = widths.get(key)
      if (known !== undefined) return known * size
      doc.font(font).fontSize(100)
      const width = doc.widthOfString(text) / 100
      if (widths.size > 20_000) widths.clear()
      widths.set(key, width)
      return width * size
    },
  }
}
