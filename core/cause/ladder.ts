import { findSubstance, molarMass, molarMassFigure, parseFormula, relate, type Formula } from '#core/formula'
import { exact, product, standardUncertainty, type Figure } from '#core/quantity'
import type { SubstanceRow } from '#core/reference'
import { ionsOf } from '#core/species'
import type { Relative } from '#core/outcome'
import { wasDone, type YieldFacts } from './yield-facts'
import { percentOf, type FormYield } from '#core/outcome'

/** One form on the ladder: what the weighed mass would be as it, and whether this batch could have made it. */
export interface Rung extends FormYield {
  readonly kind: 'isolated' | 'hydrate' | Relative['kind']
  readonly verdict: 'likely' | 'possible' | 'unlikely' | 'impossible'
  readonly why: string
}

/** The ladder of forms: every hydrate, and the basic and double salts that the pot's ions can make, on the metal. */
export function ladderOf(facts: YieldFacts, result: { theoretical: Figure; actual: Figure }): Rung[] {
  const rungs = [
    ...facts.forms.map(one => rungOf(facts, one, one.form === facts.product.text ? 'isolated' : 'hydrate')),
    ...facts.relatives.map(one => rungOf(facts, asRelative(facts.product, result, one), one.kind)),
  ]
  return rungs.toSorted((a, b) => a.percent.value - b.percent.value)
}

/** As a basic or double salt the same metal makes M(form)/metals grams to a mole. */
function asRelative(
  wanted: Formula,
  { theoretical, actual }: { theoretical: Figure; actual: Figure },
  { form, metals }: Relative,
): FormYield {
  const as = product(
    `theoretical yield as {${form.text}}, on the metal`,
    'mass',
    [theoretical, molarMassFigure(form)],
    [molarMassFigure(wanted), ...(metals === 1 ? [] : [exact(metals, 'number', 'metals to one of the product')])],
  )
  return { form: form.text, theoretical: as, percent: percentOf(actual, as) }
}

function rungOf(facts: YieldFacts, one: FormYield, kind: Rung['kind']): Rung {
  const percent = one.percent.value
  const told = (verdict: Rung['verdict'], why: string): Rung => ({ ...one, kind, verdict, why })
  if (percent > 1 + 2 * standardUncertainty(one.percent)) return told('impossible', 'more than everything')
  const read = parseFormula(one.form)
  if (kind === 'basic') return basic(facts, told)
  if (kind === 'double') return told('possible', 'its ions are in the pot')
  const row = read.ok ? findSubstance(read.value, facts.stage.own) : undefined
  const until = row && untilOf(row.row, row.waters)
  const heat = dryingHeat(facts)
  if (until !== undefined && heat !== undefined && heat > until)
    return told('unlikely', `dried at ${heat} °C, and it loses water from ${until} °C`)
  if (kind === 'isolated')
    return percent > facts.planned - 0.15 ? told('likely', 'as planned') : told('possible', 'less than was expected')
  return hydrate(facts, read.ok ? read.value : facts.product, percent, told)
}

type Tell = (verdict: Rung['verdict'], why: string) => Rung

const BASES: ReadonlySet<string> = new Set(['OH', 'CO3', 'HCO3'])
/** An oxide of a metal of this charge or more is an acid's anhydride rather than a base. */
const ACIDIC = 5

const ionsIn = (form: string) => {
  const read = parseFormula(form)
  return (read.ok && ionsOf(read.value)) || []
}
const isBase = (form: string): boolean => {
  const ions = ionsIn(form)
  const isOxide = ions.some(({ text }) => text === 'O') && ions.every(({ charge }) => charge < ACIDIC)
  return isOxide || ions.some(({ text }) => BASES.has(text))
}
const isAcid = (form: string): boolean => ionsIn(form).some(({ text }) => text === 'H')

function basic({ insolubleExcess, limiting }: YieldFacts, told: Tell): Rung {
  if (insolubleExcess.some(({ form }) => isBase(form))) return told('possible', 'a base was in excess')
  return limiting.some(({ species }) => isAcid(species))
    ? told('possible', 'the acid limits: little is left to keep the liquor acid')
    : told('unlikely', 'acid was left in the liquor')
}

function hydrate(facts: YieldFacts, form: Formula, percent: number, told: Tell): Rung {
  const isLighter = molarMass(form) < molarMass(facts.product) * (relate(form, facts.product)?.units ?? 1)
  if (!isLighter)
    return wasDone(facts, 'ignite') || dryingHeat(facts) !== undefined
      ? told('unlikely', 'it was dried hot')
      : told(
          percent > facts.planned - 0.15 ? 'likely' : 'possible',
          'from water, in the cold, the higher hydrate comes',
        )
  const taken = [
    facts.washes.ethanol && 'the wash takes water out',
    facts.air === 'effloresces' && wasDone(facts, 'desiccate') && 'a desiccator takes its water',
    lostInOven(facts) && 'the oven takes its water',
  ].filter((why): why is string => typeof why === 'string')
  return taken.length > 0 ? told('possible', taken.join(', ')) : told('unlikely', 'nothing took its water')
}

function lostInOven(facts: YieldFacts): boolean {
  const known = findSubstance(facts.product, facts.stage.own)
  const until = known && untilOf(known.row, known.waters)
  const heat = dryingHeat(facts)
  return wasDone(facts, 'ignite') || (heat !== undefined && (until === undefined || heat > until))
}

const untilOf = ({ forms }: SubstanceRow, waters: number): number | undefined =>
  forms?.find(([count]) => Math.abs(count - waters) < 1e-9)?.[3]

/** The hottest that a drying step done says, °C; undefined where none names a temperature. */
function dryingHeat({ run }: YieldFacts): number | undefined {
  const told = run.steps.flatMap(({ step, times, status }) => {
    if ((step.do !== 'dry' && step.do !== 'ignite') || (times === 0 && status !== 'done')) return []
    const found = /(\d+)\s*°C/.exec(`${step.target ?? ''} ${step.words}`)
    return found ? [Number(found[1])] : []
  })
  return told.length > 0 ? Math.max(...told) : undefined
}
