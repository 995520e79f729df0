import { molarMass, sameStuff, type Formula } from '#core/formula'
import type { ReadStage } from '#core/sheet'
import { findCurve, saturationAt, type Curve } from '#core/solution'
import { atRest, dryOf, standsAs, WATER, type Lump, type Setting, type Vessel } from '#core/vessel'
import type { Charge } from './charges'
import { grams, type Course } from './course'
import { chargeOne } from './enter'
import { isFlat } from './way'

/** Hot short of boiling, cold as an ice bath brings it, and the room, °C; common practice, no source. */
const HOT = 80
const COLD = 5
const ROOM = 25
/** Liquor that a sucked-off cake of crystals keeps, and a precipitate, as a share of the solids’ mass; common practice, no source. */
const RETAINED = 0.2
const RETAINED_FINE = 1
/** A wash of crystals, and one of a precipitate, mL to the g, and how many of those; common practice, no source. */
const WASH = 0.3
const WASH_FINE = 10
const FINE_WASHES = 3
/** Dull red heat, °C, where a plan names none: most hydroxides, carbonates and hydrates here give way below it; common practice, no source. */
const CALCINE = 500

/** The same salt, whatever its water. */
export const isProduct = (form: Formula, product: Formula): boolean => sameStuff(dryOf(form).dry, dryOf(product).dry)

/** Solids that are not the product leave before the product is won from the liquor. */
function clear(course: Course, product: Formula, celsius: number): void {
  if (!course.vessel.lumps.some(({ form }) => !isProduct(form, product))) return
  if (celsius !== course.vessel.celsius)
    course.do({ do: 'heat to', celsius }, `Heat to ${celsius} °C, so that the product is all dissolved`)
  const strangers = course.vessel.lumps.filter(({ form }) => !isProduct(form, product))
  if (strangers.length === 0) return
  if (strangers.length < course.vessel.lumps.length) {
    solidBeside(course, strangers, product, 'more water, or hotter, and it can be filtered off first')
    return
  }
  course.do({ do: 'filter off', keep: 'liquor', retained: 0 }, 'Filter hot from what did not dissolve, and rinse')
}

function solidBeside(course: Course, strangers: readonly Lump[], product: Formula, fix: string): void {
  const names = strangers.map(({ form }) => form.text).join(', ')
  course.warn('solid.beside', `${names} stays solid beside ${product.text}, and will be in the crop: ${fix}.`)
}

function dryAndWeigh(course: Course): void {
  course.do({ do: 'dry' }, 'Dry it, and weigh until constant')
  course.do({ do: 'weigh crop' }, 'Weigh the crop')
}

export function crystallise(course: Course, stage: ReadStage, product: Formula, own: readonly Curve[]): void {
  const curve = findCurve(dryOf(product).dry, own)?.curve
  const most = curve ? Math.max(...curve.phases.map(({ to }) => to)) : HOT
  const least = curve ? Math.min(...curve.phases.map(({ from }) => from)) : COLD
  const hot = Math.min(HOT, most)
  const cold = Math.max(COLD, least)
  clear(course, product, hot)
  if (course.vessel.celsius !== hot) course.do({ do: 'heat to', celsius: hot }, `Heat to ${hot} °C`)
  const planned = stage.bench.evaporate?.value
  const water = planned ?? boilFor(course.vessel, course.setting, curve !== undefined && isFlat(curve))
  if (water > 0) course.do({ do: 'boil off', water }, `Boil off ${grams(water)} of water`)
  course.do({ do: 'cool', celsius: cold }, `Cool slowly to ${cold} °C`)
  const crystals = course.vessel.lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED }, 'Filter the crystals off and suck them dry')
  if (crystals > 0) {
    const wash = washFor(course, product) * crystals
    course.do(
      { do: 'wash', solvents: new Map([[WATER, wash]]), celsius: Math.max(0, least), retained: RETAINED },
      `Wash with ${grams(wash)} of ice-cold water`,
      { solvents: { [WATER]: wash } },
    )
  }
  dryAndWeigh(course)
}

/** A salt that dissolves well in the cold bears only a little water; the line is a judgement. */
const VERY_SOLUBLE = 30
const WASH_SOLUBLE = 0.1
function washFor({ setting: { own }, vessel }: Course, product: Formula): number {
  const curve = findCurve(dryOf(product).dry, own)?.curve
  const cold = curve && saturationAt(curve, vessel.celsius)
  return cold?.ok && cold.value.grams > VERY_SOLUBLE ? WASH_SOLUBLE : WASH
}

/** So much water may go that the first crystals are about to come at the temperature that the pot has; where none come, most of it. */
function boilFor(vessel: Vessel, setting: Setting, flat: boolean): number {
  const water = vessel.solvents.get(WATER) ?? 0
  const crystalsAt = (left: number): number => {
    const rest = atRest(
      { ...vessel, solvents: new Map([...vessel.solvents, [WATER, left]]) },
      setting.named,
      setting.own,
    )
    if (rest.unknown) return Infinity
    return rest.vessel.lumps.filter(({ is }) => is === 'crystals').reduce((sum, { moles }) => sum + moles, 0)
  }
  if (!(water > 0) || crystalsAt(water) > 0) return 0
  const steps = Array.from({ length: SCAN }, (_, k) => water * SCAN_BY ** (k + 1))
  const first = steps.findIndex(left => crystalsAt(left) > 0)
  if (first < 0) return water * MOST_BOILED
  let [low, high] = [steps[first] ?? 0, first === 0 ? water : (steps[first - 1] ?? water)]
  for (let i = 0; i < 26; i++) {
    const middle = (low + high) / 2
    if (crystalsAt(middle) > 0) low = middle
    else high = middle
  }
  // What cooling does not bring, boiling must: most of it comes down hot.
  return Math.max(0, water - high * (flat ? LEFT_OF_FLAT : SHORT))
}
/** From all of the water to a fiftieth of it, by a fifth each. */
const SCAN = 17
const SCAN_BY = 0.8
/** Of the water that just holds a salt as soluble cold as hot, so much is left; common practice, no source. */
const LEFT_OF_FLAT = 0.3
/** No pot is boiled further down than this; a judgement. */
const MOST_BOILED = 0.95
/** A little before it begins; common practice, no source. */
const SHORT = 1.02

export function throwDown(course: Course, product: Formula): void {
  course.hangsOnRest = false
  course.do({ do: 'stand' }, 'Let it settle, and digest it warm if it is fine')
  const solids = course.vessel.lumps.filter(({ form }) => standsAs(dryOf(form).dry) === 'solid')
  const strangers = solids.filter(({ form }) => !isProduct(form, product))
  if (strangers.length > 0) solidBeside(course, strangers, product, 'part them before, or take another way')
  const mass = solids.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED_FINE }, 'Filter the precipitate off')
  const wash = WASH_FINE * mass
  for (let k = 0; k < FINE_WASHES && mass > 0; k++)
    course.do(
      { do: 'wash', solvents: new Map([[WATER, wash]]), celsius: ROOM, retained: RETAINED_FINE },
      `Wash with ${grams(wash)} of water, ${k + 1} of ${FINE_WASHES}, until a drop test is silent`,
      { solvents: { [WATER]: wash } },
    )
  dryAndWeigh(course)
}

export function toDryness(course: Course, product: Formula, by: 'take to dryness' | 'distil off'): void {
  clear(course, product, HOT)
  course.do(
    { do: by },
    by === 'distil off' ? 'Distil the solvent off under dry gas' : 'Evaporate gently, and finish in a dish',
  )
  dryAndWeigh(course)
}

export function saltOut(course: Course, product: Formula, theory: number): void {
  clear(course, product, HOT)
  course.do({ do: 'cool', celsius: ROOM }, `Cool to ${ROOM} °C`)
  const water = course.vessel.solvents.get(WATER) ?? 0
  const ethanol = ETHANOL_TO_WATER * water
  course.do(
    { do: 'add solvent', solvents: new Map([['ethanol', ethanol]]) },
    `Add ${grams(ethanol)} of ethanol slowly`,
    { solvents: { ethanol } },
    ['flammable-solvent'],
  )
  course.do({ do: 'cool', celsius: COLD }, `Cool to ${COLD} °C`)
  course.do({ do: 'filter off', keep: 'solid', retained: RETAINED }, 'Filter the crystals off')
  const crystals = course.vessel.lumps.reduce((sum, { form, moles }) => sum + moles * molarMass(form), 0)
  const wash = WASH * (course.isKnown ? crystals : theory)
  course.do(
    { do: 'wash', solvents: new Map([['ethanol', wash]]), celsius: COLD, retained: RETAINED },
    `Wash with ${grams(wash)} of ethanol`,
    { solvents: { ethanol: wash } },
    ['flammable-solvent'],
  )
  dryAndWeigh(course)
}
/** As much ethanol as water by volume; common practice, no source. */
const ETHANOL_TO_WATER = 0.79

export function heatDry(course: Course, stage: ReadStage, charges: readonly Charge[]): void {
  for (const one of charges.filter(({ comes }) => comes === 'gas'))
    chargeOne(
      course,
      one,
      1,
      one.species === 'O2' ? 'Let air to it while it is heated' : `Pass {${one.species}} over it`,
      [],
    )
  const celsius = stage.bench.celsius ?? CALCINE
  course.do({ do: 'ignite', celsius }, `Heat it dry to ${celsius} °C, by stages, to constant mass`, undefined, [
    'hot-vessel',
  ])
  course.do({ do: 'cool', celsius: ROOM }, 'Let it cool in a desiccator')
  course.do({ do: 'weigh crop' }, 'Weigh it')
}
