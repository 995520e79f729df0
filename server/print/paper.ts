import { benchSheetPdf, type BenchSheet } from './bench-sheet'
import { labelsPdf, type LabelSheet } from './label-pdf'
import { labelSvg } from './label-picture'
import type { Label } from './label'
import { recordPdf, type Printing } from './record-pdf'

/** What can be printed. */
export type Paper =
  | ({ readonly is: 'record' } & Printing)
  | ({ readonly is: 'bench sheet' } & BenchSheet)
  | ({ readonly is: 'labels' } & LabelSheet)
  /** A label as a drawing (SVG). */
  | { readonly is: 'label drawing'; readonly label: Label }

export function paperOf(paper: Paper): Promise<Uint8Array> {
  switch (paper.is) {
    case 'record':
      return recordPdf(paper)
    case 'bench sheet':
      return benchSheetPdf(paper)
    case 'labels':
      return labelsPdf(paper)
    case 'label drawing':
      return Promise.resolve(Buffer.from(labelSvg(paper.label)))
  }
}
