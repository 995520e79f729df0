export { demoBatches, type DemoBatch } from './batches'
export { demoLab } from './lab'
