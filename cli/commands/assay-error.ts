import { explainAssay, type AssayProblem } from '#core/assay'
import type { CommandError } from '../answer'

export function assayError(problem: AssayProblem): CommandError {
  const { why, fix } = explainAssay(problem)
  return { code: problem.code, message: why, hint: fix }
}
