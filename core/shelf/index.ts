export { comesSchema, knownBy, labelSchema, type Comes, type KnownBy, type Label } from './label'
export { factSchema, type BottleFact } from './facts'
export { balanceOf, holdingOf, type Holding, type LedgerLine, type Taken } from './holding'
export { keptTaken, takenOf, type BottleRow, type KeptTaken } from './kept'
export { takenBy } from './taken'
export { agedOf, type Aged } from './ageing'
export {
  bottlesFromTable,
  comesOf,
  formulaOf,
  type BottlesFromTable,
  type FromRow,
  type RowProblem,
} from './from-table'
export { strengthText, warningsOf, type BottleWarnings } from './warnings'
export { notMeant, supplyFrom, type Pickable, type Picked } from './pick'
export { readMakerCode, type MakerCode } from './maker-code'
export { reservedOf, sumReserved, type BatchNeed, type Reserved } from './reserved'
export { shoppingList, type ToBuy } from './shopping'
export { hazardsIn, type HazardsTold } from './hazards'
export { lookAt, type Clashing, type LookAt, type OverLimit, type PeroxideDue, type ShelfLimit } from './look-at'
export { madeStrength, toTake, type MadeRefused, type SolutionSource, type ToTake } from './made-solution'
export { strengthsFound, type StrengthFound } from './from-worksheet'
export { shelfColumns, tableOf } from './to-table'
