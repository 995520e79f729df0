export {
  acidOf,
  baseOf,
  dissolvesMetals,
  donorOf,
  madeByAcid,
  metalOf,
  neutralises,
  type Made,
  type Protons,
} from './protons'
export {
  emptyVessel,
  formulaOf,
  gathered,
  portionOf,
  WATER,
  type Lump,
  type Out,
  type Place,
  type Portion,
  type SolidKind,
  type Vessel,
} from './state'
export { dissolvedParts, dryOf, standsAs, yieldsToWater, type Standing } from './stands-as'
export { contact, netOf, react, type Met, type Net } from './contact'
export { dissolvedOf, toldAs } from './told'
export { allDissolved, atRest, potOf, type AtRest } from './rest'
export { operate, operationWords, solventFormula, type Done, type Operation } from './operations'
export type { Setting } from './setting'
export { operateOn, type Bench, type BenchDone, type Beside } from './bench'
export { partOfVessel, poured } from './pour'
export { liquidVolume, vesselMass, vesselVolume, waterBeyond } from './volume'
export {
  explainOperation,
  planWords,
  readOperation,
  scaleOperation,
  type OperationPlan,
  type OperationProblem,
  type ReadOperation,
} from './operation-plan'
