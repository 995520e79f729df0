import { molarMass, sameStuff, type Formula } from '#core/formula'
import { findCurve, saturationAt, washOptions, type Curve } from '#core/solution'
import { atRest, dryOf, potOf, WATER, type AtRest, type OperationPlan, type Setting, type Vessel } from '#core/vessel'
import { boilOut, clear, seeTheEnd } from './clear'
import { grams, solidsIn, type Course } from './course'
import type { Proposing } from './enter'
import { clearAway, dryAndWeigh } from './finish'
import { kept, stepsOf } from './operation-step'
import { isFlat } from './way'

/** Hot short of boiling, and cold as an ice bath brings it, °C; common practice, no source. */
export const HOT = 80
export const COLD = 5
/** Liquor that a sucked-off cake of crystals keeps, as a share of the solids’ mass; common practice, no source. */
export const RETAINED = '20 %'

/** Dissolved, cleared hot, boiled down until it is just saturated, cooled, filtered, washed, dried. */
export function crystallise(course: Course, proposing: Proposing): void {
  const { stage } = proposing
  const { own = [] } = course.setting
  const product = stage.product.form
  const curve = findCurve(dryOf(product).dry, own)?.curve ?? findCurve(product, own)?.curve
  const hot = Math.min(HOT, curve ? Math.max(...curve.phases.map(({ to }) => to)) : HOT)
  seeTheEnd(course, proposing)
  clear(course, proposing, hot)
  boilOut(course, proposing)
  if (stage.operations) for (const step of stepsOf(stage.operations, product.text)) course.take(step)
  else coolOut(course, proposing, hot, curve)
  dryAndWeigh(course, proposing)
  clearAway(course, proposing)
}

function coolOut(course: Course, { stage }: Proposing, hot: number, curve: Curve | undefined): void {
  const form = stage.product.form
  const take = (...operations: OperationPlan[]): void => {
    for (const step of stepsOf(operations, form.text)) course.take(step)
  }
  const least = curve ? Math.min(...curve.phases.map(({ from }) => from)) : COLD
  if (course.vessel.celsius !== hot) take({ heatTo: `${hot} °C` })
  const planned = stage.bench.evaporate?.value
  const cold = Math.max(COLD, least)
  const short = stage.bench.evaporate ? 0 : waterShort(course.vessel, course.setting)
  if (short > 0) take({ addWater: kept(short, 'g') })
  const there = course.vessel.solvents.get(WATER) ?? 0
  const most = there - boilFor(course.vessel, course.setting, curve !== undefined && isFlat(curve))
  const water = planned ?? there - pureFrom(course, { ...stage.product, celsius: cold }, most, MORE * there)
  if (water > LEAST_BOILED * there) take({ evaporate: { water: kept(water, 'g') } })
  else if (water < -LEAST_BOILED * there) take({ addWater: kept(-water, 'g') })
  take({ coolTo: `${cold} °C` })
  take({ filter: { retained: RETAINED } })
  take(...washesFor(course, form, Math.max(0, least)))
}
/** So many times its water a pot may get for the other salts to stay dissolved in the cold: more costs too much of the crop. A judgement. */
const MORE = 1.5
/** Less than this share of the water is not worth a boil; a judgement. */
const LEAST_BOILED = 0.005

/** A wash of crystals of which nothing better is known, mL of ice-cold water to the g, and to a g that dissolves well in the cold; common practice, no source. */
const WASH = 0.3
const WASH_SOLUBLE = 0.1
/** g in 100 g of water; a judgement. */
const VERY_SOLUBLE = 30

/** The best wash that the advisor has for this cake; a little ice-cold water where it has none. */
function washesFor(course: Course, product: Setting['product'], celsius: number): OperationPlan[] {
  const crystals = solidsIn(course.vessel)
  if (!(crystals > 0)) return []
  const { own = [] } = course.setting
  const cake = potOf(course.vessel, course.setting.named, own)
  const best =
    cake && washOptions({ pot: cake, retained: 0.2, product }, own).find(({ verdict }) => verdict !== 'avoid')
  if (best) {
    const volume = kept(best.portion, 'mL')
    return Array.from({ length: best.portions }, () => ({
      wash: { with: best.solvent, volume, at: `${best.celsius} °C` },
    }))
  }
  const curve = findCurve(dryOf(product).dry, own)?.curve
  const cold = curve && saturationAt(curve, course.vessel.celsius)
  const each = cold?.ok && cold.value.grams > VERY_SOLUBLE ? WASH_SOLUBLE : WASH
  return [{ wash: { with: 'water', volume: kept(each * crystals, 'mL'), at: `${celsius} °C` } }]
}

/** g of water that is wanting for all crystals to dissolve at the temperature that the pot has; none where they do, where it is not known, or where they would not in a great deal. */
function waterShort(vessel: Vessel, setting: Setting): number {
  const there = vessel.solvents.get(WATER) ?? 0
  const stands = (water: number): boolean => {
    const solvents = new Map([...vessel.solvents, [WATER, water]])
    const { vessel: rest, unknown } = atRest({ ...vessel, solvents }, setting.named, setting.own)
    return unknown !== undefined || rest.lumps.some(({ is, moles }) => is === 'crystals' && moles > 0)
  }
  if (!(there > 0) || !vessel.lumps.some(({ is }) => is === 'crystals') || !stands(there)) return 0
  let [low, high] = [there, there]
  do {
    low = high
    high /= SCAN_BY
  } while (stands(high) && high < MOST_ADDED * there)
  if (stands(high) || high > MOST_ADDED * there) return 0
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2
    if (stands(middle)) low = middle
    else high = middle
  }
  return high * SHORT - there
}
/** A pot is not filled up to more than so many times its water: what comes down as it is made, as bicarbonate does, is filtered rather. A judgement. */
const MOST_ADDED = 2

/** So much water may go that the first crystals are about to come at the temperature that the pot has; where none come, most of it, but not so much that the liquor is stronger than the model can tell of. */
function boilFor(vessel: Vessel, setting: Setting, flat: boolean): number {
  const water = vessel.solvents.get(WATER) ?? 0
  const restAt = (left: number): AtRest =>
    atRest({ ...vessel, solvents: new Map([...vessel.solvents, [WATER, left]]) }, setting.named, setting.own)
  const isOver = ({ vessel: { lumps }, unknown }: AtRest): boolean =>
    unknown !== undefined || lumps.some(({ is, moles }) => is === 'crystals' && moles > 0)
  if (!(water > 0) || isOver(restAt(water))) return 0
  const steps = Array.from({ length: SCAN }, (_, k) => water * SCAN_BY ** (k + 1))
  const rests = firstThat(
    steps,
    left => restAt(left),
    rest => isOver(rest) || rest.isBeyond === true,
  )
  if (!rests) return water * MOST_BOILED
  const { at: first, found } = rests
  if (!isOver(found)) return water - (first === 0 ? water : (steps[first - 1] ?? water))
  let [low, high] = [steps[first] ?? 0, first === 0 ? water : (steps[first - 1] ?? water)]
  for (let i = 0; i < 20; i++) {
    const middle = (low + high) / 2
    if (isOver(restAt(middle))) low = middle
    else high = middle
  }
  // What cooling does not bring, boiling must: most of it comes down hot.
  return Math.max(0, water - high * (flat ? LEFT_OF_FLAT : SHORT))
}
interface Wanted {
  readonly form: Setting['product']
  readonly celsius: number
}
/** The least water, between two amounts, from which the cold brings the product alone, in its form where that comes, and some liquor stays; so much where no amount does. */
function pureFrom(course: Course, wanted: Wanted, least: number, most: number): number {
  const inForm = pureFromAs(course, wanted, least, most, one => sameStuff(one, wanted.form))
  return (
    inForm ?? pureFromAs(course, wanted, least, most, one => sameStuff(dryOf(one).dry, dryOf(wanted.form).dry)) ?? least
  )
}

function pureFromAs(
  { vessel, setting }: Course,
  { celsius }: Wanted,
  least: number,
  most: number,
  isProduct: (form: Formula) => boolean,
): number | undefined {
  const coldWith = (water: number): Vessel =>
    atRest({ ...vessel, celsius, solvents: new Map([...vessel.solvents, [WATER, water]]) }, setting.named, setting.own)
      .vessel
  const isPure = ({ lumps, solvents }: Vessel, water: number): boolean => {
    const crystals = lumps.filter(({ is }) => is === 'crystals')
    const isLeft = (solvents.get(WATER) ?? 0) > LIQUOR_LEFT * water
    return isLeft && crystals.length > 0 && crystals.every(one => isProduct(one.form))
  }
  const first = coldWith(least)
  if (!(least < most) || isPure(first, least)) return least
  if (!first.lumps.some(({ is }) => is === 'crystals')) return undefined
  let low = least
  let high = least
  do {
    low = high
    high = Math.min(most, high / SCAN_BY)
  } while (high < most && !isPure(coldWith(high), high))
  if (!isPure(coldWith(high), high)) return undefined
  for (let i = 0; i < 10; i++) {
    const middle = (low + high) / 2
    if (isPure(coldWith(middle), middle)) high = middle
    else low = middle
  }
  return Math.min(most, high * SHORT)
}

function firstThat<T, U>(
  of: readonly T[],
  look: (one: T) => U,
  holds: (found: U) => boolean,
): { readonly at: number; readonly found: U } | undefined {
  for (const [at, one] of of.entries()) {
    const found = look(one)
    if (holds(found)) return { at, found }
  }
  return undefined
}
/** Of the water so much must stay as liquor, or what is beside the product dries into it; a judgement. */
const LIQUOR_LEFT = 0.1
/** From all of the water to a fiftieth of it, by a fifth each. */
const SCAN = 17
const SCAN_BY = 0.8
/** Of the water that just holds a salt as soluble cold as hot, so much is left; common practice, no source. */
const LEFT_OF_FLAT = 0.3
/** No pot is boiled further down than this; a judgement. */
const MOST_BOILED = 0.95
/** A little before it begins; common practice, no source. */
const SHORT = 1.02

/** More of something else in the crop than this share of it, and it is said; a judgement. */
const MIXED = 0.02
/** Another salt comes down with the product, or in its place: said at once, with how much. */
export function tellMixed(course: Course, product: Setting['product']): void {
  if (!course.isKnown) return
  const { main, beside } = course.bench
  const lumps = [main, ...beside.filter(({ is }) => is === 'crop').map(({ vessel }) => vessel)].flatMap(
    one => one.lumps,
  )
  const whole = lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  for (const { form, moles, is } of lumps) {
    const mass = moles * molarMass(form)
    if (is === 'crystals' && mass > MIXED * whole && !sameStuff(dryOf(form).dry, dryOf(product).dry))
      course.warn(
        'crop.mixed',
        `${grams(mass)} of {${form.text}} come down with {${product.text}}: filter them off hot or cold where only they stand, or take other salts.`,
      )
  }
}

/** The form that is wanted is not the one that comes: said at once, with what would have to be done. */
export function tellForm(course: Course, product: Setting['product']): void {
  const other = course.vessel.lumps.find(
    ({ form, is }) =>
      (is === 'crystals' || is === 'thrown down') &&
      sameStuff(dryOf(form).dry, dryOf(product).dry) &&
      !sameStuff(form, product),
  )
  if (other && course.isKnown)
    course.warn(
      'form.comes-as',
      `{${product.text}} does not come this way: {${other.form.text}} does. Isolate that, and take its water off in a stage of its own, or say {${other.form.text}} as the form.`,
    )
}
