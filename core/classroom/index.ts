export {
  classSchema,
  criterionSchema,
  markedBy,
  usualRubric,
  type ClassPlan,
  type ClassQuestion,
  type Criterion,
  type MarkedBy,
} from './class-plan'
export { drawUnknowns, groupDocument, sectionOf } from './draw'
export { marksFor, totalOf, type GivenMark, type Mark, type MarkFacts } from './marks'
export { recordKept, type RuleKept } from './record-rules'
export { spreadOf, type ClassResult, type ClassSpread } from './results'
export { rosterFrom, type RosterLine, type RosterProblem } from './roster'
export { runStateOf, type RunAssay, type RunState } from './run'
export { stocksFor, type StockNeed } from './stock'
