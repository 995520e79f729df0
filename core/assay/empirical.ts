import { findElement, molarMassFigure, parseFormula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { product, type Figure } from '#core/quantity'
import type { AssayProblem } from './problems'

export interface Empirical {
  /** Atoms of each element to one of the scarcest, in the order given. */
  readonly ratios: readonly { readonly symbol: string; readonly ratio: Figure }[]
  readonly formula: string
}

const MOST = 12
/** How far a ratio may lie from a whole number and still count as it; common practice, no source. */
const TOLERANCE = 0.1

/** Ratio of atoms and smallest whole formula from the masses of elements. Refuses what is no element, and ratios that no small numbers fit. */
export function empiricalFormula(
  masses: readonly (readonly [symbol: string, mass: Figure])[],
): Checked<Empirical, AssayProblem> {
  const amounts: { symbol: string; amount: Figure }[] = []
  for (const [symbol, mass] of masses) {
    const element = findElement(symbol)
    const formula = parseFormula(symbol)
    if (!element || !formula.ok) return fail({ code: 'empirical.not-element', symbol })
    amounts.push({
      symbol,
      amount: product(`amount of {${symbol}}`, 'amount', [mass], [molarMassFigure(formula.value)]),
    })
  }
  if (amounts.length < 2) return fail({ code: 'empirical.too-few' })
  const least = amounts.reduce((a, b) => (b.amount.value < a.amount.value ? b : a)).amount
  const ratios = amounts.map(({ symbol, amount }) => ({
    symbol,
    ratio: product(`{${symbol}} to one`, 'number', [amount], [least]),
  }))
  for (let times = 1; times <= MOST; times++) {
    const counts = ratios.map(({ ratio }) => ratio.value * times)
    if (counts.some(count => Math.abs(count - Math.round(count)) > TOLERANCE)) continue
    const formula = ratios
      .map(({ symbol }, i) => symbol + (Math.round(counts[i]!) === 1 ? '' : Math.round(counts[i]!)))
      .join('')
    return ok({ ratios, formula })
  }
  return fail({
    code: 'empirical.no-fit',
    ratios: ratios.map(({ symbol, ratio }) => `${symbol} ${ratio.value.toFixed(2)}`),
  })
}
