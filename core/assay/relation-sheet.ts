import {
  explainQuantity,
  findUnit,
  fixedUnit,
  parseQuantity,
  unitsOf,
  dimensionText,
  type Figure,
  type Kind,
} from '#core/quantity'
import type { Cells, Column, FieldProblem, Method, Shape, SheetKind, Unit, Worked, Worksheet } from './worksheet-kind'
import { NOT_YET } from './worksheet-kind'
import { parseRelation } from './relation-parse'
import { inUnit, workRelation } from './relation-work'

const ANY = Object.keys(fixedUnit) as Kind[]
const MOST_COLUMNS = 8

const shape: Shape = {
  name: 'A relation of your own',
  about:
    'Write the relation as on paper: + − * / ^ and brackets, sqrt( ), ln( ), log( ), exp( ), sin( ), cos( ), and M(CuSO4·5H2O) for a molar mass. Each name in it becomes a column, or is held for all rows; units are checked, and the uncertainty and the working come as everywhere. Temperatures count in kelvins.',
  asked: [
    { key: 'relation', label: 'Relation', what: 'text', wide: true, example: 'w = c * (V - V0) * 5 * M(Fe) / m' },
    {
      key: 'held',
      label: 'Held for all rows, each behind a semicolon',
      what: 'text',
      wide: true,
      optional: true,
      example: 'c = 0.02000 ± 0.00004 mol/L; V0 = 0.05 mL',
    },
    { key: 'unit', label: 'Result in', what: 'text', optional: true, example: '%' },
  ],
  columns: [],
  result: 'Result',
  unit: { scale: 1, text: '' },
  rows: 'replicates',
}

type Held = { readonly figures: Readonly<Record<string, Figure>>; readonly problems: readonly FieldProblem[] }

/** `c = 0.02 mol/L; V0 = 0.05 mL`: figures by name. */
function readHeld(text = ''): Held {
  const figures: Record<string, Figure> = {}
  const problems: FieldProblem[] = []
  let at = 0
  for (const piece of text.split(';')) {
    const start = at
    at += piece.length + 1
    if (piece.trim() === '') continue
    const equals = piece.indexOf('=')
    const name = piece.slice(0, Math.max(0, equals)).trim()
    if (name === '') {
      problems.push({
        key: 'held',
        span: [start, start + piece.length],
        why: 'This is no name with a value.',
        fix: 'Write c = 0.0200 mol/L, and a semicolon before the next.',
      })
      continue
    }
    const value = piece.slice(equals + 1)
    const offset = start + equals + 1
    const read = parseQuantity(value, { kinds: ANY, name, source: name, zero: true, negative: true, aboveWhole: true })
    if (read.ok) figures[name] = read.value
    else
      problems.push({
        key: 'held',
        span: [offset + read.problem.span[0], offset + read.problem.span[1]],
        ...explainQuantity(read.problem),
      })
  }
  return { figures, problems }
}

/** One column for each name of the relation that has no value held for all rows. */
function columnsFor(given: Worksheet['given']): Column[] {
  const relation = parseRelation(given.relation ?? '')
  if (!relation.ok) return []
  const { figures } = readHeld(given.held)
  return relation.value.names
    .filter(name => !Object.hasOwn(figures, name))
    .slice(0, MOST_COLUMNS)
    .map(name => ({ key: `v:${name}`, label: name, kinds: ANY, negative: true }))
}

const unitAsked = (given: Worksheet['given']) => (given.unit?.trim() ? findUnit(given.unit.trim()) : undefined)

/** The shape that a relation gives its worksheet: its columns, the name and the unit of its result. */
export function ownShape(worksheet: Worksheet): Shape {
  const { given } = worksheet
  const relation = parseRelation(given.relation ?? '')
  const asked = unitAsked(given)
  return {
    ...shape,
    columns: columnsFor(given),
    result: relation.ok ? relation.value.result : shape.result,
    unit: asked ? { scale: 1 / asked.size, text: asked.symbol } : madeUnit(worksheet),
  }
}

/** Where no unit is asked for, the one that the first row's values make. */
function madeUnit({ given, rows }: Worksheet): Unit {
  const relation = parseRelation(given.relation ?? '')
  if (!relation.ok) return shape.unit
  const held = readHeld(given.held).figures
  for (const row of rows) {
    const cells: Record<string, Figure> = { ...held }
    for (const { key, label } of columnsFor(given)) {
      const read = parseQuantity(row[key] ?? '', { kinds: ANY, name: label, source: label, zero: true, negative: true })
      if (read.ok) cells[label] = read.value
    }
    const worked = workRelation(relation.value.term, cells, relation.value.result)
    if (worked.ok) return { scale: 1, text: dimensionText(worked.value.of) }
  }
  return shape.unit
}

/** A relation that the chemist writes, worked out for each row. */
export const ownSheet: SheetKind = {
  shape,
  method({ texts }): Method {
    if (!texts.relation) return NOT_YET
    const relation = parseRelation(texts.relation)
    if (!relation.ok) return { problems: [{ key: 'relation', ...relation.problem }] }
    const { result, term, names } = relation.value
    const held = readHeld(texts.held)
    const problems = [...held.problems, ...unusedNames(held, names), ...unitProblems(texts), ...tooMany(names, held)]
    const unit = unitAsked(texts)
    if (problems.length > 0) return { problems }
    return {
      problems: [],
      work(cells): Worked {
        const figures = { ...held.figures, ...byName(cells) }
        if (names.some(name => !Object.hasOwn(figures, name))) return undefined
        const worked = workRelation(term, figures, result)
        if (!worked.ok) return { problem: placed(worked.problem, names, cells) }
        if (!unit) return { value: worked.value.figure }
        const told = inUnit(worked.value, unit)
        return told
          ? { value: told }
          : { problem: placed(otherUnit(dimensionText(worked.value.of), unit.symbol), names, cells) }
      },
    }
  },
}

const otherUnit = (made: string, asked: string) => ({
  why: `The relation gives ${made || 'a plain number'}, not ${asked}.`,
  fix: 'Check the relation, the units of the row, and “Result in”.',
})
/** A fault of the relation is shown at the first value of the row. */
const placed = (
  problem: { readonly why: string; readonly fix: string },
  names: readonly string[],
  cells: Cells,
): FieldProblem => ({
  key: names.map(name => `v:${name}`).find(key => cells[key]) ?? 'relation',
  why: problem.why,
  fix: problem.fix,
})
const byName = (cells: Cells): Record<string, Figure> =>
  Object.fromEntries(Object.entries(cells).map(([key, figure]) => [key.replace(/^v:/, ''), figure]))

const unusedNames = ({ figures }: Held, names: readonly string[]): FieldProblem[] =>
  Object.keys(figures)
    .filter(name => !names.includes(name))
    .map(name => ({
      key: 'held',
      why: `${name} is not in the relation.`,
      fix: 'Write it as the relation does, capitals too.',
    }))

const unitProblems = (given: Worksheet['given']): FieldProblem[] =>
  given.unit?.trim() && !unitAsked(given)
    ? [
        {
          key: 'unit',
          why: `“${given.unit.trim()}” is not a unit read here.`,
          fix: `Use ${unitsOf(ANY).slice(0, 24).join(', ')} or another of the tables.`,
        },
      ]
    : []

const tooMany = (names: readonly string[], { figures }: Held): FieldProblem[] =>
  names.filter(name => !Object.hasOwn(figures, name)).length > MOST_COLUMNS
    ? [
        {
          key: 'relation',
          why: `More than ${MOST_COLUMNS} names have no value.`,
          fix: 'Hold those that are one for all rows.',
        },
      ]
    : []
