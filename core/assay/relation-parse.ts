import { functions, type FunctionName } from '#core/quantity'
import { fail, ok, type Advice, type Checked, type Span } from '#core/problem'

/** A relation as it is written on paper, `w = c * (V - V0) * M(Fe) / m`, taken apart. */
export type Term =
  | { readonly is: 'number'; readonly value: number; readonly text: string }
  | { readonly is: 'name'; readonly name: string; readonly span: Span }
  | { readonly is: 'molar mass'; readonly formula: string; readonly span: Span }
  | { readonly is: 'sum'; readonly parts: readonly (readonly [weight: 1 | -1, of: Term])[]; readonly span: Span }
  | { readonly is: 'product'; readonly over: readonly Term[]; readonly under: readonly Term[]; readonly span: Span }
  | { readonly is: 'power'; readonly of: Term; readonly times: number; readonly span: Span }
  | { readonly is: 'function'; readonly name: FunctionName; readonly of: Term; readonly span: Span }

export interface Relation {
  /** What stands before the `=`: the name of the result. */
  readonly result: string
  readonly term: Term
  /** The names that it wants values for, in the order they are written. */
  readonly names: readonly string[]
}
export interface RelationProblem extends Advice {
  readonly span: Span
}

const NAME = /^[A-Za-z\u0370-\u03ff_][A-Za-z0-9\u0370-\u03ff_']*/
const NUMBER = /^(?:\d+(?:\.\d*)?|\.\d+)(?:[eE][+-]?\d+)?/
const LONGEST = 200
const DEEPEST = 40

class Unreadable extends Error {
  constructor(readonly problem: RelationProblem) {
    super(problem.why)
  }
}

/** Reads a relation: `+ − × · * ÷ / ^`, brackets, the functions of the table, and `M(formula)` for a molar mass. */
export function parseRelation(text: string): Checked<Relation, RelationProblem> {
  const refuse = (span: Span, why: string, fix: string): never => {
    throw new Unreadable({ span, why, fix })
  }
  if (text.length > LONGEST)
    return fail({
      span: [LONGEST, text.length],
      why: `A relation has ${LONGEST} characters at most.`,
      fix: 'Work it out in two worksheets.',
    })
  const equals = text.indexOf('=')
  const result = text.slice(0, Math.max(0, equals)).trim()
  if (equals < 0 || result === '')
    return fail({
      span: [0, text.length],
      why: 'A relation has a name before its equals sign.',
      fix: 'Write it as on paper: w = c * V * M(Fe) / m.',
    })
  const names: string[] = []
  let at = equals + 1
  const skip = (): void => {
    while (/\s/.test(text[at] ?? '')) at++
  }
  const next = (): string => {
    skip()
    return text[at] ?? ''
  }
  const here = (): Span => [at, Math.min(text.length, at + 1)]

  function readSum(depth: number): Term {
    if (depth > DEEPEST) refuse(here(), 'The brackets are nested too deep.', 'Work it out in two worksheets.')
    const start = at
    const parts: [1 | -1, Term][] = []
    let sign: 1 | -1 = 1
    if (/[-−+]/.test(next())) sign = text[at++] === '+' ? 1 : -1
    for (;;) {
      parts.push([sign, readProduct(depth)])
      if (!/[-−+]/.test(next()) || next() === '') break
      sign = text[at++] === '+' ? 1 : -1
    }
    const [first] = parts
    return first && parts.length === 1 && first[0] === 1 ? first[1] : { is: 'sum', parts, span: [start, at] }
  }
  function readProduct(depth: number): Term {
    const start = at
    const over = [readPower(depth)]
    const under: Term[] = []
    while (/[*×·÷/]/.test(next()) && next() !== '') {
      const isUnder = /[÷/]/.test(text[at++] ?? '')
      ;(isUnder ? under : over).push(readPower(depth))
    }
    const [only] = over
    return only && over.length === 1 && under.length === 0 ? only : { is: 'product', over, under, span: [start, at] }
  }
  function readPower(depth: number): Term {
    const start = at
    const of = readOne(depth)
    if (next() !== '^') return of
    at++
    skip()
    const sign = /[-−]/.test(text[at] ?? '') ? (at++, -1) : 1
    const [digits] = NUMBER.exec(text.slice(at)) ?? []
    if (digits === undefined) return refuse(here(), 'A power is a number.', 'Write ^2 or ^0.5.')
    at += digits.length
    return { is: 'power', of, times: sign * Number(digits), span: [start, at] }
  }
  function readOne(depth: number): Term {
    const open = next()
    const start = at
    if (open === '(') {
      at++
      const inner = readSum(depth + 1)
      close(start)
      return inner
    }
    const [digits] = NUMBER.exec(text.slice(at)) ?? []
    if (digits !== undefined) {
      at += digits.length
      return { is: 'number', value: Number(digits), text: digits }
    }
    const [name] = NAME.exec(text.slice(at)) ?? []
    if (name === undefined)
      return open === ''
        ? refuse([start, start], 'The relation ends where a value should follow.', 'Write what comes next.')
        : refuse(here(), `“${open}” does not read here.`, 'Write a name, a number, or an opening bracket.')
    at += name.length
    if (next() !== '(') {
      if (!names.includes(name)) names.push(name)
      return { is: 'name', name, span: [start, start + name.length] }
    }
    if (name === 'M') return readMolarMass(start)
    if (!Object.hasOwn(functions, name))
      return refuse(
        [start, start + name.length],
        `“${name}” is no function here.`,
        `Use ${Object.keys(functions).join(', ')}, or M( ) for a molar mass; between two values stands *.`,
      )
    at++
    const of = readSum(depth + 1)
    close(start)
    return { is: 'function', name: name as FunctionName, of, span: [start, at] }
  }
  function readMolarMass(start: number): Term {
    const from = ++at
    for (let depth = 1; depth > 0; at++) {
      if (at >= text.length) return refuse([start, text.length], 'A bracket is not closed.', 'Write M(CuSO4).')
      if (text[at] === '(') depth++
      else if (text[at] === ')') depth--
    }
    return { is: 'molar mass', formula: text.slice(from, at - 1).trim(), span: [from, at - 1] }
  }
  function close(start: number): void {
    if (next() !== ')') refuse([start, Math.max(start + 1, at)], 'A bracket is not closed.', 'Close it with ).')
    at++
  }

  try {
    const term = readSum(0)
    if (next() !== '')
      return fail({
        span: here(),
        why: `“${text[at]}” does not read here.`,
        fix: 'Between two values stands + − * or /.',
      })
    return ok({ result, term, names })
  } catch (error) {
    if (error instanceof Unreadable) return fail(error.problem)
    throw error
  }
}
