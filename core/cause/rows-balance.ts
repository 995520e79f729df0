import { heardOf, grams, heard, type Cause, type Sized } from './cause'
import { slips } from './slips'
import { anywhere, mixed, only } from './sizes'
import type { YieldFacts } from './yield-facts'

/** Numbers that are not what the balance had on it: digits swapped, a vessel or its tare mistaken. */
export const misread = (facts: YieldFacts): Cause[] => [...digits(facts), ...tare(facts)]

/** Two neighbouring digits of a reading are swapped in so many of a hand's readings; common practice, no source. */
const SWAPPED = 0.01

/** Every swap of two digits that would make it another yield; what an instrument sent was never in a hand. */
function digits(facts: YieldFacts): Cause[] {
  const { percent, dryness } = facts
  // Two weighings that agree were not both swapped.
  const isAgreed = dryness.difference !== undefined && !dryness.isRising && !dryness.isFalling
  const typed = facts.readings.filter(({ isTyped, isProduct }) => isTyped && !(isProduct && isAgreed))
  const swaps = typed.flatMap(reading =>
    slips(reading.text).flatMap((text): Omit<Sized, 'weight'>[] => {
      const other = reading.percentIf(text)
      if (other === undefined || !(other > 0.02) || other > 1.5) return []
      const by = percent / other
      return [
        {
          effect: reading.isProduct ? { misread: by } : { made: by },
          amount: `${reading.what} ${text}, not ${reading.text}`,
        },
      ]
    }),
  )
  if (swaps.length === 0) return []
  return [
    {
      code: 'digits swapped',
      title: 'Two digits of a reading swapped',
      usual: Math.min(0.05, SWAPPED * typed.length),
      usualWhy: 'of a hundred numbers that a hand copies, one has two digits swapped',
      sizes: swaps.map(one => ({ ...one, weight: 1 / swaps.length })),
      heard: [],
      test: 'weigh again',
    },
  ]
}

/** g of a filter paper, a weighing boat or dish, a beaker; common practice, no source. */
const VESSELS = { paper: [0.3, 2.5], dish: [5, 60] } as const

function tare({ tares, hasTare, dryness, actual }: YieldFacts): Cause[] {
  const extra = (mass: number) => ({ effect: { offset: mass }, amount: `${grams(mass)} of vessel or paper` })
  const known = [...new Set(tares)].filter(mass => mass > 0 && mass < actual)
  return [
    {
      code: 'tare',
      title: hasTare
        ? 'Another vessel or paper than the one whose tare was read'
        : 'The vessel or the paper was weighed with it',
      usual: hasTare ? 0.006 : 0.012,
      usualWhy: hasTare
        ? 'its tare was read, and it may have been another’s'
        : 'no tare of its own stands in the journal',
      sizes: mixed(
        [
          known.length > 0 ? 0.3 : 0,
          known.flatMap(mass => only(`${grams(mass)}, a vessel of this batch`, { offset: mass })),
        ],
        [0.4, anywhere(VESSELS.paper[0], VESSELS.paper[1], extra)],
        [hasTare ? 0 : 0.2, anywhere(VESSELS.dish[0], VESSELS.dish[1], extra)],
        [
          hasTare ? 0.3 : 0,
          anywhere(0.3, 3, mass => ({ effect: { offset: -mass }, amount: `${grams(mass)} too much taken off` })),
        ],
      ),
      heard: heardOf(
        heard(dryness.isConstant && 'It is dry to constant mass, with the same vessel each time.', 0.6, 0.5),
      ),
      test: 'weigh the vessel',
    },
  ]
}
