import { elementShares, explainFormula, hill, molarMassFigure, parseFormula } from '#core/formula'
import { fail, ok } from '#core/problem'
import { standardUncertainty } from '#core/quantity'
import { readText } from '../input'
import type { Command } from './command'

export const mass: Command = {
  name: 'mass',
  takes: 'FORMULA',
  about: 'molar mass, its uncertainty, and the composition',
  help: `FORMULA as chemists type it, or - to read it from standard input.

  bin/zl mass 'CuSO4.5H2O'`,
  run(argument) {
    const text = readText(argument)
    if (!text.ok) return text
    const read = parseFormula(text.value)
    if (!read.ok) {
      const { why, fix } = explainFormula(read.problem)
      return fail({ code: read.problem.code, message: why, at: read.problem.span, hint: fix })
    }
    const formula = read.value
    const molarMass = molarMassFigure(formula)
    return ok({
      formula: formula.text,
      hill: hill(formula.composition),
      charge: formula.charge,
      molarMass: molarMass.value,
      uncertainty: standardUncertainty(molarMass),
      elements: Object.fromEntries(
        elementShares(formula).map(({ symbol, count, mass, percent }) => [symbol, { count, mass, percent }]),
      ),
    })
  },
}
