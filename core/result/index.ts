export { candidateForms, judgeBatch, type ActualStage } from './actual'
export { sheetNotes, yieldNotes, type MarginNote } from './margin'
export { nextWant, type NextWant, type Standing } from './standing'
export { judgeYield, theoreticalFrom, type FormYield, type Yield } from './yield'
