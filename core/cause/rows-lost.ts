import { saw, type Step } from '#core/journal'
import { grams, heard, heardOf, percentText, type Cause } from './cause'
import { about, anywhere, mixed, rather } from './sizes'
import type { YieldFacts } from './yield-facts'

/** What was made and did not come onto the balance. */
export const lost = (facts: YieldFacts): Cause[] => [
  ...inLiquor(facts),
  ...secondCrop(facts),
  ...inWash(facts),
  ...spilled(facts),
]

const isOfCrop = ({ about: of }: Step, crop: number): boolean => of?.what === 'product' && of.crop === crop

const secondOpen = ({ isFollowed, run }: YieldFacts): boolean =>
  isFollowed && run.steps.some(({ step, status }) => isOfCrop(step, 2) && (status === 'open' || status === 'skipped'))

/** What sticks on the way, and how far a model of what stays dissolved is off; judgements. */
const HANDLING = 0.03
const BY_MODEL = 0.05

function inLiquor(facts: YieldFacts): Cause[] {
  const { won, theoretical, seen, run, isFollowed } = facts
  const warm = saw(seen, 'hot', { place: 'pot' })
  const filtered = run.steps.findIndex(({ step }) => step.do === 'filter')
  const before = filtered < 0 ? run.steps : run.steps.slice(0, filtered)
  const uncooled =
    isFollowed &&
    before.some(
      ({ step, status }) => (step.do === 'ice' || step.do === 'cool') && (status === 'skipped' || status === 'open'),
    )
  const cold = won.recorded
  const leaves = (share: number) => ({
    effect: { won: { mean: Math.max(0.02, share - HANDLING), spread: BY_MODEL } },
    amount: `${grams(Math.max(0, 1 - share) * theoretical)} in the liquor`,
  })
  // How much a liquor keeps: by its account; filtered warm; not boiled down; where nothing is known, anything.
  const between = (a: number | undefined, b: number | undefined) =>
    a === undefined || b === undefined || Math.abs(a - b) < 0.005
      ? []
      : anywhere(Math.min(a, b), Math.max(a, b), leaves)
  const kept = cold === undefined ? 0.2 : 1 - cold
  const sizes =
    cold === undefined
      ? anywhere(0.4, 0.98, leaves)
      : mixed(
          [warm ? 0.15 : 0.6, about(cold, 0.25 * kept, leaves)],
          [warm ? 0.85 : isFollowed ? 0.2 : 0.35, between(cold, won.lukewarm)],
          [isFollowed ? 0 : 0.5, between(cold, won.unboiled)],
        )
  const least = Math.min(
    ...[cold, won.lukewarm, isFollowed ? undefined : won.unboiled].filter(one => one !== undefined),
  )
  const most = Number.isFinite(least) ? (1 - least) * theoretical : undefined
  if (cold !== undefined && most !== undefined && most < 0.01 * theoretical) return []
  const strong = saw(seen, 'colour', { place: 'liquor', strength: 'strong' })
  return [
    {
      code: 'left in the liquor',
      title: 'It stayed in the liquor',
      usual: 0.15,
      usualWhy:
        cold !== undefined && cold < facts.planned - 0.05
          ? `by the account of the vessel only ${percentText(cold)} can come this way`
          : 'some stays dissolved in every liquor, and it is seldom boiled down and cooled as far as was meant',
      sizes,
      ...(most !== undefined && { most }),
      heard: heardOf(
        heard(warm && 'It was filtered before it was cold.', 0.5, 0.04),
        heard(uncooled && 'The cooling was skipped or left out.', 0.5, 0.05),
        heard(strong && 'The liquor was seen strongly coloured.', 0.5, 0.2),
      ),
      test: 'boil the liquor down',
      on: facts.product.text,
    },
  ]
}

function secondCrop(facts: YieldFacts): Cause[] {
  if (!secondOpen(facts)) return []
  const { won, theoretical, planned } = facts
  const more = won.planned !== undefined && won.recorded !== undefined ? won.planned - won.recorded : undefined
  const leaves = (share: number) => ({
    effect: { won: { mean: Math.max(0.02, planned - share), spread: 0.06 } },
    amount: `${grams(share * theoretical)} as a second crop`,
  })
  return [
    {
      code: 'crop not taken',
      title: 'The second crop is still in the liquor',
      usual: 0.3,
      usualWhy: 'a second crop was planned and is not taken: what it would bring is missing',
      sizes:
        more !== undefined && more > 0
          ? mixed([0.7, about(more, 0.4 * more, leaves)], [0.3, anywhere(0, OFF.most * more, leaves)])
          : anywhere(0.05, 0.5, leaves),
      ...(more !== undefined && more > 0 && { most: OFF.most * more * theoretical }),
      heard: heardOf(heard('The second crop that was planned was not taken.', 0.9, 0.25)),
      test: 'boil the liquor down',
      on: facts.product.text,
    },
  ]
}

/** Of what a wash dissolves by its solubility, the real one takes between half and twice: nobody saturates it, few measure it; a judgement. */
const OFF = { least: 0.4, most: 2 }
/** What a generous wash takes of a crop that dissolves, as a share of the theory; common practice, no source. */
const LARGE = 0.06

function inWash(facts: YieldFacts): Cause[] {
  const { washes, row, won, seen, theoretical } = facts
  if (washes.done === 0 || row?.water === 'insoluble') return []
  const warm = saw(seen, 'hot', { place: 'wash' })
  const often = (washes.planned > 0 && washes.done > washes.planned) || washes.done >= 4
  const each = warm ? (won.perWarmWash ?? won.perWash) : won.perWash
  const coloured = saw(seen, 'colour', { place: 'wash' }) && !saw(seen, 'colour', { place: 'wash', strength: 'slight' })
  const leaves = (share: number) => ({
    effect: { kept: Math.max(0.02, 1 - share) },
    amount: `${grams(share * theoretical)} in the washings`,
  })
  const whole = each === undefined ? undefined : each * washes.done
  const to = Math.min(0.9, Math.max(0.02, (whole ?? 0.08 * washes.done) * (warm ? 1.5 * OFF.most : OFF.most)))
  return [
    {
      code: 'wash loss',
      title: 'The wash dissolved it',
      usual: 0.06,
      usualWhy: 'what dissolves in water goes with a wash that is large, warm or often',
      // As much as the plan's portions dissolve; or larger ones, since nobody reads how much a wash was.
      sizes: mixed(
        [0.5, anywhere(Math.min(to / 2, (whole ?? 0.02) * OFF.least), to, leaves)],
        [0.5, rather(LARGE * washes.done * (warm ? 2 : 1), 0.7, leaves)],
      ),
      most: Math.max(to, 0.7) * theoretical,
      heard: heardOf(
        heard(
          often &&
            `It was washed ${washes.done} times${washes.planned > 0 && washes.done > washes.planned ? `, and ${washes.planned} were planned` : ''}.`,
          0.5,
          0.05,
        ),
        heard(warm && 'It was not washed ice-cold.', 0.5, 0.04),
        heard(coloured && 'The wash ran off coloured.', 0.4, 0.15),
      ),
      test: 'dry the washings',
      on: facts.product.text,
    },
  ]
}

function spilled(facts: YieldFacts): Cause[] {
  const { spills, seen, theoretical } = facts
  const spits = saw(seen, 'spitting')
  return [
    {
      code: 'transfer loss',
      title:
        spits && spills.length === 0 ? 'Some spat out or was lost on the way' : 'Some was spilled or lost on the way',
      usual: 0.05,
      usualWhy: 'glass, paper, a sample, a drop beside: a loss that is large is as a rule written down',
      sizes: mixed([0.6, rather(0.08, 0.6, lose(theoretical))], [0.4, anywhere(0.05, 0.6, lose(theoretical))]),
      most: 0.6 * theoretical,
      heard: heardOf(
        heard(spills[0] !== undefined && `The journal says: “${spills[0]}”.`, 0.6, 0.02),
        heard(spits && 'It was seen to spit.', 0.3, 0.05),
      ),
      test: 'remember',
    },
  ]
}
const lose = (theoretical: number) => (share: number) => ({
  effect: { kept: 1 - share },
  amount: `a loss of ${grams(share * theoretical)}`,
})
