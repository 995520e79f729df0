export type { About, Correction, Entry, Measure, Reading, Remark } from './entries'
export { explainEntry } from './explain'
export {
  checkEntry,
  cropsOf,
  foldJournal,
  productMass,
  readReading,
  sameAbout,
  weighingOf,
  type EntryProblem,
  type JournalLine,
  type Weighing,
} from './journal'
