import { cause, percentText } from './cause'
import type { Explanation } from './explanation'
import { missingOf, missingText } from './missing'
import { saw, type Step } from '#core/journal'
import type { YieldFacts } from './yield-facts'

/** What was made and did not come as crystals: it stayed in the liquor, went with the wash, or was spilled. */
export const lostOnTheWay = (facts: YieldFacts): Explanation[] => [
  ...leftInLiquor(facts),
  ...lostInWash(facts),
  ...spilled(facts),
]

const isOfCrop = ({ about }: Step, crop: number): boolean => about?.what === 'product' && about.crop === crop

function leftInLiquor(facts: YieldFacts): Explanation[] {
  const { model, theoretical, run, percent, planned } = facts
  const missing = missingOf(facts)
  // Steps tell what was left out only where somebody followed them.
  const isFollowed = run.steps.some(({ times }) => times > 0)
  const secondOpen =
    isFollowed && run.steps.some(({ step, status }) => isOfCrop(step, 2) && (status === 'open' || status === 'skipped'))
  const warm = saw(facts.seen, 'hot', { place: 'pot' })
  const filtered = run.steps.findIndex(({ step }) => step.do === 'filter')
  const beforeFilter = filtered < 0 ? run.steps : run.steps.slice(0, filtered)
  const iceSkipped =
    isFollowed &&
    beforeFilter.some(
      ({ step, status }) => (step.do === 'ice' || step.do === 'cool') && (status === 'skipped' || status === 'open'),
    )
  // The model knows the plan's cold; what was filtered warmer keeps more, and it does not say how much.
  const most = model && !iceSkipped && !warm ? (1 - model.recovery) * theoretical : undefined
  // What stays at the planned temperature the plan's yield knows already; more stays where it was not cooled so far.
  const coldEnough = model !== undefined && !warm && !iceSkipped && !secondOpen
  if (coldEnough && most! < missing * 0.15) return []
  const suffices =
    iceSkipped || warm
      ? 'alone'
      : most === undefined
        ? 'not known'
        : most >= theoretical - facts.actual
          ? 'alone'
          : 'not alone'
  return [
    cause(
      secondOpen ? 'second crop' : 'left in the liquor',
      0.8,
      {
        title: secondOpen ? 'The second crop is still in the liquor' : 'It stayed in the liquor',
        needs: missingText(facts, 'of product came'),
        most,
        suffices,
        reach: most === undefined ? 0 : most / Math.max(missing, 1e-9),
        settle: 'Boil the liquor down by half and chill it: what comes is the answer, if the liquor is still there.',
      },
      [
        { says: secondOpen && 'The second crop that was planned was not taken.', times: 2.6 },
        { says: iceSkipped && 'The cooling was skipped or left out.', times: 2.6 },
        { says: warm && 'It was filtered before it was cold.', times: 2.4 },
        {
          says:
            model !== undefined &&
            model.recovery < planned - 0.05 &&
            `The model lets only ${percentText(model.recovery)} come this way.`,
          times: Math.abs((model?.recovery ?? 0) - percent) < 0.1 ? 2.2 : 1.3,
        },
        {
          says:
            saw(facts.seen, 'colour', { place: 'liquor', strength: 'strong' }) &&
            'The liquor was seen strongly coloured.',
          times: 1.6,
        },
      ],
    ),
  ]
}

function lostInWash(facts: YieldFacts): Explanation[] {
  const { model, washes, row } = facts
  if (washes.done === 0) return []
  const often = washes.done > washes.planned || washes.done >= 4
  const water = !washes.ethanol && row?.water === 'soluble'
  if (row?.water === 'insoluble') return []
  const each = model && washes.planned > 0 ? model.washLoss / washes.planned : undefined
  const most = each === undefined ? undefined : each * washes.done
  const missing = missingOf(facts)
  const warm = saw(facts.seen, 'hot', { place: 'wash' })
  if (most !== undefined && most < missing * 0.15 && !often && !warm) return []
  return [
    cause(
      'lost in the wash',
      0.45,
      {
        title: 'The wash dissolved it',
        needs: missingText(facts, 'of product is there'),
        most,
        suffices:
          warm || often ? 'not known' : most === undefined ? 'not known' : most >= missing ? 'alone' : 'not alone',
        reach: most === undefined ? 0 : most / missing,
        settle: 'Evaporate the washings: what they hold can be weighed.',
      },
      [
        {
          says:
            often &&
            `It was washed ${washes.done} times${washes.planned > 0 && washes.done > washes.planned ? `, and ${washes.planned} were planned` : ''}.`,
          times: 3.2,
        },
        { says: warm && 'It was not washed ice-cold.', times: 3.4 },
        { says: water && 'It dissolves in water.', times: 1.1 },
        {
          says:
            saw(facts.seen, 'colour', { place: 'wash' }) &&
            !saw(facts.seen, 'colour', { place: 'wash', strength: 'slight' }) &&
            'The wash ran off coloured.',
          times: 2,
        },
      ],
    ),
  ]
}

const spilled = (facts: YieldFacts): Explanation[] =>
  facts.spills.length === 0
    ? []
    : [
        cause(
          'spilled',
          0.9,
          {
            title: 'Some was spilled or lost',
            needs: missingText(facts, 'of product is there'),
            suffices: 'not known',
            settle: 'Estimate how much from what was spilled; nothing else can tell it now.',
          },
          [{ says: `The journal says: “${facts.spills[0]}”.`, times: 3.2 }],
        ),
      ]
