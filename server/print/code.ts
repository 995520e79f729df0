import { encode } from 'uqr'
import type { Flow } from './flow'

/** A code to be scanned, drawn as vectors; `side` with its quiet zone, in points. */
export function drawCode(flow: Flow, text: string, x: number, y: number, side: number): void {
  const { data, size } = encode(text, { border: 2, ecc: 'M' })
  const step = side / size
  const figure = flow.add('Figure', { alt: `A code to scan, which opens ${text}` })
  flow.mark(figure, 'Figure', () => {
    flow.doc.fillColor('#000000')
    data.forEach((row, i) =>
      row.forEach((isDark, j) => {
        if (isDark) flow.doc.rect(x + j * step, y + i * step, step + 0.05, step + 0.05)
      }),
    )
    flow.doc.fill()
  })
}
