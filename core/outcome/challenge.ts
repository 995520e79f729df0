import type { StageProcedure } from '#core/procedure'
import { formatValue, standardUncertainty } from '#core/quantity'
import { molarMass, type Formula } from '#core/formula'
import { isProductForm, liquorOf, washingsOf } from './account'
import type { Forecast } from './account'
import type { Tape } from './tape'

/** What a yield is challenged with. Masses in g; `used` is the share of the limiting reagent that did not come back. */
export interface Challenged {
  readonly tape?: Tape
  readonly model?: Forecast
  readonly product: Formula
  readonly theoretical: number
  readonly used: number
  readonly actual: number
}

/** How well what a liquor and a wash keep of a product is known; a judgement, the ledger's. */
const MODEL_SPREAD = 0.1

/**
 * A yield that the account does not allow: more crystals were weighed than are left once liquor and washings have kept theirs. In words with its numbers; undefined where the yield is possible, or
 * nothing is known of what stays behind.
 */
export function challengeOf({ tape, model, product, theoretical, used, actual }: Challenged): string | undefined {
  if (!tape || !model) return undefined
  const molar = molarMass(product)
  const kept = (portions: (one: StageProcedure) => ReturnType<typeof liquorOf>) => (one: StageProcedure) =>
    portions(one)
      .filter(portion => isProductForm(portion, product))
      .reduce((sum, { amount }) => sum + amount, 0)
  const liquor = tape.amount(`{${product.text}} in the liquor`, kept(liquorOf), MODEL_SPREAD)
  const wash = tape.amount(`{${product.text}} in the washings`, kept(washingsOf), MODEL_SPREAD)
  const most = theoretical * used - (liquor.value + wash.value) * molar
  const spread = Math.hypot(standardUncertainty(liquor), standardUncertainty(wash)) * molar
  const over = actual - most
  if (!(over > 2 * spread) || actual > theoretical * used) return undefined
  const mass = (grams: number): string => formatValue(grams, 'mass', 3)
  const washed = wash.value * molar > spread ? ` and the wash took ${mass(wash.value * molar)}` : ''
  return `More than the account allows: the liquor keeps ${mass(liquor.value * molar)} as {${product.text}}${washed}, so at most ${mass(Math.max(0, most))} could come, give or take ${mass(spread)}, and ${mass(actual)} were weighed. Was it boiled down further, or cooled deeper, than the steps say? Is it wet, or mixed? A reading of the pot would tell.`
}
