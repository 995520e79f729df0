export { recordOf } from './record'
export { openIn, plainText, type Block, type Column, type RecordPage, type Run, type Section, type Words } from './page'
export { followedPlans } from './planned'
export type { Kept, RecordSource, SavedPlan } from './source'
