export { wayOf, type ChosenWay } from './way'
export { procedureOf, tellVessel, type Kept, type ToldStage, type ToldVessel, type Won } from './procedure'
export type { Event, Real, StepProblem } from './event'
export { foldSteps, proposeStage, type Folding, type StageProcedure } from './propose'
export { cautionAmount, cautionWords, isGrave, sumOfCautions, type Caution, type CautionCode } from './cautions'
export { dryingAdvice, dryingTimeWords, usualAir, type DryingAdvice, type DryingOption, type RoomAir } from './drying'
export { followSheet, targetOf, type Moved } from './follow-sheet'
export { shown, stepOf, stepsOf } from './operation-step'
export { effectOf } from './effects'
export { compareWays, type WayCompared } from './compare'
export { operationsIn, withLiquors, withWinning } from './edit'
export { vesselWords } from './words'
export {
  type Clash,
  type Hours,
  type LaneSpan,
  type LaneStep,
  clashesOf,
  dueAt,
  layOut,
  nextHands,
  usualHours,
} from './schedule'
export { type Forgotten, forgottenBefore } from './forgotten'
export { type Press, pressOf } from './press'
export { type Rescue, asksReagent, rescuesFor, troubleOf, withReagent } from './rescues'
export { type Run, type StepState, runOf } from './run'
export { laneOf, minutesOf, ringsAt, timesOf, waitEach } from './lane'
export { setUpOf, setUpWords, type SetUp } from './set-up'
export { amountGoingIn, type GoingIn } from './amount'
export { readingAsked } from './asked'
