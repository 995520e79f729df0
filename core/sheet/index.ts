export {
  chargeFromText,
  countHeld,
  equivalentsFromText,
  findReagent,
  hold,
  isHeld,
  release,
  withCharge,
  withEquation,
  withForm,
  withSupply,
  withTarget,
  withYield,
} from './edit'
export { draftStage } from './draft'
export {
  dilute,
  explainDilution,
  type Dilution,
  type DilutionPlan,
  type DilutionProblem,
  type DilutionRefused,
} from './dilute'
export type { ChargePlan, Plan, ReagentPlan, StagePlan, SupplyPlan } from './plan'
export { explainPlan, spanOf, type Path, type PlanProblem, type SheetProblem } from './problems'
export {
  readPlan,
  readReaction,
  withReading,
  type Charge,
  type ReadPlan,
  type ReadStage,
  type Reagent,
} from './read-plan'
export { computePlan, computeReadPlan, type PlanSheet } from './route'
export {
  computeStage,
  waterFormula,
  type Gas,
  type ProductLine,
  type ReagentLine,
  type SheetWarning,
  type StageSheet,
  type Water,
} from './stage'
export { findDensityTable, strengthOf, type Strength } from './strength'
export { isGas, wayOutOfExcess, type WayOut } from './ways-out'
