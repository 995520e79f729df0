export { demoBatches } from './batches'
export type { DemoBatch } from './writing'
export { demoLab } from './lab'
