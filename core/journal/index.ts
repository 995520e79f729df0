export type { About, Correction, Entry, Measure, Reading, Remark } from './entries'
export { explainEntry } from './explain'
export {
  aboutWords,
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
