import PDFDocument from 'pdfkit'
import { rulerOf } from './flow'
import { LABEL, labelMarks, type Label, type Mark } from './label'

interface Outlined {
  layout(text: string): {
    readonly glyphs: readonly { readonly path: { toSVG(): string } }[]
    readonly positions: readonly { readonly xAdvance: number; readonly xOffset: number; readonly yOffset: number }[]
  }
  readonly unitsPerEm: number
}

/** A label as a drawing (SVG), black on white, letters as outlines, so that it needs no font where it is printed. */
export function labelSvg(label: Label): string {
  const doc = new PDFDocument({ autoFirstPage: false, font: '' })
  const ruler = rulerOf(doc)
  const fontOf = (name: string): Outlined => {
    doc.font(name)
    return (doc as unknown as { _font: { font: Outlined } })._font.font
  }
  const body = labelMarks(label, ruler)
    .map(mark => (mark.is === 'shape' ? shapeSvg(mark) : lineSvg(mark, fontOf)))
    .join('')
  const { width, height } = LABEL
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}"><rect width="100%" height="100%" fill="#fff"/>${body}</svg>`
}

const shapeSvg = ({ d, x, y, side, line }: Mark & { is: 'shape' }): string =>
  `<path transform="translate(${x} ${y}) scale(${side / 100})" d="${d}" ` +
  (line === undefined ? 'fill="#000" fill-rule="evenodd"/>' : `fill="none" stroke="#000" stroke-width="${line}"/>`)

function lineSvg({ line, x, y, size }: Mark & { is: 'line' }, fontOf: (name: string) => Outlined): string {
  let at = x
  return line.pieces
    .map(piece => {
      const font = fontOf(piece.font)
      const scale = piece.size / font.unitsPerEm
      const { glyphs, positions } = font.layout(piece.text)
      let pen = 0
      const paths = glyphs.map((glyph, i) => {
        const { xAdvance, xOffset, yOffset } = positions[i]!
        const path = `<path transform="translate(${pen + xOffset} ${yOffset})" d="${glyph.path.toSVG()}"/>`
        pen += xAdvance
        return path
      })
      const told = `<g transform="translate(${at} ${y + size - piece.rise}) scale(${scale} ${-scale})">${paths.join('')}</g>`
      at += piece.width
      return told
    })
    .join('')
}
