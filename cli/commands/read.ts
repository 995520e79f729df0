import { explainFormula, parseFormula, type Formula } from '#core/formula'
import { fail, type Checked } from '#core/problem'
import { explainQuantity, parseQuantity, type Figure, type Kind, type QuantityProblem } from '#core/quantity'
import type { CommandError } from '../answer'

/** A formula of a question, or the error with its key before the words. */
export function readFormula(text: string, key: string): Checked<Formula, CommandError> {
  const read = parseFormula(text)
  if (read.ok) return read
  const { why, fix } = explainFormula(read.problem)
  return fail({ code: read.problem.code, message: `${key}: ${why}`, at: read.problem.span, hint: fix })
}

export function quantityError(problem: QuantityProblem, key: string): CommandError {
  const { why, fix } = explainQuantity(problem)
  return { code: problem.code, message: `${key}: ${why}`, at: problem.span, hint: fix }
}

/** A measured value of a question, or the error with its key before the words. */
export function readQuantity(
  text: string,
  key: string,
  kinds: readonly Kind[],
  more: { zero?: boolean; aboveWhole?: boolean } = {},
): Checked<Figure, CommandError> {
  const read = parseQuantity(text, { kinds, name: key, source: key, ...more })
  return read.ok ? read : fail(quantityError(read.problem, key))
}
