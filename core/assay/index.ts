export { compareSets, type Comparison } from './compare'
export { empiricalFormula, type Empirical } from './empirical'
export { analyteShare, gravimetricFactor, unitsIn } from './gravimetric'
export { watersFromLoss, type Waters } from './hydrate'
export { explainAssay, type AssayProblem } from './problems'
export { dixon, grubbs, summarise, type Outlier, type Replicates } from './replicates'
export {
  computeWorksheet,
  newWorksheet,
  worksheetKinds,
  worksheetShapes,
  type Worksheet,
  type WorksheetKind,
  type WorksheetResult,
} from './worksheet'
export { studentT } from './student'
export { amountOf, matched, purityAs, usedUp, type Purity, type Reagent } from './titration'
