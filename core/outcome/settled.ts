import { molarMassFigure, parseFormula } from '#core/formula'
import { difference, exact, product, sum, type Figure } from '#core/quantity'
import type { ReagentLine, StageSheet } from '#core/sheet'
import type { Recovered } from './recovered'

/** The share of the limiting reagent that was used up, a fraction of one; undefined where none of it came back, or more than was charged. */
export function shareUsed(sheet: StageSheet, recovered: readonly Recovered[]): Figure | undefined {
  const back = recovered.find(({ limits, amount }) => limits && amount.value > 0)
  const line = back && sheet.reagents.find(({ species }) => species === back.species)
  if (!back || !line || back.amount.value >= line.amount.value) return undefined
  return difference(
    `share of {${back.species}} used up`,
    exact(1, 'number', 'all of it'),
    product(`share of {${back.species}} that came back`, 'number', [back.amount], [line.amount]),
  )
}

/** The sheet as far as the reaction went: with part of the limiting reagent back, less was made and more of the others is left. */
export function settle(sheet: StageSheet, used: Figure | undefined): StageSheet {
  if (!used) return sheet
  return {
    ...sheet,
    reagents: sheet.reagents.map(line =>
      line.planned && !line.limits ? { ...line, leftover: leftOf(line, used) } : line,
    ),
    products: sheet.products.map(line => ({
      ...line,
      amount: product(line.amount.name, 'amount', [line.amount, used]),
      theoretical: product(line.theoretical.name, 'mass', [line.theoretical, used]),
    })),
  }
}

function leftOf({ species, amount, consumed, leftover }: ReagentLine, used: Figure): ReagentLine['leftover'] {
  const taken = product(`{${species}} really used up`, 'amount', [consumed, used])
  const left = difference(leftover.amount.name, amount, taken)
  const read = parseFormula(species)
  if (!read.ok) return leftover
  const more = difference(`{${species}} not used up`, consumed, taken)
  const mass = sum(leftover.mass.name, [
    [1, leftover.mass],
    [1, product(`mass of the {${species}} not used up`, 'mass', [more, molarMassFigure(read.value)])],
  ])
  return { ...leftover, amount: left, mass }
}
