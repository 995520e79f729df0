import { colourOf, molarMass, parseFormula, sameStuff } from '#core/formula'
import { dryOf, formulaOf } from '#core/vessel'
import { saw } from '#core/journal'
import { grams, heard, heardOf, type Cause, type CauseCode, type Effect } from './cause'
import type { Acidity } from './acidity'
import { about, anywhere, mixed, rather } from './sizes'
import { wasDone, wasSkipped, type Amount, type YieldFacts } from './yield-facts'

/** What may lie among the crystals, or in their place: salts of the liquor, other salts of the same ions, a solid that was not filtered off. */
export const beside = (facts: YieldFacts): Cause[] => [
  ...ofLiquor(facts),
  ...unreacted(facts),
  ...otherSalts(facts),
  ...relatives(facts),
]

/** What a wash leaves of the liquor, by portion: a third is cautious for cakes washed on the funnel; common practice, no source. */
const LEFT_BY_WASH = 0.33
/** The mother liquor that a sucked cake keeps, as a share of all there was; common practice, no source. */
const KEPT = 0.15

const massOf = (amounts: readonly Amount[]): number => amounts.reduce((sum, one) => sum + one.grams, 0)

/** So many g of these together, in the proportion they stand in the liquor. */
function lying(amounts: readonly Amount[]): (mass: number) => { effect: Effect; amount: string } {
  const whole = massOf(amounts)
  return mass => ({
    effect: { add: mass, added: Object.fromEntries(amounts.map(({ form, grams: g }) => [form, (mass * g) / whole])) },
    amount: `${grams(mass)} of it`,
  })
}
const named = (amounts: readonly Amount[]): string => amounts.map(({ form }) => `{${form}}`).join(', ')

function ofLiquor(facts: YieldFacts): Cause[] {
  const { byProducts, solubleExcess } = facts
  const solids = solubleExcess.filter(one => isSolidForm(one.form))
  const kinds: readonly (readonly [CauseCode, string, readonly Amount[]])[] = [
    ['by-product', 'A by-product came down or dried in', byProducts],
    ['excess reagent', 'The excess reagent dried in', solids],
    ...(byProducts.length > 0 && solids.length > 0
      ? ([['liquor dried in', 'Mother liquor dried in', [...byProducts, ...solids]]] as const)
      : []),
  ]
  return kinds.flatMap(([code, title, amounts]) => driedIn(facts, code, title, amounts))
}
/** Acids and gases do not stay as a solid. */
const isSolidForm = (form: string): boolean => {
  const read = parseFormula(form)
  return !read.ok || colourOf(read.value) !== undefined
}

function driedIn(facts: YieldFacts, code: CauseCode, title: string, amounts: readonly Amount[]): Cause[] {
  const { washes, seen, dryness } = facts
  const there = massOf(amounts)
  if (there < 1e-3) return []
  const toDryness = wasDone(facts, 'evaporate to dryness')
  const left = toDryness ? 1 : LEFT_BY_WASH ** washes.done
  const most = there * left
  const told = lying(amounts)
  const unwashed = washes.done === 0 && (washes.skipped || facts.isFollowed)
  return [
    {
      code,
      title: `${title}: ${named(amounts)}`,
      usual: (toDryness ? 0.5 : washes.done === 0 ? 0.12 : 0.05) * (code === 'liquor dried in' ? 0.5 : 1),
      usualWhy: 'salts of the liquor stay in every cake that is not washed, and in all that is taken to dryness',
      sizes: toDryness
        ? mixed([0.7, about(there, 0.1 * there, told)], [0.3, anywhere(0, there, told)])
        : mixed([0.6, rather(KEPT * most, most, told)], [0.4, anywhere(0, most, told)]),
      most,
      heard: heardOf(
        heard(toDryness && 'The liquor was taken to dryness: what it held is in the product.', 0.6, 0.3),
        heard(unwashed && (washes.skipped ? 'The wash was skipped.' : 'No wash is recorded.'), 0.5, 0.12),
        heard(washes.done >= 2 && `It was washed ${washes.done} times.`, 0.3, 0.5),
        heard(dryness.isConstant && 'It is dry to constant mass.', 0.6, 0.45),
        heard(saw(seen, 'two kinds') && 'Two kinds of crystals were seen.', 0.35, 0.05),
        heard(
          code !== 'by-product' &&
            (saw(seen, 'smell', { of: 'acid' }) || saw(seen, 'litmus', { of: 'acid' })) &&
            'The crystals or the wash showed it.',
          0.4,
          0.1,
        ),
      ),
      test: 'wash again',
      on: amounts[0]!.form,
    },
  ]
}

/** Of a solid that was not filtered off all stays; through a filter that let it by, up to half. */
const BY_FILTER = 0.5

function unreacted(facts: YieldFacts): Cause[] {
  const { insolubleExcess, limiting, seen } = facts
  const filtered = wasDone(facts, 'filter hot', 'refilter')
  const clear = saw(seen, 'cloud', { is: false, place: 'filtrate' })
  const cloudy = saw(seen, 'cloud', { place: 'filtrate' })
  const first = insolubleExcess[0]
  if (!first || (filtered && clear && !cloudy)) return []
  const there = massOf(insolubleExcess)
  // What limits may be left as well, coated or too coarse: a fifth of it.
  const more = filtered ? 0 : 0.2 * limiting.reduce((sum, { isSolid, grams: g }) => sum + (isSolid ? g : 0), 0)
  const most = (there + more) * (filtered ? BY_FILTER : 1)
  const skipped = wasSkipped(facts, 'filter hot')
  const told = lying(insolubleExcess)
  return [
    {
      code: 'unreacted solid',
      title: `Undissolved {${first.form}} is in it`,
      usual: filtered ? 0.03 : 0.12,
      usualWhy: 'a solid in excess is among the crystals unless it was filtered off',
      sizes: skipped
        ? mixed([0.5, about(there, 0.2 * there, told)], [0.5, anywhere(0, most, told)])
        : rather(0.4 * most, most, told),
      most,
      heard: heardOf(
        heard(skipped && 'The filtration from the excess was skipped.', 0.5, 0.04),
        heard(!filtered && !skipped && facts.isFollowed && 'No filtration from the excess is recorded.', 0.5, 0.25),
        heard(cloudy && 'The filtrate was seen cloudy.', 0.5, 0.05),
        heard(saw(seen, 'solid', { place: 'pot' }) && 'Solid was seen at the bottom.', 0.6, 0.2),
        heard(saw(seen, 'solid', { is: false, place: 'pot' }) && 'All was seen to dissolve.', 0.1, 0.5),
        heard(filtered && !cloudy && 'It was filtered from the excess.', 0.3, 0.6),
      ),
      test: 'dissolve a gram',
      on: first.form,
    },
  ]
}

/** Another salt of the pot's ions, beside the product or in its place; what the sheet itself calls a by-product or an excess is told there. */
function otherSalts(facts: YieldFacts): Cause[] {
  const { seen, product } = facts
  return facts.otherSalts
    .filter(({ form, most, comes }) => comes && most > 0 && !isTold(form, facts))
    .map(({ form, most, comesFirst }): Cause => {
      const told = lying([{ form, grams: 1 }])
      const byAccount = facts.comesWith.find(one => one.form === form)?.grams ?? 0
      const isForeseen = byAccount > FORESEEN * facts.theoretical
      return {
        code: 'other salt',
        title: comesFirst ? `What came is {${form}}, or it came with it` : `{${form}} came down with it`,
        form,
        usual: isForeseen ? 0.5 : comesFirst ? 0.2 : 0.05,
        usualWhy: isForeseen
          ? `by the account of the vessel ${grams(byAccount)} of it come with the product`
          : comesFirst
            ? 'the model of the pot has it come down before the product'
            : 'the model of the pot has it come down as well',
        sizes: mixed(
          [isForeseen ? 1 : 0, foreseen(byAccount, facts, told)],
          [comesFirst ? 0.5 : 0.9, rather(0.15 * most, most, told)],
          [
            comesFirst ? 0.5 : 0.1,
            anywhere(0.3, 1, share => ({
              effect: {
                won: { mean: share, spread: 0.05 },
                factor: most / facts.theoretical,
                instead: form,
              },
              amount: `all of it, ${grams(most * share)}`,
            })),
          ],
        ),
        most,
        heard: heardOf(
          heard(saw(seen, 'two kinds') && 'Two kinds of crystals were seen.', 0.4, 0.05),
          heard(
            (saw(seen, 'colour', { of: 'unusual' }) || saw(seen, 'colour', { is: false, place: 'crystals' })) &&
              colourOf(product) !== undefined &&
              'Its colour was seen to be another.',
            0.4,
            0.06,
          ),
        ),
        test: 'spot test',
        on: form,
      }
    })
}

/** Of the theory, what is worth telling of a foreign salt in a crop; a judgement. */
const FORESEEN = 0.02

/** As much as the account lets come, beside as much product as it lets come; each known to a third. */
function foreseen(mass: number, { won }: YieldFacts, told: ReturnType<typeof lying>): ReturnType<typeof about> {
  return about(mass, mass / 3, one => {
    const { effect, amount } = told(one)
    return {
      effect: {
        ...effect,
        ...(won.recorded !== undefined && { won: { mean: won.recorded, spread: Math.max(0.05, won.recorded / 3) } }),
      },
      amount,
    }
  })
}

/** By-products and reagents that the table tells of already, whatever their water. */
function isTold(form: string, { byProducts, solubleExcess }: YieldFacts): boolean {
  const { dry } = dryOf(formulaOf(form))
  return [...byProducts, ...solubleExcess].some(one => sameStuff(dryOf(formulaOf(one.form)).dry, dry))
}

/** Basic, acid and double salts in the product's place, by what the metal makes of them. */
function relatives(facts: YieldFacts): Cause[] {
  const { product, theoretical } = facts
  return facts.relatives.flatMap(({ form, kind, units }): Cause[] => {
    if (kind === 'other' || units <= 0) return []
    const factor = molarMass(form) / units / molarMass(product)
    const told = conditionFor(kind, facts)
    if (!told) return []
    return [
      {
        code: kind === 'double' ? 'double salt' : 'acid or basic salt',
        title: `{${form.text}} came in its place, or with it`,
        form: form.text,
        usual: told.usual,
        usualWhy: told.why,
        sizes: anywhere(0.05, 1, share => ({
          effect: {
            factor: 1 + share * (factor - 1),
            // Its metal is that of the product that it stands for; what an assay counts goes by that.
            ...(share > 0.97 && { instead: form.text }),
          },
          amount: share > 0.97 ? 'all of it' : `${Math.round(share * 100)}\u202f% of the metal in it`,
        })),
        most: Math.abs(factor - 1) * theoretical,
        heard: heardOf(
          ...told.heard,
          heard(saw(facts.seen, 'two kinds') && 'Two kinds of crystals were seen.', 0.2, 0.05),
          heard(saw(facts.seen, 'colour', { of: 'unusual' }) && 'Its colour was not the usual one.', 0.25, 0.06),
        ),
        test: kind === 'double' ? 'assay the crop' : 'spot test',
        on: form.text,
      },
    ]
  })
}

/** How usual a basic salt is by what keeps the liquor; common practice, no source. */
const BASIC: Readonly<Record<Acidity, number>> = { base: 0.04, 'acid used up': 0.01, salts: 0.004, acid: 0.002 }

function conditionFor(
  kind: 'basic' | 'acid' | 'double',
  facts: YieldFacts,
): { usual: number; why: string; heard: ReturnType<typeof heard>[] } | undefined {
  const { pH, seen, tests } = facts
  const cloudy = saw(seen, 'cloud', { place: 'liquor' })
  const isAlkaline = (pH !== undefined && pH > 6) || tests.some(({ result }) => result === 'alkaline')
  const isAcid =
    (pH !== undefined && pH < 3) || saw(seen, 'litmus', { of: 'acid' }) || tests.some(({ result }) => result === 'acid')
  if (kind === 'basic')
    return {
      usual: BASIC[facts.acidity],
      why:
        facts.acidity === 'base'
          ? 'a base was in excess, and where the liquor is not acid a basic salt falls'
          : facts.acidity === 'acid'
            ? 'acid was left in the liquor, which keeps basic salts away'
            : facts.acidity === 'salts'
              ? 'no base was put to it, and long boiling alone makes little'
              : 'little acid is left to keep basic salts away',
      heard: [
        heard(cloudy && 'The liquor was seen cloudy.', 0.5, 0.08),
        heard(isAlkaline && 'The liquor was not acid.', 0.6, 0.15),
        heard(isAcid && 'The liquor was acid.', 0.1, 0.4),
        heard(saw(seen, 'crystals', { of: 'powder' }) && 'It came as a fine powder.', 0.5, 0.08),
      ],
    }
  if (kind === 'acid')
    return facts.acidity === 'acid'
      ? {
          usual: 0.04,
          why: 'acid was in excess, and the acid salt holds some of it',
          heard: [heard(isAcid && 'The liquor or the crystals were acid.', 0.6, 0.2)],
        }
      : undefined
  return { usual: 0.02, why: 'its ions are in the pot', heard: [] }
}
