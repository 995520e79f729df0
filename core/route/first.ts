import { molarMass, withWaters } from '#core/formula'
import { findCurve, findDouble, potOfSolutes, restOf, saturationAt, sparingForm, type Rest } from '#core/solution'
import type { Balance } from './reaction'
import { dissolves } from './properties'
import { mustBe, stuffOf, type Stuff } from './stuff'

/** Which solid comes first as the liquor of a reaction is boiled down and cooled. */
export type First =
  | { readonly is: 'product' }
  | { readonly is: 'other'; readonly form: string }
  /** The tables do not reach: nothing is said. */
  | { readonly is: 'not known' }

/** Temperature at which it is asked, °C: a bench that cools under the tap. */
const COLD = 15
/** Each time so much of the water goes, until something stands. */
const BOILED = 1.35
const MOST_TIMES = 16
/** g of product to 100 g of water to begin with, where its own solubility is not known. */
const THIN = 4

const answers = new Map<string, First>()
const MOST = 2000

/** What comes first of the liquor that a reaction leaves, by the solution model: its products in their amounts, boiled down at 15 °C, or at the temperature named, until a solid stands. Only of a product that dissolves. */
export function firstOf(step: Balance & { readonly target: Stuff }, celsius = COLD): First {
  const name = `${step.equation} ${celsius}`
  const before = answers.get(name)
  if (before) return before
  if (answers.size > MOST) answers.clear()
  const first = asked(step, celsius)
  answers.set(name, first)
  return first
}

/** Equivalents of one of two salts with which their double salt comes first, where mole by mole the other does; undefined where up to eight do not help. */
export function excessFor(
  step: Balance & { readonly target: Stuff },
): { readonly species: string; readonly equivalents: number } | undefined {
  for (const equivalents of [1.5, 2, 3, 5, 8])
    for (const { species, coefficient } of step.reaction.reactants) {
      const extra = { stuff: mustBe(species.formula.text), amount: coefficient * (equivalents - 1) }
      if (asked(step, COLD, extra).is === 'product') return { species: species.formula.text, equivalents }
    }
  return undefined
}

interface Extra {
  readonly stuff: Stuff
  readonly amount: number
}

function asked({ reaction, target }: Balance & { readonly target: Stuff }, celsius: number, extra?: Extra): First {
  const made = reaction.products.flatMap(({ species, coefficient }) => {
    const stuff = stuffOf(species.formula.text)
    const isLeft =
      stuff && dissolves(stuff) && stuff.text !== 'H2O' && stuff.row?.volatile !== true && stuff.row?.state !== 'gas'
    return isLeft ? [{ form: stuff.formula, mass: coefficient * molarMass(stuff.formula), key: stuff.key }] : []
  })
  const solutes = extra
    ? [
        ...made,
        { form: extra.stuff.formula, mass: extra.amount * molarMass(extra.stuff.formula), key: extra.stuff.key },
      ]
    : made
  const own = made.find(({ key }) => key === target.key)
  if (!own) return { is: 'product' }
  let water = ((own.mass * 100) / (alone(target, celsius) ?? THIN)) * BOILED
  for (let times = 0; times < MOST_TIMES; times++, water /= BOILED) {
    const pot = potOfSolutes(water, solutes, celsius)
    const rest = pot.ok ? restOf(pot.value) : pot
    if (!rest.ok || rest.value.isUnsettled || rest.value.leftOut.some(text => stuffOf(text)?.key === target.key))
      return { is: 'not known' }
    const verdict = standing(rest.value, target)
    if (verdict) return verdict
  }
  return { is: 'not known' }
}

function standing({ solids, dry }: Rest, target: Stuff): First | undefined {
  if (solids.length === 0) return dry ? { is: 'not known' } : undefined
  const isOwn = ({ solid }: Rest['solids'][number]): boolean => stuffOf(solid.salt.text)?.key === target.key
  const other = solids.find(one => !isOwn(one))
  if (solids.some(isOwn) && !other) return { is: 'product' }
  return other && !solids.some(isOwn) ? { is: 'other', form: other.solid.form.text } : mostOf(solids, isOwn)
}

/** Both at once: the one of which more stands. */
function mostOf(solids: Rest['solids'], isOwn: (one: Rest['solids'][number]) => boolean): First {
  const most = solids.toSorted((a, b) => b.mass - a.mass)[0]!
  return isOwn(most) ? { is: 'product' } : { is: 'other', form: most.solid.form.text }
}

/** g of the salt in 100 g of water, alone; cold where nothing else is asked. */
export function alone({ formula }: Stuff, celsius = COLD): number | undefined {
  const curve = findCurve(formula)?.curve
  const at = curve && saturationAt(curve, celsius)
  return at?.ok ? at.value.grams : undefined
}

/** The form in which a substance comes from water when it is cold; its own formula where it takes none. */
export function formFromWater(stuff: Stuff): string {
  const curve = findCurve(stuff.formula)?.curve
  const at = curve && saturationAt(curve, COLD)
  if (at?.ok) return at.value.phase.form.text
  return formByTables(stuff)
}

function formByTables({ formula, row, text }: Stuff): string {
  const sparing = sparingForm(formula)?.form.text
  if (sparing !== undefined) return sparing
  const double = findDouble(formula)?.form.text
  if (double !== undefined) return double
  const forms = (row?.forms ?? []).filter(([, , , until]) => until === undefined || until > COLD + 5)
  const most = Math.max(0, ...forms.map(([waters]) => waters))
  return row ? withWaters(row.formula, most) : text
}
