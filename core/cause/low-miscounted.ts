import { findSubstance, formsOf, molarMass, parseFormula } from '#core/formula'
import { cause, grams, percentText } from './cause'
import type { Explanation } from './explanation'
import { saw } from '#core/journal'
import { wasDone, type YieldFacts } from './yield-facts'

/** What is all there, and counted wrongly: a lighter form, a reagent with waters nobody counted, half the unit. */
export const miscounted = (facts: YieldFacts): Explanation[] => [
  ...lighterForm(facts),
  ...reagentWasHydrate(facts),
  ...factorOfHalf(facts),
]

function lighterForm(facts: YieldFacts): Explanation[] {
  const here = molarMass(facts.product)
  const oven = facts.run.steps.find(
    ({ step, times }) => times > 0 && (step.do === 'ignite' || (step.do === 'dry' && /oven|°C/.test(step.words))),
  )
  const powder = saw(facts.seen, 'powder')
  const effloresces = facts.air === 'effloresces'
  return facts.forms
    .flatMap(one => {
      const read = parseFormula(one.form)
      return read.ok && molarMass(read.value) < here * 0.995 ? [one] : []
    })
    .filter(({ percent }) => percent.value <= 1 + 2 * facts.spread && percent.value > facts.planned - 0.15)
    .toSorted((a, b) => Math.abs(a.percent.value - facts.planned) - Math.abs(b.percent.value - facts.planned))
    .slice(0, 1)
    .map(({ form, percent, theoretical }) => {
      // All of its water gone leaves this much; a mass below that lost something else as well.
      const least = theoretical.value * facts.planned
      const isBelow = percent.value < facts.planned - AS_PLANNED - 2 * facts.spread
      const wanted = facts.theoretical * facts.planned
      return cause(
        'lighter form',
        0.35,
        {
          form,
          title: `It lost water and is {${form}}`,
          needs: `As {${form}} the same mass is ${percentText(percent.value)}.${isBelow ? ` Losing all of its water leaves ${grams(least)}; less than that is here.` : ''}`,
          suffices: isBelow ? 'not alone' : 'alone',
          ...(isBelow && { most: wanted - least, reach: (wanted - least) / Math.max(wanted - facts.actual, 1e-9) }),
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
      )
    })
}

/** A yield counts as expected within this of the plan, as everywhere in the verdict; a judgement, no source. */
const AS_PLANNED = 0.1

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
