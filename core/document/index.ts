export { changesBetween, type Change } from './changes'
export { codePrefix } from './code'
export { batchSchema, entrySchema, planSchema, type BatchDocument } from './schema'
