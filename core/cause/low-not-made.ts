import { ionsOf } from '#core/species'
import { colourOf, molarMass, parseFormula } from '#core/formula'
import { cause, grams, percentText } from './cause'
import type { LeftoverJudgement } from './explain-leftover'
import type { Explanation } from './explanation'
import { missingText } from './missing'
import { saw } from '#core/journal'
import type { YieldFacts } from './yield-facts'

/** What was never made: a weak reagent, a reaction cut short, another salt or another reaction in its place. */
export const neverMade = (facts: YieldFacts): Explanation[] => [
  ...weakReagent(facts),
  ...notFinished(facts),
  ...otherSaltInstead(facts),
  ...sideReaction(facts),
]

/** Ions and molecules that lose strength on the shelf, and how; common practice, no source. */
const AGES: Readonly<Record<string, string>> = {
  NH3: 'ammonia goes flat',
  OH: 'hydroxides take up water and carbon dioxide',
  SO3: 'sulfites oxidise',
  HSO3: 'sulfites oxidise',
  S2O5: 'sulfites oxidise',
  H2O2: 'peroxide decomposes',
}
function ageOf(species: string): string | undefined {
  const read = parseFormula(species)
  if (!read.ok) return undefined
  const parts = ionsOf(read.value)?.map(({ text }) => text) ?? [read.value.text]
  return parts.map(part => AGES[part]).find(why => why !== undefined)
}

function weakReagent(facts: YieldFacts): Explanation[] {
  const much = facts.leftovers.find(({ kind }) => kind === 'too much')
  const shareOver = much && leftoverShare(facts, much)
  return facts.limiting.flatMap(({ species }) => {
    const needed = facts.percent / facts.planned
    if (needed < 0.3) return []
    const ages = ageOf(species)
    return [
      cause(
        'weak reagent',
        0.35,
        {
          title: `{${species}} was weaker than its label`,
          needs: `It would have to be ${percentText(needed)} of what the label says.`,
          suffices: 'alone',
          settle: `Titrate or assay {${species}} from the same bottle.`,
        },
        [
          { says: ages, times: 2.6 },
          {
            says:
              shareOver !== undefined &&
              Math.abs(shareOver - (1 - needed)) < 0.08 &&
              'So much more of the other reagent came back.',
            times: 2.4,
          },
          {
            says: saw(facts.seen, 'old', { place: 'bottle' }) && 'The bottle was noted as old or changed.',
            times: 2.6,
          },
          { says: needed < 0.6 && 'That would be less than two thirds of its strength.', times: 0.4 },
        ],
      ),
    ]
  })
}

/** What came back too much, of what should have reacted. */
function leftoverShare(
  { stage, theoretical, product }: YieldFacts,
  { species, difference }: LeftoverJudgement,
): number | undefined {
  const term = stage.reagents.find(one => one.term.species.formula.text === species)?.term
  const read = parseFormula(species)
  if (!term || !read.ok) return undefined
  const perProduct = term.coefficient / stage.product.term.coefficient
  return difference / molarMass(read.value) / ((theoretical / molarMass(product)) * perProduct)
}

function notFinished(facts: YieldFacts): Explanation[] {
  const { seen, run, insolubleExcess } = facts
  const going =
    (saw(seen, 'gas', { place: 'pot' }) || saw(seen, 'solid', { place: 'pot' })) &&
    !saw(seen, 'gas', { is: false, place: 'pot' })
  const cut = run.steps.some(({ step, status, times }) => {
    const wanted = step.repeat?.times ?? 1
    return (
      (step.do === 'add' || step.do === 'stir' || step.do === 'hold') &&
      (status === 'skipped' || (status !== 'done' && wanted > 1 && times > 0 && times < wanted))
    )
  })
  const back = 1 - facts.used
  const solidLimits = facts.limiting.some(({ isSolid }) => isSolid)
  const much = facts.leftovers.find(({ kind }) => kind === 'too much')
  if (
    !going &&
    !cut &&
    !much &&
    back <= 0 &&
    (saw(seen, 'gas', { is: false, place: 'pot' }) || saw(seen, 'solid', { is: false, place: 'pot' }))
  )
    return []
  return [
    cause(
      'not finished',
      0.3,
      {
        title: 'The reaction had not finished',
        needs: `${percentText(1 - facts.percent / facts.planned)} of it would be left unreacted.`,
        suffices: back > 0 && back < 0.9 * (1 - facts.percent / facts.planned) ? 'not alone' : 'alone',
        reach: back / Math.max(1e-9, 1 - facts.percent / facts.planned),
        settle: 'Weigh what stayed on the filter: more than the sheet’s excess is unreacted reagent.',
      },
      [
        { says: going && 'It was still going, or much solid was left, when it was filtered.', times: 4 },
        { says: cut && 'Portions or the stirring were cut short.', times: 4 },
        {
          says: back > 0 && `${percentText(back)} of the limiting reagent came back unused.`,
          times: 8,
        },
        {
          says: much && `${grams(much.difference)} more {${much.species}} came back than should have.`,
          times: 5,
        },
        {
          says: solidLimits && insolubleExcess.length === 0 && 'The solid limits: what does not dissolve is lost.',
          times: 1.2,
        },
      ],
    ),
  ]
}

/** The salt of the other cation, or anion, came because it is less soluble. */
function otherSaltInstead(facts: YieldFacts): Explanation[] {
  return facts.otherSalts
    .filter(({ most, comesFirst }) => comesFirst && most > facts.actual * 0.5)
    .slice(0, 2)
    .map(({ form, most }) =>
      cause(
        'other salt',
        0.45,
        {
          title: `What came is {${form}}, not {${facts.product.text}}`,
          form,
          needs: `${grams(facts.actual)} of it: the pot’s ions could make ${grams(most)}.`,
          most,
          suffices: most >= facts.actual ? 'alone' : 'not alone',
          reach: most / facts.actual,
          settle: `Dissolve a little and test for the ions that only one of the two holds; or assay it. Crystals, “Which salt first”, tells the way round.`,
        },
        [
          { says: 'The model has it come down before the product.', times: 2.6 },
          {
            says:
              (saw(facts.seen, 'colour', { of: 'unusual' }) ||
                saw(facts.seen, 'colour', { is: false, place: 'crystals' })) &&
              colourOf(facts.product) &&
              'Its colour was seen to be another.',
            times: 2.5,
          },
        ],
      ),
    )
}

function sideReaction(facts: YieldFacts): Explanation[] {
  const { leftovers } = facts
  const short = leftovers.find(({ kind }) => kind === 'too little')
  // An excess that came back whole shows that nothing else used it up.
  if (!short && leftovers.length > 0) return []
  const smelled = saw(facts.seen, 'gas', { place: 'gas', of: 'brown' }) || saw(facts.seen, 'smell')
  return [
    cause(
      'side reaction',
      0.15,
      {
        title: 'A side reaction took a part',
        needs: missingText(facts),
        suffices: 'not known',
        settle:
          'Weigh the excess that came back: less than the sheet leaves shows it. Test liquor and gas for what else formed.',
      },
      [
        {
          says: short && `${grams(-short.difference)} less {${short.species}} came back than should have.`,
          times: 5,
        },
        { says: smelled && 'A colour or gas was seen that the reaction does not give.', times: 3 },
      ],
    ),
  ]
}
