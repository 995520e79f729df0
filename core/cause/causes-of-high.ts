import { saw } from '#core/journal'
import { molarMass, parseFormula, relate } from '#core/formula'
import { cause, grams, percentText } from './cause'
import { digitSlip } from './digit-slip'
import type { Explanation } from './explanation'
import { wasDone, wasSkipped, type YieldFacts } from './yield-facts'

/** What could make a mass larger than every mole of the limiting reagent could give. */
export const causesOfHigh = (facts: YieldFacts): Explanation[] => [
  ...water(facts),
  ...heavierForm(facts),
  ...fromLiquor(facts),
  ...otherSaltWithIt(facts),
  ...undissolved(facts),
  ...digitSlip(facts),
  ...wrongLimiting(facts),
  ...factorOfTwo(facts),
]

const extraOf = ({ actual, theoretical }: YieldFacts): number => actual - theoretical
const likelyExtra = ({ actual, theoretical, planned }: YieldFacts): number => actual - planned * theoretical
const needsText = (facts: YieldFacts, of: string): string =>
  `${grams(extraOf(facts))} ${of} at least, ${grams(likelyExtra(facts))} if the crystals themselves are the ${percentText(facts.planned)} that were expected.`

function water(facts: YieldFacts): Explanation[] {
  const { dryness, seen, air } = facts
  const extra = extraOf(facts)
  // Constant to within the balance: water that still leaves is ruled out, unless it cannot leave in air.
  if (dryness.isConstant && air !== 'deliquesces' && air !== 'hygroscopic') return []
  const most = dryness.expected ? Math.max(0, facts.actual - dryness.expected.end) : undefined
  const share = likelyExtra(facts) / facts.actual
  if (share > 0.45) return []
  return [
    cause(
      'water',
      1,
      {
        title: 'Still wet',
        needs: needsText(facts, 'of water'),
        most,
        suffices: most === undefined ? 'alone' : most >= extra ? 'alone' : 'not alone',
        reach: most === undefined ? 1 : most / extra,
        settle: 'Dry on and weigh again, until two weighings agree.',
      },
      [
        { says: dryness.count <= 1 && 'It was weighed once: nothing shows that it is dry.', times: 1.3 },
        {
          says: dryness.isFalling && 'Its mass was still falling.',
          times: 2.2,
        },
        { says: !wasDone(facts, 'dry', 'desiccate', 'ignite') && 'No drying is recorded.', times: 1.6 },
        { says: saw(seen, 'damp') && 'It was seen damp or sticking.', times: 2 },
        { says: saw(seen, 'damp', { is: false, place: 'crystals' }) && 'It was seen loose and dry.', times: 0.35 },
        { says: dryness.isConstant && 'Two weighings agree.', times: 0.3 },
        { says: share > 0.25 && 'More than a quarter of the mass would have to be water.', times: 0.35 },
      ],
    ),
  ]
}

function heavierForm(facts: YieldFacts): Explanation[] {
  const here = molarMass(facts.product)
  const wasAnhydrous = !/H2O/.test(facts.product.text)
  const dried = wasDone(facts, 'dry', 'desiccate', 'ignite')
  return facts.forms
    .flatMap(one => {
      const read = parseFormula(one.form)
      return read.ok && molarMass(read.value) > here * 1.005 ? [{ ...one, percent: one.percent.value }] : []
    })
    .filter(({ percent }) => percent <= 1 + 2 * facts.spread && percent > 0.4)
    .map(({ form, percent }) =>
      cause(
        wasAnhydrous ? 'waters left out' : 'heavier form',
        0.55,
        {
          form,
          title: wasAnhydrous
            ? `The waters of {${form}} were left out`
            : `It is {${form}}, not {${facts.product.text}}`,
          needs: `As {${form}} the same mass is ${percentText(percent)}.`,
          suffices: 'alone',
          settle: `Heat a weighed sample: {${form}} loses its water, and how much tells which it is. Or titrate the metal.`,
        },
        [
          {
            says: Math.abs(percent - facts.planned) < 0.06 && 'That is close to the yield that was expected.',
            times: 1.9,
          },
          { says: facts.dryness.isConstant && 'It is dry to constant mass, and still too heavy.', times: 1.6 },
          {
            says: wasAnhydrous && !dried && 'Out of water the hydrate comes, and nothing drove the water out.',
            times: 2,
          },
          { says: wasDone(facts, 'ignite') && 'It was ignited, which drives water out.', times: 0.1 },
        ],
      ),
    )
}

/** What the wash leaves of the liquor, by portion: a third is cautious for cakes washed on the funnel; common practice, no source. */
const LEFT_BY_WASH = 0.33

function fromLiquor(facts: YieldFacts): Explanation[] {
  const { washes, byProducts, solubleExcess } = facts
  const dried = wasDone(facts, 'evaporate to dryness')
  const left = LEFT_BY_WASH ** washes.done
  const extra = extraOf(facts)
  return (
    [
      ['by-product', 'A by-product came down or dried in', byProducts],
      ['soluble excess', 'The excess reagent dried in', solubleExcess],
    ] as const
  ).flatMap(([code, title, amounts]) => {
    const there = amounts.reduce((sum, one) => sum + one.grams, 0)
    if (there < 1e-3) return []
    const most = there * (dried ? 1 : left)
    if (most < extra * 0.15) return []
    return [
      cause(
        code,
        0.65,
        {
          title: `${title}: ${amounts.map(({ form }) => `{${form}}`).join(', ')}`,
          needs: needsText(facts, 'of it'),
          most,
          suffices: most >= extra ? 'alone' : 'not alone',
          reach: most / extra,
          settle:
            'Wash a part again, dry it to constant mass and see whether it becomes lighter; test the washing for the ion.',
        },
        [
          { says: dried && 'The liquor was taken to dryness: what it held is in the product.', times: 3 },
          {
            says: washes.done === 0 && (washes.skipped ? 'The wash was skipped.' : 'No wash is recorded.'),
            times: 1.9,
          },
          { says: washes.done >= 2 && `It was washed ${washes.done} times.`, times: 0.5 },
          { says: facts.dryness.isConstant && 'It is dry to constant mass, and still too heavy.', times: 1.5 },
          {
            says:
              (saw(facts.seen, 'smell', { of: 'acid' }) || saw(facts.seen, 'litmus', { of: 'acid' })) &&
              code === 'soluble excess' &&
              'The crystals or the wash showed it.',
            times: 1.6,
          },
        ],
      ),
    ]
  })
}

function undissolved(facts: YieldFacts): Explanation[] {
  const { insolubleExcess, limiting } = facts
  const extra = extraOf(facts)
  const filtered = wasDone(facts, 'filter hot', 'refilter')
  const clear = saw(facts.seen, 'cloud', { is: false, place: 'filtrate' })
  const there =
    insolubleExcess.reduce((sum, one) => sum + one.grams, 0) +
    (filtered ? 0 : limiting.filter(({ isSolid }) => isSolid).reduce((sum, one) => sum + one.grams, 0) * 0.2)
  if (insolubleExcess.length === 0 || (filtered && clear && !saw(facts.seen, 'cloud', { place: 'filtrate' }))) return []
  const most = there * (filtered ? 0.5 : 1)
  if (most < extra * 0.15) return []
  return [
    cause(
      'undissolved solid',
      0.4,
      {
        title: `Undissolved {${insolubleExcess[0]!.form}} is in it`,
        needs: needsText(facts, 'of it'),
        most,
        suffices: most >= extra ? 'alone' : 'not alone',
        reach: most / extra,
        settle: 'Dissolve a gram in water: what stays behind is it. Filter it off, dry and weigh it.',
      },
      [
        { says: wasSkipped(facts, 'filter hot') && 'The filtration from the excess was skipped.', times: 5 },
        {
          says: !filtered && !wasSkipped(facts, 'filter hot') && 'No filtration from the excess is recorded.',
          times: 1.8,
        },
        { says: saw(facts.seen, 'cloud', { place: 'filtrate' }) && 'The filtrate was seen cloudy.', times: 2.5 },
        {
          says: filtered && !saw(facts.seen, 'cloud', { place: 'filtrate' }) && 'It was filtered from the excess.',
          times: 0.4,
        },
      ],
    ),
  ]
}

/** Another salt of the pot's ions that came down with the product; what the sheet itself calls a by-product or an excess is told there. */
function otherSaltWithIt(facts: YieldFacts): Explanation[] {
  const told = new Set([...facts.byProducts, ...facts.solubleExcess].map(({ form }) => form))
  const extra = extraOf(facts)
  return facts.otherSalts
    .filter(({ form, most, comes }) => comes && most > extra * 0.15 && !isTold(form, told))
    .map(({ form, most, comesFirst }) =>
      cause(
        'other salt',
        0.3,
        {
          title: `{${form}} came down with it`,
          needs: needsText(facts, 'of it'),
          most,
          suffices: most >= extra ? 'alone' : 'not alone',
          reach: most / extra,
          settle: `Look at the crystals under a lens, pick the odd ones, and test them for the ions of {${form}}.`,
        },
        [
          { says: comesFirst && 'The model has it come down before the product.', times: 2.5 },
          { says: saw(facts.seen, 'two kinds') && 'Two kinds of crystals were seen.', times: 3 },
        ],
      ),
    )
}

function isTold(form: string, told: ReadonlySet<string>): boolean {
  const salt = parseFormula(form)
  return [...told].some(text => {
    const read = parseFormula(text)
    return read.ok && salt.ok && (relate(salt.value, read.value) ?? relate(read.value, salt.value)) !== undefined
  })
}

/** Another reagent may limit: then more of the one that is thought to limit went in, or it is stronger than its label. */
function wrongLimiting(facts: YieldFacts): Explanation[] {
  const { limiting, excesses, percent, planned, spread, unread } = facts
  const next = excesses.toSorted((a, b) => a.equivalents - b.equivalents)[0]
  if (limiting.length !== 1 || !next) return []
  const { species } = limiting[0]!
  const most = percent / next.equivalents
  const needed = percent / planned
  const wasRead = !unread.includes(species)
  // Read on the balance from a bottle with a label, it cannot be half as much again.
  if (wasRead && percent > 1.15) return []
  return [
    cause(
      'wrong limiting reagent',
      0.3,
      {
        title: `{${species}} did not limit`,
        needs: `${percentText(percent - 1)} more of {${species}} than ${wasRead ? 'was read, by its label,' : 'was planned'} for a full yield, ${percentText(needed - 1)} for the one expected. {${next.species}} would limit from ${percentText(next.equivalents - 1)} on, and the yield be ${percentText(most)}.`,
        suffices: most <= 1 + 2 * spread ? 'alone' : 'not alone',
        reach: Math.min(1, (next.equivalents - 1) / Math.max(percent - 1, 1e-6)),
        settle: `Look how much is gone from the bottle of {${species}}; titrate or assay what it holds. Less {${next.species}} left over than the sheet says would show it.`,
      },
      [
        { says: !wasRead && `Nobody read how much {${species}} went in.`, times: 2.5 },
        { says: facts.dryness.isConstant && 'It is dry to constant mass, and still too heavy.', times: 1.5 },
        {
          says:
            facts.leftovers.some(({ kind, species: back }) => kind === 'too little' && back === next.species) &&
            `Less {${next.species}} came back than should have.`,
          times: 4,
        },
        { says: wasRead && 'It was read, and its label is what the sheet counts with.', times: 0.6 },
      ],
    ),
  ]
}

const NEAR_TWO = 0.12

/** Double salts and ions written two ways: half or twice the unit. */
function factorOfTwo(facts: YieldFacts): Explanation[] {
  const ratio = facts.percent / facts.planned
  if (Math.abs(ratio / 2 - 1) > NEAR_TWO) return []
  return [
    cause(
      'factor of two',
      0.5,
      {
        title: 'A factor of two between formula and mole',
        needs: `The yield is ${ratio.toFixed(2)} times what was expected: the equation or the formula may count half the unit.`,
        suffices: 'alone',
        settle: 'Write the equation again with the formula of the bottle, and compare the molar masses.',
      },
      [{ says: isWrittenDouble(facts) && 'The product’s formula can be written in two sizes.', times: 3 }],
    ),
  ]
}

function isWrittenDouble({ product, stage }: YieldFacts): boolean {
  const relation = relate(product, stage.product.term.species.formula)
  return (
    (relation !== undefined && relation.units !== 1) ||
    [...product.composition.values()].every(count => Number.isInteger(count) && count % 2 === 0)
  )
}
