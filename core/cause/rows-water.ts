import { saw } from '#core/journal'
import { grams, heard, heardOf, type Cause } from './cause'
import { about, mixed, rather } from './sizes'
import { wasDone, wasSkipped, type YieldFacts } from './yield-facts'

/** Water, and what the balance made of it: damp, taken up from the air, weighed hot. */
export const water = (facts: YieldFacts): Cause[] => [...wet(facts), ...takenUp(facts), ...hotVessel(facts)]

/** What a sucked cake holds of its mass, and what is left of that once it was dried somehow; common practice, no source. */
const CAKE = 0.12
const AFTER_DRYING = 0.05
/** More than this of a crop would drip; a judgement. */
const MOST = 0.45

const asWater = (mass: number) => ({
  effect: { add: mass, added: { H2O: mass } },
  amount: `${grams(mass)} of water`,
})

function wet(facts: YieldFacts): Cause[] {
  const { dryness, seen, air, actual } = facts
  const cannotLeave = air === 'deliquesces' || air === 'hygroscopic'
  if (dryness.isConstant && !cannotLeave) return []
  const isDamp = saw(seen, 'damp', { place: 'crystals' })
  // What is seen damp is as wet as a cake, whatever was ticked off.
  const dried = wasDone(facts, 'dry', 'desiccate', 'ignite') && !isDamp
  // Three weighings tell where a fall ends only as far as the drying goes on as it went.
  const foreseen = dryness.expected ? Math.max(0, actual - dryness.expected.end) : 0
  const size =
    foreseen > 0
      ? mixed(
          [0.5, about(foreseen, 0.3 * foreseen, asWater)],
          [0.5, rather(AFTER_DRYING * actual, MOST * actual, asWater)],
        )
      : rather((dried ? AFTER_DRYING : CAKE) * actual, MOST * actual, asWater)
  return [
    {
      code: 'wet',
      title: 'Still wet',
      usual: dried || !facts.isFollowed ? 0.12 : 0.3,
      usualWhy: 'water is the commonest reason for a crop that is too heavy; the more so where no drying is recorded',
      sizes: size,
      most: MOST * actual,
      heard: heardOf(
        heard(dryness.isFalling && 'Its mass was still falling.', 0.6, 0.04),
        heard(wasSkipped(facts, 'dry', 'desiccate') && 'The drying was skipped.', 0.3, 0.05),
        heard(isDamp && 'It was seen damp or sticking.', 0.5, 0.05),
        heard(saw(seen, 'damp', { is: false, place: 'crystals' }) && 'It was seen loose and dry.', 0.15, 0.6),
        heard(dryness.isConstant && 'Two weighings agree.', 0.2, 0.7),
      ),
      test: 'dry on',
    },
  ]
}

/** A share of its mass that a salt which draws water takes up while it is handled; common practice, no source. */
const DRAWN = { hygroscopic: 0.02, deliquesces: 0.06 }

function takenUp({ air, actual, dryness, seen }: YieldFacts): Cause[] {
  if (air !== 'deliquesces' && air !== 'hygroscopic') return []
  const most = (air === 'deliquesces' ? 0.4 : 0.1) * actual
  return [
    {
      code: 'took up water',
      title: 'It took up water from the air',
      usual: air === 'deliquesces' ? 0.12 : 0.04,
      usualWhy: 'a salt that draws water does so while it lies open and is weighed',
      sizes: rather(DRAWN[air] * actual, most, asWater),
      most,
      heard: heardOf(
        heard(dryness.isRising && 'Its mass rose between two weighings.', 0.6, 0.03),
        heard(saw(seen, 'damp', { place: 'crystals' }) && 'It was seen damp or sticking.', 0.4, 0.08),
        heard(dryness.isConstant && 'Two weighings agree.', 0.3, 0.7),
        heard(saw(seen, 'damp', { is: false, place: 'crystals' }) && 'It was seen loose and dry.', 0.1, 0.6),
      ),
      test: 'dry on',
    },
  ]
}

/** g that a hot vessel seems lighter by: warm air rises around it; common practice, no source. */
const BUOYED = 0.1

function hotVessel(facts: YieldFacts): Cause[] {
  const { dryness, seen } = facts
  const heated = wasDone(facts, 'ignite') || saw(seen, 'hot', { place: 'crystals' })
  if (!heated || dryness.isConstant) return []
  return [
    {
      code: 'hot vessel',
      title: 'It was weighed while it was still hot',
      usual: wasSkipped(facts, 'cool in desiccator') ? 0.15 : 0.03,
      usualWhy: 'a crucible out of the fire is to cool first, and most do',
      sizes: rather(BUOYED, 1, mass => ({
        effect: { offset: -mass },
        amount: `${grams(mass)} that it seemed lighter`,
      })),
      most: 1,
      heard: heardOf(
        heard(saw(seen, 'hot', { place: 'crystals' }) && 'It was noted as warm when it was weighed.', 0.6, 0.01),
        heard(dryness.isRising && 'Its mass rose between two weighings.', 0.6, 0.03),
        heard(wasSkipped(facts, 'cool in desiccator') && 'The cooling in the desiccator was skipped.', 0.5, 0.05),
      ),
      test: 'weigh again',
    },
  ]
}
