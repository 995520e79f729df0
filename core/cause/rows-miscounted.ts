import { findSubstance, formsOf, molarMass, parseFormula, relate } from '#core/formula'
import { partsOfIons } from '#core/outcome'
import { heard, heardOf, percentText, type Cause } from './cause'
import { only, rather } from './sizes'
import type { YieldFacts } from './yield-facts'

/** What is all there and was counted wrongly: a bottle's hydrate, what limits, a coefficient, half the unit. */
export const miscounted = (facts: YieldFacts): Cause[] => [
  ...facts.reagents.flatMap(one => wrongHydrate(facts, one)),
  ...wrongLimiting(facts),
  ...coefficient(facts),
  ...factorOfTwo(facts),
]

type Charged = YieldFacts['reagents'][number]

/** A bottle of another hydrate brings its salt in another share. */
function wrongHydrate({ stage, theoretical, planned, seen }: YieldFacts, one: Charged): Cause[] {
  const { species, weighAs, equivalents, isSolid, charged } = one
  const as = parseFormula(weighAs)
  if (!isSolid || !as.ok || !findSubstance(as.value, stage.own)) return []
  const others = formsOf(as.value, stage.own).filter(text => text !== as.value.text)
  return others.flatMap((text): Cause[] => {
    const form = parseFormula(text)
    const units = form.ok ? (relate(form.value, as.value)?.units ?? 1) : 1
    if (!form.ok) return []
    const strength = (units * molarMass(as.value)) / molarMass(form.value)
    const made = Math.min(one.limits ? (one.next ?? strength) : 1, strength * equivalents)
    if (Math.abs(made - 1) < 0.02) return []
    return [
      {
        code: 'wrong hydrate charged',
        title: `What was weighed was {${text}}, not {${weighAs}}`,
        form: species,
        usual: (strength < 1 ? 0.03 : 0.006) / others.length,
        usualWhy:
          strength < 1
            ? 'labels leave the water out, and two hydrates look alike in the bottle'
            : 'a bottle is seldom drier than what is reckoned with',
        sizes: only(`{${text}} in the bottle, which brings ${percentText(strength)} of what {${weighAs}} does`, {
          made,
          back: { [species]: (strength - 1) * charged },
        }),
        most: Math.abs(1 - made) * theoretical * planned,
        heard: heardOf(
          // Whether it is sold so the tables do not tell: that hydrates exist says little.
          heard(one.isBareHydrate && `It is weighed as {${weighAs}}, and hydrates of it are known.`, 0.8, 0.4),
          heard(
            seen.some(({ sign, is, place }) => sign === 'solid' && !is && place === 'pot') &&
              'All was seen to dissolve.',
            0.3,
            0.25,
          ),
        ),
        test: 'look into the bottle',
        on: species,
      },
    ]
  })
}

/** Share by which more goes in than was meant, where it does; common practice, no source. */
const OVER = 0.12

/** More of what is taken to limit went in than is counted, up to where the next reagent limits. */
function wrongLimiting({ reagents, unread, tests }: YieldFacts): Cause[] {
  const limits = reagents.filter(one => one.limits)
  const [first] = limits
  const next = reagents.filter(one => !one.limits).toSorted((a, b) => a.equivalents - b.equivalents)[0]
  if (!first || limits.length !== 1 || !next) return []
  const isUnread = unread.includes(first.species)
  const spot = tests.find(({ added, result }) => result === 'cloud' && partOf(added, next.species))
  return [
    {
      code: 'wrong limiting reagent',
      title: `{${first.species}} did not limit`,
      form: first.species,
      usual: isUnread ? 0.04 : 0.015,
      usualWhy: isUnread
        ? `nobody read how much {${first.species}} went in`
        : 'it was read, and its label is what the sheet counts with',
      sizes: rather(OVER, Math.max(0.04, Math.min(1.5, next.equivalents - 1)), more => ({
        effect: {
          made: 1 + more,
          back: { [first.species]: 0 },
        },
        amount: `${percentText(more)} more of {${first.species}} than is counted`,
      })),
      heard: heardOf(
        heard(
          spot && `A drop of {${next.species}} clouded the clear liquor: {${first.species}} was left over.`,
          0.7,
          0.1,
        ),
      ),
      test: 'look into the bottle',
      on: first.species,
    },
  ]
}
const partOf = (text: string, species: string): boolean => {
  const [a, b] = [parseFormula(text), parseFormula(species)]
  return a.ok && b.ok && a.value.text === b.value.text
}

/** By hand a coefficient is forgotten: so many times too little went in of what nobody read, or the theory was reckoned so. */
function coefficient({ reagents, unread, stage, theoretical, planned }: YieldFacts): Cause[] {
  const perProduct = stage.product.term.coefficient
  return reagents.flatMap((one): Cause[] => {
    const ratio = one.coefficient / perProduct
    const isUnread = unread.includes(one.species)
    if (one.isGas || Math.abs(ratio - 1) < 1e-9) return []
    return [ratio, 1 / ratio].map((times): Cause => {
      const made =
        times < 1 ? Math.min(1, times * one.equivalents) : one.limits ? Math.min(one.next ?? times, times) : times
      return {
        code: 'coefficient left out',
        title: `The ${Math.max(ratio, 1 / ratio)} of {${one.species}} in the equation was left out`,
        form: one.species,
        usual: (isUnread ? 0.01 : 0.004) / reagents.length,
        usualWhy: isUnread
          ? `nobody read how much {${one.species}} went in; by hand a coefficient is forgotten`
          : 'the sheet balances by itself; by hand, outside it, a coefficient is forgotten',
        sizes: only(`${percentText(times)} of what the equation asks for`, { made }),
        most: Math.abs(1 - made) * theoretical * planned,
        heard: [],
        test: 'write it out',
        on: one.species,
      }
    })
  })
}

/** Double salts and ions written two ways: half or twice the unit. */
function factorOfTwo({ product, stage }: YieldFacts): Cause[] {
  const relation = relate(product, stage.product.term.species.formula)
  const isDouble =
    (relation !== undefined && relation.units !== 1) ||
    [...product.composition.values()].every(count => Number.isInteger(count) && count % 2 === 0) ||
    (partsOfIons(product) ?? []).filter(({ charge }) => charge > 0).length > 1
  return [2, 0.5].map((times): Cause => ({
    code: 'factor of two',
    title: 'A factor of two between formula and mole',
    usual: isDouble ? 0.02 : 0.003,
    usualWhy: isDouble
      ? 'the formula can be written in two sizes, and books give both'
      : 'only a formula that can be written in two sizes invites it',
    sizes: only(times > 1 ? 'half the unit was reckoned' : 'twice the unit was reckoned', { kept: times }),
    heard: [],
    test: 'write it out',
    on: product.text,
  }))
}
