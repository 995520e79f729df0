import type { Checked, Span } from '#core/problem'
import { explainPlan, spanOf, type PlanProblem } from '#core/sheet'

/** What a command prints when it could not: the contract's error document. */
export interface CommandError {
  readonly code: string
  readonly message: string
  readonly at?: Span
  readonly hint?: string
}

export type Answer = Checked<unknown, CommandError>

/** `stages[0].reagents[1].charge.mass`. */
export const pathText = (path: readonly PropertyKey[]): string =>
  path.map((key, i) => (typeof key === 'number' ? `[${key}]` : i === 0 ? String(key) : `.${String(key)}`)).join('')

/** A problem found in a plan, with its place in the JSON before the words and its place in that text as `at`. */
export function planError(problem: PlanProblem): CommandError {
  const { why, fix } = explainPlan(problem)
  const span = spanOf(problem)
  const place = pathText(problem.path)
  return { code: problem.problem.code, message: place ? `${place}: ${why}` : why, ...(span && { at: span }), hint: fix }
}
