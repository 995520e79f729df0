export {
  curveOf,
  findCurve,
  saturationAt,
  shippedCurves,
  type Curve,
  type CurveOf,
  type CurvePhase,
  type Saturation,
} from './curve'
export { dissolve, type Dissolving } from './dissolve'
export { monotone } from './monotone'
export { explainSolubility, type SolubilityProblem } from './problems'
