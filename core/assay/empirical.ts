import { findElement, molarMassFigure, parseFormula } from '#core/formula'
import { fail, ok, type Checked } from '#core/problem'
import { product, standardUncertainty, type Figure } from '#core/quantity'
import type { AssayProblem } from './problems'

export interface Empirical {
  /** Atoms of each element to one of the scarcest, in the order given. */
  readonly ratios: readonly { readonly symbol: string; readonly ratio: Figure }[]
  readonly formula: string
}

/** Of the scarcest element no formula that is worth the name holds more atoms: with larger numbers any ratio fits one. */
const MOST = 5
/**
 * However well the masses are known, a class's crucible is good for five parts in a hundred of a ratio to one atom (0.88 g of zinc with 1.00 g of chlorine is taken
 * for ZnCl2), and for a part of that where the formula has more, since its numbers lie closer; nor for more than an eighth of an atom. Common practice, no source.
 */
const ALLOWANCE = 0.05
const ATOMS = 1 / 8

/** Ratio of atoms and smallest whole formula from the masses of elements. Refuses what is no element, and ratios that no small formula meets within
 * their uncertainty: it names the nearest and how far off that is. */
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
  const tries = Array.from({ length: MOST }, (_, i) => attempt(ratios, i + 1))
  const fitting = tries.find(({ off }) => off <= 1)
  if (fitting) return ok({ ratios, formula: fitting.formula })
  const nearest = tries.reduce((a, b) => (b.off < a.off ? b : a))
  return fail({
    code: 'empirical.no-fit',
    ratios: ratios.map(({ symbol, ratio }) => `${symbol} ${ratio.value.toFixed(3)}`),
    nearest: nearest.formula,
    percentOff: nearest.percentOff,
  })
}

interface Attempt {
  readonly formula: string
  /** The worst ratio's distance from its whole number, over what is allowed it; and in percent of it. */
  readonly off: number
  readonly percentOff: number
}

/** The formula with so many of the scarcest element, and how far the ratios lie from it. */
function attempt(ratios: Empirical['ratios'], times: number): Attempt {
  let [off, percentOff] = [0, 0]
  const formula = ratios
    .map(({ symbol, ratio }) => {
      const count = Math.max(1, Math.round(ratio.value * times))
      const away = Math.abs(ratio.value * times - count) / count
      const spread = (2 * standardUncertainty(ratio)) / ratio.value
      const allowed = Math.max(spread, Math.min(ALLOWANCE / times, ATOMS / count))
      off = Math.max(off, away / allowed)
      percentOff = Math.max(percentOff, 100 * away)
      return symbol + (count === 1 ? '' : count)
    })
    .join('')
  return { formula, off, percentOff }
}
