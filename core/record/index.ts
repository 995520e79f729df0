export { recordFrom, recordOf } from './record'
export { openIn, plainText, type Block, type Column, type RecordPage, type Run, type Section, type Words } from './page'
export { againOf, type As } from './again'
export { compareBatches, type Beside, type Compared } from './compare'
export { benchSheetOf, contentWords, labelOf, type ContentWords, type SheetStage, type VialLabel } from './paper'
export { vialsOf, type Vial } from './vial'
export { followedPlans } from './planned'
export { tablesUsed, type TablesUsed } from './tables-used'
export { clockText, dayText, isZone, PLAIN_READER, runText, type Reader } from './times'
export {
  actKinds,
  meanings,
  placeOf,
  proofs,
  refusedAct,
  remarksBy,
  reviewRules,
  standingOf,
  type Act,
  type ActKind,
  type Actor,
  type ActStamp,
  type Manifest,
  type NewAct,
  type ProofKind,
  type Remark,
  type RecordStanding,
  type ReviewRule,
} from './acts'
export { factsOf, type Facts, type Judging, type Kept, type RecordSource, type SavedPlan } from './source'
