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
export { fromTable, type FromTable, type TableProblem } from './from-table'
export {
  dilute,
  explainDilution,
  type Dilution,
  type DilutionPlan,
  type DilutionProblem,
  type DilutionRefused,
} from './dilute'
export { ways, type ChargePlan, type Plan, type ReagentPlan, type StagePlan, type SupplyPlan, type Way } from './plan'
export { explainPlan, spanOf, type Path, type PlanProblem, type SheetProblem } from './problems'
export type { SideField } from './read-bench'
export {
  hasUnread,
  readAsFar,
  readPlan,
  readReaction,
  readStageReaction,
  withReadings,
  type PlanReading,
} from './read-plan'
export type { Charge, ReadPlan, ReadStage, Reagent, Room } from './read-stage'
export { computePlan, computeReadPlan, type PlanSheet } from './route'
export { computeStage, type Gas, type ProductLine, type ReagentLine, type SheetWarning, type StageSheet } from './stage'
export { waterBrought, waterFormula, type Water } from './water'
export { chosenWays, isGas, wayOutOfExcess, type WayOut } from './ways-out'
export { usualStock } from './dilution-by-volume'
export { elementUse, type ElementUse } from './element-use'
export { dissolvedEnthalpy, enthalpySourceOf, formationEnthalpy, heatOfSolution } from './enthalpy'
export { excessRange, riskWords, type ExcessCase, type ExcessRange } from './excess'
export { findLimit, gasFacts, TRAP_MARGIN, type GasFacts, type Trap } from './gas'
export { heatOf, type Heat } from './heat'
export {
  makeUpFromSolid,
  vesselFor,
  warmthOfDilution,
  type FromSolid,
  type FromSolidPlan,
  type Warmth,
} from './make-up'
export { potOf, type Pot, type WaterNeed } from './pot'
export { addStageAfter, addStageFor, duplicateStage, fedBy, freshId, moveStage, removeStage } from './route-edit'
export { portionsFor, scalePlan } from './scale-plan'
export { compareSupply, substitutesFor, type Comparison, type Substitute } from './substitute'
export {
  withBench,
  withOperations,
  withSolvents,
  solventWith,
  withInPot,
  withMix,
  withShare,
  withRoom,
  withTrap,
  withWayOut,
} from './edit-bench'
