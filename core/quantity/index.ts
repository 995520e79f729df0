export { difference, exact, given, product, renamed, sum, unitOf, type Figure } from './figure'
export { formatFigure, formatValue, knownDecimals, toSignificant } from './format'
export {
  completed,
  explainQuantity,
  parseQuantity,
  partsOfMeasured,
  stepOf,
  type QuantityProblem,
  type Reading,
} from './parse'
export { figuresIn } from './figures-in'
export { scaleText, scaleWords } from './scale'
export { firstOrderHolds } from './first-order'
export { monteCarlo, seeded, type Spread } from './monte-carlo'
export { shares, standardUncertainty, type Share } from './uncertainty'
export { lastPlace, stated, statedWords, type Stated } from './with-uncertainty'
export { fixedUnit, units, unitsOf, type Kind } from './units'
export { workingOf, type WorkingLine } from './working'
