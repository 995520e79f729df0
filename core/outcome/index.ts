export {
  type AccountSetting,
  type Forecast,
  beforeWinning,
  forecastOf,
  isProductForm,
  plannedAccounts,
  realAccounts,
  whenReacted,
} from './account'
export { type ActualStage, candidateForms, judgeBatch } from './actual'
export { assayStart } from './assay-start'
export { challengeOf } from './challenge'
export { type LedgerRow, type Where, ledgerOf } from './ledger'
export { type OtherSalt, otherSaltsIn } from './other-salts'
export { type PotNow, potNow } from './pot-now'
export { type Recovered, recoveredOf } from './recovered'
export { type Relative, ionsInPot, metalOf, partsOfIons, relativesOf } from './relatives'
export { ageingRow } from './ageing'
export { type Residues, type Treatment, residuesOf } from './residues'
export { type RouteYields, routeYields } from './stage-yields'
export { type StageColour, coloursFor } from './stage-colours'
export { Tape } from './tape'
export { tapeOf } from './tape-of'
export { type Trial, type TrialsJudged, compareTrials } from './trials'
export { type FormYield, type Yield, judgeYield, percentOf, theoreticalFrom } from './yield'
