import type { Checked } from '#core/problem'
import { exact, parseQuantity, type Figure, type Kind } from '#core/quantity'
import type { Path, PlanProblem } from './problems'

/** Thrown and caught inside the reading of a plan only: what stops the reading of one field, with its place. */
export class Refused extends Error {
  constructor(readonly refused: PlanProblem) {
    super(refused.problem.code)
  }
}

/** What hangs on a field that already has its problem elsewhere: not read, and not told twice. */
export class Blocked extends Error {}

export function refuse(path: Path, problem: PlanProblem['problem']): never {
  throw new Refused({ path, problem })
}

/** Reads one field; what stops it joins the problems, and the reading goes on without it. */
export function attempt<T>(problems: PlanProblem[], read: () => T): T | undefined {
  try {
    return read()
  } catch (error) {
    if (error instanceof Refused) problems.push(error.refused)
    else if (!(error instanceof Blocked)) throw error
    return undefined
  }
}

export const need = <T>(path: Path, read: Checked<T, PlanProblem['problem']>): T =>
  read.ok ? read.value : refuse(path, read.problem)

export function quantity(
  text: string,
  path: Path,
  kinds: readonly Kind[],
  name: string,
  more: { zero?: boolean; aboveWhole?: boolean; bottle?: string | undefined } = {},
): Figure {
  const { bottle, ...rest } = more
  // What is known of one bottle errs alike wherever it is used.
  const place = path[0] === 'stages' ? `, stage ${Number(path[1]) + 1}` : ''
  const source = bottle === undefined ? `${name}${place}` : `${name}, bottle ${bottle}`
  return need(path, parseQuantity(text, { kinds, name, source, ...rest }))
}

/** A decision rather than a measurement: its digits carry no error. */
export const decided = (figure: Figure): Figure =>
  exact(figure.value, figure.kind, figure.name, figure.made.how === 'given' ? figure.made.written : undefined)
