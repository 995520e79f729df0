export { demoBatches } from './batches'
export type { DemoBatch } from './writing'
export { demoBottles } from './shelf'
export { demoLab } from './lab'
