import {
  balance as balanceEquation,
  explainEquation,
  parseEquation,
  printReaction,
  type EquationProblem,
  type Term,
} from '#core/equation'
import { fail, ok } from '#core/problem'
import { readText } from '../input'
import type { Command } from './command'

const terms = (side: readonly Term[]) =>
  side.map(({ species, coefficient }) => ({ formula: species.formula.text, coefficient }))

function refused(problem: EquationProblem) {
  const { why, fix } = explainEquation(problem)
  return fail({ code: problem.code, message: why, at: problem.span, hint: fix })
}

export const balance: Command = {
  name: 'balance',
  takes: 'EQUATION',
  about: 'smallest whole coefficients, or the independent reactions',
  help: `EQUATION with ->, → , = or ⇌, or - to read it from standard input. Coefficients that stand there are ignored.

  bin/zl balance 'KMnO4 + HCl -> KCl + MnCl2 + H2O + Cl2'`,
  run(argument) {
    const text = readText(argument)
    if (!text.ok) return text
    const equation = parseEquation(text.value)
    if (!equation.ok) return refused(equation.problem)
    const balanced = balanceEquation(equation.value)
    if (!balanced.ok) return refused(balanced.problem)
    if (!balanced.value.unique) return ok({ unique: false, basis: balanced.value.basis.map(printReaction) })
    const { reaction } = balanced.value
    return ok({
      equation: printReaction(reaction),
      unique: true,
      reactants: terms(reaction.reactants),
      products: terms(reaction.products),
    })
  },
}
