export { type BatchBrief, type Procedures, bareSteps, briefOf, unreadableBrief } from './brief'
export { type NextWant, type Standing, currentStage, nextWant } from './standing'
export { type Need, needsOf } from './needs'
export { plainWords } from './plain-words'
