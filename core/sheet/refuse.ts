import type { Checked } from '#core/problem'
import { exact, parseQuantity, type Figure, type Kind } from '#core/quantity'
import type { Path, PlanProblem } from './problems'

/** Thrown and caught inside the reading of a plan only: the first problem ends it, with its place. */
export class Refused extends Error {
  constructor(readonly refused: PlanProblem) {
    super(refused.problem.code)
  }
}

export function refuse(path: Path, problem: PlanProblem['problem']): never {
  throw new Refused({ path, problem })
}

export const need = <T>(path: Path, read: Checked<T, PlanProblem['problem']>): T =>
  read.ok ? read.value : refuse(path, read.problem)

export function quantity(
  text: string,
  path: Path,
  kinds: readonly Kind[],
  name: string,
  more: { zero?: boolean; aboveWhole?: boolean } = {},
): Figure {
  const source = path[0] === 'stages' ? `${name}, stage ${Number(path[1]) + 1}` : name
  return need(path, parseQuantity(text, { kinds, name, source, ...more }))
}

/** A decision rather than a measurement: its digits carry no error. */
export const decided = (figure: Figure): Figure =>
  exact(figure.value, figure.kind, figure.name, figure.made.how === 'given' ? figure.made.written : undefined)
