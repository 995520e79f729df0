import { molarMassFigure, parseFormula } from '#core/formula'
import { fail, ok, type Checked, type Span } from '#core/problem'
import {
  applied,
  dimensionOf,
  dimensionText,
  exact,
  kindOf,
  product,
  sameDimension,
  sizeOf,
  sum,
  timesDimension,
  type Dimension,
  type Figure,
} from '#core/quantity'
import type { RelationProblem, Term } from './relation-parse'

/** A figure and how many base units one of its unit is. */
interface Sized {
  readonly figure: Figure
  readonly of: Dimension
  readonly size: number
}
type Worked = Checked<Sized, RelationProblem>

const NONE: Dimension = {}
/** From degrees Celsius, in which temperatures are held, to kelvins, in which relations hold. */
const ZERO_CELSIUS = 273.15

const asSized = (figure: Figure): Sized => ({ figure, of: dimensionOf(figure.kind), size: sizeOf(figure.kind) })

/**
 * Works a relation out with figures for its names: the value, its units and its uncertainty at once, since it is a graph of figures like any other. Refuses
 * where units do not go together, and where there is no number.
 */
export function workRelation(
  term: Term,
  figures: Readonly<Record<string, Figure>>,
  name = 'result',
): Checked<{ readonly figure: Figure; readonly of: Dimension }, RelationProblem> {
  const worked = workTerm(term, figures, name)
  if (!worked.ok) return worked
  if (!Number.isFinite(worked.value.figure.value))
    return fail({
      span: spanOf(term),
      why: 'With these values there is no number: something is divided by zero, or a root or logarithm has none.',
      fix: 'Check the readings and the relation.',
    })
  return ok(worked.value)
}

const spanOf = (term: Term): Span => ('span' in term ? term.span : [0, 0])

function workTerm(term: Term, figures: Readonly<Record<string, Figure>>, name: string): Worked {
  switch (term.is) {
    case 'number':
      return ok(asSized(exact(term.value, 'number', term.text, term.text)))
    case 'name':
      return workName(term.name, term.span, figures)
    case 'molar mass': {
      const formula = parseFormula(term.formula)
      return formula.ok
        ? ok(asSized(molarMassFigure(formula.value)))
        : fail({ span: term.span, why: `“${term.formula}” is no formula.`, fix: 'Write M(CuSO4·5H2O).' })
    }
    case 'sum':
      return workSum(term, figures, name)
    case 'product':
      return workProduct(term, figures, name)
    case 'power':
      return workPower(term, figures, name)
    case 'function': {
      const of = workTerm(term.of, figures, partOf(name))
      if (!of.ok) return of
      if (term.name === 'sqrt') return ok(rootOf(of.value, name))
      if (!sameDimension(of.value.of, NONE))
        return fail({
          span: term.span,
          why: `${term.name}( ) takes a plain number, and this is in ${dimensionText(of.value.of)}.`,
          fix: 'Divide by a value in the same unit.',
        })
      return ok(asSized(applied(name, 'number', term.name, inNumbers(of.value))))
    }
  }
}

const partOf = (name: string): string => (name.startsWith('part of ') ? name : `part of ${name}`)

function workName(name: string, span: Span, figures: Readonly<Record<string, Figure>>): Worked {
  const figure = figures[name]
  if (!figure)
    return fail({ span, why: `${name} has no value yet.`, fix: 'Give it in the row, or among what is held.' })
  if (figure.kind !== 'temperature') return ok(asSized(figure))
  const kelvins = sum(`${name} in kelvins`, [
    [1, figure],
    [1, exact(ZERO_CELSIUS, 'temperature', '', '273.15')],
  ])
  return ok(asSized({ ...kelvins, unit: 'K' }))
}

function workSum(
  { parts, span }: Extract<Term, { is: 'sum' }>,
  figures: Readonly<Record<string, Figure>>,
  name: string,
): Worked {
  const terms: [number, Sized][] = []
  for (const [weight, part] of parts) {
    const worked = workTerm(part, figures, partOf(name))
    if (!worked.ok) return worked
    terms.push([weight, worked.value])
  }
  const [, first] = terms[0]!
  const other = terms.find(([, { of }]) => !sameDimension(of, first.of))
  if (other)
    return fail({
      span,
      why: `A value in ${told(first.of)} and one in ${told(other[1].of)} cannot be added.`,
      fix: 'Check which of them is multiplied or divided before.',
    })
  const added = sum(
    name,
    terms.map(([weight, one]) => [(weight * one.size) / first.size, one.figure] as const),
  )
  return ok({ figure: { ...added, unit: first.figure.unit }, of: first.of, size: first.size })
}
const told = (of: Dimension): string => dimensionText(of) || 'plain numbers'

function workProduct(
  { over, under }: Extract<Term, { is: 'product' }>,
  figures: Readonly<Record<string, Figure>>,
  name: string,
): Worked {
  const read: { above: Sized[]; below: Sized[] } = { above: [], below: [] }
  for (const [terms, into] of [
    [over, read.above],
    [under, read.below],
  ] as const)
    for (const term of terms) {
      const worked = workTerm(term, figures, partOf(name))
      if (!worked.ok) return worked
      into.push(worked.value)
    }
  return ok(multiplied(read.above, read.below, name))
}

/** Brought to the unit of the kind that these powers make, or to base units where none does. */
function multiplied(above: readonly Sized[], below: readonly Sized[], name: string): Sized {
  const of = [...above.map(one => [one, 1] as const), ...below.map(one => [one, -1] as const)].reduce<Dimension>(
    (all, [one, times]) => timesDimension(all, one.of, times),
    NONE,
  )
  const kind = kindOf(of)
  const size = kind ? sizeOf(kind) : 1
  const conversion =
    above.reduce((all, one) => all * one.size, 1) / below.reduce((all, one) => all * one.size, 1) / size
  const figure = product(
    name,
    kind ?? 'number',
    above.map(one => one.figure),
    below.map(one => one.figure),
    Math.abs(conversion - 1) < 1e-12 ? 1 : conversion,
  )
  return { figure: kind ? figure : { ...figure, unit: dimensionText(of) }, of, size }
}

function workPower(
  { of, times, span }: Extract<Term, { is: 'power' }>,
  figures: Readonly<Record<string, Figure>>,
  name: string,
): Worked {
  const worked = workTerm(of, figures, partOf(name))
  if (!worked.ok) return worked
  const whole = Math.abs(times)
  if (Number.isInteger(whole) && whole <= 12) {
    const factors = Array.from({ length: whole }, () => worked.value)
    return ok(times >= 0 ? multiplied(factors, [], name) : multiplied([], factors, name))
  }
  if (Number.isInteger(2 * whole) && whole <= 6) {
    const factors = Array.from({ length: 2 * whole }, () => worked.value)
    const squared = times >= 0 ? multiplied(factors, [], partOf(name)) : multiplied([], factors, partOf(name))
    return ok(rootOf(squared, name))
  }
  return fail({ span, why: 'Powers are whole or half numbers up to 12.', fix: 'Use exp( ) and ln( ) for others.' })
}

/** The root of the base units; brought to the unit of the kind that it makes, where there is one. */
function rootOf({ figure, of, size }: Sized, name: string): Sized {
  const half = timesDimension(NONE, of, 0.5)
  const kind = kindOf(half)
  const root = applied(name, 'number', 'sqrt', size === 1 ? figure : product(figure.name, 'number', [figure], [], size))
  return kind
    ? { figure: product(name, kind, [root], [], 1 / sizeOf(kind)), of: half, size: sizeOf(kind) }
    : { figure: { ...root, unit: dimensionText(half) }, of: half, size: 1 }
}

const inNumbers = ({ figure, size }: Sized): Figure =>
  size === 1 ? figure : product(figure.name, 'number', [figure], [], size)

/** A worked relation in a unit that was asked for; refuses one that measures something else. */
export function inUnit(
  { figure, of }: { readonly figure: Figure; readonly of: Dimension },
  unit: { readonly kind: Figure['kind'] },
): Figure | undefined {
  if (!sameDimension(dimensionOf(unit.kind), of)) return undefined
  const made = kindOf(of)
  const conversion = (made ? sizeOf(made) : 1) / sizeOf(unit.kind)
  return conversion === 1 ? { ...figure, kind: unit.kind } : product(figure.name, unit.kind, [figure], [], conversion)
}
