import { colourOf, findSubstance, molarMass, molarMassFigure, parseFormula, relate, type Formula } from '#core/formula'
import { percentOf, type FormYield, type Relative } from '#core/outcome'
import { exact, product, standardUncertainty, type Figure } from '#core/quantity'
import type { Acidity } from './acidity'
import { dryingHeat, untilOf } from './heat'
import { standsFor } from './likelihood'
import { wasDone, type YieldFacts } from './yield-facts'

/** One form on the ladder: what the weighed mass would be as it, and whether this batch could have made it. */
export interface Rung extends FormYield {
  readonly kind: 'isolated' | 'hydrate' | Relative['kind']
  readonly verdict: 'likely' | 'possible' | 'unlikely' | 'impossible'
  readonly why: string
}

/** A plain salt of another ion that would be more than this many times all there is says nothing. */
const FAR = 1.5

/**
 * The ladder of forms: every hydrate, and every basic, acid, double and plain salt that the pot's ions can make and that shares the metal or the anion; the yield as each, and a verdict by mass, assay, look, drying,
 * wash and what the liquor was.
 */
export function ladderOf(facts: YieldFacts, result: { theoretical: Figure; actual: Figure }): Rung[] {
  const rungs = [
    ...facts.forms.map(one => rungOf(facts, one, one.form === facts.product.text ? 'isolated' : 'hydrate')),
    ...facts.relatives
      .map(one => rungOf(facts, asRelative(facts.product, result, one), one.kind))
      .filter(({ kind, percent }) => kind !== 'other' || percent.value < FAR),
  ]
  return rungs.toSorted((a, b) => a.percent.value - b.percent.value)
}

/** What is shared makes M(form)/units grams to a mole. */
function asRelative(
  wanted: Formula,
  { theoretical, actual }: { theoretical: Figure; actual: Figure },
  { form, units, shared }: Relative,
): FormYield {
  const as = product(
    `theoretical yield as {${form.text}}, on {${shared}}`,
    'mass',
    [theoretical, molarMassFigure(form)],
    [
      molarMassFigure(wanted),
      ...(units === 1 ? [] : [exact(units, 'number', `{${shared}} to that in one of the product`)]),
    ],
  )
  return { form: form.text, theoretical: as, percent: percentOf(actual, as) }
}

type Told = Pick<Rung, 'verdict' | 'why'>

function rungOf(facts: YieldFacts, one: FormYield, kind: Rung['kind']): Rung {
  const told =
    byMass(one) ?? byAssay(facts, one) ?? byLook(facts, one) ?? byHeat(facts, one) ?? byKind(facts, one, kind)
  return { ...one, kind, ...told }
}

const byMass = ({ percent }: FormYield): Told | undefined =>
  percent.value > 1 + 2 * standardUncertainty(percent)
    ? { verdict: 'impossible', why: 'more than everything' }
    : undefined

/** A fraction by which an assay may be off beside its own spread; a judgement. */
const ASSAY = 0.01

/** An assay of the product tells one form from another where their contents lie apart. */
function byAssay({ evidence, product: of }: YieldFacts, { form }: FormYield): Told | undefined {
  for (const { purity, spread, of: counted, name } of evidence) {
    const asked = standsFor(form, of, counted)
    if (asked === 0) continue
    if (Math.abs(asked - purity) > spread + ASSAY)
      return { verdict: 'unlikely', why: `“${name}” found another content` }
    if (Math.abs(asked - 1) > spread + ASSAY || form === of.text)
      return { verdict: 'likely', why: `“${name}” found its content` }
  }
  return undefined
}

function byLook({ seen }: YieldFacts, { form }: FormYield): Told | undefined {
  const last = seen.findLast(one => one.sign === 'colour' && one.place === 'crystals' && one.of !== 'unusual')
  const read = parseFormula(form)
  const own = read.ok ? colourOf(read.value)?.word : undefined
  const word = last && (last.is ? last.of : 'colourless')
  if (own === undefined || word === undefined || own.includes(word) || (isPale(own) && isPale(word))) return undefined
  return { verdict: 'unlikely', why: `it was seen ${word}, and this is ${own}` }
}
const isPale = (word: string): boolean => word === 'colourless' || word.includes('white')

function byHeat(facts: YieldFacts, { form }: FormYield): Told | undefined {
  const read = parseFormula(form)
  const known = read.ok ? findSubstance(read.value, facts.stage.own) : undefined
  const until = known && untilOf(known.row, known.waters)
  const heat = dryingHeat(facts)
  return until !== undefined && heat !== undefined && heat > until
    ? { verdict: 'unlikely', why: `dried at ${heat} °C, and it loses water from ${until} °C` }
    : undefined
}

const byAcidity: Readonly<Record<Acidity, Told>> = {
  base: { verdict: 'possible', why: 'a base was in excess' },
  'acid used up': { verdict: 'possible', why: 'the acid limits: little is left to keep the liquor acid' },
  acid: { verdict: 'unlikely', why: 'acid was left in the liquor' },
  salts: { verdict: 'unlikely', why: 'no base was put to it, and long boiling alone makes little' },
}

function byKind(facts: YieldFacts, one: FormYield, kind: Rung['kind']): Told {
  const { percent, form } = one
  switch (kind) {
    case 'isolated':
      return percent.value > facts.planned - 0.15
        ? { verdict: 'likely', why: 'as planned' }
        : { verdict: 'possible', why: 'less than was expected' }
    case 'hydrate':
      return hydrate(facts, one)
    case 'basic':
      return byAcidity[facts.acidity]
    case 'acid':
      return facts.acidity === 'acid'
        ? { verdict: 'possible', why: 'acid was in excess' }
        : { verdict: 'unlikely', why: 'no acid was left over' }
    case 'double':
    case 'other':
      return byModel(facts, form)
  }
}

/** Of the theory, what dries into any crop. */
const TRACE = 0.02

/** What the model of the pot lets come down. */
function byModel({ otherSalts, comesWith, account, theoretical }: YieldFacts, form: string): Told {
  const here = otherSalts.find(salt => salt.form === form)
  if (comesWith.some(salt => salt.form === form && salt.grams > TRACE * theoretical))
    return { verdict: 'likely', why: 'the account has it come with the product' }
  if (here?.comesFirst) return { verdict: 'likely', why: 'the model has it come down first' }
  if (here?.comes) return { verdict: 'possible', why: 'the model has it come down as well' }
  return account?.isKnown === true
    ? { verdict: 'unlikely', why: 'the model keeps it dissolved' }
    : { verdict: 'possible', why: 'its ions are in the pot' }
}

function hydrate(facts: YieldFacts, { form, percent }: FormYield): Told {
  const read = parseFormula(form)
  const here = read.ok ? read.value : facts.product
  const isLighter = molarMass(here) < molarMass(facts.product) * (relate(here, facts.product)?.units ?? 1)
  if (!isLighter)
    return wasDone(facts, 'ignite')
      ? { verdict: 'unlikely', why: 'it was ignited' }
      : {
          verdict: percent.value > facts.planned - 0.15 ? 'likely' : 'possible',
          why: 'from water, in the cold, the higher hydrate comes',
        }
  const taken = [
    facts.washes.ethanol && 'the wash takes water out',
    facts.air === 'effloresces' && wasDone(facts, 'desiccate') && 'a desiccator takes its water',
    lostInOven(facts) && 'the oven takes its water',
  ].filter((why): why is string => typeof why === 'string')
  return taken.length > 0
    ? { verdict: 'possible', why: taken.join(', ') }
    : { verdict: 'unlikely', why: 'nothing took its water' }
}

function lostInOven(facts: YieldFacts): boolean {
  const known = findSubstance(facts.product, facts.stage.own)
  const until = known && untilOf(known.row, known.waters)
  const heat = dryingHeat(facts)
  return wasDone(facts, 'ignite') || (heat !== undefined && until !== undefined && heat > until)
}
