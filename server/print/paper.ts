import { benchSheetPdf, type BenchSheet } from './bench-sheet'
import { labelPdf, type Label } from './label'
import { recordPdf, type Printing } from './record-pdf'

/** What can be printed. */
export type Paper =
  | ({ readonly is: 'record' } & Printing)
  | ({ readonly is: 'bench sheet' } & BenchSheet)
  | ({ readonly is: 'label' } & Label)

export function paperOf(paper: Paper): Promise<Uint8Array> {
  switch (paper.is) {
    case 'record':
      return recordPdf(paper)
    case 'bench sheet':
      return benchSheetPdf(paper)
    case 'label':
      return labelPdf(paper)
  }
}
