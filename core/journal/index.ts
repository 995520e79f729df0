export {
  clockWords,
  durationWords,
  entryText,
  type About,
  type Correction,
  type Deviation,
  type Entry,
  type Measure,
  type Photo,
  type Reading,
  type Remark,
  type SpotTest,
  type StepTaken,
  type TimerTurned,
} from './entries'
export { explainEntry } from './explain'
export {
  aboutWords,
  additionsOf,
  checkEntry,
  cropsOf,
  foldJournal,
  potReadings,
  productMass,
  readReading,
  sameAbout,
  weighingOf,
  type EntryProblem,
  type JournalLine,
  type PotReading,
  type Weighing,
} from './journal'
export { equipment, operationNames, operationOf, type Equipment, type Operation, type Step } from './steps'
export {
  chipsFor,
  colourSeen,
  colourWords,
  saw,
  seenIn,
  seenPlaces,
  signs,
  type Seen,
  type SeenPlace,
  type Sign,
} from './seen'
export { elapsed, isPaused, remaining, rings, timersOf, type Timer } from './timers'
export { judgeSpots, spotWords, type SpotVerdict } from './spot-test'
export { dryingSeries, type DryWeighing } from './drying-series'
export { judgeDryness, toleranceOf, type Dryness, type DryPoint } from './constant-mass'
export { offTarget, type OffTarget } from './tolerance'
export { minutesFrom, readWait, type Wait, type Calendar } from './wait'
export { scaleSteps } from './scale-steps'
export { troubles, type Trouble } from './troubles'
export { entriesUnder, planFollowed, type SavedPlan } from './followed'
