export { comesSchema, knownBy, labelSchema, type Comes, type KnownBy, type Label } from './label'
export { factSchema, type BottleFact } from './facts'
export { balanceOf, holdingOf, type Holding, type LedgerLine, type Taken } from './holding'
export { agedOf, type Aged } from './ageing'
