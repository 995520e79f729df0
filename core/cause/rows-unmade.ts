import { saw } from '#core/journal'
import { ageingRow } from '#core/outcome'
import { heard, heardOf, percentText, type Cause } from './cause'
import { anywhere, mixed, rather } from './sizes'
import type { YieldFacts } from './yield-facts'

/** What was never made: a weak reagent, a reaction cut short, another reaction in its place. */
export const unmade = (facts: YieldFacts): Cause[] => [
  ...facts.reagents.flatMap(one => (one.isGas ? [] : weak(facts, one))),
  ...notFinished(facts),
  ...sideReaction(facts),
]

/** How a reagent loses strength on the shelf; undefined where none is known. */
export const ageingOf = (species: string): string | undefined => ageingRow(species)?.how

/** A bottle that does not age is off by a few percent at most, in one of some twenty; one that ages, by more and oftener; common practice, no source. */
function weak(facts: YieldFacts, { species, equivalents, charged }: YieldFacts['reagents'][number]): Cause[] {
  const how = ageingOf(species)
  const isOld = saw(facts.seen, 'old', { place: 'bottle' })
  const told = (loss: number) => {
    const strength = 1 - loss
    const made = Math.min(1, strength * equivalents)
    return {
      effect: { made, back: { [species]: -loss * charged } },
      amount: `${percentText(strength)} of what its label says`,
    }
  }
  const least = 1 - 1 / equivalents
  if (least > 0.6) return []
  return [
    {
      code: 'weak reagent',
      title: `{${species}} was weaker than its label`,
      form: species,
      usual: how === undefined ? 0.025 : 0.1,
      usualWhy: how ?? 'labels are seldom wrong by much, and a salt that keeps stays what it was',
      sizes:
        how === undefined
          ? mixed([0.7, rather(0.05, 0.5, told)], [0.3, anywhere(0, 0.6, told)])
          : anywhere(0, 0.6, told),
      most: facts.theoretical * facts.planned * 0.6,
      heard: heardOf(
        heard(isOld && 'The bottle was noted as old or changed.', 0.5, 0.04),
        ...undissolved(facts, 0.25, 0.2),
      ),
      test: 'assay the bottle',
      on: species,
    },
  ]
}

/** A solid that was all seen to dissolve has all reacted, as far as it was there. */
const undissolved = ({ seen }: YieldFacts, withIt: number, without: number) => [
  heard(saw(seen, 'solid', { place: 'pot' }) && 'Solid was seen at the bottom.', withIt, without),
]

function notFinished(facts: YieldFacts): Cause[] {
  const { seen, run, reagents, coating } = facts
  const limiting = reagents.filter(({ limits }) => limits)
  const solid = limiting.find(({ isSolid }) => isSolid)
  const cut = run.steps.some(({ step, status, times }) => {
    const wanted = step.repeat?.times ?? 1
    return (
      (step.do === 'add' || step.do === 'stir' || step.do === 'hold') &&
      (status === 'skipped' || (status !== 'done' && wanted > 1 && times > 0 && times < wanted))
    )
  })
  const slow = solid !== undefined
  return [
    {
      code: 'not finished',
      title:
        slow && coating !== undefined
          ? `The reaction had not finished: {${coating}} may cover {${solid.species}}`
          : 'The reaction had not finished',
      usual: slow ? 0.08 : 0.03,
      usualWhy: slow
        ? 'a solid reacts only as fast as it dissolves, is coated, or stays passive'
        : 'what is dissolved reacts at once, in most cases',
      sizes: anywhere(0.03, 0.8, left => ({
        effect: { made: 1 - left },
        amount: `${percentText(left)} of it left unreacted`,
      })),
      most: facts.theoretical * facts.planned * 0.8,
      heard: heardOf(
        heard(saw(seen, 'gas', { place: 'pot' }) && 'It was still fizzing.', 0.5, 0.04),
        heard(slow && saw(seen, 'solid', { place: 'pot' }) && 'Solid was seen at the bottom.', 0.6, 0.15),
        heard(cut && 'Portions or the stirring were cut short.', 0.5, 0.05),
        heard(saw(seen, 'gas', { is: false, place: 'pot' }) && 'The fizzing had stopped.', 0.15, 0.5),
        heard(slow && saw(seen, 'solid', { is: false, place: 'pot' }) && 'All was seen to dissolve.', 0.06, 0.4),
      ),
      test: 'weigh the leftover',
      on: (solid ?? limiting[0])?.species ?? facts.product.text,
    },
  ]
}

/** What other reaction could take a part, as far as ions and colours tell. */
function sideReaction(facts: YieldFacts): Cause[] {
  const { seen, reagents } = facts
  const excess = reagents.filter(({ limits }) => !limits)
  const meant = facts.colours.filter(({ means }) => means.length > 0)
  const seenColour = meant.find(({ word }) => seen.some(one => one.sign === 'colour' && one.is && one.of === word))
  const told = seenColour?.means[0]
  const may = meant[0]?.means[0]
  const eats = (share: number, by: number) => ({
    effect: {
      kept: 1 - share,
      back: Object.fromEntries(excess.map(({ species, consumed }) => [species, -by * share * consumed])),
    },
    amount: `${percentText(share)} of it gone into something else`,
  })
  return [
    {
      code: 'side reaction',
      title: told
        ? `A side reaction took a part: ${told}`
        : may
          ? `A side reaction took a part, perhaps ${may}`
          : 'A side reaction took a part',
      usual: may ? 0.05 : 0.02,
      usualWhy: may ? `these ions are known for it: ${may}` : 'nothing that is charged here is known for one',
      // What limits may go without its partner, with it, or with more of it than the reaction itself takes.
      sizes: mixed(
        [0.25, anywhere(0.02, 0.5, share => eats(share, -1))],
        [0.35, anywhere(0.02, 0.5, share => eats(share, 0))],
        [0.4, anywhere(0.02, 0.5, share => eats(share, 1))],
      ),
      most: facts.theoretical * facts.planned * 0.5,
      heard: heardOf(
        heard(told && `The colour that was seen means it: ${told}.`, 0.5, 0.03),
        heard(
          !told && saw(seen, 'colour', { of: 'unusual' }) && 'A colour was seen that is not the usual one.',
          0.5,
          0.06,
        ),
        heard(saw(seen, 'gas', { place: 'gas', of: 'brown' }) && 'A brown gas was seen.', 0.3, 0.06),
        heard(saw(seen, 'smell') && 'It smelled.', 0.3, 0.12),
      ),
      test: 'test the liquor',
      on: excess[0]?.species ?? facts.product.text,
    },
  ]
}
