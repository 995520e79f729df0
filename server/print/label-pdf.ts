import { Flow } from './flow'
import { LABEL, labelMarks, type Label, type Mark } from './label'

export interface LabelSheet {
  readonly labels: readonly Label[]
  readonly lab: string
  readonly at: Date
  /** On sheets of A4, three by seven, from this place on (1 is the first); one label a page where it is left out. */
  readonly from?: number
}

const A4 = { width: 595.28, height: 841.89 }
const COLUMNS = 3
const ROWS = 7
export const A_SHEET = COLUMNS * ROWS

/** Labels as a PDF: each on a page of its own size, or on sheets to be cut or peeled. */
export function labelsPdf({ labels, lab, at, from }: LabelSheet): Promise<Buffer> {
  const [first] = labels
  const title = labels.length === 1 && first ? `${first.code}: label` : `${labels.length} labels`
  const flow = new Flow(
    { title, author: lab, subject: first?.name ?? '', at },
    undefined,
    from === undefined ? LABEL : A4,
    { x: 0, top: 0, bottom: 0 },
  )
  labels.forEach((label, i) => {
    const place = from === undefined ? 0 : (i + from - 1) % A_SHEET
    if (i > 0 && place === 0) flow.newPage()
    const left = from === undefined ? 0 : (A4.width - COLUMNS * LABEL.width) / 2
    const top = from === undefined ? 0 : (A4.height - ROWS * LABEL.height) / 2
    draw(flow, label, left + (place % COLUMNS) * LABEL.width, top + Math.floor(place / COLUMNS) * LABEL.height)
  })
  return flow.end(() => '')
}

function draw(flow: Flow, label: Label, x: number, y: number): void {
  const marks = labelMarks(label, flow.ruler)
  const lines = marks.filter(mark => mark.is === 'line')
  for (const mark of lines) {
    const struct = flow.add('P')
    flow.mark(struct, 'P', () => flow.drawLine(mark.line, x + mark.x, y + mark.y, mark.size))
  }
  const figure = flow.add('Figure', {
    alt: [
      `A code to scan, which opens ${label.address}`,
      ...label.pictograms.map(({ word }) => `pictogram: ${word}`),
    ].join('; '),
  })
  flow.mark(figure, 'Figure', () => {
    for (const mark of marks) if (mark.is === 'shape') drawShape(flow, mark, x, y)
  })
}

function drawShape({ doc }: Flow, mark: Mark & { is: 'shape' }, x: number, y: number): void {
  doc
    .save()
    .translate(x + mark.x, y + mark.y)
    .scale(mark.side / 100)
    .path(mark.d)
  if (mark.line === undefined) doc.fill(mark.colour, 'even-odd')
  else doc.lineWidth(mark.line).stroke(mark.colour)
  doc.restore()
}
