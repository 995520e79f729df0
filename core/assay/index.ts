export { budgetOf, effectiveDegrees, type Budget } from './budget'
export { compareSets, type Comparison } from './compare'
export { curveFrom, explainCurve, type CurveProblem } from './curve-file'
export { MOST_POINTS, type CurvePoints } from './curve-points'
export { bendOf, fitLine, worstPoint, type Line, type Point } from './calibration'
export {
  errorAt,
  fitCurve,
  plainCoefficients,
  readFromCurve,
  slopeAt,
  valueAt,
  type Fit,
  type Measured,
} from './least-squares'
export type { Calibration } from './calibrate'
export { anova, compareGroups, type Anova } from './groups'
export { empiricalFormula, type Empirical } from './empirical'
export { carrierFor, carriersOf, unitsTitrated, type Carrier } from './carrier'
export { analyteShare, gravimetricFactor, shareHeld } from './gravimetric'
export { watersFromLoss, type Waters } from './hydrate'
export { explainAssay, type AssayProblem } from './problems'
export {
  dixon,
  dixonLimit,
  grubbs,
  grubbsLimit,
  summarise,
  type Level,
  type Outlier,
  type Replicates,
} from './replicates'
export { bandsOf, type Band } from './spectrum'
export { plateausOf, stepsOf, type Plateau, type Step as ThermalStep } from './thermogram'
export { columnsOf, computeWorksheet, newWorksheet, shapeOf, worksheetShapes, type WorksheetResult } from './worksheet'
export {
  worksheetKinds,
  type Asked,
  type Choices,
  type Column,
  type Finding,
  type Shape,
  type Worksheet,
  type WorksheetKind,
} from './worksheet-kind'
export { residuesOf, type Residue } from './residues-on-heating'
export { startFor, type BatchFacts } from './start-for'
export { studentT } from './student'
export { amountOf, matched, ofWhole, purityAs, strengthFrom, usedUp, type Purity, type Reagent } from './titration'
