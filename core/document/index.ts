export {
  batchFileSchema,
  fileProblems,
  labFileSchema,
  type BatchFile,
  type FileProblem,
  type LabFile,
} from './exchange'
export { changesBetween, fieldText, type Change } from './changes'
export { codePrefix } from './code'
export { checkOwnRow, explainOwnRow, ownRowSchema, type OwnRow, type OwnRowProblem } from './own-row'
export {
  batchSchema,
  entrySchema,
  measuredText,
  moveSchema,
  plainText,
  planSchema,
  templateSchema,
  worksheetSchema,
  type BatchDocument,
  type RecordNotes,
  type Template,
} from './schema'
export { alwaysIn, partsIn, recordParts, type RecordChoice, type RecordPart } from './record-parts'
export { readDocument, readEntry, readTemplate, type Unreadable } from './read'
export { scaleDocument } from './scale'
export { isSame, merge, withTheirs, type Clash, type Merged } from './merge'
