import { colourOf, findSubstance, parseFormula, type Formula } from '#core/formula'
import { saw } from '#core/journal'
import { partsOf } from '#core/species'
import { heard, heardOf, percentText, type Cause } from './cause'
import { dryingHeat, untilOf } from './heat'
import { anywhere, mixed, only } from './sizes'
import { wasDone, type YieldFacts } from './yield-facts'

/** Another hydrate than the one that was reckoned with, or a salt that lost its water in part. */
export const otherForms = (facts: YieldFacts): Cause[] => [...heavier(facts), ...lighter(facts), ...decomposed(facts)]

const isAnhydrous = ({ text }: Formula): boolean => partsOf(text).waters === 0

function heavier(facts: YieldFacts): Cause[] {
  const { product, seen, dryness } = facts
  const wasAnhydrous = isAnhydrous(product)
  const dried = wasDone(facts, 'dry', 'desiccate', 'ignite')
  const fromWater = facts.account?.way.way !== 'heat dry' && facts.account?.way.way !== 'throw down'
  return otherHydrates(facts).flatMap(({ form, ratio }): Cause[] => {
    if (ratio <= 1.005) return []
    const read = parseFormula(form)
    const until = read.ok ? untilAt(read.value, facts) : undefined
    const heat = dryingHeat(facts)
    if (wasDone(facts, 'ignite') || (until !== undefined && heat !== undefined && heat > until + 20)) return []
    return [
      {
        code: wasAnhydrous ? 'waters left out' : 'heavier hydrate',
        title: wasAnhydrous ? `The waters of {${form}} were left out` : `It is {${form}}, not {${product.text}}`,
        form,
        usual: wasAnhydrous ? (fromWater ? 0.2 : 0.03) : 0.04,
        usualWhy: wasAnhydrous
          ? 'what is reckoned dry and comes out of water as a hydrate is one of the commonest slips'
          : 'which hydrate comes hangs on the temperature, and books differ',
        sizes: only(`a whole crop of {${form}}`, { factor: ratio }),
        most: facts.theoretical * (ratio - 1),
        heard: heardOf(
          heard(dryness.isConstant && 'It is dry to constant mass.', 0.6, 0.45),
          heard(saw(seen, 'damp', { is: false, place: 'crystals' }) && 'It was seen loose and dry.', 0.6, 0.45),
          heard(wasAnhydrous && !dried && facts.isFollowed && 'Nothing drove the water out.', 0.6, 0.3),
          heard(saw(seen, 'powder', { place: 'crystals' }) && 'It was seen turning to powder.', 0.05, 0.15),
          ...colours(facts, form),
        ),
        test: 'heat a sample',
        on: form,
      },
    ]
  })
}

function lighter(facts: YieldFacts): Cause[] {
  const { product, seen, washes, air, dryness } = facts
  const lower = otherHydrates(facts).filter(({ ratio }) => ratio < 0.995)
  if (lower.length === 0) return []
  const own = untilAt(product, facts)
  const heat = dryingHeat(facts)
  const tooHot = heat !== undefined && own !== undefined && heat > own
  const taken = [
    tooHot && `It was dried at ${heat} °C, and loses water from ${own} °C.`,
    wasDone(facts, 'ignite') && 'It was ignited.',
  ].find(one => typeof one === 'string')
  const dryAir = air === 'effloresces' || wasDone(facts, 'desiccate')
  // What takes water out makes the loss usual; without it a hydrate out of water keeps what it has.
  const usual = taken ? 0.3 : washes.ethanol ? 0.05 : dryAir ? 0.05 : 0.015
  const usualWhy = taken
    ? `${taken} What takes the water out leaves a lower hydrate`
    : washes.ethanol
      ? 'it was washed with a solvent that takes water out'
      : wasDone(facts, 'desiccate')
        ? 'it stood over a desiccant, which can take water out'
        : air === 'effloresces'
          ? 'this hydrate loses water in dry air'
          : 'nothing that is recorded took its water'
  const seenLost = [
    heard(saw(seen, 'powder', { place: 'crystals' }) && 'The crystals were seen turning to powder.', 0.5, 0.02),
    heard(saw(seen, 'damp', { place: 'crystals' }) && 'It was seen damp or sticking.', 0.03, 0.12),
  ]
  const least = lower.reduce((a, b) => (b.ratio < a.ratio ? b : a))
  return [
    ...lower.map(({ form, ratio }): Cause => ({
      code: 'lighter hydrate',
      title: `It lost water and is {${form}}`,
      form,
      usual: usual / lower.length,
      usualWhy,
      sizes: mixed(
        [0.7, only(`a whole crop of {${form}}`, { factor: ratio })],
        [
          0.3,
          anywhere(0.85, 1, f => ({
            effect: { factor: 1 - f * (1 - ratio) },
            amount: `${percentText(f)} of it as {${form}}`,
          })),
        ],
      ),
      most: facts.theoretical * facts.planned * (1 - ratio),
      heard: heardOf(...seenLost, ...colours(facts, form)),
      test: 'heat a sample',
      on: form,
    })),
    {
      code: 'lost water',
      title: `It lost a part of its water`,
      form: least.form,
      usual: usual * 0.7,
      usualWhy,
      sizes: anywhere(0.03, 0.9, f => ({
        effect: { factor: 1 - f * (1 - least.ratio) },
        amount: `${percentText(f)} of its water`,
      })),
      most: facts.theoretical * facts.planned * (1 - least.ratio),
      heard: heardOf(...seenLost, heard(dryness.isFalling && 'Its mass was still falling.', 0.4, 0.15)),
      test: 'heat a sample',
      on: product.text,
    },
  ]
}

/** A colour that was seen of the crystals, against that of a form. */
function colours({ seen, product }: YieldFacts, form: string) {
  const read = parseFormula(form)
  const [told, planned] = [read.ok ? colourOf(read.value)?.word : undefined, colourOf(product)?.word]
  const last = seen.findLast(one => one.sign === 'colour' && one.place === 'crystals' && one.of !== 'unusual')
  if (!last || told === undefined || told === planned) return []
  const word = last.is ? last.of : 'colourless'
  const fits = (colour: string | undefined): boolean =>
    word !== undefined && colour !== undefined && colour.includes(word)
  return [
    heard(fits(told) && `It was seen ${word}, as {${form}} is.`, 0.7, 0.1),
    heard(!fits(told) && fits(planned) && `It was seen ${word}, as {${product.text}} is.`, 0.1, 0.7),
  ]
}

/** Hydrates of the product that are not the named one, with what a mole of each weighs to one of that. */
export const otherHydrates = ({ forms: all, product }: YieldFacts): { form: string; ratio: number }[] =>
  all.flatMap(({ form, theoretical }) => {
    const own = all.find(one => one.form === product.text)?.theoretical.value
    return form === product.text || own === undefined ? [] : [{ form, ratio: theoretical.value / own }]
  })

const untilAt = (form: Formula, facts: YieldFacts): number | undefined => {
  const known = findSubstance(form, facts.stage.own)
  return known && untilOf(known.row, known.waters)
}

function decomposed(facts: YieldFacts): Cause[] {
  const limit = facts.row?.decomposes
  const heat = dryingHeat(facts)
  if (limit === undefined || heat === undefined || heat < limit - 20) return []
  return [
    {
      code: 'decomposed',
      title: `It decomposed in the heat`,
      usual: heat >= limit ? 0.3 : 0.05,
      usualWhy: 'what is dried at its decomposition point goes, and ovens run hot',
      sizes: anywhere(0.03, 0.7, share => ({
        effect: { factor: 1 - share },
        amount: `${percentText(share)} of its mass`,
      })),
      most: facts.theoretical * facts.planned * 0.7,
      heard: heardOf(
        heard(`It was dried at ${heat} °C, and decomposes from ${limit} °C.`, 0.7, 0.2),
        heard(saw(facts.seen, 'gas', { of: 'brown' }) && 'A brown gas was seen.', 0.3, 0.03),
        heard(saw(facts.seen, 'smell') && 'It smelled.', 0.3, 0.08),
        heard(saw(facts.seen, 'colour', { of: 'unusual' }) && 'Its colour was not the usual one.', 0.4, 0.05),
      ),
      test: 'assay the crop',
      on: facts.product.text,
    },
  ]
}
