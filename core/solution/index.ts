export {
  branchesAt,
  curveOf,
  findCurve,
  saturationAt,
  shippedCurves,
  type Curve,
  type CurveOf,
  type CurvePhase,
  type Saturation,
} from './curve'
export { dissolve, type Dissolving } from './dissolve'
export { explainMove, explainSolubility, type MoveProblem, type SolubilityProblem } from './problems'
export { clingingShare, follow, type Course, type CourseProblem, type Crop, type Move, type Told } from './moves'
export type { Cake } from './filtering'
export type { WashSolvent } from './washing'
export { saltingOut, SPIRIT_LIMIT } from './salting-out'
export type { PotState, Solute, Spirit } from './pot'
export { addSolute, ionsOfRest, potOfSolutes, restOf, type FormMass, type Rest } from './pot-state'
export { doubleRise, findDouble, findProduct, ownMolality, sparingForm, solidOf, solidsFor, type Solid } from './solids'
export { liquorDensity, liquorMass, liquorVolume, waterForVolume } from './density'
export {
  carbonateShare,
  davies,
  hydroxideRange,
  precipitate,
  solubilityInWater,
  washLoss,
  type Precipitation,
} from './precipitation'
export { arrivals, comesDownAt, justSaturated, saturationTemperature, spanOf, type Arrival } from './questions'
export { ionsOfSparing, precipitationTable, type PrecipitationCase, type PrecipitationRow } from './precipitation-table'
export { throwDown, type Doubts, type ThrownDown } from './together'
export { saturationIndices, type SaturationIndex } from './saturation'
export { recrystallise, type Recrystallisation } from './recrystallise'
export { washOptions, type FilterCake, type WashOption } from './wash-advisor'
export { whichFirst, type Exchange, type Verdict } from './which-first'
export { explainMovePlan, readMoves, type MovePlan, type MovePlanProblem } from './read-moves'
export { scaleMoves } from './scale-moves'
export { gramsIn } from './concentration'
export { NO_TABLES, ownCurves, type OwnCurve, type OwnTables } from './own-tables'
export { moveWords, solventWords } from './move-words'
export { endsAs, keepingOf, saturatedPressure, type Humidity, type Keeping } from './humidity'
export { phasePicture, type PhasePicture } from './phase-picture'
