export { candidateForms, judgeBatch, type ActualStage } from './actual'
export { sheetNotes } from './margin'
export type { MarginNote, Setting } from './note'
export { explainYield, type YieldJudgement } from './explain-yield'
export type { CauseCode, Explanation } from './explanation'
export { ledgerOf, type LedgerRow, type Where } from './ledger'
export { tapeOf } from './tape-of'
export type { Tape } from './tape'
export { residuesOf, type Residues, type Treatment } from './residues'
export { routeYields, type RouteYields } from './stage-yields'
export { residuesLeft, verdictOf, type BatchVerdict } from './verdict'
export type { LeftoverJudgement } from './explain-leftover'
export { ladderOf, type Rung } from './ladder'
export type { Recovered } from './recovered'
export { assayStart } from './assay-start'
export { proofOf, type Claim, type Proof } from './proof'
export { assayNotes, assayWords, coverageWords, expectedOf, resultWords, shownDecimals } from './assay-notes'
export { yieldNotes } from './yield-notes'
export { currentStage, nextWant, type NextWant, type Standing } from './standing'
export { judgeYield, theoreticalFrom, type FormYield, type Yield } from './yield'
export { winningNotes, type WinningSetting } from './winning-notes'
export { bareSteps, briefOf, unreadableBrief, type BatchBrief, type Procedures } from './brief'
export {
  beforeWinning,
  forecastOf,
  whenReacted,
  plannedAccounts,
  realAccounts,
  type AccountSetting,
  type Forecast,
} from './account'
export { potNow, type PotNow } from './pot-now'
