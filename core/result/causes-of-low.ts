import { colourOf, findSubstance, formsOf, molarMass, parseFormula } from '#core/formula'
import { cause, grams, percentText } from './cause'
import { digitSlip } from './digit-slip'
import type { Explanation } from './explain-yield'
import type { LeftoverJudgement } from './explain-leftover'
import { wasDone, type YieldFacts } from './yield-facts'

/** What could make a yield less than was planned. */
export const causesOfLow = (facts: YieldFacts): Explanation[] => [
  ...leftInLiquor(facts),
  ...lostInWash(facts),
  ...spilled(facts),
  ...weakReagent(facts),
  ...notFinished(facts),
  ...lighterForm(facts),
  ...otherSaltInstead(facts),
  ...sideReaction(facts),
  ...reagentWasHydrate(facts),
  ...digitSlip(facts),
  ...factorOfHalf(facts),
]

const missingOf = ({ planned, theoretical, actual }: YieldFacts): number => planned * theoretical - actual
const needs = (facts: YieldFacts, of = 'of product'): string =>
  `${grams(missingOf(facts))} ${of} less than was expected.`

function leftInLiquor(facts: YieldFacts): Explanation[] {
  const { model, theoretical, run, percent, planned } = facts
  const missing = missingOf(facts)
  // Steps tell what was left out only where somebody followed them.
  const isFollowed = run.steps.some(({ times }) => times > 0)
  const secondOpen =
    isFollowed &&
    run.steps.some(({ step, status }) => /crop 2/.test(step.words) && (status === 'open' || status === 'skipped'))
  const warm = /still warm|not cold|not cooled|room temperature/.test(facts.seen)
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
        needs: needs(facts, 'of product came'),
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
            /still coloured|deep(ly)? coloured|strongly coloured/.test(facts.seen) &&
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
  const warm = /wash(ed)? (with )?(warm|hot|room)|warm wash|without ice/.test(facts.seen)
  if (most !== undefined && most < missing * 0.15 && !often && !warm) return []
  return [
    cause(
      'lost in the wash',
      0.45,
      {
        title: 'The wash dissolved it',
        needs: needs(facts, 'of product is there'),
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
        { says: /wash still coloured|wash coloured/.test(facts.seen) && 'The wash ran off coloured.', times: 2 },
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
            needs: needs(facts, 'of product is there'),
            suffices: 'not known',
            settle: 'Estimate how much from what was spilled; nothing else can tell it now.',
          },
          [{ says: `The journal says: “${facts.spills[0]}”.`, times: 3.2 }],
        ),
      ]

/** Reagents that lose strength on the shelf, and how; common practice, no source. */
const AGES: readonly (readonly [RegExp, string])[] = [
  [/^NH3|NH4OH/, 'ammonia goes flat'],
  [/OH$|^(Na|K)OH|\(OH\)2$/, 'hydroxides take up water and carbon dioxide'],
  [/SO3|S2O5/, 'sulfites oxidise'],
  [/H2O2/, 'peroxide decomposes'],
]

function weakReagent(facts: YieldFacts): Explanation[] {
  const much = facts.leftovers.find(({ kind }) => kind === 'too much')
  const shareOver = much && leftoverShare(facts, much)
  return facts.limiting.flatMap(({ species }) => {
    const needed = facts.percent / facts.planned
    if (needed < 0.3) return []
    const ages = AGES.find(([pattern]) => pattern.test(species))?.[1]
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
            says:
              new RegExp('old bottle|caked|opened|lumps|smells weak|no label|pale').test(facts.seen) &&
              'The bottle was noted as old or changed.',
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
    /still fizz|fizzing when|not finished|much solid left|solid left at the bottom/.test(seen) &&
    !/fizzing stopped/.test(seen)
  const cut = run.steps.some(({ step, status, times }) => {
    const wanted = step.repeat?.times ?? 1
    return (
      (step.do === 'add' || step.do === 'stir' || step.do === 'hold') &&
      (status === 'skipped' || (wanted > 1 && times > 0 && times < wanted))
    )
  })
  const back = 1 - facts.used
  const solidLimits = facts.limiting.some(({ isSolid }) => isSolid)
  const much = facts.leftovers.find(({ kind }) => kind === 'too much')
  if (!going && !cut && !much && back <= 0 && /fizzing stopped|no more gas|all dissolved/.test(seen)) return []
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

function lighterForm(facts: YieldFacts): Explanation[] {
  const here = molarMass(facts.product)
  const oven = facts.run.steps.find(
    ({ step, times }) => times > 0 && (step.do === 'ignite' || (step.do === 'dry' && /oven|°C/.test(step.words))),
  )
  const powder = /powder|chalky|opaque|paler|turned white|lost its glitter/.test(facts.seen)
  const effloresces = facts.row?.air === 'effloresces'
  return facts.forms
    .flatMap(one => {
      const read = parseFormula(one.form)
      return read.ok && molarMass(read.value) < here * 0.995 ? [one] : []
    })
    .filter(({ percent }) => percent.value <= 1 + 2 * facts.spread && percent.value > facts.planned - 0.15)
    .toSorted((a, b) => Math.abs(a.percent.value - facts.planned) - Math.abs(b.percent.value - facts.planned))
    .slice(0, 1)
    .map(({ form, percent }) =>
      cause(
        'lighter form',
        0.35,
        {
          form,
          title: `It lost water and is {${form}}`,
          needs: `As {${form}} the same mass is ${percentText(percent.value)}.`,
          suffices: 'alone',
          settle:
            'Heat a weighed sample and see how much water is left in it; or let a part stand in moist air and weigh again.',
        },
        [
          { says: oven && `It was dried hot: “${oven.step.words.replace(/[{}]/g, '')}”.`, times: 3.2 },
          { says: powder && 'The crystals were seen turning to powder.', times: 3 },
          { says: facts.washes.ethanol && 'It was washed with a solvent that takes water out.', times: 1.6 },
          { says: effloresces && 'This hydrate loses water in dry air.', times: 1.3 },
          { says: wasDone(facts, 'desiccate') && 'It stood in a desiccator.', times: 1.4 },
        ],
      ),
    )
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
              /colourless|white|wrong colour|other colour/.test(facts.seen) &&
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
  const smelled = /brown (gas|fumes)|turned brown|darkened|smell of|unexpected gas|turned black/.test(facts.seen)
  return [
    cause(
      'side reaction',
      0.15,
      {
        title: 'A side reaction took a part',
        needs: needs(facts),
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

const NEAR = 0.05

/** The limiting reagent came with waters that the sheet does not count. */
function reagentWasHydrate(facts: YieldFacts): Explanation[] {
  const ratio = facts.percent / facts.planned
  return facts.limiting
    .filter(({ isSolid }) => isSolid)
    .flatMap(({ species }) => {
      const reagent = facts.stage.reagents.find(({ term }) => term.species.formula.text === species)
      const supply = reagent?.supply
      const as = supply && 'formula' in supply ? (supply as { formula: { text: string } }).formula.text : species
      const read = parseFormula(as)
      if (!read.ok || !findSubstance(read.value, facts.stage.own)) return []
      return formsOf(read.value, facts.stage.own).flatMap(text => {
        const form = parseFormula(text)
        if (!form.ok || molarMass(form.value) <= molarMass(read.value) * 1.005) return []
        const share = molarMass(read.value) / molarMass(form.value)
        if (Math.abs(share - ratio) > NEAR) return []
        return [
          cause(
            'reagent was a hydrate',
            0.55,
            {
              title: `What was weighed was {${text}}, not {${as}}`,
              needs: `{${text}} brings ${percentText(share)} of what {${as}} does; the yield is ${percentText(ratio)} of what was expected.`,
              suffices: 'alone',
              settle: 'Read the label again, or heat a weighed sample of the reagent.',
            },
            [{ says: 'The ratio of the two molar masses fits.', times: 2 }],
          ),
        ]
      })
    })
}

const NEAR_HALF = 0.1

function factorOfHalf(facts: YieldFacts): Explanation[] {
  const ratio = facts.percent / facts.planned
  if (Math.abs(ratio * 2 - 1) > NEAR_HALF) return []
  const even = [...facts.product.composition.values()].every(count => count % 2 === 0)
  return [
    cause(
      'factor of two',
      0.35,
      {
        title: 'A factor of two between formula and mole',
        needs: `The yield is ${ratio.toFixed(2)} times what was expected: the equation or the formula may count twice the unit.`,
        suffices: 'alone',
        settle: 'Write the equation again with the formula of the bottle, and compare the molar masses.',
      },
      [{ says: even && 'The product’s formula can be written in two sizes.', times: 3 }],
    ),
  ]
}
