export { applied, difference, exact, given, product, renamed, sum, unitOf, type Figure } from './figure'
export { functions, type FunctionName } from './functions'
export { dimensionOf, dimensionText, kindOf, sameDimension, sizeOf, timesDimension, type Dimension } from './dimensions'
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
export { monotone } from './monotone'
export { figuresIn } from './figures-in'
export { scaleText, scaleWords } from './scale'
export { firstOrderHolds } from './first-order'
export { monteCarlo, seeded, type Spread } from './monte-carlo'
export { shares, standardUncertainty, type Share } from './uncertainty'
export { lastPlace, stated, statedWords, type Stated } from './with-uncertainty'
export { findUnit, fixedUnit, units, unitsOf, type Kind } from './units'
export { workingOf, type WorkingLine } from './working'
export { withComma, withPoint } from './decimal-comma'
