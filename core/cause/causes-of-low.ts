import { digitSlip } from './digit-slip'
import type { Explanation } from './explanation'
import { lostOnTheWay } from './low-lost'
import { miscounted } from './low-miscounted'
import { neverMade } from './low-not-made'
import type { YieldFacts } from './yield-facts'

/** What could make a yield less than was planned. */
export const causesOfLow = (facts: YieldFacts): Explanation[] => [
  ...lostOnTheWay(facts),
  ...neverMade(facts),
  ...miscounted(facts),
  ...digitSlip(facts),
]
