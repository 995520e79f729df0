import { codePrefix } from '#core/document'
import { parseFormula } from '#core/formula'
import { explainPlan, spanOf, type PlanProblem } from '#core/sheet'

/** 422 with the place in the plan that cannot be used, why, and what to do. */
export function refusedPlan(problem: PlanProblem) {
  const { why, fix } = explainPlan(problem)
  const span = spanOf(problem)
  return refusal(422, why, [
    { at: problem.path.join('.'), code: problem.problem.code, why, fix, ...(span && { span }) },
  ])
}

/** The letters before a batch's number, of its product. */
export function prefixFor(product: string): string {
  const formula = parseFormula(product)
  return formula.ok ? codePrefix(formula.value) : 'ZL'
}
