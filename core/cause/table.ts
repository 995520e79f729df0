import type { Cause } from './cause'
import type { YieldFacts } from './yield-facts'
import { misread } from './rows-balance'
import { beside } from './rows-beside'
import { otherForms } from './rows-forms'
import { lost } from './rows-lost'
import { miscounted } from './rows-miscounted'
import { unmade } from './rows-unmade'
import { water } from './rows-water'

/** The table of evidence for one batch: every cause that it leaves possible, with its sizes, how usual it is, and what was recorded for and against it. */
export const tableFor = (facts: YieldFacts): Cause[] => [
  ...water(facts),
  ...otherForms(facts),
  ...beside(facts),
  ...unmade(facts),
  ...lost(facts),
  ...miscounted(facts),
  ...misread(facts),
]
