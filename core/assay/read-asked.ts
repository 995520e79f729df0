import { balance, explainEquation, parseEquation, type Reaction } from '#core/equation'
import { explainFormula, parseFormula, type Formula } from '#core/formula'
import { explainQuantity, parseQuantity, type Figure } from '#core/quantity'
import type { Asked, AskedValues, Column, FieldProblem } from './worksheet-kind'

/** Reads what a worksheet asks for; what is empty is left out, what does not read is a problem at its field. */
export function readAsked(
  asked: readonly Asked[],
  given: Readonly<Record<string, string>>,
): AskedValues & { readonly problems: readonly FieldProblem[] } {
  const problems: FieldProblem[] = []
  const formulas: Record<string, Formula> = {}
  const figures: Record<string, Figure> = {}
  const reactions: Record<string, Reaction> = {}
  const texts: Record<string, string> = {}
  for (const { key, label, what, kinds = [], nonZero } of asked) {
    const text = given[key]?.trim() ?? ''
    if (text === '') continue
    if (what === 'formula') {
      const read = parseFormula(text)
      if (read.ok) formulas[key] = read.value
      else problems.push({ key, span: read.problem.span, ...explainFormula(read.problem) })
    } else if (what === 'quantity') {
      const name = label.toLowerCase()
      const read = parseQuantity(text, { kinds, name, source: name, zero: !nonZero })
      if (read.ok) figures[key] = read.value
      else problems.push({ key, span: read.problem.span, ...explainQuantity(read.problem) })
    } else if (what === 'equation') {
      const read = readReaction(text)
      if ('problem' in read) problems.push({ key, ...read.problem })
      else reactions[key] = read.reaction
    } else texts[key] = text
  }
  return { formulas, figures, reactions, texts, problems }
}

type ReadReaction = { readonly reaction: Reaction } | { readonly problem: Omit<FieldProblem, 'key'> }
function readReaction(text: string): ReadReaction {
  const equation = parseEquation(text)
  if (!equation.ok) return { problem: { span: equation.problem.span, ...explainEquation(equation.problem) } }
  const reaction = balance(equation.value)
  if (!reaction.ok) return { problem: { span: reaction.problem.span, ...explainEquation(reaction.problem) } }
  if (!reaction.value.unique)
    return {
      problem: {
        why: 'Several independent reactions share these species.',
        fix: 'Give the one that the assay follows.',
      },
    }
  return { reaction: reaction.value.reaction }
}

/** Reads a row's cells; `row` tells one weighing's error from another's. */
export function readRow(
  columns: readonly Column[],
  row: Readonly<Record<string, string>>,
  number: number,
): { cells: Record<string, Figure>; problems: FieldProblem[] } {
  const cells: Record<string, Figure> = {}
  const problems: FieldProblem[] = []
  for (const { key, label, kinds, negative, nonZero } of columns) {
    const text = row[key] ?? ''
    if (text.trim() === '' || kinds.length === 0) continue
    const name = label.toLowerCase()
    const read = parseQuantity(text, {
      kinds,
      name,
      source: `${name}, row ${number}`,
      zero: !nonZero,
      ...(negative && { negative }),
    })
    if (read.ok) cells[key] = read.value
    else problems.push({ key, span: read.problem.span, ...explainQuantity(read.problem) })
  }
  return { cells, problems }
}
