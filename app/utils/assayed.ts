import { computeWorksheet, type Worksheet } from '#core/assay'
import { assayWords } from '#core/remarks'

/** Whether any of a batch's worksheets has come to a result. */
export const anyResult = (sheets: readonly Worksheet[]): boolean =>
  sheets.some(sheet => assayWords(sheet, computeWorksheet(sheet)))
