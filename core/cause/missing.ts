import { grams } from './cause'
import type { YieldFacts } from './yield-facts'

/** g of product that are missing to what was expected. */
export const missingOf = ({ planned, theoretical, actual }: YieldFacts): number => planned * theoretical - actual
export const missingText = (facts: YieldFacts, of = 'of product'): string =>
  `${grams(missingOf(facts))} ${of} less than was expected.`
