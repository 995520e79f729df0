import type { Spread } from './monte-carlo'
import { lastPlace } from './with-uncertainty'

/**
 * Whether the first order tells the same 95 % interval as the draws: both ends within half a unit of the second digit of the standard uncertainty
 * (JCGM 101:2008, 8.1). A deviation that agrees is not enough: of evenly spread inputs the interval is narrower.
 */
export function firstOrderHolds({ low, high }: Spread, value: number, uncertainty: number): boolean {
  if (!(uncertainty > 0)) return low === high
  const within = 0.5 * 10 ** -lastPlace(uncertainty)
  const half = 1.959964 * uncertainty
  return Math.abs(value - half - low) <= within && Math.abs(value + half - high) <= within
}
